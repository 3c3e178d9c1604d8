import { InputError } from "../../errors";
import type { PIVOTS } from "./params";

/** One stripe as written: its code and its number of threads. */
export interface Stripe {
  readonly code: string;
  readonly threads: number;
}

/** A thread count: the stripes once, mirrored about both ends where symmetrical. */
export interface Sett {
  readonly symmetrical: boolean;
  readonly stripes: readonly Stripe[];
}

/** A stripe of one whole repeat; `source` is its place in the written count. */
export interface PeriodStripe extends Stripe {
  readonly source: number;
}

/** What is wrong in a thread count, and where: characters `from` up to `to` of the text. */
export class ThreadCountError extends InputError {
  readonly from: number;
  readonly to: number;
  constructor(message: string, from: number, to: number) {
    super([{ field: "threadCount", message: `${message} (character ${from + 1})` }]);
    this.name = "ThreadCountError";
    this.from = from;
    this.to = to;
  }
}

const MAX_STRIPES = 60;
const MAX_THREADS = 2000;

interface Token {
  readonly text: string;
  readonly from: number;
}

const tokens = (text: string): Token[] =>
  [...text.matchAll(/[^\s,;]+/g)].map((match) => ({ text: match[0], from: match.index }));

function readStripe(token: Token): Stripe & { pivot: boolean } {
  const fail = (message: string) => new ThreadCountError(message, token.from, token.from + token.text.length);
  const match = /^([A-Za-z]{1,3})(\/?)(\d+)$/.exec(token.text);
  if (!match) {
    if (/^\d/.test(token.text))
      throw fail(`"${token.text}" has no colour: write its letters first, like S24`);
    if (/^[A-Za-z]{1,3}\/?$/.test(token.text)) throw fail(`"${token.text}" has no number of threads`);
    throw fail(
      `"${token.text}" is no stripe: write one to three letters and a whole number, like S24 or D/4`,
    );
  }
  const threads = Number(match[3]);
  if (threads < 1 || threads > MAX_THREADS) {
    throw fail(`"${token.text}": a stripe has 1 to ${MAX_THREADS} threads, got ${match[3]}`);
  }
  return { code: match[1]!.toUpperCase(), threads, pivot: match[2] === "/" };
}

/** Strips "…" or "..." at either end, with which some write an unsymmetrical count. */
function withoutDots(all: Token[]): Token[] {
  return all
    .map((token, at) => {
      let { text, from } = token;
      if (at === 0) {
        const bare = text.replace(/^(…|\.\.\.)/, "");
        from += text.length - bare.length;
        text = bare;
      }
      if (at === all.length - 1) text = text.replace(/(…|\.\.\.)$/, "");
      return { text, from };
    })
    .filter((token) => token.text !== "");
}

/**
 * Reads a thread count as weavers write it: letters and numbers, stripes parted by blanks. A slash at the first and
 * last stripe marks the two pivots about which the count is mirrored; without slashes it repeats as it stands.
 * @throws ThreadCountError that says what is wrong and where
 */
export function parseThreadCount(text: string): Sett {
  const all = withoutDots(tokens(text));
  if (all.length === 0)
    throw new ThreadCountError("The thread count is empty: write stripes like D24 S24", 0, 0);
  if (all.length > MAX_STRIPES) {
    const over = all[MAX_STRIPES]!;
    throw new ThreadCountError(`A count has ${MAX_STRIPES} stripes at most`, over.from, text.length);
  }
  const read = all.map(readStripe);
  const fail = (at: number, message: string) => {
    const token = all[at]!;
    return new ThreadCountError(message, token.from, token.from + token.text.length);
  };
  if (read.length < 2) throw fail(0, "A check needs two stripes at least");
  const last = read.length - 1;
  const inner = read.findIndex((stripe, at) => stripe.pivot && at > 0 && at < last);
  if (inner >= 0) throw fail(inner, "Only the first and the last stripe can be pivots");
  if (read[0]!.pivot !== read[last]!.pivot) {
    throw fail(
      read[0]!.pivot ? last : 0,
      "A pivot needs its partner: mark both the first and the last stripe",
    );
  }
  const twin = read.findIndex((stripe, at) => at > 0 && stripe.code === read[at - 1]!.code);
  if (twin >= 0) throw fail(twin, `Two ${read[twin]!.code} stripes side by side are one: add their threads`);
  return { symmetrical: read[0]!.pivot, stripes: read.map(({ code, threads }) => ({ code, threads })) };
}

/** The canonical text of a sett; `parseThreadCount` gives the sett back. */
export function formatThreadCount(sett: Sett): string {
  const last = sett.stripes.length - 1;
  return sett.stripes
    .map(
      ({ code, threads }, at) =>
        `${code}${sett.symmetrical && (at === 0 || at === last) ? "/" : ""}${threads}`,
    )
    .join(" ");
}

/**
 * The stripes of one whole repeat, starting with the first written stripe.
 * @param pivots "full": the numbers at the pivots are the whole stripe; "half": they are half of it
 */
export function expandPeriod(sett: Sett, pivots: (typeof PIVOTS)[number]): PeriodStripe[] {
  const all = sett.stripes.map((stripe, source) => ({ ...stripe, source }));
  if (!sett.symmetrical) return all;
  const last = all.length - 1;
  const forward = all.map((stripe, at) =>
    pivots === "half" && (at === 0 || at === last) ? { ...stripe, threads: stripe.threads * 2 } : stripe,
  );
  return [...forward, ...forward.slice(1, last).reverse()];
}

/** Threads of one whole repeat. */
export const periodThreads = (period: readonly PeriodStripe[]): number =>
  period.reduce((sum, stripe) => sum + stripe.threads, 0);

/** Codes of a thread count, each once, in the order they are written. */
export const codesOf = (sett: Sett): string[] => [...new Set(sett.stripes.map((stripe) => stripe.code))];
