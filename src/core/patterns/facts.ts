import { InputError } from "../errors";
import type { Job, Paint } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import { patternOf } from "./bind";

/** What the pattern of each surface tells of itself, by surface id; nothing for those that cannot be laid out. */
export function patternFacts(job: Job, paints: readonly Paint[]): Readonly<Record<string, unknown>> {
  const facts: Record<string, unknown> = {};
  for (const surface of job.surfaces) {
    try {
      const form = buildForm(surface);
      const pattern = patternOf(job, surface, form);
      if (!pattern?.family.facts) continue;
      const { params, layout } = pattern;
      facts[surface.id] = pattern.family.facts({ job, surface, form, paints, params, layout });
    } catch (error) {
      // What is wrong is told by the checks and where it is typed.
      if (!(error instanceof InputError)) throw error;
    }
  }
  return facts;
}
