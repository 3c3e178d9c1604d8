import { InputError } from "../../errors";
import type { Job, Paint } from "../../job";
import { formatMinutes } from "../../units";
import { familyIn } from "../../patterns";
import { isUnseen } from "../../patterns/pattern";
import { isTechniqueId, techniques } from "../../techniques";
import type { Card } from "../cards";
import { choicesOn, worthWhile, type Choice, type Optional } from "./choices";
import { missingOn } from "./missed";

/** Minutes of one card on one figure, its set-up shared by the figures that get it. */
export const minutesOn = ({ handMinutes, figures }: Pick<Card, "handMinutes" | "figures">): number =>
  handMinutes / Math.max(1, figures);

/** What a figure takes and misses. */
export interface Fitted {
  /** Cards that are left out. */
  readonly cards: readonly Card[];
  /** Minutes of what is left to paint on one figure, with and without them. */
  readonly fullMinutes: number;
  readonly minutes: number;
  /** Mean CIEDE2000 that is missed on each surface that misses something, by its id. */
  readonly missed: Readonly<Record<string, number>>;
  /** The same over the whole figure, by area and by how much each piece is to be looked at. */
  readonly meanMissed: number;
}

/** What a figure is fitted by. */
export interface FitInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly figureId: string;
  /** Cards of that figure that are still to be painted, in order. */
  readonly cards: readonly Card[];
  readonly minutes: number;
}

/** What others stand on or are measured by is not left out: paste that raises the ground, guides. */
const mayBeLeft = ({ surface, coat }: Card): boolean =>
  !isUnseen(familyIn(surface), coat) &&
  (!isTechniqueId(coat.technique.id) || techniques[coat.technique.id].raises !== true);

interface Joined extends Choice {
  /** What each surface misses, by its id. */
  readonly bySurface: Readonly<Record<string, number>>;
}

/** More combinations of surfaces are thinned out: steps of a hundredth of a minute. */
const MOST_JOINED = 6000;

/** Combinations of what one surface and those before it leave out. */
function join(joined: readonly Joined[], choices: readonly Choice[], surfaceId: string): Joined[] {
  const all = joined.flatMap((one) =>
    choices.map((choice) => ({
      leftOut: [...one.leftOut, ...choice.leftOut],
      saves: one.saves + choice.saves,
      missed: one.missed + choice.missed,
      bySurface: choice.missed > 0 ? { ...one.bySurface, [surfaceId]: choice.missed } : one.bySurface,
    })),
  );
  const worth = worthWhile(all);
  if (worth.length <= MOST_JOINED) return worth;
  const every = worth.length / MOST_JOINED;
  return Array.from({ length: MOST_JOINED }, (_, at) => worth[Math.floor(at * every)]!);
}

/** What can be left out of a figure, whatever the minutes: every choice that is worth while, rising by what it saves. */
export interface Frontier {
  readonly joined: readonly Joined[];
  /** Mean CIEDE2000 on a surface for what is missed on it, by its id. */
  readonly means: Readonly<Record<string, (missed: number) => number>>;
  /** Area of the figure, each piece by what it counts, mm². */
  readonly counted: number;
}

/**
 * Every way of leaving coats out that is worth while: no other one saves as much and misses less. What is missed is area
 * times the mean difference from the finish, as seen from the viewing distance, times what each piece counts. On each
 * surface all combinations of up to seven coats are tried, more are left out one by one; surfaces are joined by dynamic
 * programming. Yields once for each surface painted.
 */
export function* frontierSteps({
  job,
  paints,
  figureId,
  cards,
}: Omit<FitInput, "minutes">): Generator<number, Frontier> {
  const means: Record<string, (missed: number) => number> = {};
  let joined: Joined[] = [{ leftOut: [], saves: 0, missed: 0, bySurface: {} }];
  let counted = 0;
  for (const surface of job.surfaces.filter((one) => one.figureId === figureId)) {
    const own = cards.filter((card) => card.surface.id === surface.id);
    const missing = missingOn(job, surface, paints);
    means[surface.id] = (missed) => missing.mean(missed);
    counted += missing.mean(1) > 0 ? 1 / missing.mean(1) : 0;
    const coats = own
      .filter(mayBeLeft)
      .map((card): Optional => ({ coatId: card.id, minutes: minutesOn(card) }));
    const ids = new Map(own.map((card) => [card.id, card.coat.id]));
    const byCard = {
      ...missing,
      of: (leftOut: ReadonlySet<string>) => missing.of(new Set([...leftOut].map((id) => ids.get(id)!))),
    };
    joined = join(joined, yield* choicesOn(coats, byCard), surface.id);
  }
  return { joined, means, counted };
}

/**
 * Which coats to leave out so that a figure takes no more than some minutes and least is missed.
 * @throws InputError where even with every coat left out that may be it takes longer
 */
export function fittedBy(
  { joined, means, counted }: Frontier,
  cards: readonly Card[],
  minutes: number,
): Fitted {
  const fullMinutes = cards.reduce((sum, card) => sum + minutesOn(card), 0);
  const best = joined.find(({ saves }) => fullMinutes - saves <= minutes + 1e-9);
  if (!best) {
    const least = fullMinutes - Math.max(...joined.map(({ saves }) => saves));
    const message = `With all left out that can be it still takes ${formatMinutes(least)}: allow that at least.`;
    throw new InputError([{ field: "minutes", message }]);
  }
  const out = new Set(best.leftOut);
  return {
    cards: cards.filter(({ id }) => out.has(id)),
    fullMinutes,
    minutes: fullMinutes - best.saves,
    missed: Object.fromEntries(
      Object.entries(best.bySurface).map(([id, missed]) => [id, means[id]!(missed)]),
    ),
    meanMissed: counted > 0 ? best.missed / counted : 0,
  };
}

/** All of it at once. */
export function fitTo(input: FitInput): Fitted {
  const steps = frontierSteps(input);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return fittedBy(step.value, input.cards, input.minutes);
}
