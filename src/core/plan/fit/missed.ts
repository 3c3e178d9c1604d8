import { BANDS } from "../../colour/bands";
import { ciede2000 } from "../../colour/difference";
import { spectrumToLab, type Triple } from "../../colour/spaces";
import { IMPORTANCE_COUNTS } from "../../effort/overFigure";
import { piecesOf } from "../../figure/pairs";
import { figureOf, type Coat, type Job, type Paint, type Surface } from "../../job";
import { coarseGrid } from "../../simulate/coarseGrid";
import { spectraAt } from "../../simulate/sampled";
import { eyeBlurMm } from "../../simulate/seenFrom";
import type { SurfaceGrid } from "../../surface/grid";

/** Places looked at on a surface. */
const PLACES = 160;

/** Cells that the eye runs together at each of some places, all places with as many. */
interface Seen {
  readonly cells: readonly number[];
  readonly each: number;
}

function seenCells({ inside, width, pitchMm }: SurfaceGrid, viewMm: number): Seen {
  const step = Math.max(1, Math.round((1.2 * eyeBlurMm(viewMm)) / pitchMm));
  const around = [-1, 0, 1].flatMap((y) => [-1, 0, 1].map((x) => (y * width + x) * step));
  const whole: number[] = [];
  for (let at = 0; at < inside.length; at++)
    if (around.every((by) => (inside[at + by] ?? 0) > 0.5)) whole.push(at);
  const every = Math.max(1, whole.length / PLACES);
  const places = Array.from(
    { length: Math.min(PLACES, whole.length) },
    (_, k) => whole[Math.floor(k * every)]!,
  );
  return { cells: places.flatMap((at) => around.map((by) => at + by)), each: around.length };
}

/** L*a*b* of places as the eye sees them from a distance: light of the cells round each of them, mixed. */
function looks(job: Job, surface: Surface, paints: readonly Paint[], { cells, each }: Seen): Triple[] {
  const spectra = spectraAt(job, surface, paints, cells);
  return Array.from({ length: cells.length / each }, (_, place) => {
    const mixed = new Float64Array(BANDS);
    for (let k = 0; k < each; k++)
      for (let band = 0; band < BANDS; band++)
        mixed[band]! += spectra[(place * each + k) * BANDS + band]! / each;
    return spectrumToLab(mixed);
  });
}

/** Tells what is missed of one surface while some of its coats are left out. */
export interface Missing {
  /** Ids of coats that are left out → mm² of the figure times mean CIEDE2000, times what the piece counts. */
  of(leftOut: ReadonlySet<string>): number;
  /** Mean CIEDE2000 of the surface with other coats. */
  differs(coats: readonly Coat[]): number;
  /** Mean CIEDE2000 on this surface for such a sum. */
  mean(missed: number): number;
}

/**
 * What a surface misses of its finish as seen from its figure's viewing distance.
 * @throws InputError where it cannot be painted
 */
export function missingOn(job: Job, surface: Surface, paints: readonly Paint[]): Missing {
  const grid = coarseGrid(job, surface);
  const seen = seenCells(grid, figureOf(job, surface).viewingDistanceMm);
  const finished = looks(job, surface, paints, seen);
  const panel = grid.inside.reduce((sum, share) => sum + share, 0) * grid.pitchMm ** 2;
  const counts = IMPORTANCE_COUNTS[surface.volumes.importance] * panel * piecesOf(surface);
  const known = new Map<string, number>();
  const differs = (coats: readonly Coat[]): number => {
    const now = looks(job, { ...surface, coats }, paints, seen);
    const sum = now.reduce((all, lab, at) => all + ciede2000(lab, finished[at]!), 0);
    return now.length > 0 ? sum / now.length : 0;
  };
  return {
    differs,
    of(leftOut) {
      const key = [...leftOut].toSorted().join("|");
      let missed = known.get(key);
      if (missed === undefined) {
        const coats = surface.coats.map((coat) => (leftOut.has(coat.id) ? { ...coat, held: true } : coat));
        missed = counts * differs(coats);
        known.set(key, missed);
      }
      return missed;
    },
    mean: (missed) => (counts > 0 ? missed / counts : 0),
  };
}
