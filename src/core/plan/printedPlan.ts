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

/** What makes entries of turns: names, pictures and words of cards, and where each was printed first. */
interface Printing {
  readonly cards: ReadonlyMap<string, Card>;
  readonly name: (card: Card) => string;
  readonly faceOf: (card: Card) => CardFace;
  readonly printedAs: Map<string, number>;
}

/** A turn as it is printed: its cards, or where they are printed already. */
function turnEntries(turn: PrintedTurn, number: number, printing: Printing): PdfEntry[] {
  const { cards, name, faceOf, printedAs } = printing;
  const own = turn.cardIds.flatMap((id) => cards.get(id) ?? []);
  const known = own.length > 0 && own.every(({ id }) => printedAs.has(id));
  if (known) {
    const names = own.map(name).join(", then ");
    const as = `as card ${printedAs.get(own[0]!.id)}`;
    const words = [names, turn.part, as, formatMinutes(turn.minutes)].filter((word) => word !== "");
    return [{ kind: "again", number, text: words.join(" · ") }];
  }
  return own.map((card, of) => {
    printedAs.set(card.id, number);
    const face = faceOf(card);
    const facts = face.facts.filter(([fact]) => fact !== "Hand time");
    return {
      ...{ ...face, kind: "card", number, title: name(card) },
      facts: [...facts, ...planFacts(turn, own[of - 1] ?? null)],
    };
  });
}

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
  const name = (card: Card) => nameOf(card, several);
  const printedAs = new Map<string, number>();
  const printing = { cards: new Map(cards.map((card) => [card.id, card])), name, faceOf, printedAs };
  const planned = turns.flatMap((turn, at): PdfEntry[] => {
    const heading = turn.sitting === turns[at - 1]?.sitting ? undefined : sittings[turn.sitting];
    return [
      ...(heading ? [{ kind: "heading" as const, ...heading }] : []),
      ...turnEntries(turn, at + 1, printing),
    ];
  });
  const done = cards.filter(({ id }) => !printedAs.has(id));
  const doneHead = { kind: "heading" as const, title: "Done already", note: counted(done.length, "card") };
  return [
    ...planned,
    ...(done.length > 0 && turns.length > 0 ? [doneHead] : []),
    ...done.map((card, at) => ({
      ...{ ...faceOf(card), kind: "card" as const, number: turns.length + at + 1, title: name(card) },
    })),
  ];
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
