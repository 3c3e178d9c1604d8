import { hashText } from "../../random";
import type { UnitShare } from "../family";
import { placeOfKey } from "./keys";
import { BASE, type CamouflageParams, type FigureOfUnit } from "./params";

/** Key of a figure of a unit, by its number from 1. */
export const figureId = (number: number): string => `f${number}`;

/** What is set for a figure of a unit, or what it is as long as nothing is: another pattern of the same character. */
export function figureOf(params: CamouflageParams, number: number): FigureOfUnit {
  const own = params.figures.find((one) => one.id === figureId(number));
  const seed = number === 1 ? params.seed : hashText(`${params.seed}/figure/${number}`) % 100000;
  return own ?? { id: figureId(number), seed, plain: false, noDots: false, baseMixId: null };
}

/** Settings with another base; its light is another light, made anew. */
export const withBase = (params: CamouflageParams, baseMixId: string): CamouflageParams => ({
  ...params,
  baseMixId,
  lights: params.lights.filter(({ id }) => id !== BASE),
});

/** Settings as one figure of a unit is painted. */
export function forFigure(params: CamouflageParams, number: number): CamouflageParams {
  const { seed, plain, noDots, baseMixId } = figureOf(params, number);
  const layers = plain ? [] : params.layers.filter((layer) => !noDots || layer.kind !== "dot");
  if (baseMixId === null) return { ...params, seed, layers };
  return withBase({ ...params, seed, layers }, baseMixId);
}

/** Whether a figure gets a coat of the pattern at all: plain ones have no layers, some have no dots. */
function gets(params: CamouflageParams, role: string, { plain, noDots }: FigureOfUnit): boolean {
  const place = placeOfKey(role);
  if (!place || place.kind === "seams" || place.id === BASE) return true;
  const kind = params.layers.find(({ id }) => id === place.id)?.kind;
  return !plain && !(noDots && kind === "dot");
}

/** Which figures of a unit get a coat, and in which mix: bases differ, some are plain, some without dots. */
export function forUnit(params: CamouflageParams, role: string, count: number): UnitShare {
  const byMix = new Map<string | null, number[]>();
  for (let number = 1; number <= count; number++) {
    const one = figureOf(params, number);
    if (!gets(params, role, one)) continue;
    const other = role === BASE && one.baseMixId !== params.baseMixId ? one.baseMixId : null;
    byMix.set(other, [...(byMix.get(other) ?? []), number]);
  }
  return { byMix: [...byMix].map(([mixId, figures]) => ({ mixId, figures })) };
}

/** Settings with something of one figure changed. */
export function withFigure(
  params: CamouflageParams,
  number: number,
  part: Partial<FigureOfUnit>,
): Pick<CamouflageParams, "figures"> {
  const changed = { ...figureOf(params, number), ...part };
  const others = params.figures.filter((one) => one.id !== changed.id);
  return { figures: [...others, changed] };
}

/** Pairs of figures that would get the very same layout. */
export function repeats(params: CamouflageParams, count: number): [number, number][] {
  const seen = new Map<string, number>();
  const found: [number, number][] = [];
  for (let number = 1; number <= count; number++) {
    const { seed, layers } = forFigure(params, number);
    if (layers.length === 0) continue;
    const key = `${seed}/${layers.map(({ id }) => id).join()}`;
    const first = seen.get(key);
    if (first === undefined) seen.set(key, number);
    else found.push([first, number]);
  }
  return found;
}
