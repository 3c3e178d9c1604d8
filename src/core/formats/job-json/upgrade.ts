import { families, isFamilyId } from "../../patterns";
import { each, isFields, type Fields } from "./steps/fields";
import { fromVersion1 } from "./steps/fromVersion1";
import { fromVersion2 } from "./steps/fromVersion2";

/** The version jobs and job files are written in. */
export const JOB_VERSION = 3;

/** What brings a job of one version to the next, by the version it comes from. */
const steps: Readonly<Record<number, (job: Fields) => Fields>> = { 1: fromVersion1, 2: fromVersion2 };

/** A pattern's settings in its family's newest shape; an unknown family's are handed on as they are. */
function patternOf(use: unknown): unknown {
  if (!isFields(use) || typeof use.id !== "string" || typeof use.version !== "number") return use;
  const family = isFamilyId(use.id) ? families[use.id]! : null;
  if (!family?.upgrade || use.version >= family.version) return use;
  return { ...use, version: family.version, params: family.upgrade(use.params, use.version) };
}

const withPatterns = (job: Fields): Fields => ({
  ...job,
  surfaces: each(job.surfaces, (surface) => ({
    ...surface,
    ...("pattern" in surface ? { pattern: patternOf(surface.pattern) } : {}),
    ...("variants" in surface
      ? { variants: each(surface.variants, (one) => ({ ...one, pattern: patternOf(one.pattern) })) }
      : {}),
  })),
});

/** A stored or sent job in today's shape; anything that is no job of a known version is handed on as it is. */
export function upgradeJob(value: unknown): unknown {
  if (!isFields(value)) return value;
  let job = value;
  while (typeof job.version === "number") {
    const step = steps[job.version];
    if (!step) break;
    job = step(job);
  }
  return job.version === JOB_VERSION ? withPatterns(job) : job;
}

const FINISH_OF_KIND: Readonly<Record<string, string>> = {
  metal: "satin",
  varnish: "gloss",
  medium: "gloss",
};

/** A pot out of a file of version 1, which knew neither finish nor readings. */
export const upgradePaint = (value: unknown): unknown =>
  isFields(value)
    ? { overBlack: null, finish: FINISH_OF_KIND[String(value.kind)] ?? "matt", fit: null, ...value }
    : value;
