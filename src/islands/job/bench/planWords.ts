import { counted } from "../../../core/units";
import type { Card } from "../../../core/plan/cards";
import { namesOf } from "../../../core/plan/planRows";
import type { Turns } from "../../../core/plan/schedule/turns";
import { figuresOf } from "../../../core/plan/progress";
import type { PlanItem } from "./usePlan";

/** "1 to 4, 7". */
export function rangesText(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  const runs: [number, number][] = [];
  for (const number of sorted) {
    const last = runs.at(-1);
    if (last?.[1] === number - 1) last[1] = number;
    else runs.push([number, number]);
  }
  return runs.map(([from, to]) => (from === to ? `${from}` : `${from} to ${to}`)).join(", ");
}

/** Names of the cards of an item: "Base, then Blend". */
export const titleOf = ({ cards }: Pick<PlanItem, "cards">): string => namesOf(cards);

/** Cards of items, each once. */
export const cardsIn = (items: readonly Pick<PlanItem, "cards">[]): Card[] => [
  ...new Map(items.flatMap(({ cards }) => cards).map((card) => [card.id, card])).values(),
];

/** Cards that are left to paint, each once; all where none is: of these paint is wanted. */
export function cardsLeft(items: readonly PlanItem[]): Card[] {
  const left = cardsIn(items.filter(({ done }) => !done));
  return left.length > 0 ? left : cardsIn(items);
}

/** What of its card an item paints: "pass 1 of 2, figures 1 to 5"; empty where it is all of it. */
export function partText({ turn, cards: [card] }: PlanItem): string {
  const words: string[] = [];
  const { passes } = card.coat;
  if (turn.pass !== null && passes > 1) words.push(`pass ${turn.pass} of ${passes}`);
  if (turn.figures.length < figuresOf(card).length)
    words.push(`${turn.figures.length === 1 ? "figure" : "figures"} ${rangesText(turn.figures)}`);
  if (turn.part !== null) words.push(`part ${turn.part}`);
  return words.join(", ");
}

const TIME = { hour: "2-digit", minute: "2-digit", hour12: false } as const;

/** A time of day: "19:40". */
export const clockText = (at: Date): string => at.toLocaleTimeString([], TIME);
/** "Mon 4 May, 19:30". */
export const dateText = (at: Date): string =>
  at.toLocaleString([], { weekday: "short", day: "numeric", month: "short", ...TIME });

/** A time of the plan as a time of day. */
export const timeOf = (beganAt: string, minutes: number): Date =>
  new Date(Date.parse(beganAt) + minutes * 60_000);

/** How many sittings a plan takes. */
export function sittingsText({ sittings, given }: Turns): string {
  if (given === 0) return "in one go";
  const more = sittings.length - given;
  const all = counted(sittings.length, "sitting");
  return more > 0 ? `${all}, ${more} more than you have set` : all;
}
