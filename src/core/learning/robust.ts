/** Something that was measured, and what it is made of: so many of each unknown. */
export interface Row {
  /** Measured, above 0. */
  readonly measured: number;
  /** How many of each unknown are in it, 0 or more; one at least above 0. */
  readonly counts: readonly number[];
}

/** An unknown as it is taken to be before anything is measured. */
export interface Prior {
  /** What one of it measures, above 0. */
  readonly each: number;
  /** Whether it stays so. */
  readonly fixed: boolean;
}

/** What measurements tell of unknowns. */
export interface Estimate {
  /** What one of each measures. */
  readonly each: readonly number[];
  /** Standard error of the natural logarithm of each; 0 where it is fixed. */
  readonly error: readonly number[];
  /** How much each row counts, 0…1: 0 for what is set aside as odd. */
  readonly weights: readonly number[];
}

/** Before anything is measured an unknown may well be half or twice of what is supposed: standard deviation of its logarithm. */
const PRIOR_SPREAD = 0.7;
/** Tukey's biweight sets aside what lies further off than this many standard deviations. */
const BIWEIGHT = 4.685;
/** Measurements are not trusted to be nearer to each other than this, standard deviation of the logarithm. */
const LEAST_SPREAD = 0.05;
/** The median of absolute deviations times this is the standard deviation of a normal distribution. */
const MAD_TO_SD = 1.4826;
const ROUNDS = 40;

/** The middle of a list; of an even one the mean of both. @throws RangeError for an empty list */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError("the median of nothing");
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** Inverse of a small symmetric positive definite matrix, by Gauss and Jordan. */
function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const size = matrix.length;
  const rows = matrix.map((row, at) => [...row, ...row.map((_, column) => (column === at ? 1 : 0))]);
  for (let pivot = 0; pivot < size; pivot++) {
    const by = rows[pivot]![pivot]!;
    rows[pivot] = rows[pivot]!.map((value) => value / by);
    for (let other = 0; other < size; other++) {
      const times = rows[other]![pivot]!;
      if (other === pivot || times === 0) continue;
      rows[other] = rows[other]!.map((value, column) => value - times * rows[pivot]![column]!);
    }
  }
  return rows.map((row) => row.slice(size));
}

/** The model at some logarithms of the unknowns: how far each row is off, and how it goes with each unknown. */
function against(rows: readonly Row[], each: readonly number[]): { off: number[]; shares: number[][] } {
  const off: number[] = [];
  const shares: number[][] = [];
  for (const { measured, counts } of rows) {
    const parts = counts.map((count, at) => count * each[at]!);
    const sum = parts.reduce((all, part) => all + part, 0);
    off.push(Math.log(measured / sum));
    shares.push(parts.map((part) => part / sum));
  }
  return { off, shares };
}

/** Weights that tell how much each row counts. */
type Weigh = (off: readonly number[]) => number[];

const spreadOf = (off: readonly number[]): number =>
  Math.max(LEAST_SPREAD, MAD_TO_SD * median(off.map(Math.abs)));

/** Least absolute deviations: one odd row cannot pull far. */
const byDistance: Weigh = (off) => {
  const spread = spreadOf(off);
  return off.map((value) => 1 / Math.max(1, Math.abs(value) / spread));
};

/** Tukey's biweight: what is far off does not count at all. */
const biweight: Weigh = (off) => {
  const spread = spreadOf(off);
  return off.map((value) => Math.max(0, 1 - (value / (BIWEIGHT * spread)) ** 2) ** 2);
};

/**
 * What one of each unknown measures, where rows measure sums of them with an error that grows with the sum. Robust: a
 * maximum a posteriori estimate of the logarithms by iteratively reweighted least squares, first by absolute deviations,
 * then by Tukey's biweight. Source: Huber and Ronchetti, Robust Statistics, 2009, chapter 7.
 * @param rows may be empty: then everything is as supposed
 */
export function estimate(rows: readonly Row[], priors: readonly Prior[]): Estimate {
  const free = priors.flatMap(({ fixed }, at) => (fixed ? [] : [at]));
  const start = priors.map(({ each }) => Math.log(each));
  const logs = [...start];
  let weights = rows.map(() => 1);
  let covariance: number[][] = [];
  for (const weigh of [byDistance, biweight])
    for (let round = 0; round < ROUNDS; round++) {
      const { off, shares } = against(
        rows,
        logs.map((log) => Math.exp(log)),
      );
      weights = rows.length > 0 ? weigh(off) : [];
      const variance = rows.length > 0 ? spreadOf(off) ** 2 : 1;
      const normal = free.map((a) =>
        free.map((b) =>
          rows.reduce(
            (sum, _, row) => sum + (weights[row]! * shares[row]![a]! * shares[row]![b]!) / variance,
            a === b ? PRIOR_SPREAD ** -2 : 0,
          ),
        ),
      );
      const pull = free.map((a) =>
        rows.reduce(
          (sum, _, row) => sum + (weights[row]! * shares[row]![a]! * off[row]!) / variance,
          (start[a]! - logs[a]!) * PRIOR_SPREAD ** -2,
        ),
      );
      covariance = inverse(normal);
      free.forEach((a, at) => {
        const step = covariance[at]!.reduce((sum, value, b) => sum + value * pull[b]!, 0);
        logs[a] = logs[a]! + Math.max(-0.5, Math.min(0.5, step));
      });
    }
  return {
    each: logs.map((log) => Math.exp(log)),
    error: priors.map((_, at) => {
      const own = free.indexOf(at);
      return own < 0 ? 0 : Math.sqrt(covariance[own]![own]!);
    }),
    weights,
  };
}
