import type { WearSettings } from "../job";
import { smoothstep } from "../units";
import { fieldsOf, seamMm } from "./fields";
import type { SurfaceGrid } from "./grid";
import { USUAL_WEAR, wearMap } from "./wear";
import type { Zone } from "./zoneNames";

/** Width over which a zone measured in mm fades out. */
const HEM_MM = 2.5;
const SEAM_MM = 0.9;

/** Where a surface wears, and the seed of its patches. */
export interface WearOf {
  readonly settings: WearSettings;
  readonly seed: number;
}

const USUAL: WearOf = { settings: USUAL_WEAR, seed: 0 };

/** Below and above this the ground counts as hollow or raised, as a share of its scale. */
const [SLIGHT, CLEAR] = [-0.02, 0.1] as const;

function memberOf(zone: Zone, grid: SurfaceGrid, wear: WearOf): (at: number) => number {
  const fields = fieldsOf(grid);
  switch (zone) {
    case "raised": {
      const [middle, wide] = [fields.hollow(1), fields.hollow(2)];
      return (at) => smoothstep(SLIGHT, CLEAR, -(middle[at]! + wide[at]!));
    }
    case "level": {
      // What is neither raised nor hollow: the three share the surface between them.
      const [middle, wide] = [fields.hollow(1), fields.hollow(2)];
      return (at) => {
        const under = middle[at]! + wide[at]!;
        return 1 - smoothstep(SLIGHT, CLEAR, under) - smoothstep(SLIGHT, CLEAR, -under);
      };
    }
    case "hollow": {
      const [middle, wide] = [fields.hollow(1), fields.hollow(2)];
      return (at) => smoothstep(SLIGHT, CLEAR, middle[at]! + wide[at]!);
    }
    case "lit": {
      const { lit } = fields;
      return (at) => smoothstep(0.5, 0.98, lit[at]!);
    }
    case "shaded": {
      const { lit } = fields;
      return (at) => 1 - smoothstep(0.5, 0.98, lit[at]!);
    }
    case "sheltered": {
      const { sky } = fields;
      return (at) => 1 - smoothstep(0.62, 0.97, sky[at]!);
    }
    case "worn": {
      const map = wearMap(grid, wear.settings, wear.seed);
      return (at) => map[at]!;
    }
    case "unworn": {
      const map = wearMap(grid, wear.settings, wear.seed);
      return (at) => 1 - map[at]!;
    }
    case "edges": {
      const { edge } = fields;
      return (at) => smoothstep(0.08, 0.6, edge[at]!);
    }
    case "hem":
      return (at) => 1 - smoothstep(HEM_MM * 0.2, HEM_MM, grid.heightMm[at]!);
    case "top":
      return (at) => 1 - smoothstep(HEM_MM * 0.2, HEM_MM, grid.form.slantMm - grid.heightMm[at]!);
    case "seams":
      return (at) => 1 - smoothstep(SEAM_MM * 0.2, SEAM_MM, seamMm(grid, at));
  }
}

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
  const members = zones.map((zone) => memberOf(zone, grid, wear));
  const out = new Float32Array(grid.inside.length);
  for (let at = 0; at < out.length; at++) {
    if (grid.inside[at] === 0) continue;
    let share = 1;
    for (const member of members) share *= member(at);
    out[at] = fade + (1 - fade) * share;
  }
  return out;
}
