import { lazy, number, object, string, type Schema } from "yup";

export const SPREADS = ["fan", "parallel"] as const;
export const PIVOTS = ["full", "half"] as const;
export const METHODS = ["boxes", "bands"] as const;

/** Settings of the check cloth. */
export interface SettParams {
  /** Thread count of the columns, as weavers write it. */
  readonly threadCount: string;
  /** Thread count of the rows; null where they are the same. */
  readonly rowThreadCount: string | null;
  /** Whether the counts written at the two pivots are the whole stripe or half of it. */
  readonly pivots: (typeof PIVOTS)[number];
  /** Mix of each stripe code. */
  readonly colours: Readonly<Record<string, string>>;
  /** Mix of each crossing of two codes, keyed "A+B" with the codes in alphabetical order. */
  readonly crossings: Readonly<Record<string, string>>;
  /** Repeats round the band; whole on a closed one. */
  readonly periods: number;
  readonly spread: (typeof SPREADS)[number];
  /** Height of one repeat of the rows, mm; null: as wide as a column repeat at half height. */
  readonly rowPeriodMm: number | null;
  /** Where the first row repeat starts, mm from the hem. */
  readonly rowStartMm: number;
  /** Where the first column repeat starts, degrees from the first seam. */
  readonly columnStartDeg: number;
  /** Threads to the centimetre of the real cloth. */
  readonly threadsPerCm: number;
  readonly method: (typeof METHODS)[number];
  readonly baseMixId: string;
  readonly guideMixId: string;
  /** Mix of the glaze in the folds; null for none. */
  readonly glazeMixId: string | null;
}

/** Key of a crossing: the same whichever thread is the column. */
export const crossingKey = (a: string, b: string): string => (a < b ? `${a}+${b}` : `${b}+${a}`);

const text = (most: number) => string().strict().defined().max(most);
const size = (min: number, max: number) => number().strict().required().min(min).max(max);
const one = (values: readonly string[]) =>
  string()
    .strict()
    .required()
    .oneOf([...values]);

/** Mixes by key; keys of another shape are refused. */
const mixesBy = (key: RegExp, most: number) =>
  lazy((given: unknown) => {
    const keys =
      typeof given === "object" && given !== null && !Array.isArray(given) ? Object.keys(given) : [];
    return object(Object.fromEntries(keys.filter((k) => key.test(k)).map((k) => [k, text(120)])))
      .strict()
      .required()
      .noUnknown("${path} has a key that is not allowed: ${unknown}")
      .test("count", `\${path} has more than ${most} entries`, () => keys.length <= most);
  });

export const settSchema: Schema = object({
  threadCount: text(600),
  rowThreadCount: text(600).nullable(),
  pivots: one(PIVOTS),
  colours: mixesBy(/^[A-Z]{1,3}$/, 80),
  crossings: mixesBy(/^[A-Z]{1,3}\+[A-Z]{1,3}$/, 400),
  periods: size(0.5, 200),
  spread: one(SPREADS),
  rowPeriodMm: number().strict().nullable().defined().min(0.2).max(150),
  rowStartMm: size(-150, 150),
  columnStartDeg: size(-360, 360),
  threadsPerCm: size(2, 80),
  method: one(METHODS),
  baseMixId: text(120),
  guideMixId: text(120),
  glazeMixId: text(120).nullable(),
})
  .strict()
  .required()
  .noUnknown("${path} has something unknown: ${unknown}");
