import {
  Box,
  Button,
  Menu,
  MenuItem,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { useState } from "react";
import type { CamouflageFacts, LayerFacts } from "../../../../../core/patterns/camouflage/facts";
import {
  LAYER_KINDS,
  MOST_LAYERS,
  type CamouflageParams,
  type Layer,
} from "../../../../../core/patterns/camouflage/params";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { useJob, usePaints } from "../../../jobStore";
import { KIND_NAMES, withLayer, withNewLayer } from "./layers";
import { mixHex } from "../mixHex";

interface Props {
  readonly params: CamouflageParams;
  readonly facts: CamouflageFacts | null;
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  readonly change: (part: Partial<CamouflageParams>) => void;
}

const cell = { py: 0.4, px: 0.8, fontSize: 13 } as const;

/** Asked and reached, where they differ in words. */
function reachedText(layer: Layer, facts: LayerFacts | undefined): string {
  if (!facts) return "…";
  const reached = `${formatNumber(facts.reached * 100, 1)}\u202f%`;
  const short = facts.asked !== null && Math.abs(facts.asked - facts.reached) > 0.005;
  return short ? `${reached}, no more room` : layer.kind === "edge" ? `${reached} of the surface` : reached;
}

function LayerRow({ layer, facts, chosen, params, onChoose, change }: Props & { readonly layer: Layer }) {
  const job = useJob();
  const paints = usePaints();
  const own = facts?.layers.find((one) => one.id === layer.id);
  return (
    <TableRow selected={chosen === layer.id}>
      <TableCell sx={cell}>
        <Button
          aria-pressed={chosen === layer.id}
          onClick={() => onChoose(layer.id)}
          sx={{ p: 0, minWidth: 0, textAlign: "left", color: "text.primary" }}
        >
          <Box
            component="span"
            sx={{
              width: 18,
              height: 18,
              mr: 1,
              flexShrink: 0,
              bgcolor: mixHex(job, paints, layer.mixId, layer.colour),
            }}
          />
          {layer.name}
        </Button>
      </TableCell>
      <TableCell sx={cell}>{KIND_NAMES[layer.kind].toLowerCase()}</TableCell>
      <TableCell sx={cell}>
        <NumberField
          hideLabel
          label={
            layer.kind === "edge" ? `Part of the border lined by ${layer.name}` : `Share of ${layer.name}`
          }
          unit="%"
          width={82}
          min={0}
          max={100}
          step={1}
          value={layer.share}
          onChange={(share) => change(withLayer(params, layer.id, { share }))}
        />
      </TableCell>
      <TableCell sx={cell}>{reachedText(layer, own)}</TableCell>
      <TableCell sx={cell}>{own && layer.kind !== "edge" ? own.count : "–"}</TableCell>
    </TableRow>
  );
}

/** The layers in the order they are painted, with what was asked and what shows. */
export function LayerList(props: Props) {
  const { params, change, onChoose } = props;
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <Box>
      <Table size="small" aria-label="Layers">
        <TableHead>
          <TableRow>
            {["First to last", "What", "Asked", "Shows", "Marks"].map((head) => (
              <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                {head}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {params.layers.map((layer) => (
            <LayerRow key={layer.id} {...props} layer={layer} />
          ))}
        </TableBody>
      </Table>
      {params.layers.length === 0 && <Typography sx={{ py: 1 }}>Only the base yet: add a layer.</Typography>}
      <Button
        aria-haspopup="menu"
        disabled={params.layers.length >= MOST_LAYERS}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Add a layer
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {LAYER_KINDS.map((kind) => (
          <MenuItem
            key={kind}
            onClick={() => {
              const next = withNewLayer(params, kind);
              change(next);
              const added = next.layers?.at(-1);
              if (added) onChoose(added.id);
              setAnchor(null);
            }}
          >
            {KIND_NAMES[kind]}
          </MenuItem>
        ))}
      </Menu>
    </Box>
  );
}
