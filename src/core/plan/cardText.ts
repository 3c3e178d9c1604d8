import { counted, formatMinutes, formatNumber, formatThinning, withUnit } from "../units";
import type { Paint } from "../job";
import { defaultPainter, type Painter } from "../painter";
import { takenUl, type MixBatch, type MixNeed } from "./batches";
import type { Card } from "./cards";
import { countingText } from "./countFirst";
import type { DryerSays } from "./dryer";

const paintName = (paints: readonly Paint[], id: string) =>
  paints.find((paint) => paint.id === id)?.name ?? "missing pot";

/** "3 Straw · 1 Shell". */
export const partsText = (
  parts: readonly { paintId: string; parts: number }[],
  paints: readonly Paint[],
): string => parts.map((part) => `${part.parts} ${paintName(paints, part.paintId)}`).join(" · ");

const drops = (count: number, name: string) => `${counted(count, "drop")} ${name}`;

/** "3 drops Straw, 1 drop Shell, 3 drops water". */
export function dropsText(card: Card, paints: readonly Paint[]): string {
  if (!card.batch) return "no paint chosen";
  const pots = card.batch.drops.map((pot) => drops(pot.drops, paintName(paints, pot.paintId)));
  return [...pots, ...(card.batch.waterDrops > 0 ? [drops(card.batch.waterDrops, "water")] : [])].join(", ");
}

function eachText({ figures, pieces }: Card): string {
  const unit = figures > 1 ? `each of ${formatNumber(figures, 0)} figures` : "";
  if (pieces === 1) return unit && `, on ${unit}`;
  return unit ? `, on both pieces of ${unit}` : ", on each of both pieces";
}

/** "120 boxes in each of 2 passes, on each of 5 figures". */
export function strokesText(card: Card): string {
  const { work, coat } = card;
  const plural = /(x|ch|sh|s)$/.test(work.strokeName) ? `${work.strokeName}es` : `${work.strokeName}s`;
  const passes = coat.passes > 1 ? ` in each of ${coat.passes} passes` : "";
  return `${work.strokes} ${work.strokes === 1 ? work.strokeName : plural}${passes}${eachText(card)}`;
}

/** Counts of a batch: "9 drops Straw, 3 drops Shell". */
export function measureText(
  { measure, pots }: Pick<MixBatch, "measure" | "pots">,
  paints: readonly Paint[],
): string {
  const names = pots.map((pot) => ({ ...pot, name: paintName(paints, pot.paintId) }));
  switch (measure) {
    case "drops":
      return names.map(({ count, name }) => drops(count, name)).join(", ");
    case "brush-loads":
      return names
        .map(({ count, name }) =>
          count === 0 ? `a touch of ${name}` : `${counted(count, "brush-load")} ${name}`,
        )
        .join(", ");
    case "blob":
      return names.map(({ ul, name }) => `about ${amountText(ul)} ${name}`).join(", ");
    case "pinches":
      return names
        .map(
          ({ count, ul, name }) => `${counted(count, "pinch", "pinches")} ${name}, about ${amountText(ul)}`,
        )
        .join(", ");
  }
}

/** Microlitres, or millilitres where there are many. */
export const amountText = (ul: number): string =>
  ul >= 100 ? withUnit(ul / 1000, 2, "ml") : withUnit(ul, ul < 10 ? 1 : 0, "µl");

/** Less than this share of a drop of water is given in brush-loads. */
const WHOLE_DROP = 0.75;

/** Water that one card's share of a batch is thinned with; null where it is used as it is. */
export function waterText(need: MixNeed, painter: Painter): string | null {
  if (need.water === 0 || need.form !== "liquid") return null;
  const ul = takenUl(need, painter) * need.water;
  if (ul >= WHOLE_DROP * painter.waterDropUl) return drops(Math.round(ul / painter.waterDropUl), "water");
  return `${counted(Math.max(1, Math.round(ul / painter.brushLoadUl)), "brush-load")} of water`;
}

/** What a card leaves of its batch for those that come after it; empty where it is the last. */
function leftText(batch: MixBatch, card: Pick<Card, "id">): string {
  const at = batch.cards.findIndex(({ id }) => id === card.id);
  const next = batch.cards[at + 1];
  if (!next) return "";
  const more = batch.cards.length - at - 2;
  const others = more > 0 ? ` and ${counted(more, "more card")}` : "";
  return `; then ${amountText(batch.leftUl[at]!)} left for ${next.title}${others}`;
}

/** Where the paint of a card comes from, one line a batch. */
export function mixingTexts(card: Card, paints: readonly Paint[], painter: Painter): string[] {
  return card.mixing.map((batch) => {
    const [first] = batch.cards;
    const need = card.needs.find(({ mix }) => mix.id === batch.mix.id)!;
    const water = waterText(need, painter);
    const thin = water === null ? "" : `, thinned with ${water}`;
    if (first!.id !== card.id)
      return `${amountText(takenUl(need, painter))} of the ${batch.mix.name} made for ${first!.title}${thin}${leftText(batch, card)}`;
    const others = batch.cards.length - 1;
    if (others > 0)
      return `${measureText(batch, paints)}, for this and ${counted(others, "more card")}; of it ${amountText(takenUl(need, painter))} here${thin}${leftText(batch, card)}`;
    return batch.measure === "drops" && card.batch
      ? dropsText(card, paints)
      : measureText(batch, paints) + thin;
  });
}

/** What is to be said of a batch that does not come out as its parts mean. */
function mindTexts({ mixing }: Card): string[] {
  return mixing
    .filter(({ dropsMiss }) => dropsMiss >= SEEN_MISS)
    .map(
      ({ mix, dropsMiss }) =>
        `Drops of these pots differ in size: ${mix.name} comes out off by ${formatNumber(dropsMiss, 1)}; measure by brush-loads where it matters.`,
    );
}

/** A difference (CIEDE2000) that is seen. */
const SEEN_MISS = 1;

/** Paint on the figure and what is mixed for it. */
export function paintFact(card: Card): string | null {
  const [batch] = card.mixing;
  const need = card.needs[0];
  if (!batch || !need) return null;
  const onFigure = need.paintUl * (need.form === "liquid" ? 1 + need.water : 1);
  const made =
    batch.cards[0]!.id === card.id
      ? `, ${amountText(batch.neededUl)} with losses${need.water > 0 ? " before it is thinned" : ""}, ${amountText(batch.madeUl)} mixed`
      : "";
  return `${withUnit(onFigure, 1, "µl")} on the figure${made}`;
}

/** Times of drying, in words. */
function dryingText({ drying, coat }: Card): string {
  const each = coat.passes > 1 ? " after each pass" : "";
  return `touch dry ${formatMinutes(drying.touchDry)}${each}, workable ${formatMinutes(drying.workable)}, through ${formatMinutes(drying.fullyDry)}`;
}

/** How long a dryer is held: "half a minute", "2 min". */
export const dryerTime = (minutes: number): string =>
  minutes < 0.75 ? "half a minute" : formatMinutes(minutes);

/** What is said of a dryer: until when, or why not. */
export const dryerText = (dryer: DryerSays): string =>
  dryer.kind === "may"
    ? `touch dry in about ${dryerTime(dryer.minutes)}, warm, half an arm away, once it lies as it should`
    : `none here. ${dryer.why}`;

/** Name and value of everything on a card that is a number. */
export function cardFacts(
  card: Card,
  paints: readonly Paint[],
  painter: Painter = defaultPainter,
): (readonly [string, string])[] {
  const paint = paintFact(card);
  const mixing = mixingTexts(card, paints, painter);
  return [
    ["Where", card.way.where],
    ["With", card.way.tool],
    ["How", card.way.how],
    ...(card.way.trial === null ? [] : [["Try first", card.way.trial] as const]),
    ...(card.countFirst.length === 0
      ? []
      : [["Count first", `${countingText(card.countFirst)}, while they are thin`] as const]),
    ["Mix", card.mix ? partsText(card.mix.parts, paints) : "no paint chosen"],
    ["Drops", mixing.length > 0 ? mixing.join("; ") : dropsText(card, paints)],
    ...mindTexts(card).map((text) => ["Mind", text] as const),
    ["Thinned", card.water === 0 ? "as it is" : `${formatThinning(card.water)} (water : paint)`],
    ...(paint === null ? [] : [["Paint", paint] as const]),
    ["Strokes", strokesText(card)],
    ["Hand time", formatMinutes(card.handMinutes)],
    ["Drying", dryingText(card)],
    ["Dryer", dryerText(card.dryer)],
  ];
}
