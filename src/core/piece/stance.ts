import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { eyeAt } from "./raster";
import { dot } from "../surface/vector";
import type { LampVector } from "../surface/grid";

/** What lies level is looked at from above, what stands from a little above, degrees. */
const [TILT_LYING, TILT_STANDING] = [40, 12] as const;

/** The way a flat piece faces as a whole: 0 straight ahead (it stands on edge), 1 straight up (it lies on the table). */
function facesUp(form: SurfaceForm): { readonly up: number; readonly ahead: number } {
  const turnDeg = form.turnDeg / 2;
  const [, lowY, lowZ] = form.inSpace({ turnDeg, heightMm: 0.05 * form.slantMm });
  const [, highY, highZ] = form.inSpace({ turnDeg, heightMm: 0.95 * form.slantMm });
  const length = Math.hypot(lowY - highY, lowZ - highZ) || 1;
  return { up: (lowZ - highZ) / length, ahead: (highY - lowY) / length };
}

/** Unit normal of a flat form as it stands or lies. */
export function levelNormal(form: SurfaceForm): SpacePoint {
  const { up, ahead } = facesUp(form);
  return [0, up, ahead];
}

/**
 * The job's lamp in space, a unit vector (right, up, ahead): for a bent form as it stands; for a flat one so that it
 * gets the light it gets when it is laid flat, whether it stands on edge or lies on the table.
 */
export function lampInSpace(form: SurfaceForm, [x, y, z]: LampVector): SpacePoint {
  if (form.facing) return [x, -y, z];
  const { up, ahead } = facesUp(form);
  return [x, -y * ahead + z * up, y * up + z * ahead];
}

/** From how far above such a piece is usually looked at, degrees. */
export const usualTilt = (form: SurfaceForm): number =>
  !form.facing && facesUp(form).up > 0.8 ? TILT_LYING : TILT_STANDING;

/** Places along a form and up it that tell how large it looks. */
const [ALONG, UP] = [96, 24] as const;

/** How wide and high a piece looks as it is usually held, mm, to a few per cent: room can be kept before it is drawn. */
export function looksMm(form: SurfaceForm): { readonly widthMm: number; readonly heightMm: number } {
  const { right, up } = eyeAt(0, usualTilt(form));
  const [least, most] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  for (let row = 0; row <= UP; row++) {
    for (let column = 0; column <= ALONG; column++) {
      const place = {
        turnDeg: (column / ALONG) * form.turnDeg,
        heightMm: (0.0001 + (0.9998 * row) / UP) * form.slantMm,
      };
      if (form.rim && form.rim(place) < -0.05) continue;
      const point = form.inSpace(place);
      [dot(point, right), dot(point, up)].forEach((value, axis) => {
        least[axis] = Math.min(least[axis]!, value);
        most[axis] = Math.max(most[axis]!, value);
      });
    }
  }
  return { widthMm: most[0]! - least[0]!, heightMm: most[1]! - least[1]! };
}
