/**
 * Lower envelope of parabolas along one line, exact and linear. Source: Felzenszwalb and Huttenlocher, "Distance
 * Transforms of Sampled Functions", Theory of Computing 8, 2012.
 * @param bend curvature of the parabola, in units of value per squared cell
 */
function lowerLine(
  from: Float32Array,
  to: Float32Array,
  base: number,
  step: number,
  length: number,
  bend: number,
  at: Int32Array,
  border: Float64Array,
): void {
  let last = 0;
  at[0] = 0;
  border[0] = -Infinity;
  border[1] = Infinity;
  for (let q = 1; q < length; q++) {
    const value = from[base + q * step]! + bend * q * q;
    let s: number;
    for (;;) {
      const v = at[last]!;
      s = (value - from[base + v * step]! - bend * v * v) / (2 * bend * (q - v));
      if (s > border[last]! || last === 0) break;
      last--;
    }
    if (s <= border[last]!) {
      at[last] = q;
      border[last + 1] = Infinity;
      continue;
    }
    last++;
    at[last] = q;
    border[last] = s;
    border[last + 1] = Infinity;
  }
  let k = 0;
  for (let q = 0; q < length; q++) {
    while (border[k + 1]! < q) k++;
    const v = at[k]!;
    to[base + q * step] = from[base + v * step]! + bend * (q - v) * (q - v);
  }
}

/** Values opened from below by a parabola: the least of value(there) + bend × distance² over all cells. */
export function lowerEnvelope(
  values: Float32Array,
  width: number,
  height: number,
  bend: number,
): Float32Array {
  const rows = new Float32Array(values.length);
  const out = new Float32Array(values.length);
  const longest = Math.max(width, height) + 1;
  const [at, border] = [new Int32Array(longest), new Float64Array(longest + 1)];
  for (let row = 0; row < height; row++) lowerLine(values, rows, row * width, 1, width, bend, at, border);
  for (let column = 0; column < width; column++)
    lowerLine(rows, out, column, width, height, bend, at, border);
  return out;
}

/** Farther than any panel is wide, squared cells. */
const FAR = 1e9;

/**
 * Distance from every cell to the nearest one that is marked, exact, in cells; a large number where none is.
 * @param marked above 0.5 counts
 */
export function distanceTo(marked: Float32Array, width: number, height: number): Float32Array {
  const start = marked.map((share) => (share > 0.5 ? 0 : FAR));
  return lowerEnvelope(start, width, height, 1).map(Math.sqrt);
}
