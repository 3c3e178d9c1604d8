import { BANDS } from "./bands";
import type { Optics } from "./film";

/** One paint in a mix: its optics, its whole parts, and how strongly it tints against others. */
export interface MixPart {
  readonly optics: Optics;
  readonly parts: number;
  readonly strength: number;
}

/**
 * Optics of a mix: K and S add by parts × tinting strength. Source: Duncan 1940.
 * @throws RangeError where no part is above 0
 */
export function mixOptics(parts: readonly MixPart[]): Optics {
  const total = parts.reduce((sum, part) => sum + part.parts * part.strength, 0);
  if (!(total > 0)) throw new RangeError(`a mix needs at least one part above 0, got ${parts.length} parts`);
  const absorption = new Float64Array(BANDS);
  const scattering = new Float64Array(BANDS);
  for (const part of parts) {
    const share = (part.parts * part.strength) / total;
    for (let band = 0; band < BANDS; band++) {
      absorption[band]! += share * part.optics.absorption[band]!;
      scattering[band]! += share * part.optics.scattering[band]!;
    }
  }
  return { absorption, scattering };
}

/** Share of an ordinary acrylic's volume that stays as film; the rest is water that dries off. */
export const SOLIDS_SHARE = 0.35;

/** Dry film that a wet one leaves, µm: its solids, less the water it was thinned with. */
export const dryUm = (wetUm: number, waterParts: number): number =>
  wetUm * SOLIDS_SHARE * thinnedShare(waterParts);

/** Dry film one brushed pass leaves when the paint is not thinned, µm. */
export const BRUSHED_PASS_UM = 18;

/** Parts of water w to one of paint leave 1/(1 + w) of the pigment in the same wet film. */
export const thinnedShare = (waterParts: number): number => 1 / (1 + waterParts);

/** Dry film of one brushed pass at a thinning, µm. */
export const brushedPassUm = (waterParts: number): number => BRUSHED_PASS_UM * thinnedShare(waterParts);
