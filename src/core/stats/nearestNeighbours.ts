/** Distance from each point to the one nearest to it, mm. Time grows with the square of the points. */
export function nearestDistances(pointsMm: ArrayLike<number>): number[] {
  const count = pointsMm.length / 2;
  // Squares tell which is nearer as well, and cost a tenth.
  const squares = new Float64Array(count).fill(Infinity);
  for (let a = 0; a < count; a++) {
    const [x, y] = [pointsMm[a * 2]!, pointsMm[a * 2 + 1]!];
    for (let b = a + 1; b < count; b++) {
      const [dx, dy] = [x - pointsMm[b * 2]!, y - pointsMm[b * 2 + 1]!];
      const square = dx * dx + dy * dy;
      if (square < squares[a]!) squares[a] = square;
      if (square < squares[b]!) squares[b] = square;
    }
  }
  return Array.from(squares, Math.sqrt);
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
