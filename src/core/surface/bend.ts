import { clamp } from "../units";
import { coarseSize, grow } from "./coarse";
import type { LampVector, SurfaceGrid } from "./grid";

/** A form bends no faster than this, mm: it is looked at on a grid no finer. */
const BEND_MM = 0.4;
/** Light that still reaches what faces away: from the sky and the room. */
const LEAST_BEND = 0.12;

/**
 * How much the form itself, without its relief, faces a light, 0…1: 1 where it faces it most. A sleeve, a skirt and a
 * ball have a lit and a dark side.
 * @param from unit vector towards the light, y downwards
 * @returns null for a form that lies flat
 */
export function bendOf(grid: SurfaceGrid, from: LampVector): Float32Array | null {
  const { facing } = grid.form;
  if (!facing) return null;
  const step = Math.max(1, Math.floor(BEND_MM / grid.pitchMm));
  const { width, height } = coarseSize(grid, step);
  const out = new Float32Array(width * height);
  let most = 1e-6;
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      const at = row * step * grid.width + column * step;
      const [x, y, z] = facing({ turnDeg: grid.turnDeg[at]!, heightMm: grid.heightMm[at]! });
      // In space y points up; the light's y points down the flat.
      const faces = Math.max(0, x * from[0] - y * from[1] + z * from[2]);
      out[row * width + column] = faces;
      if (grid.inside[at]! > 0 && faces > most) most = faces;
    }
  }
  for (let at = 0; at < out.length; at++)
    out[at] = LEAST_BEND + (1 - LEAST_BEND) * clamp(out[at]! / most, 0, 1);
  // Beside the panel nothing turns away: what lies there is seen as level.
  return grow(out, grid, step).map((share, at) => (grid.inside[at]! > 0 ? share : 1));
}
