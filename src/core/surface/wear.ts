import type { WearSettings } from "../job";
import { hash01 } from "../random";
import { clamp, smoothstep } from "../units";
import { fieldsOf, rimMm, seamMm } from "./fields";
import { softNoise } from "./forms/sheet";
import type { SurfaceGrid } from "./grid";

/** Width over which hems and seams wear, mm. */
const HEM_MM = 1.1;
const SEAM_MM = 0.7;
/** Patches of wear are about this large, mm. */
const PATCH_MM = 2.3;

/** What the wear map starts with: what rubs and bends most wears first. */
export const USUAL_WEAR: WearSettings = {
  edges: 80,
  hems: 55,
  folds: 65,
  seams: 30,
  heights: 45,
  patches: 45,
};

/** Each source of wear: its name in words and what it means. One line here is one slider. */
export const WEAR_SOURCES: Readonly<
  Record<keyof WearSettings, { readonly label: string; readonly about: string }>
> = {
  edges: { label: "Sharp edges", about: "Where the ground bends outwards within a tenth of a millimetre." },
  hems: { label: "Hems and ends", about: `Along the outline, within about ${HEM_MM} mm.` },
  folds: {
    label: "Folds and knuckles",
    about: "What stands out over half a millimetre: folds, knuckles, cords.",
  },
  seams: { label: "Beside seams", about: `On both sides of a seam, within about ${SEAM_MM} mm.` },
  heights: {
    label: "What stands out most",
    about: "Whole bulges over some two millimetres: what is touched first.",
  },
  patches: { label: "In patches", about: "0 wears evenly, 100 leaves whole stretches untouched." },
};

const known = new WeakMap<Float32Array, Map<string, Float32Array>>();

/**
 * The wear map: how much each place has rubbed, bent and been touched, 0…1. Sources are joined as chances are: what
 * two of them wear is worn more than either does.
 * @param settings percent of each source
 * @param seed patches of this surface
 */
export function wearMap(grid: SurfaceGrid, settings: WearSettings, seed: number): Float32Array {
  const key = JSON.stringify([settings, seed]);
  const maps = known.get(grid.relief) ?? new Map<string, Float32Array>();
  known.set(grid.relief, maps);
  const remembered = maps.get(key);
  if (remembered) return remembered;
  if (maps.size > 2) maps.clear();
  const made = makeMap(grid, settings, seed);
  maps.set(key, made);
  return made;
}

function makeMap(grid: SurfaceGrid, settings: WearSettings, seed: number): Float32Array {
  const fields = fieldsOf(grid);
  const { edge, along, up } = fields;
  const [middle, wide] = [fields.hollow(1), fields.hollow(2)];
  const patch = softNoise(seed, PATCH_MM, hash01);
  const fine = softNoise(seed + 1, PATCH_MM / 3.1, hash01);
  const hasSeams = grid.form.seamsDeg.length > 0 && settings.seams > 0;
  const out = new Float32Array(grid.inside.length);
  for (let at = 0; at < out.length; at++) {
    if (grid.inside[at] === 0) continue;
    let whole = 1 - (settings.edges / 100) * smoothstep(0.06, 0.6, edge[at]!);
    whole *= 1 - (settings.hems / 100) * (1 - smoothstep(0, HEM_MM, Math.max(0, rimMm(grid, at))));
    whole *= 1 - (settings.folds / 100) * smoothstep(0.0, 0.13, -middle[at]!);
    whole *= 1 - (settings.heights / 100) * smoothstep(0.01, 0.14, -wide[at]!);
    if (hasSeams) whole *= 1 - (settings.seams / 100) * (1 - smoothstep(0.1, SEAM_MM, seamMm(grid, at)));
    const uneven = 0.7 * patch(along[at]!, up[at]!) + 0.3 * fine(along[at]!, up[at]!);
    out[at] = clamp((1 - whole) * (1 + (settings.patches / 100) * 1.5 * uneven), 0, 1);
  }
  return out;
}
