/** A rectangle in which points were watched, mm. */
export interface Window {
  readonly minX: number;
  readonly maxX: number;
  readonly minY: number;
  readonly maxY: number;
}

/**
 * Ripley's K for points whose density was meant to change from place to place: every pair counts by one over the two
 * densities asked for, so that marks that crowd at edges on purpose are not taken for clusters. Translation edge
 * correction. Source: Baddeley, Møller and Waagepetersen, "Non- and semi-parametric estimation of interaction in
 * inhomogeneous point patterns", Statistica Neerlandica 54, 2000. Time grows with the square of the points.
 * @param pointsMm x0, y0, x1, y1 …
 * @param perMm2 density asked for at each point, above 0
 * @param radiiMm rising
 * @returns mm², one for each radius; π r² where points are as chance has them
 * @throws RangeError where the lists do not fit each other, or a density is not above 0
 */
export function inhomogeneousK(
  pointsMm: ArrayLike<number>,
  perMm2: ArrayLike<number>,
  window: Window,
  radiiMm: readonly number[],
): number[] {
  const count = perMm2.length;
  if (pointsMm.length !== count * 2)
    throw new RangeError(`there must be two numbers for each of ${count} points, got ${pointsMm.length}`);
  for (let at = 0; at < count; at++)
    if (!(perMm2[at]! > 0))
      throw new RangeError(`densities must be above 0, got ${perMm2[at]} at point ${at}`);
  const [wide, high] = [window.maxX - window.minX, window.maxY - window.minY];
  const most = radiiMm.at(-1) ?? 0;
  const sums = radiiMm.map(() => 0);
  for (let a = 0; a < count; a++) {
    const [x, y] = [pointsMm[a * 2]!, pointsMm[a * 2 + 1]!];
    for (let b = a + 1; b < count; b++) {
      const dx = Math.abs(pointsMm[b * 2]! - x);
      const dy = Math.abs(pointsMm[b * 2 + 1]! - y);
      const distance = Math.hypot(dx, dy);
      if (distance > most || dx >= wide || dy >= high) continue;
      // Both orders of the pair count.
      const weight = 2 / (perMm2[a]! * perMm2[b]! * (wide - dx) * (high - dy));
      for (let k = radiiMm.length - 1; k >= 0 && distance <= radiiMm[k]!; k--) sums[k]! += weight;
    }
  }
  return sums;
}

/** Besag's L: √(K/π), which is r itself for chance. Source: Besag, J Royal Stat Soc B 39, 1977. */
export const besagL = (k: number): number => Math.sqrt(k / Math.PI);
