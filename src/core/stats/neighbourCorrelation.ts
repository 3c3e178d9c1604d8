/**
 * How alike marks are to the one nearest to them: Pearson's correlation of a value over all pairs of a mark and its
 * nearest neighbour. 0 for chance, towards 1 where a hand repeats itself. Source of the idea: nearest-neighbour
 * correlation of marked point processes, Stoyan and Stoyan, "Fractals, Random Shapes and Point Fields", 1994, section
 * 14.7. Time grows with the square of the points.
 * @param pointsMm x0, y0, x1, y1 …
 * @throws RangeError below three marks
 */
export function neighbourCorrelation(pointsMm: ArrayLike<number>, values: readonly number[]): number {
  const count = values.length;
  if (count < 3) throw new RangeError(`at least three marks are needed, got ${count}`);
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  let [shared, square] = [0, 0];
  for (let a = 0; a < count; a++) {
    let [nearest, least] = [-1, Infinity];
    for (let b = 0; b < count; b++) {
      if (a === b) continue;
      const away =
        (pointsMm[a * 2]! - pointsMm[b * 2]!) ** 2 + (pointsMm[a * 2 + 1]! - pointsMm[b * 2 + 1]!) ** 2;
      if (away < least) [nearest, least] = [b, away];
    }
    shared += (values[a]! - mean) * (values[nearest]! - mean);
    square += (values[a]! - mean) ** 2;
  }
  return square > 0 ? shared / square : 1;
}
