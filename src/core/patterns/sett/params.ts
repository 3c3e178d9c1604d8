import { number } from "yup";
import { fields, one, record, size, text, type Shape } from "../../shape";

export const SPREADS = ["fan", "parallel"] as const;
export const PIVOTS = ["full", "half"] as const;
export const METHODS = ["boxes", "bands"] as const;
/** How the stripes of a code are painted, where the painter says so; else their width decides. */
export const PAINTED_AS = ["line", "boxes"] as const;

/** Key of a crossing: the same whichever thread is the column. */
export const crossingKey = (a: string, b: string): string => (a < b ? `${a}+${b}` : `${b}+${a}`);

/** Settings of the check cloth. */
export const settSchema = fields({
  /** Thread count of the columns, as weavers write it. */
  threadCount: text(600),
  /** Thread count of the rows; null where they are the same. */
  rowThreadCount: text(600).nullable(),
  /** Whether the counts written at the two pivots are the whole stripe or half of it. */
  pivots: one(PIVOTS),
  /** Mix of each stripe code. */
  colours: record(text(120), /^[A-Z]{1,3}$/, 80),
  /** Mix of each crossing of two codes, keyed "A+B" with the codes in alphabetical order. */
  crossings: record(text(120), /^[A-Z]{1,3}\+[A-Z]{1,3}$/, 400),
  /** Repeats round the band; whole on a closed one. */
  periods: size(0.5, 200),
  spread: one(SPREADS),
  /** Height of one repeat of the rows, mm; null: as wide as a column repeat at half height. */
  rowPeriodMm: number().strict().nullable().defined().min(0.2).max(150),
  /** Where the first row repeat starts, mm from the hem. */
  rowStartMm: size(-150, 150),
  /** Where the first column repeat starts, degrees from the first seam. */
  columnStartDeg: size(-360, 360),
  /** Threads to the centimetre of the real cloth. */
  threadsPerCm: size(2, 80),
  method: one(METHODS),
  /** Codes whose thin stripes are painted as lines or as boxes, whatever their width says. */
  painted: record(one(PAINTED_AS), /^[A-Z]{1,3}$/, 80),
  baseMixId: text(120),
  guideMixId: text(120),
  /** Mix of the glaze in the folds; null for none. */
  glazeMixId: text(120).nullable(),
});
export type SettParams = Shape<typeof settSchema>;
