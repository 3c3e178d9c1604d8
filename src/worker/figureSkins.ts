import { InputError } from "../core/errors";
import type { PieceSkin } from "../core/piece/skin";
import { figureOf, type Job, type Mix, type Paint, type Surface } from "../core/job";
import { lightOf } from "../core/figure/light";
import type { Simulator, SpecimenRequest, StillWanted } from "../core/simulate/simulator";

/** What a surface's paint depends on, as text: an edit of one surface leaves the others as they are. */
function skinKey(
  { job, paints, surfaceId, ...asked }: SpecimenRequest,
  surface: Surface,
  full: boolean,
): string {
  const used = new Set(surface.coats.map(({ mixId }) => mixId));
  const mixes: readonly Mix[] = job.mixes.filter(({ id }) => used.has(id));
  const pots = new Set(mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
  const { primer } = figureOf(job, surface);
  return JSON.stringify([
    ...[surface, surfaceId, asked, full, job.hand, primer, lightOf(job, surface).key],
    ...[mixes, paints.filter(({ id }) => pots.has(id))],
  ]);
}

/** Cells of the skins that are kept: eight surfaces, coarse and fine. Skins of other poses and lights go first. */
const MOST_CELLS = 4_000_000;
const kept = new Map<string, PieceSkin>();

const cellsOf = ({ grid }: PieceSkin): number => grid.inside.length;

/** Keeps a skin; the oldest go where they become too many. */
function keep(key: string, skin: PieceSkin): void {
  kept.set(key, skin);
  let cells = [...kept.values()].reduce((sum, one) => sum + cellsOf(one), 0);
  for (const [oldest, one] of kept) {
    if (cells <= MOST_CELLS || oldest === key) break;
    kept.delete(oldest);
    cells -= cellsOf(one);
  }
}

/** What a surface of a figure wears; painted anew only where something it depends on has changed. Null where it was stopped. */
export async function figureSkin(
  sim: Simulator,
  request: SpecimenRequest,
  full: boolean,
  wanted: StillWanted,
): Promise<PieceSkin | null> {
  const surface = request.job.surfaces.find(({ id }) => id === request.surfaceId)!;
  const key = skinKey(request, surface, full);
  const known = kept.get(key);
  if (known) {
    kept.delete(key);
    kept.set(key, known);
    return known;
  }
  const laid = await sim.lay(request, !full, wanted);
  if (!laid) return null;
  const skin = sim.skin(request, laid);
  keep(key, skin);
  return skin;
}

/** Surfaces of a job's figure that are seated, in the job's order. */
export const seatedSurfaces = (job: Job, figureId: string): Surface[] =>
  job.surfaces.filter((surface) => surface.figureId === figureId && surface.seat !== null);

/**
 * As what a figure is shown: with its paint; primed and bare under the lamp, in one colour or white from above over
 * black; or in the steps of its value plan.
 */
export const FIGURE_AS = ["paint", "primer", "sprayed", "values"] as const;

/** A figure, and how far it is painted. */
export interface FigureShown {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly figureId: string;
  readonly as: (typeof FIGURE_AS)[number];
  /** A surface that is shown after so many painted coats; null where all are shown in full. */
  readonly step: { readonly surfaceId: string; readonly upTo: number } | null;
}

/** Most cells of a surface in the finer picture: a whole figure is smaller on the screen than one piece. */
const FULL_CELLS = 400_000;

/** How pieces are looked at. Steps of light are greys of their own, which no lamp shades once more. */
const LOOKED: Readonly<Record<(typeof FIGURE_AS)[number], Pick<SpecimenRequest, "lit" | "map">>> = {
  paint: { lit: true },
  primer: { lit: true },
  sprayed: { lit: true, map: "sprayed" },
  values: { lit: false, map: "values" },
};

/** A job before anything is painted: nothing of a bare piece depends on its coats, so none are laid for it. */
const primed = (job: Job): Job => ({
  ...job,
  surfaces: job.surfaces.map((surface) => ({ ...surface, coats: [] })),
});

/** Skins of everything that is seated; null where it was stopped. */
export async function skinsOn(
  sim: Simulator,
  { job: given, paints, figureId, as, step }: FigureShown,
  full: boolean,
  wanted: StillWanted,
): Promise<Map<string, PieceSkin> | null> {
  const skins = new Map<string, PieceSkin>();
  const job = as === "paint" ? given : primed(given);
  const seated = seatedSurfaces(job, figureId);
  for (const [at, { id }] of seated.entries()) {
    if (!(await wanted(at, seated.length))) return null;
    const upTo = as === "paint" && step?.surfaceId === id ? step.upTo : null;
    const request = { job, paints, surfaceId: id, upTo, ...LOOKED[as], mostCells: FULL_CELLS };
    try {
      const skin = await figureSkin(sim, request, full, () => wanted(at, seated.length));
      if (!skin) return null;
      skins.set(id, skin);
    } catch (error) {
      // A piece that cannot be built or painted is left out; where it is edited it says what is wrong.
      if (!(error instanceof InputError)) throw error;
    }
  }
  return skins;
}
