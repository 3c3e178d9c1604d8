import type { LogEntry } from "../job";
import type { Card } from "./cards";
import type { DryerSays } from "./dryer";
import type { InMinutes } from "./inPlan";
import { figuresOf } from "./progress";

/** How far a film is: it can be worked, it sets, the next coat may follow, it is dry through. */
export const FILM_STATES = ["workable", "setting", "touch dry", "dry through"] as const;
export type FilmState = (typeof FILM_STATES)[number];

/** What was painted lately and still dries. */
export interface Clock {
  /** The entry of the log it follows. */
  readonly id: string;
  readonly card: Card;
  /** Figures of the unit; empty where it is all that get the card. */
  readonly figures: readonly number[];
  readonly state: FilmState;
  /** Until the next state, minutes, 0 or more. */
  readonly left: number;
  /** Share of the way to touch dry, 0…1. */
  readonly dried: number;
}

/** State of a film so many minutes after it was laid, and how long that lasts. */
export function filmAfter({ drying }: Pick<Card, "drying">, minutes: number): Pick<Clock, "state" | "left"> {
  const { workable, touchDry, fullyDry } = drying;
  if (minutes < workable) return { state: "workable", left: workable - minutes };
  if (minutes < touchDry) return { state: "setting", left: touchDry - minutes };
  if (minutes < fullyDry) return { state: "touch dry", left: fullyDry - minutes };
  return { state: "dry through", left: 0 };
}

/** Dry films stay on the list so long, minutes: whoever looks up from another piece still learns of them. */
const STAYS_MINUTES = 3;

/**
 * Clocks of all that dries, what is ready next first. What was painted over on the same figures has none any more.
 * @param inMinutes in how many minutes a time comes; times of the log are over
 */
export function clocksOf(cards: readonly Card[], log: readonly LogEntry[], inMinutes: InMinutes): Clock[] {
  const byId = new Map(cards.map((card) => [card.id, card]));
  const over = new Map<string, Set<number>>();
  const clocks: Clock[] = [];
  for (const entry of log.toReversed()) {
    const card = byId.get(entry.cardId);
    if (!card) continue;
    const all = figuresOf(card);
    const painted = over.get(card.surface.id) ?? new Set<number>();
    over.set(card.surface.id, painted);
    const figures = (entry.figures ?? all).filter((figure) => !painted.has(figure));
    figures.forEach((figure) => painted.add(figure));
    const ago = -inMinutes(entry.doneAt);
    if (figures.length === 0 || ago > card.drying.fullyDry + STAYS_MINUTES) continue;
    clocks.push({
      ...{ id: entry.id, card, figures: figures.length < all.length ? figures : [] },
      ...filmAfter(card, ago),
      dried: card.drying.touchDry > 0 ? Math.min(1, Math.max(0, ago / card.drying.touchDry)) : 1,
    });
  }
  const rank = ({ state }: Clock) => FILM_STATES.indexOf(state);
  return clocks.sort((a, b) => rank(b) - rank(a) || a.left - b.left);
}

/** What a dryer may do to one of several films that dry at one bench: none is used near what gives off vapour. */
export function dryerAmong(
  clock: Pick<Clock, "card">,
  all: readonly Pick<Clock, "card" | "state">[],
): DryerSays {
  const vapours = all.find(
    ({ card: { dryer }, state }) => dryer.kind === "no" && dryer.vapour && state !== "dry through",
  );
  if (!vapours || clock.card.dryer.kind === "no") return clock.card.dryer;
  const { card } = vapours;
  const why = `${card.title}, ${card.surface.name} still gives off vapour that can catch fire.`;
  return { kind: "no", why, vapour: false };
}
