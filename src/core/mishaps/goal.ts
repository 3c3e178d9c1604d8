import { ciede2000 } from "../colour/difference";
import type { Triple } from "../colour/spaces";
import type { Job, Paint, Surface } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { coarseGrid } from "../simulate/coarseGrid";
import { glanceAt } from "../simulate/glance";
import { marksOf } from "../simulate/layCoat";
import { labsAt } from "../simulate/sampled";
import { measureEvenness } from "../stats/evenness";
import { buildForm } from "../surface/forms/buildForm";
import { isTechniqueId, techniques } from "../techniques";
import { coatPassUm } from "../techniques/passUm";
import type { PlacedMark } from "../techniques/singleMarks";
import type { MishapContext } from "./mishap";
import { isNew } from "./coats";

/** Cells looked at on the whole surface, and besides where it went wrong. */
const [WHOLE, WRONG] = [600, 300] as const;
/** From this difference on, CIEDE2000, a place is told apart from what it was to be. */
export const TOLD_APART = 2.5;

/** Where a surface is looked at. */
export interface Places {
  readonly cells: readonly number[];
  /** Area that each of the cells stands for, mm². */
  readonly mm2: readonly number[];
}

const spread = (cells: readonly number[], most: number): number[] =>
  cells.length <= most
    ? [...cells]
    : Array.from({ length: most }, (_, at) => cells[Math.floor((at * cells.length) / most)]!);

/** Places all over the panel, more of them where what happened lies. */
export function placesOf(job: Job, happened: Surface, context: MishapContext): Places {
  const { grid, coats } = glanceAt(job, happened);
  const wrong = new Uint8Array(grid.inside.length);
  for (const { coat, film } of coats) {
    if (!coat.mishap || !isNew(context, coat.id)) continue;
    for (let at = 0; at < wrong.length; at++) if (film.cover[at]! > 20) wrong[at] = 1;
  }
  const [there, elsewhere]: [number[], number[]] = [[], []];
  for (let at = 0; at < wrong.length; at++)
    if (grid.inside[at]! > 0.5) (wrong[at] === 1 ? there : elsewhere).push(at);
  const [own, others] = [spread(there, WRONG), spread(elsewhere, WHOLE)];
  const cell = grid.pitchMm ** 2;
  const each = (of: readonly number[], all: readonly number[]) =>
    of.map(() => (cell * all.length) / of.length);
  return { cells: [...own, ...others], mm2: [...each(own, there), ...each(others, elsewhere)] };
}

/** How a surface comes out against how it was to. */
export interface Distance {
  /** What is to be as small as can be: root of the mean square of the difference over the surface, or of the marks'. */
  readonly far: number;
  /** Area told apart from what it was to be, mm². */
  readonly apartMm2: number;
  /** Mean difference there, CIEDE2000, and how much lighter it is, L*. */
  readonly meanDelta: number;
  readonly lighter: number;
}

/** How far looks at some places are from those wanted there. */
export function distanceOf(
  labs: readonly Triple[],
  wanted: readonly Triple[],
  mm2: readonly number[],
): Distance {
  let [squares, all, apart, delta, lighter] = [0, 0, 0, 0, 0];
  labs.forEach((lab, at) => {
    const area = mm2[at]!;
    const off = ciede2000(lab, wanted[at]!);
    squares += area * off * off;
    all += area;
    if (off < TOLD_APART) return;
    apart += area;
    delta += area * off;
    lighter += area * (lab[0] - wanted[at]![0]);
  });
  const per = apart > 0 ? 1 / apart : 0;
  return {
    far: all > 0 ? Math.sqrt(squares / all) : 0,
    ...{ apartMm2: apart, meanDelta: delta * per, lighter: lighter * per },
  };
}

/** L*a*b* of a surface at some places once all is painted. */
export const looksAt = (job: Job, surface: Surface, paints: readonly Paint[], { cells }: Places): Triple[] =>
  labsAt(job, surface, paints, cells);

/** All marks that some coats of a surface set one by one. */
function marksBy(job: Job, surface: Surface, coatIds: ReadonlySet<string>): PlacedMark[] {
  const form = buildForm(surface);
  const grid = coarseGrid(job, surface);
  return surface.coats.flatMap((coat) => {
    const { id } = coat.technique;
    const technique = isTechniqueId(id) ? techniques[id] : null;
    if (!technique?.singles || coat.held || !coatIds.has(coat.id)) return [];
    const { water, overSeams } = coat;
    const context = {
      ...{ grid, water, overSeams, passUm: coatPassUm(coat), passes: 1, hand: job.hand, nearCover: null },
      marks: marksOf(job, surface, form, coat, () => grid),
      heightMm: () => grid.relief,
    };
    const params = completeParams(technique.params, coat.technique.params);
    return technique.singles.of(context, params, createRandom(coat.seed));
  });
}

/** Spacing is compared mark by mark: more of them tell no more. */
const MOST_MARKS = 500;

/** How irregular the marks of a coat are: how distances, areas and directions vary. */
function irregularity(marks: readonly PlacedMark[]): readonly [number, number, number] {
  const { distanceCv, sizeCv, direction } = measureEvenness(spread2(marks), null);
  return [distanceCv ?? 0, sizeCv ?? 0, direction ?? 0];
}

const spread2 = (marks: readonly PlacedMark[]): readonly PlacedMark[] =>
  marks.length <= MOST_MARKS
    ? marks
    : [...marks].sort((a, b) => a.xMm - b.xMm || a.yMm - b.yMm).slice(0, MOST_MARKS);

/** How far the marks of a surface's coats are from being as irregular as they were to be. */
export function marksApart({ job, surface, coat }: MishapContext, now: Surface): number {
  const isOf = (of: Surface) =>
    new Set(
      of.coats
        .filter(({ id }) => id === coat.id || surface.coats.every((one) => one.id !== id))
        .map(({ id }) => id),
    );
  const wanted = irregularity(marksBy(job, surface, new Set([coat.id])));
  const got = irregularity(marksBy(job, now, isOf(now)));
  return Math.hypot(...wanted.map((value, at) => value - got[at]!));
}
