import type { Paint } from "../job";
import { compareMixes, gcd, judge, namedMix, type FoundMix, type Recipe } from "./search";
import type { SeenAs } from "./seenAs";
import type { Triple } from "./spaces";

const reduced = (parts: readonly number[]): number[] => {
  const common = parts.reduce(gcd, 0);
  return parts.map((part) => part / common);
};

type Judge = ReturnType<typeof judge>;
const MOST_TURNS = 40;

/** The recipe with one part moved by one that comes nearest of all; the same one where none is nearer. */
function oneBetter(recipe: Recipe, difference: number, mostParts: number, see: Judge): [Recipe, number] {
  let [better, least] = [recipe, difference];
  recipe.parts.forEach((part, at) => {
    for (const next of [part - 1, part + 1]) {
      if (next < 1 || next > mostParts) continue;
      const tried = { pots: recipe.pots, parts: recipe.parts.map((one, k) => (k === at ? next : one)) };
      const judged = see(tried).difference;
      if (judged < least - 1e-9) [better, least] = [tried, judged];
    }
  });
  return [better, least];
}

/** Every mix of four pots that holds three with their parts and one more of the others. */
function withOneMore(mix: FoundMix, place: ReadonlyMap<string, number>, pots: number): Recipe[] {
  const three = mix.parts.map((part) => ({ pot: place.get(part.paintId)!, parts: part.parts }));
  const others = Array.from({ length: pots }, (_, pot) => pot).filter(
    (pot) => !three.some((part) => part.pot === pot),
  );
  return others.map((pot) => {
    const four = [...three, { pot, parts: 1 }].sort((a, b) => a.pot - b.pot);
    return { pots: four.map((part) => part.pot), parts: four.map((part) => part.parts) };
  });
}

/**
 * Mixes of four pots near a goal: an approximation. Every other pot is added to each of the best smaller mixes, and
 * the parts of the best are then moved one by one as long as that helps; better ones may exist.
 * @param begin the best mixes of up to three pots
 * @returns at most `keep` mixes of four pots, best first
 */
export function nearFourPots(
  paints: readonly Paint[],
  goal: Triple,
  begin: readonly FoundMix[],
  mostParts: number,
  keep: number,
  seen: SeenAs = { kind: "thick" },
): FoundMix[] {
  const see = judge(paints, goal, seen);
  const place = new Map(paints.map((paint, at) => [paint.id, at]));
  const found = new Map<string, FoundMix>();
  const consider = (recipe: Recipe): FoundMix => {
    const mix = namedMix(paints, recipe, see(recipe));
    found.set(mix.parts.map((part) => `${part.paintId}:${part.parts}`).join("/"), mix);
    return mix;
  };
  const tune = (start: Recipe): void => {
    let recipe = start;
    let { difference } = consider(recipe);
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      const [better, least] = oneBetter(recipe, difference, mostParts, see);
      if (better === recipe) return;
      [recipe, difference] = [better, least];
      consider({ pots: recipe.pots, parts: reduced(recipe.parts) });
    }
  };
  for (const mix of begin.filter((one) => one.parts.length === 3)) {
    for (const four of withOneMore(mix, place, paints.length)) tune(four);
  }
  return [...found.values()].sort(compareMixes).slice(0, keep);
}
