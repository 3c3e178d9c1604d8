import { baseIndex } from "../checks/seen";
import type { Figure } from "../job";
import type { CoatAdds } from "../simulate/adding";
import { counted, formatMinutes, formatNumber } from "../units";
import type { Card } from "./cards";

type Standard = Figure["standard"];

/** A card after which a surface may be left: it reads as finished for a standard. */
export interface Stop {
  readonly standard: Standard;
  /** Cards of its surface that are then left out, and the hand time they would take, minutes. */
  readonly cardsLeft: number;
  readonly minutesLeft: number;
  /** Mean CIEDE2000 they would still change. */
  readonly left: number;
}

/** What a card adds, and whether it is a good place to stop. */
export interface CardAdds {
  readonly adds: number;
  /** Mean CIEDE2000 a minute of hand time. */
  readonly perMinute: number;
  readonly stop: Stop | null;
}

/**
 * How much of what is painted on the base may still be missing where a piece is called finished: for the table a third of
 * it, for display an eighth; and how far off the furthest places may be, CIEDE2000: a stripe of a cloth that is not there
 * yet, or the light of a face. Below the step that an eye just sees nothing is missing at all.
 */
const MAY_MISS: Readonly<Record<Standard, { readonly share: number; readonly furthest: number }>> = {
  tabletop: { share: 1 / 3, furthest: 18 },
  display: { share: 1 / 8, furthest: 10 },
};
const JUST_SEEN = 0.7;

/**
 * The first coat from which on a surface stays near enough to its finish for a standard: a coat that darkens all before
 * lights come back is no place to stop. Null where that is only the last.
 */
function stopAt(adds: readonly CoatAdds[], base: number, standard: Standard): number | null {
  const may = MAY_MISS[standard];
  const most = Math.max(JUST_SEEN, may.share * adds[base]!.left);
  const tooFar = adds.findLastIndex(({ left, furthest }) => left > most || furthest > may.furthest);
  const at = Math.max(base, tooFar + 1);
  return at < adds.length - 1 ? at : null;
}

function stopsOf(cards: readonly Card[], adds: readonly CoatAdds[]): Map<number, Stop> {
  const base = baseIndex(cards.map(({ coat }) => coat));
  const stops = new Map<number, Stop>();
  if (base < 0 || !adds[base]) return stops;
  // What is good enough for display is so for the table: the better standard is told where both come to the same card.
  for (const standard of ["tabletop", "display"] as const) {
    const at = stopAt(adds, base, standard);
    if (at === null) continue;
    const later = cards.slice(at + 1);
    stops.set(at, {
      standard,
      cardsLeft: later.length,
      minutesLeft: later.reduce((sum, { handMinutes }) => sum + handMinutes, 0),
      left: adds[at]!.left,
    });
  }
  return stops;
}

/**
 * What the cards of one surface add, and where it may be left, by the cards' ids.
 * @param cards all of one surface, in order
 * @param adds of the same coats; cards of coats that are not among them are left out
 */
export function addsOfCards(cards: readonly Card[], adds: readonly CoatAdds[]): Map<string, CardAdds> {
  // What lies there by mishap adds something too, and has no card.
  const own = adds.filter(({ coatId }) => cards.some(({ coat }) => coat.id === coatId));
  const same = cards.length === own.length && cards.every(({ coat }, at) => coat.id === own[at]!.coatId);
  if (!same) return new Map();
  const stops = stopsOf(cards, own);
  return new Map(
    cards.map(({ id, handMinutes }, at) => [
      id,
      {
        adds: own[at]!.adds,
        perMinute: handMinutes > 0 ? own[at]!.adds / handMinutes : 0,
        stop: stops.get(at) ?? null,
      },
    ]),
  );
}

/**
 * Cards after which their surface may be left for another day: those from its first stopping place on, and its last.
 * @param cards those of one surface in order
 */
export function restsOf(
  cards: readonly Card[],
  adding: ReadonlyMap<string, Pick<CardAdds, "stop">>,
): Set<string> {
  const rests = new Set<string>();
  const stopped = new Set<string>();
  cards.forEach((card, at) => {
    const surfaceId = card.surface.id;
    if (adding.get(card.id)?.stop) stopped.add(surfaceId);
    const isLast = !cards.slice(at + 1).some(({ surface }) => surface.id === surfaceId);
    if (stopped.has(surfaceId) || isLast) rests.add(card.id);
  });
  return rests;
}

/** Something to do of a plan, as far as it matters for what is left when its sitting ends. */
interface InSitting {
  readonly cards: readonly Pick<Card, "id" | "surface">[];
  readonly turn: { readonly sitting: number };
}

/**
 * Surfaces that lie begun when a sitting ends and had better not be left so, by name.
 * @param items in the order of painting
 * @param rests cards after which their surface may be left
 */
export function leftOpenAfter(
  items: readonly InSitting[],
  sitting: number,
  rests: ReadonlySet<string>,
): string[] {
  const by = items.filter(({ turn }) => turn.sitting <= sitting);
  const later = items.filter(({ turn }) => turn.sitting > sitting).flatMap(({ cards }) => cards);
  const goOn = new Set(later.map(({ surface }) => surface.id));
  const unfinished = new Set(later.map(({ id }) => id));
  const last = new Map(by.map(({ cards }) => [cards.at(-1)!.surface.id, cards.at(-1)!]));
  return [...last.values()]
    .filter(({ id, surface }) => goOn.has(surface.id) && (!rests.has(id) || unfinished.has(id)))
    .map(({ surface }) => surface.name);
}

const FOR: Readonly<Record<Standard, string>> = { tabletop: "the table", display: "display" };

/** "You may stop here for the table: 5 cards more on this surface (1 h 10) would change it by 2.1 (CIEDE2000, mean)." */
export const stopText = ({ standard, cardsLeft, minutesLeft, left }: Stop): string =>
  `You may stop here for ${FOR[standard]}: ${counted(cardsLeft, "card")} more on this surface (${formatMinutes(minutesLeft)}) would change it by ${formatNumber(left, 1)} (CIEDE2000, mean).`;

/** The same in two words, for lists. */
export const stopName = ({ standard }: Stop): string => `may stop for ${FOR[standard]}`;

/** "4.2 (CIEDE2000, mean), 0.12 a minute". */
export const addsText = ({ adds, perMinute }: CardAdds): string =>
  `${formatNumber(adds, adds < 1 ? 2 : 1)} (CIEDE2000, mean), ${formatNumber(perMinute, perMinute < 0.1 ? 3 : 2)} a minute`;
