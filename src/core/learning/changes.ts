import type { LearntKey } from "../painter";
import type { Card } from "../plan/cards";
import { handWork, minutesEach, PACE_OF, PACED } from "../plan/pace";

/** What another value of one of the painter's numbers does to a plan. */
export interface PlanChange {
  /** Cards it changes. */
  readonly cards: number;
  /** Minutes more, or less below 0, of the hand or of drying; null where no time follows it. */
  readonly minutes: number | null;
}

const NONE: PlanChange = { cards: 0, minutes: null };

const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0);

function pacedChange(cards: readonly Card[], key: LearntKey, from: number, to: number): PlanChange {
  const paced = PACED.find((one) => PACE_OF[one] === key);
  if (!paced) return NONE;
  const counts = cards
    .map((card) => handWork(card, { figures: card.figures, passes: card.coat.passes, setUps: 1 })[paced])
    .filter((count) => count > 0);
  return { cards: counts.length, minutes: sum(counts) * (minutesEach(paced, to) - minutesEach(paced, from)) };
}

/** How a plan changes where one of the painter's numbers goes from one value to another. */
export function changeOf(cards: readonly Card[], key: LearntKey, from: number, to: number): PlanChange {
  switch (key) {
    case "dryingTimes": {
      const waits = cards.map(({ roomDry, coat }) => roomDry * coat.passes);
      return { cards: waits.length, minutes: sum(waits) * (to - from) };
    }
    case "waterTimes":
      return { ...NONE, cards: cards.filter(({ coat }) => coat.water > 0).length };
    case "brushLoadUl":
      return {
        ...NONE,
        cards: cards.filter(({ mixing }) => mixing.some(({ measure }) => measure === "brush-loads")).length,
      };
    default:
      return pacedChange(cards, key, from, to);
  }
}
