import { activeCoats, type Job, type Paint, type Surface } from "../job";
import { buildForm } from "../patterns/derive";
import { layoutOf } from "../patterns/sett/coats";
import { boxSize } from "./boxSize";
import { GRAVITIES, type Check, type Finding } from "./check";
import { closure } from "./closure";
import { cover } from "./cover";
import { filmBuildUp } from "./filmBuildUp";
import { fineLines } from "./fineLines";
import { guidesShow } from "./guidesShow";
import { pots } from "./pots";
import { stripeContrast } from "./stripeContrast";

/** Every check. A new one is one file and one line here. */
export const checks: readonly Check[] = [
  pots,
  closure,
  boxSize,
  fineLines,
  stripeContrast,
  cover,
  guidesShow,
  filmBuildUp,
];

/** A surface that cannot be built or read is itself the finding. */
function unusable(surface: Surface, error: Error): Finding {
  return {
    id: `${surface.id}/unusable`,
    gravity: "must",
    surfaceId: surface.id,
    coatId: null,
    place: surface.name,
    sentence: error.message,
    reason: "Until this is mended the surface keeps its last coats and cannot be checked.",
    remedies: [],
  };
}

/** All findings on one surface, worst first. */
export function checkSurface(job: Job, surface: Surface, paints: readonly Paint[]): Finding[] {
  try {
    const form = buildForm(surface);
    const layout = surface.pattern ? layoutOf({ job, surface, form }) : null;
    const context = { job, surface, form, paints, coats: activeCoats(surface), layout };
    return checks
      .flatMap((check) =>
        check.run(context).map(({ key, ...found }) => ({
          ...found,
          id: `${surface.id}/${check.id}/${key}`,
          surfaceId: surface.id,
        })),
      )
      .sort((a, b) => GRAVITIES.indexOf(a.gravity) - GRAVITIES.indexOf(b.gravity));
  } catch (error) {
    if (error instanceof Error) return [unusable(surface, error)];
    throw error;
  }
}

export const checkJob = (job: Job, paints: readonly Paint[]): Finding[] =>
  job.surfaces
    .flatMap((surface) => checkSurface(job, surface, paints))
    .sort((a, b) => GRAVITIES.indexOf(a.gravity) - GRAVITIES.indexOf(b.gravity));
