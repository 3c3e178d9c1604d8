import { decodeSrgb } from "../colour/spaces";
import type { Job, Surface } from "../job";
import type { SurfaceGrid } from "../surface/grid";
import { placeWeights } from "../techniques/technique";
import { CURVE } from "./compositor";
import type { LaidCoat } from "./filmLayer";
import { CURVE_STEPS } from "./kernel/layout";
import { marksOf, shareOf } from "./layCoat";

const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));
/** Linear light that the place of a coat takes on, and how much of it: no paint is of this colour by itself. */
const [TINT, TINTED] = [[0.02, 0.42, 0.5] as const, 0.42] as const;
/** What lies beside the place keeps so much of its colour, and is dimmed to so much of its light. */
const [KEPT, DIMMED] = [0.25, 0.4] as const;

interface Laid {
  readonly grid: SurfaceGrid;
  readonly coats: readonly LaidCoat[];
}

/**
 * How much of each cell a coat is to go on, 0…1: its place where it goes by area, else what its marks have covered.
 * @returns null where the surface has no such coat, or one of marks that is held back
 */
export function goesOn(
  job: Job,
  surface: Surface,
  { grid, coats }: Laid,
  coatId: string,
): Float32Array | null {
  const coat = surface.coats.find((one) => one.id === coatId);
  if (!coat) return null;
  const filmOf = (id: string | undefined) => coats.find((one) => one.coat.id === id)?.film ?? null;
  const marks = marksOf(job, surface, grid.form, coat, () => grid);
  if (marks.kind !== "field") {
    const own = filmOf(coat.id);
    // Looked at once: it is not kept with the film.
    return own && Float32Array.from(own.cover, (share) => share / 255);
  }
  const near = coat.place.kind === "zones" ? coat.place.near?.coatId : undefined;
  const beside = filmOf(near);
  return placeWeights({ grid, marks, nearCover: beside && shareOf(beside) });
}

/**
 * Lays a veil over a picture: a coat's place is tinted, what lies beside it pales and dims.
 * @param rgba changed in place
 * @param weights how much each cell belongs to the place, 0…1
 */
export function layVeil(rgba: Uint8ClampedArray, inside: Float32Array, weights: Float32Array): void {
  for (let at = 0; at < inside.length; at++) {
    if (inside[at] === 0) continue;
    const share = Math.min(1, weights[at]!);
    const [r, g, b] = [DECODE[rgba[at * 4]!]!, DECODE[rgba[at * 4 + 1]!]!, DECODE[rgba[at * 4 + 2]!]!];
    const grey = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    [r, g, b].forEach((light, channel) => {
      const within = light + TINTED * (TINT[channel]! - light);
      const beside = DIMMED * (grey + KEPT * (light - grey));
      const seen = beside + share * (within - beside);
      rgba[at * 4 + channel] = CURVE[Math.round(Math.min(1, Math.max(0, seen)) * CURVE_STEPS)]!;
    });
  }
}
