import { hexToLab } from "../../colour/spaces";
import { inZones } from "../../job";
import { blurMm } from "../../surface/blur";
import type { SurfaceGrid } from "../../surface/grid";
import { clamp, smoothstep } from "../../units";
import type { Marks } from "../../techniques/technique";
import { Carrier } from "../carrier";
import { AT_BORDERS } from "./coats";
import { hairTones } from "./hairs";
import { placeOfKey } from "./keys";
import type { LaidCoat, PatchedLayout } from "./layout";
import type { CoatColour } from "./params";

const NOWHERE: Marks = { kind: "strokes", strokes: [] };

/** Hairs stand closer at a border: all of it so near, fading out until there, mm. */
const [BORDER_MM, BORDER_OUT_MM] = [0.1, 0.5] as const;

/** How near a border of any two colours a cell lies, 0…1. */
function atBorder({ depthMm, owner }: LaidCoat, at: number): number {
  const own = depthMm[owner[at]!]![at]!;
  return 1 - smoothstep(BORDER_MM, BORDER_OUT_MM, own);
}

/**
 * The share of a cell's hairs that are of one colour, 0…1: every hair belongs to the colour of a place about `reachMm`
 * from where it is rooted, and a few stray.
 */
export function hairShare(layout: PatchedLayout, k: number): Float32Array {
  const { panel, owner } = layout.laid();
  const { reachMm, strays } = layout.params;
  const own = new Float32Array(owner.length);
  const all = new Float32Array(owner.length);
  for (const at of panel.cells) {
    own[at] = owner[at] === k ? 1 : 0;
    all[at] = 1;
  }
  const [blurred, whole] = [own, all].map((plane) => blurMm(plane, panel, reachMm)) as [
    Float32Array,
    Float32Array,
  ];
  const stray = strays / 100;
  for (const at of panel.cells) {
    const share = clamp(blurred[at]! / Math.max(1e-3, whole[at]!), 0, 1);
    own[at] = share + stray * (1 - share);
  }
  return own;
}

/** Weights of a colour's hairs on the panel: its share, more at borders; the greatest is 1. */
function hairWeights(layout: PatchedLayout, k: number): Float32Array {
  const laid = layout.laid();
  const share = hairShare(layout, k);
  for (const at of laid.panel.cells) share[at]! *= (1 + (AT_BORDERS - 1) * atBorder(laid, at)) / AT_BORDERS;
  return share;
}

/** How much of the sheen a colour takes, by how dark it is. */
function takesSheen({ colour }: CoatColour): number {
  const [l] = hexToLab(colour);
  return clamp((72 - l) / 44, 0, 1);
}

function sheenWeights(layout: PatchedLayout): Float32Array {
  const { panel, owner } = layout.laid();
  const weights = new Float32Array(owner.length);
  const takes = layout.params.colours.map(takesSheen);
  for (const at of panel.cells) weights[at] = takes[owner[at]!]!;
  return weights;
}

/** Weights by what they are of: every tone of a colour asks for the same ones. */
const kept = new WeakMap<PatchedLayout, Map<number, Float32Array>>();
const SHEEN_AT = -1;

function weightsOf(layout: PatchedLayout, k: number): Float32Array {
  const own = kept.get(layout) ?? new Map<number, Float32Array>();
  kept.set(layout, own);
  const known = own.get(k) ?? (k === SHEEN_AT ? sheenWeights(layout) : hairWeights(layout, k));
  own.set(k, known);
  return known;
}

/** Weights on the grids asked about last: all tones of a colour share them. */
const onGrids = new WeakMap<Float32Array, WeakMap<SurfaceGrid, Float32Array>>();

/** Weights carried from the panel to the cells of a picture, 0…1. */
const carried = (layout: PatchedLayout, k: number) => (grid: SurfaceGrid) => {
  const weights = weightsOf(layout, k);
  const own = onGrids.get(weights) ?? new WeakMap<SurfaceGrid, Float32Array>();
  onGrids.set(weights, own);
  const known =
    own.get(grid) ??
    new Carrier(layout.laid().panel, grid).depths(weights).map((share) => clamp(share, 0, 1));
  own.set(grid, known);
  return known;
};

/** Where a place of the pattern lies. */
export function patchedMarks(layout: PatchedLayout, key: string, grid: () => SurfaceGrid): Marks {
  const place = placeOfKey(key);
  if (!place) return NOWHERE;
  if (place.kind === "sheen")
    return {
      ...{ kind: "field", hollowsOnly: false },
      place: inZones([], 0, { values: { from: 0.84, to: 1, fade: 0.3 } }),
      within: carried(layout, SHEEN_AT),
    };
  const { colours, tones } = layout.params;
  const k = colours.findIndex(({ id }) => id === place.id);
  if (k < 0) return NOWHERE;
  if (place.kind === "hairs") {
    const tone = hairTones(tones)[place.tone];
    if (!tone) return NOWHERE;
    return { kind: "field", hollowsOnly: false, place: tone.place, within: carried(layout, k) };
  }
  if (k === 0) return NOWHERE;
  const laid = layout.laid();
  // Blocks of one colour are painted as one piece: their borders go under hairs.
  const depthMm = new Carrier(laid.panel, grid()).depths(laid.depthMm[k]!);
  return { kind: "regions", regions: { number: new Int32Array(depthMm.length), depthMm } };
}
