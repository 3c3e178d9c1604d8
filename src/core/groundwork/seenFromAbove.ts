import { fieldsOf } from "../surface/fields";
import type { SurfaceGrid } from "../surface/grid";

/** A bare base seen from straight above, sRGB bytes, and where its first cell lies on the flat, mm. */
export interface FromAbove {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
}

/** How bright a primed cell looks in full light, sRGB, and by which power it darkens. */
const [PRIMED, DARKENS] = [176, 0.6] as const;

/** The relief under its lamp. */
export function seenFromAbove(grid: SurfaceGrid): FromAbove {
  const { width, height, pitchMm, originX, originY, inside } = grid;
  const { light, sky } = fieldsOf(grid);
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let at = 0; at < light.length; at++) {
    const grey = Math.min(255, PRIMED * light[at]! ** DARKENS * (0.45 + 0.55 * sky[at]!));
    rgba.set([grey, grey, grey, 255 * inside[at]!], at * 4);
  }
  return { rgba, width, height, pitchMm, originX, originY };
}
