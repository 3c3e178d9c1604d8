/** How far the thread draws a seam in, and how far the folded cloth beside it stands out, mm. */
const SUNK_MM = 0.09;
const LIP_MM = 0.06;
const HALF_MM = 0.07;
const LIP_AT_MM = 0.2;

/** Height of sewn cloth at a distance from its seam, mm: drawn in along the thread, a lip on one side of it. */
export function seamRelief(awayMm: number): number {
  if (Math.abs(awayMm) > 0.6) return 0;
  const sunk = SUNK_MM * Math.exp(-((awayMm / HALF_MM) ** 2));
  const lip = LIP_MM * Math.exp(-(((awayMm - LIP_AT_MM) / 0.11) ** 2));
  return lip - sunk;
}

/**
 * Distance to the nearest seam between equal pieces, as a share of the whole, below 0 before it; Infinity for one piece.
 * @param across 0…1 along the piece
 * @param closed whether the first seam is one too
 */
export function seamOff(across: number, pieces: number, closed = false): number {
  if (pieces < 2) return Infinity;
  const nearest = Math.round(across * pieces);
  if (!closed && (nearest <= 0 || nearest >= pieces)) return Infinity;
  return across - nearest / pieces;
}
