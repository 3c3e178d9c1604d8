/** A picture of one number to a pixel. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** Blurred by five taps (1 4 6 4 1) in one direction, edges repeated. */
function smoothed({ width, height, values }: Plane, along: "row" | "column"): Float32Array {
  const out = new Float32Array(values.length);
  const [step, last] = along === "row" ? [1, width - 1] : [width, height - 1];
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      const [at, place] = [row * width + column, along === "row" ? column : row];
      const before = place > 0 ? at - step : at;
      const after = place < last ? at + step : at;
      const first = place > 1 ? before - step : before;
      const end = place < last - 1 ? after + step : after;
      out[at] =
        (values[first]! + values[end]! + 4 * (values[before]! + values[after]!) + 6 * values[at]!) / 16;
    }
  }
  return out;
}

/** Half as large each way, blurred before: one step of a Gaussian pyramid (Burt and Adelson 1983). */
export function halved(plane: Plane): Plane {
  const { width, height } = plane;
  const rows = { width, height, values: smoothed(plane, "row") };
  const soft = smoothed(rows, "column");
  const [w, h] = [Math.max(1, Math.ceil(width / 2)), Math.max(1, Math.ceil(height / 2))];
  const values = new Float32Array(w * h);
  for (let row = 0; row < h; row++)
    for (let column = 0; column < w; column++)
      values[row * w + column] =
        soft[Math.min(height - 1, row * 2) * width + Math.min(width - 1, column * 2)]!;
  return { width: w, height: h, values };
}

/** A picture and so many halvings of it. */
export function pyramid(plane: Plane, levels: number): Plane[] {
  const out = [plane];
  for (let level = 0; level < levels; level++) out.push(halved(out[level]!));
  return out;
}

/** A picture at another size, between its pixels. */
export function resized({ width, height, values }: Plane, toWidth: number, toHeight: number): Plane {
  if (width === toWidth && height === toHeight) return { width, height, values };
  const out = new Float32Array(toWidth * toHeight);
  const [sx, sy] = [width / toWidth, height / toHeight];
  for (let row = 0; row < toHeight; row++) {
    const y = Math.min(height - 1, Math.max(0, (row + 0.5) * sy - 0.5));
    const top = Math.floor(y);
    const low = Math.min(height - 1, top + 1);
    for (let column = 0; column < toWidth; column++) {
      const x = Math.min(width - 1, Math.max(0, (column + 0.5) * sx - 0.5));
      const left = Math.floor(x);
      const right = Math.min(width - 1, left + 1);
      const [tx, ty] = [x - left, y - top];
      const above = values[top * width + left]! * (1 - tx) + values[top * width + right]! * tx;
      const below = values[low * width + left]! * (1 - tx) + values[low * width + right]! * tx;
      out[row * toWidth + column] = above + (below - above) * ty;
    }
  }
  return { width: toWidth, height: toHeight, values: out };
}

/**
 * Pictures of one outline that go on beyond it as they are near it, so that the outline itself is not seen: each level
 * of a pyramid fills what the finer one has nothing of.
 * @param mask 0…1: how much of each pixel is there
 */
export function continued(planes: readonly Plane[], mask: Plane): Plane[] {
  const levels = Math.ceil(Math.log2(Math.max(mask.width, mask.height)));
  const shares = pyramid(mask, levels);
  return planes.map((plane) => {
    const weighed = { ...plane, values: plane.values.map((value, at) => value * mask.values[at]!) };
    return filled(pyramid(weighed, levels), shares, levels);
  });
}

/** A level of what goes on, from the coarsest up. */
function filled(sums: readonly Plane[], shares: readonly Plane[], levels: number): Plane {
  let below: Plane = sums[levels]!;
  for (let level = levels; level >= 0; level--) {
    const [sum, share] = [sums[level]!, shares[level]!];
    const far = resized(below, sum.width, sum.height);
    const values = sum.values.map((value, at) => {
      const there = share.values[at]!;
      const own = there > 1e-6 ? value / there : 0;
      // The coarsest has nothing coarser to ask.
      const trust = level === levels && there > 1e-6 ? 1 : Math.min(1, there);
      return own * trust + far.values[at]! * (1 - trust);
    });
    below = { ...sum, values };
  }
  return below;
}
