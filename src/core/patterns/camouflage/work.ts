import type { SurfaceForm } from "../../surface/forms/form";
import { buildGrid, type SurfaceGrid } from "../../surface/grid";
import { clamp, counted } from "../../units";
import type { Counting, MarkRemedy, MarkSet, PlaceWork } from "../family";
import { layerKey, placeOfKey } from "./keys";
import type { CamouflageLayout, LaidLayer } from "./layout";
import { LIGHT_SOFT_MM } from "./coats";
import { camouflageMarks, layerDots } from "./marks";
import type { Layer } from "./params";

/** Pulls that a line along a border is drawn in, mm. */
const PULL_MM = 2.5;
/** Cells enough to tell how much of a colour is lit. */
const LIT_CELLS = 24_000;

/** One coarse grid a form: every colour of a pattern asks for it. */
const litGrids = new WeakMap<SurfaceForm, SurfaceGrid>();

function litGrid(form: SurfaceForm): SurfaceGrid {
  const grid = litGrids.get(form) ?? buildGrid(form, Math.sqrt(form.areaMm2 / LIT_CELLS));
  litGrids.set(form, grid);
  return grid;
}

const NAMES: Readonly<Record<Layer["kind"], string>> = {
  patch: "patch",
  bar: "bar",
  dot: "dot",
  edge: "pull",
};

/** Cells of the panel that are painted with a layer, whether they show in the end or not, mm². */
function paintedMm2({ panel, layers }: ReturnType<CamouflageLayout["laid"]>, k: number): number {
  let cells = 0;
  for (const at of panel.cells) if (layers[k]!.paintedMm[at]! > 0) cells++;
  return cells * panel.pitchMm * panel.pitchMm;
}

function layerWork(layout: CamouflageLayout, k: number): PlaceWork {
  const laid = layout.laid();
  const { layer, marks } = laid.layers[k]!;
  const name = NAMES[layer.kind];
  if (layer.kind === "dot") {
    const dots = layerDots(laid, laid.layers[k]!);
    const areaMm2 = dots.reduce((sum, dot) => sum + (Math.PI / 4) * dot.widthMm * dot.heightMm, 0);
    return { areaMm2, count: dots.length, name, rate: "dot" };
  }
  const areaMm2 = paintedMm2(laid, k);
  if (layer.kind === "edge")
    return { areaMm2, count: Math.max(1, Math.round(areaMm2 / layer.sizeMm / PULL_MM)), name, rate: "pull" };
  return { areaMm2, count: Math.max(1, marks.length), name, rate: "box" };
}

/** Softness of a light's border is drawn out here more, there less: as shares of the mean, with how often. */
const SOFTNESS = [
  [0.2, 0.1],
  [0.6, 0.25],
  [1.1, 0.3],
  [1.5, 0.25],
  [2, 0.1],
] as const;

/** How much of a place this deep in the lit part is covered, on the mean: lights fade, half of the way beyond the border. */
const fadedShare = (depthMm: number): number =>
  SOFTNESS.reduce(
    (sum, [soft, often]) => sum + often * clamp(depthMm / (soft * LIGHT_SOFT_MM) + 0.5, 0, 1),
    0,
  );

/** Lit places of a colour, from a coarse look at the piece's relief. */
function lightsWork(layout: CamouflageLayout, key: string): PlaceWork {
  const grid = litGrid(layout.form);
  const marks = camouflageMarks(layout, key, () => grid);
  let cells = 0;
  if (marks.kind === "regions")
    marks.regions.depthMm.forEach((depth, at) => {
      if (depth > -LIGHT_SOFT_MM) cells += fadedShare(depth) * grid.inside[at]!;
    });
  const areaMm2 = cells * grid.pitchMm * grid.pitchMm;
  return { areaMm2, count: Math.max(1, Math.round(areaMm2 / 3)), name: "stroke", rate: "pull" };
}

/** Patches, bars, dots and strokes of a place; null for seams, which are counted pull by pull. */
export function camouflageWork(layout: CamouflageLayout, key: string): PlaceWork | null {
  const place = placeOfKey(key);
  if (!place || place.kind === "seams") return null;
  if (place.kind === "lights") return lightsWork(layout, key);
  const k = layout.params.layers.findIndex((one) => one.id === place.id);
  return k < 0 ? null : layerWork(layout, k);
}

/** A fifth more or less of them looks the same. */
const AS_GOOD = 0.2;

/** Patches and bars are set thinly and counted before they are painted full. */
export function camouflageCounts(layout: CamouflageLayout, key: string): Counting[] {
  const place = placeOfKey(key);
  const at = place && "id" in place ? layout.params.layers.findIndex(({ id }) => id === place.id) : -1;
  const layer = layout.params.layers[at];
  if (!layer || place?.kind === "lights" || (layer.kind !== "patch" && layer.kind !== "bar")) return [];
  const count = layout.laid().layers[at]!.marks.length;
  const what = layer.kind === "patch" ? "patches" : "bars";
  return count > 0
    ? [{ what: `${what} of ${layer.name.toLowerCase()}`, count, within: Math.floor(count * AS_GOOD) }]
    : [];
}

/** What to look at after a coat of the pattern. */
export function camouflageLookAt(layout: CamouflageLayout, key: string, count: number): string[] {
  const place = placeOfKey(key);
  if (place?.kind === "seams")
    return [
      "Only here and there: a seam drawn all along looks like a fence.",
      "Turn the figure; draw towards yourself.",
    ];
  if (place?.kind === "lights")
    return ["Stay inside the colour, thinner towards its border; no veil over all."];
  const layer = layout.params.layers.find((one) => one.id === place?.id);
  switch (layer?.kind) {
    case "patch":
      return [
        `${counted(count, "patch", "patches")}: each unlike the one beside it in size, shape and turn.`,
        "Set them thinly first, step back, look for rows and twins, then paint them full.",
      ];
    case "bar":
      return [`${counted(count, "bar")}: some stop part of the way; no two side by side of one width.`];
    case "dot":
      return [
        `${counted(count, "dot")}, in loose clusters with bare ground between them; a fresh tip for each few.`,
      ];
    case "edge":
      return ["Along part of each border only; lift off where the line ends."];
    case undefined:
      return [];
  }
}

/** Most pairs joined or odd marks put between at one click. */
const MOST_ADDED = 12;

/** What mends the faults of one layer's marks. */
function remediesOf({ layer, marks }: LaidLayer, seed: number): MarkSet["remedies"] {
  const own = (key: keyof Layer, value: number, label: string): MarkRemedy => ({
    label,
    path: ["layers", layer.id, key],
    value,
  });
  const some = Math.min(MOST_ADDED, Math.max(1, Math.ceil(marks.length / 3)));
  const merge = own(
    "merged",
    Math.min(40, layer.merged + some),
    `Merge ${counted(some, "pair")} of neighbours`,
  );
  const odd = own("odd", Math.min(40, layer.odd + some), `Put ${counted(some, "odd one")} between`);
  const retry: MarkRemedy = { label: "Another try", path: ["seed"], value: (seed + 1) % 100000 };
  return {
    even: [own("apart", 25, "Let them come closer by chance"), merge, odd],
    alike: [own("spread", Math.max(55, layer.spread), "Vary their sizes"), merge, odd],
    lined: [own("turn", 80, "Turn them every way"), retry],
    clumped: [own("apart", Math.min(100, layer.apart + 35), "Keep them further apart"), retry],
    twins: [retry, odd],
  };
}

const setOf = (laid: LaidLayer, seed: number): MarkSet => {
  const { layer, marks } = laid;
  return {
    key: layerKey(layer.id),
    label: layer.name,
    marks,
    aligned: layer.kind === "bar",
    clustered: layer.kind === "dot",
    alike: layer.kind === "dot",
    remedies: remediesOf(laid, seed),
  };
};

/** Marks that were meant to be irregular; lines along borders are not. */
export const camouflageMarkSets = (layout: CamouflageLayout): MarkSet[] =>
  layout
    .laid()
    .layers.filter(({ layer }) => layer.kind !== "edge")
    .map((one) => setOf(one, layout.params.seed));
