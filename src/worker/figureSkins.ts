import type { PieceSkin } from "../core/piece/skin";
import { figureOf, type Job, type Mix, type Paint, type Surface } from "../core/job";
import { surfaceIdOf, withPairs } from "../core/figure/pairs";
import { lightOf } from "../core/figure/light";
import { growthOf } from "../core/growth/growthOf";
import { InputError } from "../core/errors";
import { buildForm } from "../core/surface/forms/buildForm";
import { choosePitch } from "../core/surface/grid";
import type { Helper } from "./helpers";
import { FULL_CELLS, PaintingTogether, QUICK_CELLS, type Wish } from "./paintingTogether";
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
    growthOf(job, surface).key,
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

function recall(key: string): PieceSkin | null {
  const known = kept.get(key);
  if (!known) return null;
  kept.delete(key);
  kept.set(key, known);
  return known;
}

/** Surfaces of a job's figure that are seated, in the job's order, both pieces of a pair. */
export const seatedSurfaces = (job: Job, figureId: string): Surface[] =>
  withPairs(job).surfaces.filter((surface) => surface.figureId === figureId && surface.seat !== null);

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
  /** Most cells of each surface in the finer picture; `FULL_CELLS` where left out or more. */
  readonly mostCells?: number;
  /** Most cells of each surface in the coarse picture; `QUICK_CELLS` where left out. */
  readonly previewCells?: number;
}

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

/** What painting a surface costs in full: its cells times its coats; a piece that cannot be built costs nothing. */
function costOf({ hand }: Job, surface: Surface, mostCells: number): number {
  try {
    const { pitchMm } = choosePitch(buildForm(surface), hand.finestLineMm, mostCells);
    return (1 + surface.coats.length) * Math.min(mostCells, buildForm(surface).areaMm2 / pitchMm ** 2);
  } catch (error) {
    if (error instanceof InputError) return 0;
    throw error;
  }
}

function wishesOf({ job: given, paints, figureId, as, step, ...asked }: FigureShown, full: boolean): Wish[] {
  const mostCells = Math.min(FULL_CELLS, asked.mostCells ?? FULL_CELLS);
  const cells = { mostCells, previewCells: asked.previewCells ?? QUICK_CELLS };
  const job = as === "paint" ? given : primed(given);
  return seatedSurfaces(job, figureId).map((surface) => {
    const upTo = as === "paint" && step?.surfaceId === surfaceIdOf(surface.id) ? step.upTo : null;
    const request = { job, paints, surfaceId: surface.id, upTo, ...LOOKED[as], ...cells };
    return {
      request,
      full,
      key: skinKey(request, surface, full),
      cost: costOf(job, surface, mostCells),
    };
  });
}

/**
 * Skins of everything that is seated; null where it was stopped.
 * @param helpers workers that paint surfaces beside this one
 */
export async function skinsOn(
  sim: Simulator,
  shown: FigureShown,
  full: boolean,
  wanted: StillWanted,
  helpers: readonly Helper[] = [],
): Promise<Map<string, PieceSkin> | null> {
  const wishes = wishesOf(shown, full);
  const skins = new Map(wishes.map(({ request, key }) => [request.surfaceId, recall(key)]));
  const painting = new PaintingTogether(sim, {
    open: wishes.filter(({ request }) => !skins.get(request.surfaceId)),
    wanted: () => wanted([...skins.values()].filter((skin) => skin !== null).length, wishes.length),
    painted: ({ key, request }, skin) => {
      keep(key, skin);
      skins.set(request.surfaceId, skin);
    },
  });
  if (!(await painting.by(helpers))) return null;
  return new Map([...skins].filter((entry): entry is [string, PieceSkin] => entry[1] !== null));
}
