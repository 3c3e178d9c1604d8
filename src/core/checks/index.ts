import { InputError } from "../errors";
import { activeCoats, type Job, type Paint, type Surface } from "../job";
import { familyIn } from "../patterns";
import { patternOf } from "../patterns/bind";
import { buildForm } from "../surface/forms/buildForm";
import type { Check, CheckContext } from "./check";
import { cover } from "./cover";
import { evenness } from "./evenness";
import { filmBuildUp } from "./filmBuildUp";
import { GRAVITIES, type CheckResult, type Finding } from "./finding";
import { pots } from "./pots";

/** Every check that any surface can have. A new one is one file and one line here; a family brings its own. */
export const checks: readonly Check[] = [pots, cover, filmBuildUp, evenness];

/** Checks a surface goes through: its pattern's own among them. */
export function checksOf(surface: Pick<Surface, "pattern">): readonly { id: string; label: string }[] {
  return [...checks, ...(familyIn(surface)?.checks ?? [])];
}

/** A surface that cannot be built or read is itself the finding. */
function unusable(surface: Surface, error: Error): Finding {
  return {
    id: `${surface.id}/unusable`,
    gravity: "must",
    surfaceId: surface.id,
    coatId: null,
    where: surface.name,
    sentence: error.message,
    reason: "Until this is mended the surface keeps its last coats and cannot be checked.",
    remedies: [],
  };
}

function runAll(context: CheckContext): (CheckResult & { readonly check: string })[] {
  const { pattern } = context;
  const common = checks.flatMap((check) =>
    check.run(context).map((found) => ({ ...found, check: check.id })),
  );
  if (!pattern) return common;
  const { params, layout, family } = pattern;
  const own = family.checks.flatMap((check) =>
    check.run({ ...context, pattern, params, layout }).map((found) => ({ ...found, check: check.id })),
  );
  return [...common, ...own];
}

const worstFirst = (found: readonly Finding[]): Finding[] =>
  [...found].sort((a, b) => GRAVITIES.indexOf(a.gravity) - GRAVITIES.indexOf(b.gravity));

/** All findings on one surface, worst first. */
export function checkSurface(job: Job, surface: Surface, paints: readonly Paint[]): Finding[] {
  try {
    const form = buildForm(surface);
    const pattern = patternOf(surface, form, job.hand);
    const found = runAll({ job, surface, form, paints, coats: activeCoats(surface), pattern });
    return worstFirst(
      found.map(({ key, check, ...rest }) => ({
        ...rest,
        id: `${surface.id}/${check}/${key}`,
        surfaceId: surface.id,
      })),
    );
  } catch (error) {
    // Sizes and settings that cannot be used are expected; a slip in code is not, and is shown as one.
    if (error instanceof InputError) return [unusable(surface, error)];
    throw error;
  }
}

/** All findings of a job, worst first. */
export const checkJob = (job: Job, paints: readonly Paint[]): Finding[] =>
  worstFirst(job.surfaces.flatMap((surface) => checkSurface(job, surface, paints)));
