import type { Missing } from "./missed";

/** A coat that may be left out, and what it takes on one figure, minutes. */
export interface Optional {
  readonly coatId: string;
  readonly minutes: number;
}

/** Some coats left out: what that saves, and what is missed. */
export interface Choice {
  readonly leftOut: readonly string[];
  readonly saves: number;
  readonly missed: number;
}

/** So many coats are tried in every combination; of more, they are left out one after the other. */
const ALL_UP_TO = 7;

const choiceOf = (coats: readonly Optional[], missing: Missing): Choice => ({
  leftOut: coats.map(({ coatId }) => coatId),
  saves: coats.reduce((sum, { minutes }) => sum + minutes, 0),
  missed: missing.of(new Set(coats.map(({ coatId }) => coatId))),
});

/** Those that are worth it: no other one saves as much and misses less. Rising by what they save. */
export function worthWhile<T extends Pick<Choice, "saves" | "missed">>(choices: readonly T[]): T[] {
  const kept: T[] = [];
  for (const one of choices.toSorted((a, b) => b.saves - a.saves || a.missed - b.missed))
    if (kept.length === 0 || one.missed < kept.at(-1)!.missed - 1e-12) kept.push(one);
  return kept.reverse();
}

function* everyCombination(coats: readonly Optional[], missing: Missing): Generator<number, Choice[]> {
  const found: Choice[] = [];
  for (let mask = 0; mask < 2 ** coats.length; mask++) {
    found.push(
      choiceOf(
        coats.filter((_, at) => (mask >> at) & 1),
        missing,
      ),
    );
    yield 1;
  }
  return found;
}

/** One coat after the other, each the one of which least is missed for a minute; then each of them put back in turn. */
function* oneByOne(coats: readonly Optional[], missing: Missing): Generator<number, Choice[]> {
  const found: Choice[] = [choiceOf([], missing)];
  let out: Optional[] = [];
  while (out.length < coats.length) {
    const before = found.at(-1)!.missed;
    let best: { choice: Choice; out: Optional[]; per: number } | null = null;
    for (const coat of coats) {
      if (out.includes(coat)) continue;
      const next = [...out, coat];
      const choice = choiceOf(next, missing);
      const per = (choice.missed - before) / Math.max(0.01, coat.minutes);
      if (!best || per < best.per) best = { choice, out: next, per };
      yield 1;
    }
    out = best!.out;
    for (const back of out.slice(0, -1)) {
      found.push(
        choiceOf(
          out.filter((one) => one !== back),
          missing,
        ),
      );
      yield 1;
    }
    found.push(best!.choice);
  }
  return found;
}

/** What can be left out of one surface, by what it saves: the best of all combinations where there are few coats. */
export function* choicesOn(coats: readonly Optional[], missing: Missing): Generator<number, Choice[]> {
  const all =
    coats.length <= ALL_UP_TO ? yield* everyCombination(coats, missing) : yield* oneByOne(coats, missing);
  return worthWhile(all);
}
