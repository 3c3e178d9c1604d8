import Papa from "papaparse";
import type { Paint } from "../../job";
import type { Painter } from "../../painter";
import { batchesIn, type PotWanted } from "../../plan/shopping";
import { measureText, mixingTexts } from "../../plan/cardText";
import { namesOf, type PlannedTurn } from "../../plan/planRows";
import type { Card } from "../../plan/cards";

/** A number without the noise of its last digits. */
const rounded = (value: number, digits = 1): number => Number(value.toFixed(digits));

/** Cells that a spreadsheet would take for a formula stand behind an apostrophe. */
const write = (rows: readonly Readonly<Record<string, string | number>>[]): string =>
  `${Papa.unparse([...rows], { newline: "\r\n", escapeFormulae: true })}\r\n`;

/** When and with what a plan is painted: how a time of it, in minutes, is told; empty where no time is known yet. */
type TimeText = (minutes: number) => string;

/**
 * The plan as a table, one line a turn at the bench, in the order of painting. Times as `timeText` tells them, minutes,
 * drops in words.
 */
export function writePlanCsv(
  turns: readonly PlannedTurn[],
  paints: readonly Paint[],
  painter: Painter,
  timeText: TimeText,
): string {
  return write(
    turns.map(({ turn, cards, number, part }) => ({
      number,
      sitting: turn.sitting + 1,
      begins: timeText(turn.setUpAt),
      hand_min: rounded(turn.end - turn.setUpAt),
      surface: cards[0]!.surface.name,
      card: namesOf(cards),
      part,
      figures: turn.figures.length,
      tool: cards.map(({ way }) => way.tool).join(", then "),
      mix: cards.map(({ mix }) => mix?.name ?? "").join(", then "),
      drops: cards.map((card) => mixingTexts(card, paints, painter).join("; ")).join(", then "),
      water_to_1_paint: cards.map(({ water }) => rounded(water, 2)).join(", then "),
      touch_dry_min: rounded(cards.at(-1)!.drying.touchDry),
      through_dry_min: rounded(cards.at(-1)!.drying.fullyDry),
      caution: cards.flatMap(({ caution }) => caution ?? []).join(" "),
    })),
  );
}

/** Every batch in the order of mixing, and what all of them take out of each pot, as one table. */
export function writeListCsv(
  cards: readonly Card[],
  pots: readonly PotWanted[],
  paints: readonly Paint[],
): string {
  const none = {
    what: "",
    name: "",
    measure: "",
    ml: 0,
    drops: "",
    state: "",
    replaced_by: "",
    difference: "",
  };
  return write([
    ...batchesIn(cards).map((batch) => ({
      ...none,
      what: "mix",
      name: batch.mix.name,
      measure: measureText(batch, paints),
      ml: rounded(batch.madeUl / 1000, 3),
    })),
    ...pots.map(({ name, ml, drops, state, replacement }) => ({
      ...none,
      ...{ what: "pot", name, ml: rounded(ml, 3), drops: String(drops), state },
      replaced_by: replacement?.name ?? "",
      difference: replacement ? String(rounded(replacement.difference)) : "",
    })),
  ]);
}
