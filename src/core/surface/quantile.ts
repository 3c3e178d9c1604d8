const BINS = 4096;
/** Cells that belong less than this to the place are not counted. */
const LEAST_WEIGHT = 0.05;

/**
 * The value that a share of the counted ones lie above, to 1/4096 of their span.
 * @param share 0…1; 0 gives the greatest value, 1 the least
 * @param cells cell of each value
 * @param weights how much each cell belongs to the place, 0…1
 */
export function upperQuantile(
  values: Float32Array,
  share: number,
  cells: Int32Array,
  weights: Float32Array,
): number {
  let [low, high, total] = [Infinity, -Infinity, 0];
  for (let at = 0; at < values.length; at++) {
    if (weights[cells[at]!]! < LEAST_WEIGHT) continue;
    const value = values[at]!;
    if (value < low) low = value;
    if (value > high) high = value;
    total++;
  }
  if (total === 0 || share >= 1) return low;
  if (share <= 0 || high <= low) return high;
  const bins = new Uint32Array(BINS);
  const scale = (BINS - 1) / (high - low);
  for (let at = 0; at < values.length; at++)
    if (weights[cells[at]!]! >= LEAST_WEIGHT) bins[Math.floor((values[at]! - low) * scale)]!++;
  let above = 0;
  for (let bin = BINS - 1; bin >= 0; bin--) {
    const here = bins[bin]!;
    if (above + here >= share * total) return low + (bin + 1 - (share * total - above) / here) / scale;
    above += here;
  }
  return low;
}
