/** Size of a plane in cells. */
export interface PlaneSize {
  readonly width: number;
  readonly height: number;
}

/** Size of a plane of which every `step`-th cell is kept. */
export const coarseSize = ({ width, height }: PlaneSize, step: number): PlaneSize => ({
  width: Math.ceil(width / step),
  height: Math.ceil(height / step),
});

/** Every `step`-th cell of a plane. */
export function shrink(values: Float32Array, size: PlaneSize, step: number): Float32Array {
  const { width, height } = coarseSize(size, step);
  const out = new Float32Array(width * height);
  for (let row = 0; row < height; row++) {
    const base = row * step * size.width;
    for (let column = 0; column < width; column++) out[row * width + column] = values[base + column * step]!;
  }
  return out;
}

/**
 * Means around every `step`-th cell, weighted by a tent that reaches to the next ones: nothing that lies between is
 * lost, and nothing is moved. Edges are repeated.
 */
export function means(values: Float32Array, size: PlaneSize, step: number): Float32Array {
  if (step === 1) return values.slice();
  const { width, height } = coarseSize(size, step);
  const out = new Float32Array(width * height);
  const line = new Float32Array(size.width);
  const reach = step - 1;
  const scale = 1 / (step * step);
  for (let row = 0; row < height; row++) {
    line.fill(0);
    for (let k = -reach; k <= reach; k++) {
      const base = Math.min(size.height - 1, Math.max(0, row * step + k)) * size.width;
      const weight = (step - Math.abs(k)) * scale;
      for (let column = 0; column < size.width; column++) line[column]! += weight * values[base + column]!;
    }
    for (let column = 0; column < width; column++) {
      let sum = 0;
      for (let k = -reach; k <= reach; k++) {
        const at = Math.min(size.width - 1, Math.max(0, column * step + k));
        sum += (step - Math.abs(k)) * line[at]!;
      }
      out[row * width + column] = sum * scale;
    }
  }
  return out;
}

/** A plane made of every `step`-th cell, filled in between by straight lines. */
export function grow(coarse: Float32Array, size: PlaneSize, step: number): Float32Array {
  if (step === 1) return coarse;
  const { width: w, height: h } = coarseSize(size, step);
  const { width, height } = size;
  const out = new Float32Array(width * height);
  const left = new Int32Array(width);
  const share = new Float32Array(width);
  for (let column = 0; column < width; column++) {
    const x = Math.min(w - 1, column / step);
    left[column] = Math.min(Math.floor(x), Math.max(0, w - 2));
    share[column] = w > 1 ? x - left[column]! : 0;
  }
  for (let row = 0; row < height; row++) {
    const y = Math.min(h - 1, row / step);
    const y0 = Math.min(Math.floor(y), Math.max(0, h - 2));
    const ty = h > 1 ? y - y0 : 0;
    const above = y0 * w;
    const below = Math.min(h - 1, y0 + 1) * w;
    const right = w > 1 ? 1 : 0;
    for (let column = 0; column < width; column++) {
      const x0 = left[column]!;
      const tx = share[column]!;
      const top = coarse[above + x0]! * (1 - tx) + coarse[above + x0 + right]! * tx;
      const bottom = coarse[below + x0]! * (1 - tx) + coarse[below + x0 + right]! * tx;
      out[row * width + column] = top + (bottom - top) * ty;
    }
  }
  return out;
}
