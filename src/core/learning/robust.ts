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
export function inverse(matrix: readonly (readonly number[])[]): number[][] {
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

/** Where an estimate stands: logarithms of the unknowns, what each row counts, and the covariance of the free ones. */
interface Stand {
  readonly logs: readonly number[];
  readonly weights: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

const sumOver = (count: number, from: number, of: (at: number) => number): number => {
  let sum = from;
  for (let at = 0; at < count; at++) sum += of(at);
  return sum;
};

/** No step of the logarithms is longer: far from the answer the straight line is no guide. */
const LONGEST_STEP = 0.5;

/** One step of Gauss and Newton towards rows and priors. */
function step(rows: readonly Row[], priors: readonly Prior[], logs: readonly number[], weigh: Weigh): Stand {
  const free = priors.flatMap(({ fixed }, at) => (fixed ? [] : [at]));
  const each = logs.map((log) => Math.exp(log));
  const { off, shares } = against(rows, each);
  const weights = rows.length > 0 ? weigh(off) : [];
  const precision = rows.length > 0 ? spreadOf(off) ** -2 : 1;
  const prior = PRIOR_SPREAD ** -2;
  const normal = free.map((a) =>
    free.map((b) =>
      sumOver(
        rows.length,
        a === b ? prior : 0,
        (row) => weights[row]! * shares[row]![a]! * shares[row]![b]! * precision,
      ),
    ),
  );
  const pull = free.map((a) =>
    sumOver(
      rows.length,
      (Math.log(priors[a]!.each) - logs[a]!) * prior,
      (row) => weights[row]! * shares[row]![a]! * off[row]! * precision,
    ),
  );
  const covariance = inverse(normal);
  const next = [...logs];
  free.forEach((a, at) => {
    const by = sumOver(free.length, 0, (b) => covariance[at]![b]! * pull[b]!);
    next[a] = next[a]! + Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, by));
  });
  return { logs: next, weights, covariance };
}

/**
 * What one of each unknown measures, where rows measure sums of them with an error that grows with the sum. Robust: a
 * maximum a posteriori estimate of the logarithms by iteratively reweighted least squares, first by absolute deviations,
 * then by Tukey's biweight. Source: Huber and Ronchetti, Robust Statistics, 2009, chapter 7.
 * @param rows may be empty: then everything is as supposed
 */
export function estimate(rows: readonly Row[], priors: readonly Prior[]): Estimate {
  let stand: Stand = {
    ...{ logs: priors.map(({ each }) => Math.log(each)), weights: rows.map(() => 1), covariance: [] },
  };
  for (const weigh of [byDistance, biweight])
    for (let round = 0; round < ROUNDS; round++) stand = step(rows, priors, stand.logs, weigh);
  const free = priors.flatMap(({ fixed }, at) => (fixed ? [] : [at]));
  return {
    each: stand.logs.map((log) => Math.exp(log)),
    error: priors.map(({ fixed }, at) => {
      const own = free.indexOf(at);
      return fixed ? 0 : Math.sqrt(stand.covariance[own]![own]!);
    }),
    weights: stand.weights,
  };
}
