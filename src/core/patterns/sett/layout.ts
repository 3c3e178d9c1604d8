import type { SettParams } from "./params";
import type { SurfaceForm } from "../../surface/forms/form";
import { modulo } from "../../units";
import { adaptStripes, type AdaptedStripe, type StripeFate } from "./adapt";
import { expandPeriod, parseThreadCount, periodThreads, type Sett } from "./threadCount";

/** A broad stripe, filled as boxes: from and to as shares of the repeat (to may pass 1 over the end). */
export interface BoxStripe {
  readonly code: string;
  readonly from: number;
  readonly to: number;
}

/** A stripe painted as a line over the boxes: its centre as a share of the repeat. */
export interface LineStripe {
  readonly code: string;
  /** Place of the written stripe it is. */
  readonly source: number;
  readonly centre: number;
  readonly widthShare: number;
}

/** The stripes of one direction. */
export interface Axis {
  readonly sett: Sett;
  readonly threads: number;
  /** Repeat width where it was fitted, mm. */
  readonly periodMm: number;
  readonly stripes: readonly AdaptedStripe[];
  readonly fates: readonly StripeFate[];
  readonly boxes: readonly BoxStripe[];
  readonly lines: readonly LineStripe[];
}

/** A check cloth on its form: boxes and lines both ways, and what each repeat measures. */
export interface SettLayout {
  readonly form: SurfaceForm;
  readonly params: SettParams;
  readonly columns: Axis;
  readonly rows: Axis;
  /** Row repeats within the height. */
  readonly rowRepeats: number;
  readonly finestMm: number;
}

/** Boxes narrower than this many line widths cannot be filled cleanly and are painted as lines. */
export const LINE_WIDTHS_TO_A_BOX = 2;

/** Up to so many line widths a stripe can be a line, pressed harder or pulled twice. */
export const LINE_WIDTHS_AT_MOST = 4;
/** Whether a stripe is painted as a line: one too fine for boxes, unless the painter said otherwise. */
function isLine(
  { code, widthMm }: Pick<AdaptedStripe, "code" | "widthMm">,
  finestMm: number,
  painted: SettParams["painted"],
): boolean {
  if (painted[code] === "boxes") return false;
  return widthMm <= (painted[code] === "line" ? LINE_WIDTHS_AT_MOST : LINE_WIDTHS_TO_A_BOX) * finestMm;
}

/** Parts the stripes into broad ones, which tile the repeat, and lines over them. */
function splitStripes(
  stripes: readonly AdaptedStripe[],
  finestMm: number,
  painted: SettParams["painted"],
): Pick<Axis, "boxes" | "lines"> {
  const total = stripes.reduce((sum, stripe) => sum + stripe.widthMm, 0);
  const widest = Math.max(...stripes.map((stripe) => stripe.widthMm));
  const lines: LineStripe[] = [];
  const broad: { code: string; from: number; to: number }[] = [];
  let at = 0;
  for (const stripe of stripes) {
    const from = at / total;
    at += stripe.widthMm;
    // The widest are the ground on which lines lie: there is always one.
    const ground = stripe.widthMm > widest * 0.999 || !isLine(stripe, finestMm, painted);
    if (ground) broad.push({ code: stripe.code, from, to: at / total });
    else {
      const { code, source, widthMm } = stripe;
      lines.push({ code, source, centre: (from + at / total) / 2, widthShare: widthMm / total });
    }
  }
  // Broad stripes grow into the room of the lines between them and meet in its middle.
  const grown = broad.map((stripe, index) => {
    const before = broad[(index - 1 + broad.length) % broad.length]!;
    const after = broad[(index + 1) % broad.length]!;
    const gapBefore = modulo(stripe.from - before.to, 1);
    const gapAfter = modulo(after.from - stripe.to, 1);
    return broad.length === 1
      ? { code: stripe.code, from: 0, to: 1 }
      : { code: stripe.code, from: stripe.from - gapBefore / 2, to: stripe.to + gapAfter / 2 };
  });
  return { boxes: joinEqual(grown), lines };
}

/** Broad neighbours of one colour (a line ran between them) are one box. */
function joinEqual(boxes: readonly BoxStripe[]): BoxStripe[] {
  const out: { code: string; from: number; to: number }[] = [];
  for (const box of boxes) {
    const before = out.at(-1);
    if (before?.code === box.code) before.to = box.to;
    else out.push({ ...box });
  }
  const first = out[0];
  const last = out.at(-1);
  if (first && last && out.length > 1 && first.code === last.code) {
    out.pop();
    first.from = last.from - 1;
  }
  if (out.length === 1) return [{ ...out[0]!, from: 0, to: 1 }];
  return out;
}

function buildAxis(text: string, params: SettParams, periodMm: number, finestMm: number): Axis {
  const sett = parseThreadCount(text);
  const period = expandPeriod(sett, params.pivots);
  const threads = periodThreads(period);
  const { stripes, fates } = adaptStripes(period, periodMm / threads, finestMm);
  const split = splitStripes(stripes, finestMm, params.painted);
  return { sett, threads, periodMm, stripes, fates, ...split };
}

/**
 * Fits a thread count to a band.
 * @param finestMm finest line the painter can make, mm
 * @throws ThreadCountError where a count cannot be read
 */
export function layoutSett(params: SettParams, form: SurfaceForm, finestMm: number): SettLayout {
  const columnMm = form.lengthAt(form.slantMm / 2) / params.periods;
  const rowMm = params.rowPeriodMm ?? columnMm;
  return {
    form,
    params,
    columns: buildAxis(params.threadCount, params, columnMm, finestMm),
    rows: buildAxis(params.rowThreadCount ?? params.threadCount, params, rowMm, finestMm),
    rowRepeats: form.slantMm / rowMm,
    finestMm,
  };
}

/** Width of one column repeat at a height, mm. */
export function columnPeriodMm(layout: SettLayout, heightMm: number): number {
  return layout.params.spread === "fan"
    ? layout.form.lengthAt(heightMm) / layout.params.periods
    : layout.columns.periodMm;
}

/** Seams' panel in which a turn lies: its middle and its bounds, degrees. */
export function panelAt(form: SurfaceForm, turnDeg: number): { from: number; to: number; middle: number } {
  const seams = form.seamsDeg;
  let index = seams.findLastIndex((seam) => seam <= turnDeg);
  if (index < 0) index = 0;
  const from = seams[index]!;
  const to = seams[index + 1] ?? form.turnDeg;
  return { from, to, middle: (from + to) / 2 };
}

const RAD = Math.PI / 180;

/** Where in the column pattern a place lies, in repeats (0 is the start of the first one). */
export function columnCoordinate(layout: SettLayout, turnDeg: number, heightMm: number): number {
  const { form, params } = layout;
  const shifted = turnDeg - params.columnStartDeg;
  if (params.spread === "fan") return (shifted * params.periods) / form.turnDeg;
  const { middle } = panelAt(form, turnDeg);
  const across =
    form.flatPerTurn === 0
      ? ((turnDeg - middle) * form.lengthAt(heightMm)) / form.turnDeg
      : (form.apexMm - heightMm) * Math.sin((turnDeg - middle) * RAD * form.flatPerTurn);
  return (
    (across - (params.columnStartDeg / form.turnDeg) * form.lengthAt(form.slantMm / 2)) /
    layout.columns.periodMm
  );
}

/** The turn at which a column coordinate lies at a height, inside the panel around `middleDeg`; null where it is cut off. */
export function columnTurn(
  layout: SettLayout,
  coordinate: number,
  heightMm: number,
  middleDeg: number,
): number | null {
  const { form, params } = layout;
  if (params.spread === "fan") return (coordinate * form.turnDeg) / params.periods + params.columnStartDeg;
  const start = (params.columnStartDeg / form.turnDeg) * form.lengthAt(form.slantMm / 2);
  const across = coordinate * layout.columns.periodMm + start;
  if (form.flatPerTurn === 0) return middleDeg + (across * form.turnDeg) / form.lengthAt(heightMm);
  const ratio = across / (form.apexMm - heightMm);
  if (Math.abs(ratio) > 1) return null;
  return middleDeg + Math.asin(ratio) / (RAD * form.flatPerTurn);
}

/** Where in the row pattern a height lies, in repeats from the hem. */
export const rowCoordinate = (layout: SettLayout, heightMm: number): number =>
  (heightMm - layout.params.rowStartMm) / layout.rows.periodMm;

/** Whole or not, and the nearest whole counts with what they do to the width of a repeat at half height. */
export interface Closure {
  readonly whole: boolean;
  readonly boxes: number;
  readonly below: { readonly periods: number; readonly changeMm: number } | null;
  readonly above: { readonly periods: number; readonly changeMm: number };
}

/** How a count of repeats closes round the band. */
export function closureOf(layout: SettLayout): Closure {
  const { periods } = layout.params;
  const length = layout.form.lengthAt(layout.form.slantMm / 2);
  const change = (count: number) => ({ periods: count, changeMm: length / count - length / periods });
  const whole = Math.abs(periods - Math.round(periods)) < 1e-9;
  const low = whole ? Math.round(periods) - 1 : Math.floor(periods);
  const high = whole ? Math.round(periods) + 1 : Math.ceil(periods);
  return {
    whole,
    boxes: periods * layout.columns.boxes.length,
    below: low >= 1 ? change(low) : null,
    above: change(high),
  };
}
