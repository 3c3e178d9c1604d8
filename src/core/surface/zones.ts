import type { WearSettings } from "../job";
import { smoothstep } from "../units";
import { backness, frontness } from "./backness";
import { fieldsOf, seamMm } from "./fields";
import type { SurfaceGrid } from "./grid";
import { USUAL_WEAR, wearMap } from "./wear";
import type { Zone } from "./zoneNames";

/** Width over which a zone measured in mm fades out. */
const HEM_MM = 2.5;
const SEAM_MM = 0.9;

/** Between belly, 0, and back, 1: where the belly ends and where the back begins, and over how much either fades. */
const [BELLY, BACK, FADES] = [0.34, 0.66, 0.24] as const;
/** From here on a place looks so straight to the back that it is its crest. */
const CREST = [0.84, 0.95] as const;
/** From here on a place looks ahead: the face of a head, from ear to ear. */
const FRONT = [0.68, 0.86] as const;
/** What counts as tips: from here on along a lock or scale; on a smooth piece, of what stands out. */
const [TIPS, HIGHEST] = [
  [0.35, 0.8],
  [0.6, 1],
] as const;

/** Where a surface wears, and the seed of its patches. */
export interface WearOf {
  readonly settings: WearSettings;
  readonly seed: number;
}

const USUAL: WearOf = { settings: USUAL_WEAR, seed: 0 };

type Member = (at: number) => number;
type ZoneOn = (grid: SurfaceGrid, wear: WearOf) => Member;

const by =
  (values: Float32Array): Member =>
  (at) =>
    values[at]!;

/** 0 below, 1 above, of one value per cell. */
const between =
  (values: Float32Array, low: number, high: number): Member =>
  (at) =>
    smoothstep(low, high, values[at]!);

const not =
  (member: Member): Member =>
  (at) =>
    1 - member(at);

const worn: ZoneOn = (grid, { settings, seed }) => {
  const map = wearMap(grid, settings, seed);
  return (at) => map[at]!;
};

const onBack: ZoneOn = (grid) => {
  const back = backness(grid);
  return (at) => smoothstep(BACK - FADES / 2, BACK + FADES / 2, back(at));
};
/** The strip along the middle of the back, as a mane grows on it. */
const onCrest: ZoneOn = (grid) => {
  const back = backness(grid);
  return (at) => smoothstep(...CREST, back(at));
};
const onBelly: ZoneOn = (grid) => {
  const back = backness(grid);
  return (at) => smoothstep(BELLY + FADES / 2, BELLY - FADES / 2, back(at));
};

/** What looks to where the figure does: a face, a chest, the front of a hull. */
const onFront: ZoneOn = (grid) => {
  const front = frontness(grid);
  return (at) => smoothstep(...FRONT, front(at));
};

/** How much ground must be raised to be taken for a thing that stands on it, where nothing was built. */
const STANDS = [0.35, 0.75] as const;

/** What stands on a base; where nothing was built, stones and the like that the ground itself has. */
const onBuilt: ZoneOn = (grid) => {
  const built = grid.hide?.built;
  if (!built) return between(fieldsOf(grid).high, ...STANDS);
  return (at) => (built[at]! < 0 ? 0 : 1);
};

/** Nails, rivets, bolts and hoops. A hide that covers the piece has none. */
const onFittings: ZoneOn = (grid) => {
  const { fitting } = grid.form;
  if (!fitting || grid.hide) return () => 0;
  return (at) => fitting({ turnDeg: grid.turnDeg[at]!, heightMm: grid.heightMm[at]! });
};

const ZONE_MEMBERS: Readonly<Record<Zone, ZoneOn>> = {
  raised: (grid) => by(fieldsOf(grid).high),
  // What is neither raised nor hollow: the three share the surface between them.
  level: (grid) => {
    const { low, high } = fieldsOf(grid);
    return (at) => 1 - low[at]! - high[at]!;
  },
  hollow: (grid) => by(fieldsOf(grid).low),
  lit: (grid) => between(fieldsOf(grid).litShare, 0.5, 0.98),
  shaded: (grid) => not(between(fieldsOf(grid).litShare, 0.5, 0.98)),
  sheltered: (grid) => not(between(fieldsOf(grid).sky, 0.62, 0.97)),
  worn,
  unworn: (grid, wear) => not(worn(grid, wear)),
  edges: (grid) => between(fieldsOf(grid).edge, 0.08, 0.6),
  "upper-edges": (grid) => between(fieldsOf(grid).upperEdge, 0.08, 0.6),
  hem: (grid) => not(between(grid.heightMm, HEM_MM * 0.2, HEM_MM)),
  top: (grid) => (at) => 1 - smoothstep(HEM_MM * 0.2, HEM_MM, grid.form.slantMm - grid.heightMm[at]!),
  seams: (grid) => (at) => 1 - smoothstep(SEAM_MM * 0.2, SEAM_MM, seamMm(grid, at)),
  back: onBack,
  crest: onCrest,
  front: onFront,
  // What is neither back nor belly: the three share the surface between them.
  flank: (grid, wear) => {
    const [back, belly] = [onBack(grid, wear), onBelly(grid, wear)];
    return (at) => 1 - back(at) - belly(at);
  },
  belly: onBelly,
  "off-belly": (grid, wear) => not(onBelly(grid, wear)),
  built: onBuilt,
  // What stands on a base and its ground share the surface between them.
  ground: (grid, wear) => not(onBuilt(grid, wear)),
  fittings: onFittings,
  tips: (grid) => {
    const { hide } = grid;
    if (!hide) return between(fieldsOf(grid).high, ...HIGHEST);
    return (at) => (hide.thing[at]! < 0 ? 0 : smoothstep(255 * TIPS[0], 255 * TIPS[1], hide.along[at]!));
  },
};

/**
 * How much each cell belongs to all of some zones at once, 0…1.
 * @param fade 0 keeps to the zones strictly, 1 lets the coat reach everywhere, most in the zones
 */
export function zoneWeights(
  grid: SurfaceGrid,
  zones: readonly Zone[],
  fade: number,
  wear: WearOf = USUAL,
): Float32Array {
  const members = zones.map((zone) => ZONE_MEMBERS[zone](grid, wear));
  const out = new Float32Array(grid.inside.length);
  for (let at = 0; at < out.length; at++) {
    if (grid.inside[at] === 0) continue;
    let share = 1;
    for (let k = 0; k < members.length && share !== 0; k++) share *= members[k]!(at);
    out[at] = fade + (1 - fade) * share;
  }
  return out;
}
