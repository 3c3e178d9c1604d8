import type { Place, SurfaceForm } from "./form";

/** Turns beside the panel are told as on no shorter way round than this, mm. */
const LEAST_ROUND_MM = 12;

/** How deep a place lies within the panel, mm: distance to hem, waist, ends or outline; below 0 outside. */
export function depthInside(form: SurfaceForm, place: Place): number {
  if (form.rim) return form.rim(place);
  // Beside a pointed end the way round is next to nothing: what lies beside it lies beside the panel all the same.
  const beside = place.turnDeg < 0 || place.turnDeg > form.turnDeg;
  const roundMm = form.lengthAt(place.heightMm);
  const mmPerDeg = (beside ? Math.max(LEAST_ROUND_MM, roundMm) : roundMm) / form.turnDeg;
  return Math.min(
    place.heightMm,
    form.slantMm - place.heightMm,
    place.turnDeg * mmPerDeg,
    (form.turnDeg - place.turnDeg) * mmPerDeg,
  );
}

/** Which piece between seams a turn lies on, from 0. */
export function pieceAt(form: SurfaceForm, turnDeg: number): number {
  let piece = 0;
  while (piece + 1 < form.seamsDeg.length && form.seamsDeg[piece + 1]! <= turnDeg) piece++;
  return piece;
}

const NEAR_DEG = 0.5;

/** Direction in which the piece runs along at a place, radians on the flat (y down). */
export function alongAngle(form: SurfaceForm, place: Place): number {
  if (form.round) return 0;
  const [ax, ay] = form.flatten({ ...place, turnDeg: place.turnDeg - NEAR_DEG });
  const [bx, by] = form.flatten({ ...place, turnDeg: place.turnDeg + NEAR_DEG });
  return Math.atan2(by - ay, bx - ax);
}
