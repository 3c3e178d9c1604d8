import { alongAngle, depthInside, pieceAt } from "../surface/forms/depth";
import type { SurfaceForm } from "../surface/forms/form";

/** The flat panel on square cells of its own, coarser than any picture: where patterns are laid out and measured. */
export interface Panel {
  readonly form: SurfaceForm;
  readonly pitchMm: number;
  readonly width: number;
  readonly height: number;
  /** Flat position of the first cell's middle, mm. */
  readonly originX: number;
  readonly originY: number;
  /** 1 inside the panel. */
  readonly inside: Uint8Array;
  /** Piece between seams, from 0; all 0 where patterns run on over seams. */
  readonly piece: Uint8Array;
  /** Cells inside, in order. */
  readonly cells: Int32Array;
}

const MARGIN_MM = 0.6;
/** Cells enough for shares to a thousandth and borders to a few hundredths of a millimetre. */
const MOST_CELLS = 64_000;
const FINEST_MM = 0.06;

/** The last panels of each form: every change of a pattern asks for the same cells again. */
const kept = new WeakMap<SurfaceForm, Map<string, Panel>>();

/**
 * Cells of a form.
 * @param cut whether seams part it
 * @param mostCells about as many at most, its margin among them; enough for borders that are seen where left out
 */
export function panelOf(form: SurfaceForm, cut: boolean, mostCells = MOST_CELLS): Panel {
  const own = kept.get(form) ?? new Map<string, Panel>();
  const key = `${cut} ${mostCells}`;
  const panel = own.get(key) ?? makePanel(form, cut, mostCells);
  kept.set(form, own.set(key, panel));
  return panel;
}

function makePanel(form: SurfaceForm, cut: boolean, mostCells: number): Panel {
  const { minX, maxX, minY, maxY } = form.bounds;
  const [wide, high] = [maxX - minX + 2 * MARGIN_MM, maxY - minY + 2 * MARGIN_MM];
  const pitchMm = Math.max(FINEST_MM, Math.sqrt((wide * high) / mostCells));
  const [width, height] = [Math.ceil(wide / pitchMm) + 1, Math.ceil(high / pitchMm) + 1];
  const [originX, originY] = [minX - MARGIN_MM, minY - MARGIN_MM];
  const inside = new Uint8Array(width * height);
  const piece = new Uint8Array(width * height);
  const cells: number[] = [];
  for (let at = 0; at < inside.length; at++) {
    const place = form.place([originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm]);
    if (cut) piece[at] = pieceAt(form, place.turnDeg);
    if (depthInside(form, place) <= 0) continue;
    inside[at] = 1;
    cells.push(at);
  }
  return { form, pitchMm, width, height, originX, originY, inside, piece, cells: Int32Array.from(cells) };
}

/** Where a cell lies along the panel, mm. */
export const xOf = (panel: Panel, at: number): number => panel.originX + (at % panel.width) * panel.pitchMm;
/** Where a cell lies up the panel, mm. */
export const yOf = (panel: Panel, at: number): number =>
  panel.originY + Math.floor(at / panel.width) * panel.pitchMm;

/** The cell nearest to a flat place; −1 beside the panel's box. */
export function cellNear(panel: Panel, x: number, y: number): number {
  const column = Math.round((x - panel.originX) / panel.pitchMm);
  const row = Math.round((y - panel.originY) / panel.pitchMm);
  if (column < 0 || row < 0 || column >= panel.width || row >= panel.height) return -1;
  return row * panel.width + column;
}

/** Direction on the flat, radians, of a number of degrees from along the piece at a flat place. */
export function angleAt({ form }: Panel, x: number, y: number, degrees: number): number {
  return alongAngle(form, form.place([x, y])) - (degrees * Math.PI) / 180;
}
