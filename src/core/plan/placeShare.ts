import { effortOf, isOfMarks } from "../effort/effortOf";
import { fewCells } from "../simulate/fewCells";
import { lightOf } from "../figure/light";
import { type Coat, type Job, type Surface } from "../job";
import { layCoat, marksOf } from "../simulate/layCoat";
import { patternKeyOf } from "../simulate/whereLaid";
import { growthOf } from "../growth/growthOf";
import { hideKey } from "../hides/withHide";
import { reliefKey } from "../surface/keptHeights";
import { createFilmBuffer } from "../techniques/technique";
import type { FilmPlanes } from "../simulate/planes";
import type { SurfaceForm } from "../surface/forms/form";
import { placeWeights } from "../techniques/technique";

/** Cells that are enough to tell how much of a surface belongs to a place, and for blocks of a pattern or the marks of an earlier coat. */
const CELLS = { place: 1500, blocks: 5000, marks: 12_000 } as const;
/** Shares by all they depend on: most coats keep their place from one edit to the next. */
const MOST_SHARES = 2000;
const shares = new Map<string, number>();

/** A coat by the marks of one that goes by the marks of another, and so on: followed no further than this. */
const LONGEST_CHAIN = 4;

/** The earlier coats whose marks decide where a coat goes, nearest first. */
function chainOf(surface: Surface, coat: Coat): Coat[] {
  const chain: Coat[] = [];
  for (let at: Coat = coat; at.place.kind === "zones" && at.place.near && chain.length < LONGEST_CHAIN;) {
    const { coatId } = at.place.near;
    const earlier = surface.coats.find((one) => one.id === coatId && !one.held);
    if (!earlier || chain.includes(earlier)) break;
    chain.push(earlier);
    at = earlier;
  }
  return chain;
}

/** Mean share of a surface that belongs to the place of a coat by area, 0…1: what it has of marks, paint and minutes. */
export function placeShare(job: Job, surface: Surface, form: SurfaceForm, coat: Coat): number {
  const { place } = coat;
  const effort = isOfMarks(coat) ? (effortOf(job, surface)?.key ?? null) : null;
  if (place.kind === "everywhere" && !effort) return 1;
  const pattern = patternKeyOf(job, surface, place);
  const chain = chainOf(surface, coat);
  const marks = chain.map((one) => [one.technique, one.place, one.passes, one.water, one.seed]);
  const key = JSON.stringify([
    ...[
      surface.form,
      surface.seed,
      reliefKey(surface),
      hideKey(surface, growthOf(job, surface)),
      surface.wear,
      surface.volumes,
      lightOf(job, surface).key,
      place,
      pattern,
      effort,
    ],
    ...(chain.length > 0 || pattern ? [job.hand, marks] : []),
  ]);
  const known = shares.get(key);
  if (known !== undefined) return known;
  if (shares.size >= MOST_SHARES) shares.clear();
  const share = measured(job, surface, form, coat, chain);
  shares.set(key, share);
  return share;
}

function measured(job: Job, surface: Surface, form: SurfaceForm, coat: Coat, chain: readonly Coat[]): number {
  const told = chain.length > 0 ? "marks" : coat.place.kind === "pattern" ? "blocks" : "place";
  const grid = fewCells(job, surface, form, CELLS[told]);
  const whole = grid.inside.reduce((sum, inside) => sum + inside, 0);
  const buffer = createFilmBuffer(grid.inside.length);
  // From the first of the chain on, each laid where the one before it says.
  const near = chain.reduceRight<FilmPlanes | null>(
    (before, one) =>
      layCoat(
        marksOf(job, surface, form, one, () => grid),
        one,
        job.hand,
        { grid, films: [], near: before },
        buffer,
        whole,
      ),
    null,
  );
  const nearCover = near && Float32Array.from(near.cover, (share) => share / 255);
  const weights = placeWeights({ grid, marks: marksOf(job, surface, form, coat, () => grid), nearCover });
  let sum = 0;
  for (let at = 0; at < weights.length; at++) sum += weights[at]! * grid.inside[at]!;
  return whole > 0 ? sum / whole : 0;
}
