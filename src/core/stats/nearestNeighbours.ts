/** Distance from each point to the one nearest to it, mm. Time grows with the square of the points. */
export function nearestDistances(pointsMm: ArrayLike<number>): number[] {
  const count = pointsMm.length / 2;
  const nearest = new Array<number>(count).fill(Infinity);
  for (let a = 0; a < count; a++) {
    for (let b = a + 1; b < count; b++) {
      const away = Math.hypot(
        pointsMm[a * 2]! - pointsMm[b * 2]!,
        pointsMm[a * 2 + 1]! - pointsMm[b * 2 + 1]!,
      );
      if (away < nearest[a]!) nearest[a] = away;
      if (away < nearest[b]!) nearest[b] = away;
    }
  }
  return nearest;
}

/**
 * Nearest-neighbour index: mean distance to the nearest point over what chance has. 1 for chance, 0 for clusters,
 * 2.15 for a triangular grid. Source: Clark and Evans, Ecology 35, 1954, with Donnelly's edge correction (in Hodder,
 * "Simulation studies in archaeology", 1978).
 * @param areaMm2 of the panel, above 0
 * @param perimeterMm of the panel
 * @throws RangeError below two points
 */
export function nearestNeighbourIndex(
  pointsMm: ArrayLike<number>,
  areaMm2: number,
  perimeterMm: number,
): number {
  const count = pointsMm.length / 2;
  if (count < 2) throw new RangeError(`at least two points are needed, got ${count}`);
  const mean = nearestDistances(pointsMm).reduce((sum, away) => sum + away, 0) / count;
  const edge = ((0.0514 + 0.041 / Math.sqrt(count)) * perimeterMm) / count;
  return mean / (0.5 * Math.sqrt(areaMm2 / count) + edge);
}
