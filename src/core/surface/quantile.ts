const BINS = 4096;

/**
 * The value that a share of the given ones lie above.
 * @param share 0…1; 0 gives the greatest value, 1 the least
 * @param counts says which are counted
 */
export function upperQuantile(values: Float32Array, share: number, counts: (at: number) => boolean): number {
  let [low, high, total] = [Infinity, -Infinity, 0];
  for (let at = 0; at < values.length; at++) {
    if (!counts(at)) continue;
    low = Math.min(low, values[at]!);
    high = Math.max(high, values[at]!);
    total++;
  }
  if (total === 0 || share >= 1) return low;
  if (share <= 0 || high <= low) return high;
  const bins = new Uint32Array(BINS);
  const scale = (BINS - 1) / (high - low);
  for (let at = 0; at < values.length; at++) if (counts(at)) bins[Math.floor((values[at]! - low) * scale)]!++;
  let above = 0;
  for (let bin = BINS - 1; bin >= 0; bin--) {
    const here = bins[bin]!;
    if (above + here >= share * total) return low + (bin + 1 - (share * total - above) / here) / scale;
    above += here;
  }
  return low;
}
