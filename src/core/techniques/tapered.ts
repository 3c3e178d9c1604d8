import { fieldsOf } from "../surface/fields";
import type { SurfaceGrid } from "../surface/grid";
import type { FilmBuffer } from "./technique";

/** One bent stroke with its width and load from root to tip. */
export interface TaperedStroke {
  /** x0, y0, x1, y1 … mm. */
  readonly path: Float64Array;
  /** Half the width, mm, and film where it is whole, µm, at each point. */
  readonly half: Float64Array;
  readonly um: Float64Array;
  /** Share of what lies below that goes under it, 0…1. */
  readonly hides: number;
  readonly softMm: number;
  /** Piece of cloth it is kept to; null for none. */
  readonly piece: number | null;
}

/** A stroke ends round: it reaches so many of its half widths beyond its ends. */
const CAP = 0.6;

/** Columns of a row that are left. */
const span = { from: 0, to: 0 };

/** Leaves the columns between two bounds of `start + perColumn × column`; all or none where nothing changes along the row. */
function within(start: number, perColumn: number, low: number, high: number): void {
  if (Math.abs(perColumn) < 1e-12) {
    if (start < low || start > high) span.to = span.from - 1;
    return;
  }
  const a = (low - start) / perColumn;
  const b = (high - start) / perColumn;
  span.from = Math.max(span.from, Math.ceil(Math.min(a, b)));
  span.to = Math.min(span.to, Math.floor(Math.max(a, b)));
}

/**
 * One straight piece of a stroke, as the innermost loops read it: one object for all, as a new one for each of a hundred
 * thousand would be most of the work.
 */
const piece = {
  /** Where it starts, mm, its direction and length. */
  ...{ ax: 0, ay: 0, ux: 0, uy: 0, long: 0 },
  /** Half the width and film at both ends. */
  ...{ half0: 0, half1: 0, um0: 0, um1: 0 },
  /** Along it, mm: the last piece of a stroke ends round, and so does the first at its start. */
  ...{ from: 0, to: 0, reach: 0 },
  isLast: false,
  /** How soft its edge is, mm, and how much it hides. */
  ...{ soft: 0, hides: 0 },
};

function setPiece({ path, half, um, softMm, hides }: TaperedStroke, k: number, pitchMm: number): void {
  piece.ax = path[k * 2]!;
  piece.ay = path[k * 2 + 1]!;
  const dx = path[k * 2 + 2]! - piece.ax;
  const dy = path[k * 2 + 3]! - piece.ay;
  piece.long = Math.sqrt(dx * dx + dy * dy) || 1e-9;
  piece.ux = dx / piece.long;
  piece.uy = dy / piece.long;
  piece.half0 = half[k]!;
  piece.half1 = half[k + 1]!;
  piece.um0 = um[k]!;
  piece.um1 = um[k + 1]!;
  piece.isLast = k + 2 === half.length;
  // A stroke thinner than a cell covers part of it; its edge is never sharper than the cell.
  piece.soft = Math.max(softMm, pitchMm);
  piece.hides = hides;
  piece.from = k === 0 ? -CAP * piece.half0 - piece.soft / 2 : 0;
  piece.to = piece.long + (piece.isLast ? CAP * piece.half1 + piece.soft / 2 : 0);
  piece.reach = Math.max(piece.half0, piece.half1) + piece.soft / 2;
}

/**
 * Lays strokes one by one, each in straight pieces: films add up where strokes cross, and cover joins as chances do. Each
 * cell of a stroke belongs to the piece it lies beside, so that a stroke does not lie on itself.
 */
export function layTapered(film: FilmBuffer, grid: SurfaceGrid, strokes: readonly TaperedStroke[]): void {
  const pieces = fieldsOf(grid).piece;
  for (const stroke of strokes) {
    const kept = stroke.piece === null ? null : pieces;
    for (let k = 0; k + 1 < stroke.half.length; k++) {
      setPiece(stroke, k, grid.pitchMm);
      layPiece(film, grid, kept, stroke.piece ?? 0);
    }
  }
}

/** @param kept which piece of cloth each cell lies on, where the stroke is kept to one */
function layPiece(film: FilmBuffer, grid: SurfaceGrid, kept: Uint8Array | null, own: number): void {
  const { pitchMm, originX, originY, width, height } = grid;
  const { ax, ay, ux, uy, long, from, to, reach } = piece;
  const endX = ax + ux * long;
  const endY = ay + uy * long;
  const top = Math.max(0, Math.ceil((Math.min(ay, endY) - reach - originY) / pitchMm));
  const bottom = Math.min(height - 1, Math.floor((Math.max(ay, endY) + reach - originY) / pitchMm));
  const left = Math.max(0, Math.ceil((Math.min(ax, endX) - reach - originX) / pitchMm));
  const right = Math.min(width - 1, Math.floor((Math.max(ax, endX) + reach - originX) / pitchMm));
  const px0 = originX - ax;
  for (let row = top; row <= bottom; row++) {
    const py = originY + row * pitchMm - ay;
    span.from = left;
    span.to = right;
    within(px0 * ux + py * uy, pitchMm * ux, from, to);
    within(px0 * uy - py * ux, pitchMm * uy, -reach, reach);
    if (span.from <= span.to) layRow(film, grid, kept, own, row * width, px0, py);
  }
}

/** The cells of one row within the span. @param px0 where the row begins, and py how far down, from the piece's start, mm */
function layRow(
  { volumeUm, cover }: FilmBuffer,
  { inside, pitchMm }: SurfaceGrid,
  kept: Uint8Array | null,
  own: number,
  start: number,
  px0: number,
  py: number,
): void {
  const { ux, uy, long, half0, half1, um0, um1, isLast, soft, hides } = piece;
  for (let column = span.from; column <= span.to; column++) {
    const at = start + column;
    const px = px0 + column * pitchMm;
    const along = px * ux + py * uy;
    // Two pieces share the line between them: the later one has it.
    if (inside[at] === 0 || (along >= long && !isLast) || (kept !== null && kept[at] !== own)) continue;
    const t = along <= 0 ? 0 : along >= long ? 1 : along / long;
    const beyond = along < 0 ? -along : along > long ? along - long : 0;
    const aside = Math.abs(px * uy - py * ux);
    const distance = beyond > 0 ? Math.sqrt(aside * aside + beyond * beyond) : aside;
    const wide = half0 + (half1 - half0) * t;
    const edge = Math.min(1, (wide - distance) / soft + 0.5, (2 * wide) / pitchMm);
    if (edge <= 0) continue;
    const share = edge * hides * inside[at]!;
    volumeUm[at]! += (um0 + (um1 - um0) * t) * share;
    cover[at]! += share * (1 - cover[at]!);
  }
}
