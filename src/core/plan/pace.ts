import type { Painter } from "../painter";

/**
 * Work of the hand, counted in what sets its pace: times something is made ready, pulls of a line, boxes, dots, surface
 * brushed and sprayed in mm², figures of a unit taken up. It does not depend on how quick a painter is.
 */
export const PACED = ["setUps", "pulls", "boxes", "dots", "brushedMm2", "sprayedMm2", "handlings"] as const;
export type Paced = (typeof PACED)[number];
export type HandWork = Readonly<Record<Paced, number>>;

export const NO_WORK: HandWork = {
  ...{ setUps: 0, pulls: 0, boxes: 0, dots: 0, brushedMm2: 0, sprayedMm2: 0, handlings: 0 },
};

/** The painter's number that tells how long one of each takes. */
export const PACE_OF = {
  setUps: "setUpMinutes",
  pulls: "secondsPerPull",
  boxes: "secondsPerBox",
  dots: "secondsPerDot",
  brushedMm2: "mm2PerMinute",
  sprayedMm2: "sprayedMm2PerMinute",
  handlings: "handlingMinutes",
} as const satisfies Record<Paced, keyof Painter>;

/** Minutes that one takes, where the painter's number for it is this. */
export function minutesEach(paced: Paced, number: number): number {
  const of = PACE_OF[paced];
  if (of === "mm2PerMinute" || of === "sprayedMm2PerMinute") return 1 / number;
  return of.startsWith("seconds") ? number / 60 : number;
}

interface Worked {
  readonly work: { readonly paced: { readonly by: Paced; readonly count: number } };
  readonly pieces: number;
  readonly figures: number;
}

/**
 * What a card asks of the hand on some of its figures, in some passes.
 * @param setUps how often something is made ready for it; a part of one where a turn is shared
 */
export function handWork(
  { work: { paced }, pieces, figures }: Worked,
  part: { readonly figures: number; readonly passes: number; readonly setUps: number },
): HandWork {
  const goes = part.figures * part.passes;
  return {
    ...{ ...NO_WORK, setUps: part.setUps, handlings: figures > 1 ? goes : 0 },
    [paced.by]: paced.count * pieces * goes,
  };
}

/** Minutes the painter takes for so many of one kind. */
export const pacedMinutes = (paced: Paced, count: number, painter: Painter): number =>
  count * minutesEach(paced, painter[PACE_OF[paced]]);
