import type { ListItem, PdfList } from "../formats/bench-pdf/listPage";
import type { PdfCard, PdfEntry } from "../formats/bench-pdf/cardPages";
import type { Paint } from "../job";
import { counted, formatMinutes } from "../units";
import { amountText, measureText } from "./cardText";
import type { Card } from "./cards";
import { batchesIn, lackText, mlText, shopping } from "./shopping";

/** One thing to do of a plan, as it is printed. */
export interface PrintedTurn {
  readonly cardIds: readonly string[];
  /** What of its card it paints, in words; empty where it is all. */
  readonly part: string;
  /** Minutes from the beginning of the plan, and of hand time with setting up. */
  readonly setUpAt: number;
  readonly minutes: number;
  /** Its sitting, from 0. */
  readonly sitting: number;
}

/** A plan as it is printed: turns in order, and what is said of its sittings; none where there is but one without an end. */
export interface PrintedPlan {
  readonly turns: readonly PrintedTurn[];
  readonly sittings: readonly { readonly title: string; readonly note: string }[];
}

/** A card as it is printed but for its number and what the plan says of it. */
export type CardFace = Omit<PdfCard, "number" | "title">;

const nameOf = (card: Card, several: boolean): string =>
  several ? `${card.surface.name}: ${card.title}` : card.title;

/** What a plan says of a card: what of it is painted now, for how long, and what it lies wet in. */
const planFacts = ({ part, minutes }: PrintedTurn, into: Card | null): (readonly [string, string])[] => [
  ...(part === "" ? [] : [["Now", part] as const]),
  ...(into === null ? [] : [["Wet", `laid into ${into.title} before that sets`] as const]),
  ["Hand time", formatMinutes(minutes)],
];

/**
 * Cards in the order of a plan, under its sittings; what comes to a card again names it. Cards that no turn paints any
 * more are done: they stand last.
 * @param cards all of the job; those in the plan with their batches as planned
 * @param faceOf pictures and words of a card
 */
export function entriesOf(
  { turns, sittings }: PrintedPlan,
  cards: readonly Card[],
  faceOf: (card: Card) => CardFace,
): PdfEntry[] {
  const several = new Set(cards.map(({ surface }) => surface.id)).size > 1;
  const byId = new Map(cards.map((card) => [card.id, card]));
  const printedAs = new Map<string, number>();
  const entries: PdfEntry[] = [];
  turns.forEach((turn, at) => {
    const heading = turn.sitting === turns[at - 1]?.sitting ? undefined : sittings[turn.sitting];
    if (heading) entries.push({ kind: "heading", ...heading });
    const number = at + 1;
    const own = turn.cardIds.flatMap((id) => byId.get(id) ?? []);
    const [first] = own;
    if (!first) return;
    if (own.every(({ id }) => printedAs.has(id))) {
      const names = own.map((card) => nameOf(card, several)).join(", then ");
      const words = [names, turn.part, `as card ${printedAs.get(first.id)}`, formatMinutes(turn.minutes)];
      entries.push({ kind: "again", number, text: words.filter((word) => word !== "").join(" · ") });
      return;
    }
    own.forEach((card, of) => {
      printedAs.set(card.id, number);
      const face = faceOf(card);
      const facts = face.facts.filter(([name]) => name !== "Hand time");
      entries.push({
        ...{ ...face, kind: "card", number, title: nameOf(card, several) },
        facts: [...facts, ...planFacts(turn, own[of - 1] ?? null)],
      });
    });
  });
  const done = cards.filter(({ id }) => !printedAs.has(id));
  if (done.length > 0 && turns.length > 0)
    entries.push({ kind: "heading", title: "Done already", note: counted(done.length, "card") });
  done.forEach((card, at) =>
    entries.push({
      ...{ ...faceOf(card), kind: "card", number: turns.length + at + 1, title: nameOf(card, several) },
    }),
  );
  return entries;
}

/** What is taken out of every pot, and every batch in the order of mixing. */
export function listOf(title: string, cards: readonly Card[], paints: readonly Paint[]): PdfList {
  const pots = shopping(cards, paints).map((pot): ListItem => ({
    name: pot.name,
    amount: `${counted(pot.drops, "drop")}, ${mlText(pot.ml)}`,
    note: lackText(pot) ?? "",
  }));
  const mixes = batchesIn(cards).map((batch, at): ListItem => {
    const [first, ...others] = batch.cards;
    const more = others.length > 0 ? ` and ${counted(others.length, "more card")}` : "";
    return {
      name: `${at + 1}  ${batch.mix.name}`,
      amount: amountText(batch.madeUl),
      note: `${measureText(batch, paints)}; for ${first!.title}${more}`,
    };
  });
  return { title: `${title}: paint`, pots, mixes };
}
