import { InputError } from "../errors";
import { piecesOf } from "../figure/pairs";
import { activeCoats, type Effort, type Job, type Surface } from "../job";
import { isOfMarks, keptAt, sharesOf, USUAL_EFFORT, type Shares } from "./effortOf";

/** What a mark counts on a piece against one on another, by what is to be looked at. */
export const IMPORTANCE_COUNTS: Readonly<Record<Surface["volumes"]["importance"], number>> = {
  "looked-at": 1.8,
  usual: 1,
  quiet: 0.55,
};

/** More a budget of one surface cannot be. */
const MOST_MARKS = 1_000_000;

/** What a surface is to keep of a budget for its whole figure. */
export interface FigureShare {
  readonly surfaceId: string;
  readonly effort: Effort;
  /** Marks of all its pieces without a budget, and with it. */
  readonly full: number;
  readonly kept: number;
}

interface Part {
  readonly surface: Surface;
  readonly effort: Effort;
  readonly shares: Shares;
  readonly counts: number;
  readonly pieces: number;
}

/** A surface with marks; null for one without, or that cannot be built. */
function partOf(job: Job, surface: Surface): Part | null {
  if (!activeCoats(surface).some(isOfMarks)) return null;
  const effort = surface.effort ?? { marks: 1, ...USUAL_EFFORT };
  try {
    const shares = sharesOf(job, surface, effort);
    return {
      surface,
      effort,
      shares,
      counts: IMPORTANCE_COUNTS[surface.volumes.importance],
      pieces: piecesOf(surface),
    };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

const keptOf = ({ shares, counts }: Part, scale: number): number => keptAt(shares, scale * counts);

/**
 * Shares a budget out over all pieces of a figure: a mark is kept where it is worth most on the whole figure, by how well
 * it is seen and lit, and by how much its piece is to be looked at.
 * @param marks how many may be set on the figure, both pieces of a pair counted; a stroke is one, a dot two thirds
 * @returns every surface with marks of single strokes or dots, in the job's order
 */
export function shareOverFigure(job: Job, figureId: string, marks: number): FigureShare[] {
  const parts = job.surfaces
    .filter((surface) => surface.figureId === figureId)
    .flatMap((surface) => partOf(job, surface) ?? []);
  const keptAll = (scale: number) => parts.reduce((sum, part) => sum + part.pieces * keptOf(part, scale), 0);
  const least = Math.min(...parts.map(({ shares, counts }) => counts * Math.min(...shares.worth)));
  let [low, high] = [0, parts.length > 0 ? 1 / least : 0];
  if (keptAll(high) > marks)
    for (let turn = 0; turn < 50; turn++) {
      const middle = (low + high) / 2;
      if (keptAll(middle) > marks) high = middle;
      else low = middle;
    }
  return parts.map((part): FigureShare => {
    const kept = keptOf(part, high);
    const full = part.shares.marks.reduce((sum, count) => sum + count, 0);
    return {
      surfaceId: part.surface.id,
      effort: { ...part.effort, marks: Math.max(1, Math.min(MOST_MARKS, Math.round(kept))) },
      full: part.pieces * full,
      kept: part.pieces * kept,
    };
  });
}
