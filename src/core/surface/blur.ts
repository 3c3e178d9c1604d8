import { boxedThrice, type Box } from "../blur/kernel";
import { coarseSize, grow, means, type PlaneSize } from "./coarse";

/**
 * The box whose three-fold use has a variance of σ² exactly, whatever σ is. Source: Gwosdek, Grewenig, Bruhn and Weickert,
 * "Theoretical foundations of Gaussian convolution by extended box filtering", 2011.
 */
function boxFor(sigma: number): Box {
  const variance = (sigma * sigma) / 3;
  const radius = Math.floor((Math.sqrt(12 * variance + 1) - 1) / 2);
  const whole = 2 * radius + 1;
  const share = (whole * (radius * (radius + 1) - 3 * variance)) / (6 * (variance - (radius + 1) ** 2));
  return { radius, share };
}

/** Below this width, in cells, a blur changes nothing that can be seen. */
const LEAST_CELLS = 0.05;

/**
 * Near-Gaussian blur by three centred box means in each direction, edges repeated.
 * @param sigma standard deviation in cells, of any size
 */
export function blur(input: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma < LEAST_CELLS) return input.slice();
  return boxedThrice(input, width, height, boxFor(sigma));
}

/** From this width on, in cells, every second cell is enough. */
const LEAST_HALVED = 2.6;

/**
 * A blur by a width in mm, made on a grid just fine enough for it: wide blurs cost no more than narrow ones. What
 * taking means and filling in between widen it is left out of the blur itself, so that its width is the same at every
 * pitch.
 * @param sigmaMm standard deviation, mm
 */
export function blurMm(
  values: Float32Array,
  grid: PlaneSize & { readonly pitchMm: number },
  sigmaMm: number,
): Float32Array {
  const cells = sigmaMm / grid.pitchMm;
  const step = Math.max(cells >= LEAST_HALVED ? 2 : 1, Math.floor(cells / 3));
  if (step === 1) return blur(values, grid.width, grid.height, cells);
  const { width, height } = coarseSize(grid, step);
  // Means over a tent of `step` cells and straight lines between them: variance (step² − 1) / 6 each.
  const sigma = Math.sqrt(cells * cells - (step * step - 1) / 3);
  return grow(blur(means(values, grid, step), width, height, sigma / step), grid, step);
}
