import { Box, Button, Checkbox, FormControlLabel, MenuItem, TextField, Typography } from "@mui/material";
import type { ReactNode } from "react";
import { BASE, type CamouflageParams, type Layer } from "../../../../../core/patterns/camouflage/params";
import { NumberField } from "../../../../../ui/NumberField";
import { TextEdit } from "../../../../../ui/TextEdit";
import { MixPick } from "../MixPick";
import { movedLayer, withLayer, withLayerMix, withoutLayer } from "./layers";

interface Props {
  readonly params: CamouflageParams;
  readonly layer: Layer;
  readonly change: (part: Partial<CamouflageParams>) => void;
}

type NumberKey = "sizeMm" | "spread" | "long" | "direction" | "turn" | "spurs" | "apart" | "gapMm";

interface Spec {
  readonly key: NumberKey;
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

const SIZE: Readonly<Record<Layer["kind"], string>> = {
  patch: "Length of a patch",
  bar: "Width of a bar",
  dot: "Width of a dot",
  edge: "Width of the line",
};

/** The settings that mean something for a kind of layer. */
function specsFor({ kind }: Layer): Spec[] {
  const all: (Spec | false)[] = [
    { key: "sizeMm", label: SIZE[kind], unit: "mm", min: 0.08, max: 40, step: 0.1 },
    { key: "spread", label: "Sizes differ by", unit: "%", min: 0, max: 120, step: 5 },
    kind !== "edge" && { key: "long", label: "Length to width", unit: ": 1", min: 1, max: 8, step: 0.1 },
    kind !== "edge" && { key: "direction", label: "Direction", unit: "°", min: 0, max: 180, step: 5 },
    kind !== "edge" && { key: "turn", label: "Turned by up to", unit: "°", min: 0, max: 90, step: 5 },
    (kind === "patch" || kind === "bar") && {
      key: "spurs",
      label: "Spurs",
      unit: "",
      min: 0,
      max: 6,
      step: 0.2,
    },
    kind !== "edge" && { key: "apart", label: "Kept apart", unit: "%", min: 0, max: 100, step: 5 },
    kind !== "edge" && {
      key: "gapMm",
      label: "Gap to what it leaves",
      unit: "mm",
      min: 0,
      max: 5,
      step: 0.05,
    },
  ];
  return all.filter((spec) => spec !== false);
}

/** What an edge follows, or what a layer may cover. */
function Where({ params, layer, change }: Props) {
  const earlier = params.layers.slice(
    0,
    params.layers.findIndex((one) => one.id === layer.id),
  );
  if (layer.kind === "edge")
    return (
      <TextField
        select
        label="Along the border of"
        sx={{ width: 170 }}
        value={layer.follows ?? ""}
        onChange={(event) => change(withLayer(params, layer.id, { follows: event.target.value }))}
      >
        {earlier
          .filter((one) => one.kind !== "edge")
          .map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
      </TextField>
    );
  const grounds = [{ id: BASE, name: "Base" }, ...earlier];
  const toggle = (id: string) =>
    layer.over.includes(id) ? layer.over.filter((one) => one !== id) : [...layer.over, id];
  return (
    <Box role="group" aria-label={`What ${layer.name} may cover`}>
      <Typography variant="caption" component="div">
        May cover (what is not ticked is left free)
      </Typography>
      {grounds.map(({ id, name }) => (
        <FormControlLabel
          key={id}
          sx={{ "& .MuiFormControlLabel-label": { fontSize: 13 } }}
          control={
            <Checkbox
              size="small"
              checked={layer.over.includes(id)}
              // A layer that may cover nothing could not be painted.
              disabled={layer.over.length === 1 && layer.over.includes(id)}
              onChange={() => change(withLayer(params, layer.id, { over: toggle(id) }))}
            />
          }
          label={name}
        />
      ))}
    </Box>
  );
}

const row = (children: ReactNode) => (
  <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "flex-start" }}>{children}</Box>
);

/** Everything one layer can be set to. */
export function LayerDetails({ params, layer, change }: Props) {
  const at = params.layers.findIndex((one) => one.id === layer.id);
  return (
    <Box component="section" aria-label={`Layer ${layer.name}`} sx={{ display: "grid", gap: 1.5 }}>
      {row(
        <>
          <Box sx={{ width: 150 }}>
            <TextEdit
              key={layer.id}
              label="Name of the layer"
              value={layer.name}
              most={40}
              onChange={(name) => change(withLayer(params, layer.id, { name }))}
            />
          </Box>
          <MixPick
            label="Its mix"
            value={layer.mixId}
            onChange={(mixId) => mixId !== null && change(withLayerMix(params, layer.id, mixId))}
          />
          <Button disabled={at === 0} onClick={() => change(movedLayer(params, layer.id, -1))}>
            Paint it earlier
          </Button>
          <Button
            disabled={at === params.layers.length - 1}
            onClick={() => change(movedLayer(params, layer.id, 1))}
          >
            Paint it later
          </Button>
          <Button onClick={() => change(withoutLayer(params, layer.id))}>Remove it</Button>
        </>,
      )}
      {row(
        specsFor(layer).map(({ key, ...spec }) => (
          <NumberField
            key={key}
            {...spec}
            width={136}
            value={layer[key]}
            onChange={(value) => change(withLayer(params, layer.id, { [key]: value }))}
          />
        )),
      )}
      <Where params={params} layer={layer} change={change} />
    </Box>
  );
}
