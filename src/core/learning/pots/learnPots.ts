import { contrastRatio, hidingOf, type Hiding } from "../../colour/paint";
import { isClear, paintOptics } from "../../colour/appearance";
import type { Triple } from "../../colour/spaces";
import type { LogEntry, Paint } from "../../job";
import { clamp } from "../../units";
import { inverse, median } from "../robust";
import { filmLab, type PlannedFilm, type PotShares, type Times } from "./readFilm";

/** What readings tell of one pot. */
export interface LearnedPot {
  readonly paintId: string;
  readonly name: string;
  /** Tinting strength against an ordinary paint: on the shelf, as read, and between what it lies in 19 of 20 cases. */
  readonly strength: {
    readonly own: number;
    readonly value: number;
    readonly low: number;
    readonly high: number;
  };
  readonly hiding: { readonly own: Hiding; readonly value: Hiding };
  /** Entries of the log whose readings stand behind it, and such that were set aside as odd. */
  readonly entries: number;
  readonly odd: number;
  /** Whether it is to be taken over, departs by what cannot be told apart, agrees with the shelf, or is told too little of. */
  readonly state: "other" | "unclear" | "as it is" | "too few";
}

/** The same with the pot as it stands on the shelf, and the jobs whose plans and pictures follow it. */
export interface ReadPot extends LearnedPot {
  readonly paint: Paint;
  readonly jobs: readonly string[];
}

/** A reading with what it was read from. */
interface Row {
  readonly entryId: string;
  readonly shares: PotShares;
  readonly film: Pick<PlannedFilm, "um" | "under">;
  /** What an even film has to look like to look like the reading. */
  readonly goal: Triple;
}

/** Fewer entries teach nothing: of three, one odd one and one by chance would decide. */
const LEAST_ENTRIES = 4;
/**
 * Most pots are as the shelf says and a few are far off, so what cannot be told apart falls on few: Student's t with one
 * degree of freedom and this scale, of the logarithm. Mixes tell strengths only against each other.
 */
const MOSTLY = 0.12;
/** Before anything is read any one pot may well be so much stronger or weaker: standard deviation of the logarithm. */
const ANY_ONE = 0.36;
/** Readings and films are not trusted to be nearer than this, L*a*b*. */
const LEAST_SPREAD = 1;
/** Tukey's biweight, as for the painter's numbers; the median length of three normal errors is 1.54 of one. */
const [BIWEIGHT, MEDIAN_OF_THREE] = [4.685, 1.54] as const;
const [ROUNDS, STEP] = [14, 0.02] as const;
/** No step of a round is longer, logarithm. */
const LONGEST = 0.5;
/**
 * What is known no better than this without the others being as the shelf says is not taken over, standard error of the
 * logarithm: the strength of a pot that was mixed with fewer than three others, the hiding of one that was never laid alone.
 */
const VAGUE = { strength: 0.24, hiding: 0.15 } as const;
/** What cannot be told apart and comes to more than this is told to be unclear, logarithm. */
const UNCLEAR_FROM = 0.1;
const NINETEEN_IN_TWENTY = 1.96;
/** A reading tells of a pot that moves it by so much for the whole of the pot's strength or hiding, L*a*b*. */
const TELLS_FROM = 1.5;
const STRENGTH_RANGE = [0.2, 20] as const;

/** What went into a coat: its drops as they were mixed, else its parts as planned. */
function sharesOf({ recipe, planned }: LogEntry, paints: readonly Paint[]): PotShares {
  const drops = (recipe ?? []).flatMap(({ paintId, drops: count }) => {
    const paint = paints.find(({ id }) => id === paintId);
    return paint ? [{ paintId: paint.id, parts: count * paint.dropUl }] : [];
  });
  return drops.length > 0 ? drops : (planned?.parts ?? []);
}

const rowsOf = (log: readonly LogEntry[], paints: readonly Paint[]): Row[] =>
  log.flatMap((entry) =>
    (entry.readings ?? []).flatMap(({ l, a, b, film }) => {
      const shares = sharesOf(entry, paints);
      if (!film || !shares.some(({ paintId }) => paints.some(({ id }) => id === paintId))) return [];
      const { um, under, off } = film;
      return [
        {
          entryId: entry.id,
          shares,
          film: { um, under },
          goal: [l - off[0], a - off[1], b - off[2]] as const,
        },
      ];
    }),
  );

/** Unknowns: of every pot that was read its strength, and its hiding where a word stands for it. */
interface Unknown {
  readonly paintId: string;
  readonly what: keyof Times;
}

/** How a pot hides is learned where the shelf has but a word for it. */
const hidesByWord = (paint: Paint): boolean =>
  paint.fit === null &&
  paint.overBlack === null &&
  paint.overWhite === null &&
  paint.hiding !== "transparent" &&
  !isClear(paint);

function unknownsOf(rows: readonly Row[], paints: readonly Paint[]): Unknown[] {
  const read = new Set(rows.flatMap(({ shares }) => shares.map(({ paintId }) => paintId)));
  return paints
    .filter(({ id }) => read.has(id))
    .flatMap((paint): Unknown[] => [
      { paintId: paint.id, what: "strength" },
      ...(hidesByWord(paint) ? [{ paintId: paint.id, what: "hiding" as const }] : []),
    ]);
}

/** How far a row is from its goal at some logarithms of the unknowns, L*a*b*. */
function offOf(
  row: Row,
  unknowns: readonly Unknown[],
  at: readonly number[],
  paints: readonly Paint[],
): Triple {
  const timesOf = (paintId: string): Times => {
    const log = (what: keyof Times) =>
      at[unknowns.findIndex((one) => one.paintId === paintId && one.what === what)] ?? 0;
    return { strength: Math.exp(log("strength")), hiding: Math.exp(log("hiding")) };
  };
  const lab = filmLab(row.shares, paints, row.film, timesOf) ?? row.goal;
  return [0, 1, 2].map((axis) => row.goal[axis]! - lab[axis]!) as unknown as Triple;
}

interface Fitted {
  readonly at: readonly number[];
  readonly error: readonly number[];
  /** Standard error of each where nothing is supposed of the others. */
  readonly alone: readonly number[];
  readonly weights: readonly number[];
  /** How each row moves with each unknown, L*a*b* for its whole logarithm. */
  readonly moves: readonly (readonly number[])[];
}

function weightsOf(lengths: readonly number[]): { weights: number[]; spread: number } {
  const spread = Math.max(LEAST_SPREAD, median(lengths) / MEDIAN_OF_THREE);
  const weights = lengths.map((length) => {
    const share = length / (Math.sqrt(3) * BIWEIGHT * spread);
    return share < 1 ? (1 - share * share) ** 2 : 0;
  });
  return { weights, spread };
}

/** What one row says of the unknowns that are in it: which they are, and how it moves with each, L*a*b*. */
interface Slopes {
  readonly own: readonly number[];
  readonly slopes: readonly Triple[];
}

function slopesOf(
  row: Row,
  off: Triple,
  unknowns: readonly Unknown[],
  at: readonly number[],
  paints: readonly Paint[],
): Slopes {
  const has = new Set(row.shares.map(({ paintId }) => paintId));
  const own = unknowns.flatMap(({ paintId }, of) => (has.has(paintId) ? [of] : []));
  const slopes = own.map((of) => {
    const moved = at.map((value, other) => (other === of ? value + STEP : value));
    const next = offOf(row, unknowns, moved, paints);
    return next.map((value, axis) => (off[axis]! - value) / STEP) as unknown as Triple;
  });
  return { own, slopes };
}

const dot = (a: Triple, b: Triple): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** One round of least squares with a prior: where the unknowns go, and how well they are known. */
function solve(
  at: readonly number[],
  prior: readonly number[],
  rows: readonly (Slopes & { readonly off: Triple; readonly weight: number })[],
): { step: number[]; error: number[] } {
  const normal = prior.map((value, of) => prior.map((_, other) => (other === of ? value : 0)));
  const pull = prior.map((value, of) => -at[of]! * value);
  for (const { own, slopes, off, weight } of rows)
    own.forEach((of, i) => {
      pull[of]! += weight * dot(slopes[i]!, off);
      own.forEach((other, j) => (normal[of]![other]! += weight * dot(slopes[i]!, slopes[j]!)));
    });
  const solved = inverse(normal);
  return {
    step: solved.map((line) => line.reduce((sum, value, of) => sum + value * pull[of]!, 0)),
    error: solved.map((line, of) => Math.sqrt(line[of]!)),
  };
}

/** Odd rows set aside, round by round: Gauss and Newton with Tukey's biweight. */
function fit(rows: readonly Row[], unknowns: readonly Unknown[], paints: readonly Paint[]): Fitted {
  let at = unknowns.map(() => 0);
  let fitted: Fitted = { at, error: at, alone: at, weights: rows.map(() => 1), moves: [] };
  for (let round = 0; round < ROUNDS; round++) {
    const off = rows.map((row) => offOf(row, unknowns, at, paints));
    const { weights, spread } = weightsOf(off.map((triple) => Math.hypot(...triple)));
    const slopes = rows.map((row, number) => slopesOf(row, off[number]!, unknowns, at, paints));
    const told = slopes.map((one, number) => ({
      ...one,
      off: off[number]!,
      weight: weights[number]! / spread ** 2,
    }));
    const mostly = at.map((value) => 2 / (MOSTLY ** 2 + value ** 2));
    const { step, error } = solve(at, mostly, told);
    const { error: alone } = solve(
      at,
      at.map(() => 1 / ANY_ONE ** 2),
      told,
    );
    at = at.map((value, of) => value + clamp(step[of]!, -LONGEST, LONGEST));
    const moves = slopes.map(({ own, slopes: each }) =>
      unknowns.map((_, of) => (own.includes(of) ? Math.hypot(...each[own.indexOf(of)]!) : 0)),
    );
    fitted = { at, error, alone, weights, moves };
  }
  return fitted;
}

/** The word for a pot whose films hide so many times what the shelf says. */
function wordFor(paint: Paint, times: number): Hiding {
  const { absorption, scattering } = paintOptics(paint);
  const scaled = (values: Float64Array) => values.map((value) => value * times);
  return hidingOf(contrastRatio({ absorption: scaled(absorption), scattering: scaled(scattering) }));
}

const strengthOf = (value: number): number =>
  clamp(Number(value.toPrecision(3)), STRENGTH_RANGE[0], STRENGTH_RANGE[1]);

/** Entries that tell of a pot by any of its unknowns: those that count, and those that were set aside. */
function behind(rows: readonly Row[], own: readonly number[], { moves, weights }: Fitted) {
  const telling = rows.flatMap(({ entryId }, at) =>
    own.some((of) => moves[at]![of]! >= TELLS_FROM) ? [{ entryId, weight: weights[at]! }] : [],
  );
  const all = new Set(telling.map(({ entryId }) => entryId)).size;
  const entries = new Set(telling.filter(({ weight }) => weight > 0).map(({ entryId }) => entryId)).size;
  return { entries, odd: all - entries };
}

/** Whether an unknown departs for certain, and whether it can be told apart from what else may depart. */
function departs({ at, error, alone }: Fitted, of: number, vague: number): "yes" | "unclear" | "no" {
  if (of < 0) return "no";
  const by = Math.abs(at[of]!);
  if (alone[of]! > vague) return by > UNCLEAR_FROM ? "unclear" : "no";
  return by > NINETEEN_IN_TWENTY * error[of]! ? "yes" : "no";
}

function potOf(paint: Paint, rows: readonly Row[], unknowns: readonly Unknown[], fitted: Fitted): LearnedPot {
  const find = (what: keyof Times) =>
    unknowns.findIndex((one) => one.paintId === paint.id && one.what === what);
  const [strong, hides] = [find("strength"), find("hiding")];
  const counts = behind(rows, hides < 0 ? [strong] : [strong, hides], fitted);
  const [stronger, better] = [departs(fitted, strong, VAGUE.strength), departs(fitted, hides, VAGUE.hiding)];
  const spread = NINETEEN_IN_TWENTY * fitted.error[strong]!;
  const times = (by: number) => strengthOf(paint.strength * Math.exp(fitted.at[strong]! + by));
  const hiding = better === "yes" ? wordFor(paint, Math.exp(fitted.at[hides]!)) : paint.hiding;
  const value = stronger === "yes" ? times(0) : paint.strength;
  const other = value !== paint.strength || hiding !== paint.hiding;
  const unclear = stronger === "unclear" || better === "unclear";
  return {
    ...{ paintId: paint.id, name: paint.name, ...counts },
    strength: { own: paint.strength, value, low: times(-spread), high: times(spread) },
    hiding: { own: paint.hiding, value: hiding },
    state: counts.entries < LEAST_ENTRIES ? "too few" : other ? "other" : unclear ? "unclear" : "as it is",
  };
}

/**
 * What colours read from dry coats tell of the pots they were mixed of: of each how strong it is in mixes, and how well it
 * hides. Relative strengths follow from mixes with several others, hiding from thin films over known grounds.
 * @param log entries of all jobs
 */
export function learnPots(log: readonly LogEntry[], paints: readonly Paint[]): LearnedPot[] {
  const rows = rowsOf(log, paints);
  if (rows.length === 0) return [];
  const unknowns = unknownsOf(rows, paints);
  const fitted = fit(rows, unknowns, paints);
  const ids = new Set(unknowns.map(({ paintId }) => paintId));
  return paints
    .filter(({ id }) => ids.has(id))
    .map((paint) => potOf(paint, rows, unknowns, fitted))
    .filter(({ entries, odd }) => entries + odd > 0);
}
