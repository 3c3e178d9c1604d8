import { decodeSrgb } from "../colour/spaces";
import { blur } from "../surface/blur";
import { CURVE } from "./compositor";
import { CURVE_STEPS } from "./kernel/layout";

const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/**
 * Width of the spot into which the eye spreads a point, radians (full width at half of its height), for a pupil of 3
 * to 4 mm in room light. Source: Westheimer, "The eye as an optical instrument", 1986: about one minute of arc.
 */
const SPREAD_RAD = Math.PI / 180 / 60;
const FWHM_PER_SIGMA = 2.355;

/** Standard deviation of what the eye runs together at a distance, mm on the figure. */
export const eyeBlurMm = (distanceMm: number): number => (distanceMm * SPREAD_RAD) / FWHM_PER_SIGMA;

/** The finest detail two of which are still seen apart at a distance, mm. */
export const finestSeenMm = (distanceMm: number): number => distanceMm * SPREAD_RAD;

/**
 * Runs a picture together as the eye does from a distance: in light, not in bytes, and only over the panel itself.
 * @param rgba changed in place, not premultiplied
 */
export function seenFrom(
  rgba: Uint8ClampedArray,
  inside: Float32Array,
  size: { readonly width: number; readonly height: number; readonly pitchMm: number },
  distanceMm: number,
): void {
  const sigma = eyeBlurMm(distanceMm) / size.pitchMm;
  if (sigma < 0.3) return;
  const share = blur(inside, size.width, size.height, sigma);
  const plane = new Float32Array(inside.length);
  for (let channel = 0; channel < 3; channel++) {
    for (let at = 0; at < plane.length; at++) plane[at] = DECODE[rgba[at * 4 + channel]!]! * inside[at]!;
    const soft = blur(plane, size.width, size.height, sigma);
    for (let at = 0; at < plane.length; at++) {
      if (inside[at] === 0) continue;
      const light = Math.min(1, Math.max(0, soft[at]! / Math.max(1e-4, share[at]!)));
      rgba[at * 4 + channel] = CURVE[Math.round(light * CURVE_STEPS)]!;
    }
  }
}
