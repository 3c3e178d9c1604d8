import type { PeriodStripe } from "./threadCount";

/** A stripe as it is painted at this scale, and the place of the one it was written as. */
export interface AdaptedStripe {
  readonly code: string;
  readonly source: number;
  readonly widthMm: number;
}

/** What became of one written stripe at this width of thread and with this brush. */
export interface StripeFate {
  readonly source: number;
  readonly code: string;
  readonly threads: number;
  /** Width by the count alone, mm. */
  readonly countedMm: number;
  /** Width as it will be painted, mm; 0 where merged, that of both together where joined. */
  readonly paintedMm: number;
  /** Merged: too fine, its threads go to its neighbours. Joined: one with a stripe of its colour, what lay between is gone. */
  readonly fate: "kept" | "widened" | "narrowed" | "joined" | "merged";
}

interface Working {
  code: string;
  source: number;
  widthMm: number;
  /** Written stripes that have become part of this one. */
  joined: readonly number[];
}

/** Joins neighbours of one colour, also over the end of the repeat. */
function joinTwins(stripes: Working[]): Working[] {
  const out: Working[] = [];
  for (const stripe of stripes) {
    const before = out.at(-1);
    if (before?.code === stripe.code) {
      before.widthMm += stripe.widthMm;
      if (stripe.source !== before.source)
        before.joined = [...before.joined, ...stripe.joined, stripe.source];
    } else out.push({ ...stripe });
  }
  return out;
}

/** Takes out every copy of one written stripe; each gives half its width to either neighbour. */
function mergeSource(stripes: Working[], source: number): Working[] {
  const gains = stripes.map(() => 0);
  const n = stripes.length;
  stripes.forEach((stripe, at) => {
    if (stripe.source !== source) return;
    const side = (step: number) => {
      let to = (at + step + n) % n;
      while (stripes[to]!.source === source && to !== at) to = (to + step + n) % n;
      return to;
    };
    gains[side(-1)]! += stripe.widthMm / 2;
    gains[side(1)]! += stripe.widthMm / 2;
  });
  const rest = stripes
    .map((stripe, at) => ({ ...stripe, widthMm: stripe.widthMm + gains[at]! }))
    .filter((stripe) => stripe.source !== source);
  return joinTwins(rest);
}

/** Brings thin stripes up to the finest line; their neighbours give, those with most to spare first. */
function widen(stripes: Working[], finestMm: number): Working[] {
  const need = stripes.map((stripe) => Math.max(0, finestMm - stripe.widthMm));
  const spare = stripes.map((stripe) => Math.max(0, stripe.widthMm - finestMm));
  const needed = need.reduce((a, b) => a + b, 0);
  const spared = spare.reduce((a, b) => a + b, 0);
  if (needed === 0 || spared === 0) return stripes;
  const share = Math.min(1, needed / spared);
  const given = Math.min(1, spared / needed);
  return stripes.map((stripe, at) => ({
    ...stripe,
    widthMm: stripe.widthMm + need[at]! * given - spare[at]! * share,
  }));
}

/**
 * What a cloth's stripes become with the finest line a painter can make: below half of it a stripe is merged into its
 * neighbours, below it it is widened at the cost of the broad ones. The repeat keeps its width.
 * @param mmPerThread width of one thread on the figure, mm, above 0
 * @param finestMm finest line, mm, above 0
 */
export function adaptStripes(
  period: readonly PeriodStripe[],
  mmPerThread: number,
  finestMm: number,
): { stripes: AdaptedStripe[]; fates: StripeFate[] } {
  let stripes: Working[] = period.map(({ code, source, threads }) => ({
    code,
    source,
    widthMm: threads * mmPerThread,
    joined: [],
  }));
  for (;;) {
    const thinnest = stripes.reduce((least, stripe) => (stripe.widthMm < least.widthMm ? stripe : least));
    const sources = new Set(stripes.map((stripe) => stripe.source));
    if (thinnest.widthMm >= finestMm / 2 - 1e-9 || sources.size < 2 || stripes.length < 2) break;
    stripes = mergeSource(stripes, thinnest.source);
  }
  stripes = widen(stripes, finestMm);
  return { stripes, fates: fatesOf(period, mmPerThread, stripes) };
}

function fatesOf(
  period: readonly PeriodStripe[],
  mmPerThread: number,
  stripes: readonly Working[],
): StripeFate[] {
  const sources = [...new Set(period.map((stripe) => stripe.source))].sort((a, b) => a - b);
  return sources.map((source) => {
    const written = period.find((stripe) => stripe.source === source)!;
    const painted = stripes.find((stripe) => stripe.source === source || stripe.joined.includes(source));
    const countedMm = written.threads * mmPerThread;
    const paintedMm = painted?.widthMm ?? 0;
    const change = paintedMm - countedMm;
    const same = Math.abs(change) < Math.max(1e-9, countedMm * 0.02);
    let fate: StripeFate["fate"] = same ? "kept" : change > 0 ? "widened" : "narrowed";
    if (painted && painted.joined.length > 0) fate = "joined";
    if (!painted) fate = "merged";
    return { source, code: written.code, threads: written.threads, countedMm, paintedMm, fate };
  });
}
