import { formatMinutes, formatNumber, formatThinning, withUnit } from "../units";
import type { Paint } from "../job";
import type { Card } from "./cards";

const paintName = (paints: readonly Paint[], id: string) =>
  paints.find((paint) => paint.id === id)?.name ?? "missing pot";

/** "3 Straw · 1 Shell". */
export const partsText = (
  parts: readonly { paintId: string; parts: number }[],
  paints: readonly Paint[],
): string => parts.map((part) => `${part.parts} ${paintName(paints, part.paintId)}`).join(" · ");

/** "3 drops Straw, 1 drop Shell, 3 drops water". */
export function dropsText(card: Card, paints: readonly Paint[]): string {
  if (!card.batch) return "no paint chosen";
  const drops = (count: number, name: string) => `${count} ${count === 1 ? "drop" : "drops"} ${name}`;
  const pots = card.batch.drops.map((pot) => drops(pot.drops, paintName(paints, pot.paintId)));
  return [...pots, ...(card.batch.waterDrops > 0 ? [drops(card.batch.waterDrops, "water")] : [])].join(", ");
}

/** "120 boxes in 2 passes", all figures counted. */
export function strokesText(card: Card): string {
  const { work, coat } = card;
  const figures = card.strokes / (work.strokes * coat.passes || 1);
  const plural = /(x|ch|sh|s)$/.test(work.strokeName) ? `${work.strokeName}es` : `${work.strokeName}s`;
  const passes = coat.passes > 1 ? ` in each of ${coat.passes} passes` : "";
  const each = figures > 1 ? `, on each of ${formatNumber(figures, 0)} figures` : "";
  return `${work.strokes} ${work.strokes === 1 ? work.strokeName : plural}${passes}${each}`;
}

/** Name and value of everything on a card that is a number. */
export function cardFacts(card: Card, paints: readonly Paint[]): (readonly [string, string])[] {
  const { batch, coat } = card;
  return [
    ["Mix", card.mix ? partsText(card.mix.parts, paints) : "no paint chosen"],
    ["Drops", dropsText(card, paints)],
    ["Thinned", coat.water === 0 ? "as it is" : `${formatThinning(coat.water)} (water : paint)`],
    ...(batch
      ? ([
          [
            "Paint",
            `${withUnit(batch.onFigureUl, 1, "µl")} on the figure, ${withUnit(batch.neededUl, 0, "µl")} with losses, ${withUnit(batch.batchUl, 0, "µl")} mixed${batch.smallest ? ", the smallest batch in whole drops" : ""}`,
          ],
        ] as const)
      : []),
    ["Strokes", strokesText(card)],
    ["Hand time", formatMinutes(card.handMinutes)],
    ["Drying", `${formatMinutes(card.dryMinutes)}${coat.passes > 1 ? " after each pass" : ""}`],
  ];
}
