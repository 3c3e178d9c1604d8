import { CELL_COUNT } from "./cells";

/** Answers of one scan that there is room for. */
export const ROOM = 16384;

/** Where everything lies in the kernel's memory, bytes. */
export interface Layout {
  readonly light: number;
  readonly strengths: number;
  readonly pots: number;
  readonly counts: number;
  readonly out: number;
  readonly labs: number;
  readonly records: number;
  /** Centres of the cells in use, as records, and room for their differences. */
  readonly centres: number;
  readonly cellsOut: number;
  readonly end: number;
}

/** Where each part of a table lies in the kernel's memory, bytes. */
export function layoutFor(pots: number, mostParts: number, mixes: number): Layout {
  let at = 4096;
  const take = (bytes: number) => {
    const from = at;
    at += Math.ceil(bytes / 16) * 16;
    return from;
  };
  // Four records are read at a time: there is room for three more.
  const records = (count: number) => take((count + 3) * 8);
  const cells = Math.min(mixes, CELL_COUNT);
  return {
    light: take(96 + 144),
    strengths: take(pots * 4),
    pots: take(pots * mostParts * 96),
    counts: take((CELL_COUNT + 1) * 4),
    out: take(ROOM * 8),
    labs: take(mixes * 8),
    records: records(mixes),
    centres: records(cells),
    cellsOut: take(cells * 8),
    end: at,
  };
}
