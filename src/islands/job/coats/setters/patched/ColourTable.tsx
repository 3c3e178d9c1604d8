import {
  Box,
  Button,
  MenuItem,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TextField,
} from "@mui/material";
import type { ColourFacts, PatchedFacts } from "../../../../../core/patterns/patched/facts";
import {
  COLOURS,
  sharesAsked,
  type CoatColour,
  type PatchedParams,
  type Sits,
} from "../../../../../core/patterns/patched/params";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { TextEdit } from "../../../../../ui/TextEdit";
import { SITS_OPTIONS, withColour, withNewColour, withoutColour } from "./edits";

interface Props {
  readonly params: PatchedParams;
  readonly facts: PatchedFacts | null;
  readonly change: (part: Partial<PatchedParams>) => void;
}

const cell = { py: 0.4, px: 0.7, fontSize: 13 } as const;
const percent = (share: number) => `${formatNumber(share * 100, 1)}\u202f%`;

function ShareCell({ params, at, change }: Pick<Props, "params" | "change"> & { readonly at: number }) {
  const { id, name, share } = params.colours[at]!;
  // The first colour is the ground of all others.
  if (at === 0)
    return <span title="What the others leave">the rest, {percent(sharesAsked(params)[0]!)}</span>;
  return (
    <NumberField
      hideLabel
      label={`Share of ${name}`}
      unit="%"
      width={84}
      min={0}
      max={100}
      value={share}
      onChange={(next) => change(withColour(params, id, { share: next }))}
    />
  );
}

interface RowProps extends Props {
  readonly one: CoatColour;
  readonly at: number;
  readonly facts: PatchedFacts | null;
}

function shownText(own: ColourFacts | undefined): string {
  return own ? `${percent(own.reached)}, ${own.blocks}` : "…";
}

function ColourRow({ params, one, at, facts, change }: RowProps) {
  const { id, name, colour, sits, keeps } = one;
  return (
    <TableRow>
      <TableCell sx={cell}>
        <Box sx={{ display: "flex", gap: 0.8, alignItems: "center" }}>
          <input
            type="color"
            aria-label={`Colour of ${name}`}
            value={colour.toLowerCase()}
            onChange={(event) => change(withColour(params, id, { colour: event.target.value }))}
          />
          <TextEdit
            label={`Name of ${name}`}
            value={name}
            most={40}
            onChange={(next) => change(withColour(params, id, { name: next }))}
            plain={{ sx: { width: 104 } }}
          />
        </Box>
      </TableCell>
      <TableCell sx={cell}>
        <ShareCell params={params} at={at} change={change} />
      </TableCell>
      <TableCell sx={cell}>
        <TextField
          select
          value={sits}
          sx={{ width: 146 }}
          slotProps={{ select: { SelectDisplayProps: { "aria-label": `Where ${name} sits` } } }}
          onChange={(event) => change(withColour(params, id, { sits: event.target.value as Sits }))}
        >
          {SITS_OPTIONS.map(([value, label]) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
      </TableCell>
      <TableCell sx={cell}>
        {sits !== "anywhere" && (
          <NumberField
            hideLabel
            label={`How far ${name} keeps to it`}
            unit="%"
            width={84}
            min={0}
            max={100}
            step={5}
            value={keeps}
            onChange={(next) => change(withColour(params, id, { keeps: next }))}
          />
        )}
      </TableCell>
      <TableCell sx={{ ...cell, whiteSpace: "nowrap" }}>
        {shownText(facts?.colours.find((fact) => fact.id === id))}
      </TableCell>
      <TableCell sx={cell}>
        <Button
          aria-label={`Remove ${name}`}
          disabled={params.colours.length <= COLOURS.least}
          onClick={() => change(withoutColour(params, id))}
          sx={{ minWidth: 0 }}
        >
          Remove
        </Button>
      </TableCell>
    </TableRow>
  );
}

/** Colours of the coat: how much of it each has, where it sits, and what came of it. */
export function ColourTable({ params, facts, change }: Props) {
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table size="small" aria-label="Colours of the coat" sx={{ width: "auto" }}>
        <TableHead>
          <TableRow>
            {["Colour", "Asked", "Sits", "Keeps to it", "Shows, blocks", ""].map((head) => (
              <TableCell key={head} sx={{ ...cell, color: "text.secondary" }}>
                {head}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {params.colours.map((one, at) => (
            <ColourRow key={one.id} {...{ params, facts, change, one, at }} />
          ))}
        </TableBody>
      </Table>
      <Button disabled={params.colours.length >= COLOURS.most} onClick={() => change(withNewColour(params))}>
        Add a colour
      </Button>
    </Box>
  );
}
