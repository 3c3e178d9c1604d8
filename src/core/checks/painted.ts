import type { FormUse, Job, LogEntry, Surface } from "../job";

import { forms, isFormId } from "../surface/forms";
import { sizesOfUse } from "../surface/forms/useSizes";
import { counted, formatNumber } from "../units";
import type { Finding, Remedy } from "./finding";

/** A card that was painted, and the piece as it was laid out then; null where that was not kept. */
export interface PaintedCard {
  readonly cardId: string;
  readonly form: FormUse | null;
}

/** What the log tells of each card that was painted: its newest entry counts. */
export function paintedCards(log: readonly LogEntry[]): PaintedCard[] {
  const newest = new Map(log.map((entry) => [entry.cardId, entry]));
  return [...newest.values()].map(({ cardId, planned }) => ({ cardId, form: planned?.form ?? null }));
}

const cardOf = (surfaceId: string, coatId: string) => `${surfaceId}/${coatId}`;

/** The coat a remedy would change, as the card it is; null where it changes something else. */
function changedCard({ path }: Remedy["changes"][number]): string | null {
  const [list, surfaceId, part, coatId] = path;
  return list === "surfaces" && part === "coats" && surfaceId && coatId ? cardOf(surfaceId, coatId) : null;
}

/** Whether a remedy asks for a coat that is painted already to be another one. */
export function changesDone(painted: readonly PaintedCard[]): (remedy: Remedy) => boolean {
  const done = new Set<string | null>(painted.map(({ cardId }) => cardId));
  return ({ changes }) => changes.some((one) => done.has(changedCard(one)));
}

/** Whether a coat of a surface is painted already. */
export function isPainted(painted: readonly PaintedCard[], surfaceId: string, coatId: string): boolean {
  return painted.some(({ cardId }) => cardId === cardOf(surfaceId, coatId));
}

/** Findings about what is still to be painted, with remedies that do not ask for painted coats to be other ones. */
export function aboutWhatIsLeft(
  findings: readonly Finding[],
  painted: readonly PaintedCard[],
): readonly Finding[] {
  if (painted.length === 0) return findings;
  const tooLate = changesDone(painted);
  return findings
    .filter(({ surfaceId, coatId }) => !coatId || !isPainted(painted, surfaceId, coatId))
    .map((finding) => ({ ...finding, remedies: finding.remedies.filter((remedy) => !tooLate(remedy)) }));
}

/** Sizes that differ between two states of one piece, in words: "Round the hem 58 mm then, 62 mm now". */
function differences(then: FormUse, now: FormUse): string[] {
  if (then.id !== now.id) return ["another kind of piece"];
  if (!isFormId(now.id)) return [];
  const { params } = forms[now.id];
  const [was, is] = [sizesOfUse(forms[now.id], then), sizesOfUse(forms[now.id], now)];
  return Object.entries(params).flatMap(([name, { label, unit }]) => {
    const told = (value: number) =>
      `${formatNumber(Number(value.toFixed(2)), Number.isInteger(value) ? 0 : 2)} ${unit}`.trim();
    return was[name] === is[name] ? [] : [`${label} ${told(was[name]!)} then, ${told(is[name]!)} now`];
  });
}

/** A piece whose sizes were changed after some of its coats were painted and before all of them were. */
function sizeChange(surface: Surface, painted: readonly PaintedCard[]): Finding[] {
  const cards = new Set(surface.coats.filter(({ held }) => !held).map(({ id }) => cardOf(surface.id, id)));
  const done = painted.filter(({ cardId }) => cards.has(cardId));
  const other = done.filter(({ form }) => form !== null && differences(form, surface.form).length > 0);
  const then = other.at(-1)?.form;
  if (!then || done.length === cards.size) return [];
  return [
    {
      id: `${surface.id}/size-changed`,
      gravity: "look",
      surfaceId: surface.id,
      coatId: null,
      where: surface.name,
      sentence: `${counted(other.length, "coat")} of ${surface.name} ${other.length === 1 ? "was" : "were"} painted at other sizes: ${differences(then, surface.form).join("; ")}.`,
      reason:
        "Guides and the cards that are left are laid out for the sizes as they are now, and will not meet what is painted.",
      remedies: [
        {
          label: "Back to the painted sizes",
          changes: [{ path: ["surfaces", surface.id, "form"], value: then }],
        },
      ],
    },
  ];
}

/** What is to be said of pieces whose sizes no longer are those that were painted. */
export const sizeChanges = (
  { surfaces }: Pick<Job, "surfaces">,
  painted: readonly PaintedCard[],
): Finding[] => (painted.length === 0 ? [] : surfaces.flatMap((surface) => sizeChange(surface, painted)));
