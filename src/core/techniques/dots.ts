import type { SurfaceGrid } from "../surface/grid";
import { fieldsOf } from "../surface/fields";
import { clamp } from "../units";
import { addFilm, type FilmBuffer } from "./technique";

/** One touch of a tip: an ellipse of paint, a little thicker in the middle. */
export interface Touch {
  readonly xMm: number;
  readonly yMm: number;
  /** Half its width and height, mm. */
  readonly rx: number;
  readonly ry: number;
  /** Radians. */
  readonly angle: number;
  readonly softMm: number;
  readonly um: number;
  /** How much thinner it is at the rim than in the middle, as a share of `um`. */
  readonly fall: number;
  /** Piece of cloth it is kept to; null for none. */
  readonly piece: number | null;
}

/** Lays one touch into the film; later ones add to earlier ones. */
export function layTouch(film: FilmBuffer, grid: SurfaceGrid, touch: Touch): void {
  const { xMm, yMm, rx, ry } = touch;
  const [cos, sin] = [Math.cos(touch.angle), Math.sin(touch.angle)];
  const { pitchMm, originX, originY, width, height, inside } = grid;
  const soft = Math.max(touch.softMm, pitchMm);
  const reach = Math.max(rx, ry) + soft;
  const least = Math.min(rx, ry);
  const most = Math.min(1, (2 * least) / pitchMm);
  const pieces = touch.piece === null ? null : fieldsOf(grid).piece;
  const fromY = Math.max(0, Math.floor((yMm - reach - originY) / pitchMm));
  const toY = Math.min(height - 1, Math.ceil((yMm + reach - originY) / pitchMm));
  const fromX = Math.max(0, Math.floor((xMm - reach - originX) / pitchMm));
  const toX = Math.min(width - 1, Math.ceil((xMm + reach - originX) / pitchMm));
  for (let row = fromY; row <= toY; row++) {
    const py = originY + row * pitchMm - yMm;
    for (let column = fromX; column <= toX; column++) {
      const px = originX + column * pitchMm - xMm;
      const ex = (px * cos + py * sin) / rx;
      const ey = (py * cos - px * sin) / ry;
      const out = Math.sqrt(ex * ex + ey * ey);
      const covered = clamp(((1 - out) * least) / soft + 0.5, 0, most);
      if (covered === 0) continue;
      const at = row * width + column;
      if (inside[at] === 0 || (pieces && pieces[at] !== touch.piece)) continue;
      const um = touch.um * (1 + 0.4 * touch.fall - touch.fall * out);
      addFilm(film, at, Math.max(0.05, um), covered * inside[at]!);
    }
  }
}
