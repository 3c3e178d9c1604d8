import { figureOf, mixById, type Coat, type Job, type Surface } from "../job";
import { familyIn } from "../patterns";
import type { UnitShare } from "../patterns/family";
import { counted } from "../units";

/** How a coat falls to the figures of its unit: which get it, in which mix. */
export function unitShareOf(job: Job, surface: Surface, coat: Coat): UnitShare {
  const { count } = figureOf(job, surface);
  const { pattern } = surface;
  const own =
    pattern && coat.role !== null
      ? familyIn(surface)?.forUnit?.(pattern.params, coat.role, count)
      : undefined;
  const share = own ?? {
    byMix: [{ mixId: null, figures: Array.from({ length: count }, (_, at) => at + 1) }],
  };
  const only = coat.figures;
  if (!only) return share;
  // What mends some figures of a unit is painted on these alone.
  return {
    byMix: share.byMix.map(({ mixId, figures }) => ({
      mixId,
      figures: figures.filter((figure) => only.includes(figure)),
    })),
  };
}

/** Figures that get a coat in any mix. */
export const figuresWith = ({ byMix }: UnitShare): number =>
  byMix.reduce((sum, { figures }) => sum + figures.length, 0);

/** Figures that get a coat in its own mix. */
export const figuresInOwnMix = ({ byMix }: UnitShare): number =>
  byMix.find(({ mixId }) => mixId === null)?.figures.length ?? 0;

const named = (figures: readonly number[]) =>
  figures.length === 1
    ? `Figure ${figures[0]}`
    : `Figures ${figures.slice(0, -1).join(", ")} and ${figures.at(-1)}`;

/** What a card says of figures that get its coat in another mix, or not at all. */
export function unitSays(job: Job, surface: Surface, share: UnitShare): string[] {
  const { count } = figureOf(job, surface);
  const all = new Set(share.byMix.flatMap(({ figures }) => figures));
  const without = Array.from({ length: count }, (_, at) => at + 1).filter((number) => !all.has(number));
  const others = share.byMix.flatMap(({ mixId, figures }) => {
    const mix = mixId === null ? undefined : mixById(job, mixId);
    return mix
      ? [`${named(figures)} in ${mix.name} instead: mix it for ${counted(figures.length, "figure")}.`]
      : [];
  });
  return [...others, ...(without.length > 0 ? [`${named(without)} without this coat.`] : [])];
}
