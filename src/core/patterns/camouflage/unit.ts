import { hashText } from "../../random";
import type { CamouflageParams, FigureOfUnit } from "./params";

/** Key of a figure of a unit, by its number from 1. */
export const figureId = (number: number): string => `f${number}`;

/** What is set for a figure of a unit, or what it is as long as nothing is: another pattern of the same character. */
export function figureOf(params: CamouflageParams, number: number): FigureOfUnit {
  const own = params.figures.find((one) => one.id === figureId(number));
  const seed = number === 1 ? params.seed : hashText(`${params.seed}/figure/${number}`) % 100000;
  return own ?? { id: figureId(number), seed, plain: false, noDots: false, baseMixId: null };
}

/** Settings as one figure of a unit is painted. */
export function forFigure(params: CamouflageParams, number: number): CamouflageParams {
  const { seed, plain, noDots, baseMixId } = figureOf(params, number);
  const layers = plain ? [] : params.layers.filter((layer) => !noDots || layer.kind !== "dot");
  return { ...params, seed, layers, baseMixId: baseMixId ?? params.baseMixId };
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
