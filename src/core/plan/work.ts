import type { Coat, Job, Surface } from "../job";
import type { Painter } from "../painter";
import { completeParams } from "../params";
import { patternOf } from "../patterns/bind";
import type { PlaceWork } from "../patterns/family";
import type { Pattern } from "../patterns/pattern";
import { marksOf } from "../simulate/layCoat";
import { pacedMinutes, type Paced } from "./pace";
import { placeShare } from "./placeShare";
import type { SurfaceForm } from "../surface/forms/form";
import { isTechniqueId, techniques } from "../techniques";
import { resample } from "../techniques/strokes";
import type { Dot, Marks, Stroke } from "../techniques/technique";

/** What one coat asks of the hand, for one figure and one pass. */
export interface CoatWork {
  readonly areaMm2: number;
  /** Pulls, pieces or dots. */
  readonly strokes: number;
  /** One of them, in the singular. */
  readonly strokeName: string;
  readonly handMinutes: number;
  /** What sets its pace, and how many of it. */
  readonly paced: { readonly by: Paced; readonly count: number };
}

function strokeWork(
  strokes: readonly Stroke[],
  pullMm: number,
  widthShare: number,
): { areaMm2: number; pulls: number } {
  let areaMm2 = 0;
  let pulls = 0;
  for (const stroke of strokes) {
    const { lengthMm } = resample(stroke.path, 1);
    areaMm2 += (lengthMm * (stroke.startWidthMm + stroke.endWidthMm) * widthShare) / 2;
    pulls += Math.max(1, Math.round(lengthMm / pullMm));
  }
  return { areaMm2, pulls };
}

const dotArea = (dots: readonly Dot[], size: number) =>
  dots.reduce((sum, dot) => sum + (Math.PI / 4) * dot.widthMm * dot.heightMm * size * size, 0);

/** A stroke takes so many times as long as a dot. */
const STROKE_AGAINST_DOT = 1.5;
/** Marks of a texture are set several to a touch of thought: a quarter of the time of one placed by a guide. */
const MANY_MARKS = 0.25;

/** Minutes a painter takes for one stroke of a texture. */
export const strokeMinutes = ({ secondsPerDot }: Pick<Painter, "secondsPerDot">): number =>
  (secondsPerDot * STROKE_AGAINST_DOT * MANY_MARKS) / 60;

const RATES = { box: "boxes", dot: "dots", pull: "pulls" } as const satisfies Record<string, Paced>;

/** What is counted, and how long the painter takes for it. */
const paced = (by: Paced, count: number, painter: Painter): Pick<CoatWork, "paced" | "handMinutes"> => ({
  paced: { by, count },
  handMinutes: pacedMinutes(by, count, painter),
});

/** Pieces of a pattern, counted by its family. */
function placeWork({ areaMm2, count, name, rate }: PlaceWork, painter: Painter): CoatWork {
  return { areaMm2, strokes: count, strokeName: name, ...paced(RATES[rate], count, painter) };
}

type Values = Readonly<Record<string, number>>;

/** Strokes and dots, counted one by one. */
function markWork(marks: Marks, params: Values, painter: Painter): CoatWork {
  if (marks.kind === "strokes") {
    const { areaMm2, pulls } = strokeWork(marks.strokes, params.pull ?? 7, (params.width ?? 100) / 100);
    return placeWork({ areaMm2, count: pulls, name: "pull", rate: "pull" }, painter);
  }
  if (marks.kind !== "dots") throw new RangeError(`${marks.kind} are counted by their family`);
  const areaMm2 = dotArea(marks.dots, (params.size ?? 100) / 100);
  return placeWork({ areaMm2, count: marks.dots.length, name: "dot", rate: "dot" }, painter);
}

/** A coat by area: single marks by their density, brushing by its pace. */
function areaWork(areaMm2: number, coat: Coat, params: Values, painter: Painter): CoatWork {
  const { id } = coat.technique;
  const single = isTechniqueId(id) ? techniques[id].marksOn?.(areaMm2, params) : undefined;
  if (single) {
    const dots = single.count * (single.name === "stroke" ? STROKE_AGAINST_DOT : 1) * MANY_MARKS;
    return { areaMm2, strokes: single.count, strokeName: single.name, ...paced("dots", dots, painter) };
  }
  const strokes = Math.max(1, Math.round(areaMm2 / 12));
  const sprayed = isTechniqueId(id) && techniques[id].sprayed === true;
  const by = sprayed ? "sprayedMm2" : "brushedMm2";
  return { areaMm2, strokes, strokeName: "stroke", ...paced(by, areaMm2, painter) };
}

const noGrid = (): never => {
  throw new RangeError("a place that is laid cell by cell is counted by its family");
};

/** What families counted, by layout and place: most edits leave all layouts but one as they are. */
const counted = new WeakMap<object, Map<string, PlaceWork | null>>();

function countedOnce({ family, layout }: Pattern, key: string): PlaceWork | null {
  const of = layout as object;
  const known = counted.get(of) ?? new Map<string, PlaceWork | null>();
  counted.set(of, known);
  if (!known.has(key)) known.set(key, family.work(layout, key));
  return known.get(key) ?? null;
}

/** The work of one coat on one figure, from its marks; one pass. */
export function coatWork(
  job: Job,
  surface: Surface,
  form: SurfaceForm,
  coat: Coat,
  painter: Painter,
): CoatWork {
  const { place, technique } = coat;
  const { id } = technique;
  const params = isTechniqueId(id) ? completeParams(techniques[id].params, technique.params) : {};
  if (place.kind !== "pattern")
    // A place the coat is kept to, or fades into, gets as much less of everything.
    return areaWork(form.areaMm2 * placeShare(job, surface, form, coat), coat, params, painter);
  const pattern = patternOf(job, surface, form);
  const own = pattern && countedOnce(pattern, place.key);
  if (own) return placeWork(own, painter);
  const marks = marksOf(job, surface, form, coat, noGrid);
  if (marks.kind === "field")
    return areaWork(form.areaMm2 * placeShare(job, surface, form, coat), coat, params, painter);
  return markWork(marks, params, painter);
}
