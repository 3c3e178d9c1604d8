import { JOB_VERSION, OWN_SCHEME_VERSION } from "../../job";
import { families, isFamilyId } from "../../patterns";
import { each, isFields, type Fields, type Step, type Told } from "./steps/fields";
import { fromVersion1 } from "./steps/fromVersion1";
import { fromVersion10, withShed } from "./steps/fromVersion10";
import { fromVersion11 } from "./steps/fromVersion11";
import { fromVersion12 } from "./steps/fromVersion12";
import { fromVersion13 } from "./steps/fromVersion13";
import { fromVersion14 } from "./steps/fromVersion14";
import { fromVersion15 } from "./steps/fromVersion15";
import { fromVersion2 } from "./steps/fromVersion2";
import { fromVersion3 } from "./steps/fromVersion3";
import { fromVersion4 } from "./steps/fromVersion4";
import { fromVersion5, withValues } from "./steps/fromVersion5";
import { fromVersion6 } from "./steps/fromVersion6";
import { fromVersion7 } from "./steps/fromVersion7";
import { fromVersion8 } from "./steps/fromVersion8";
import { fromVersion9, withEvent } from "./steps/fromVersion9";

/** What brings a job of one version to the next, by the version it comes from. */
const steps: Readonly<Record<number, Step>> = {
  1: fromVersion1,
  2: fromVersion2,
  3: fromVersion3,
  4: fromVersion4,
  5: fromVersion5,
  6: fromVersion6,
  7: fromVersion7,
  8: fromVersion8,
  9: fromVersion9,
  10: fromVersion10,
  11: fromVersion11,
  12: fromVersion12,
  13: fromVersion13,
  14: fromVersion14,
  15: fromVersion15,
};

/** A pattern's settings in its family's newest shape; an unknown family's are handed on as they are. */
function patternOf(use: unknown): unknown {
  if (!isFields(use) || typeof use.id !== "string" || typeof use.version !== "number") return use;
  const family = isFamilyId(use.id) ? families[use.id]! : null;
  if (!family?.upgrade || use.version >= family.version) return use;
  return { ...use, version: family.version, params: family.upgrade(use.params, use.version) };
}

/** What schemes of version 1 did not keep. */
const UNTOLD = {
  version: OWN_SCHEME_VERSION,
  keptAt: null,
  from: null,
  piece: null,
  asPainted: false,
  notes: "",
  batches: [],
};

/** A scheme of the painter's own of any version in today's shape, its pattern in its family's newest one. */
export const upgradeOwnScheme = (value: unknown): unknown =>
  isFields(value)
    ? {
        ...value,
        ...(value.version === 1 ? UNTOLD : {}),
        ...("pattern" in value ? { pattern: patternOf(value.pattern) } : {}),
        ...("coats" in value
          ? { coats: each(value.coats, (coat) => withShed(withEvent(withValues(coat)))) }
          : {}),
      }
    : value;

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

/**
 * A job and its history in today's shape; anything that is no job of a known version is handed on as it is.
 * @param history undefined where it may still be told inside the job
 */
export function upgradeTold(value: unknown, history?: unknown): { job: unknown; history: unknown } {
  if (!isFields(value)) return { job: value, history };
  let told: Told = { job: value, history };
  while (typeof told.job.version === "number") {
    const step = steps[told.job.version];
    if (!step) break;
    told = step(told);
  }
  return told.job.version === JOB_VERSION ? { ...told, job: withPatterns(told.job) } : told;
}

/** The job of `upgradeTold`. */
export const upgradeJob = (value: unknown): unknown => upgradeTold(value).job;

const FINISH_OF_KIND: Readonly<Record<string, string>> = {
  metal: "satin",
  varnish: "gloss",
  medium: "gloss",
};

const finishOf = (kind: unknown): string =>
  typeof kind === "string" && Object.hasOwn(FINISH_OF_KIND, kind) ? FINISH_OF_KIND[kind]! : "matt";

/** A pot out of a file of version 1, which knew neither finish nor readings. */
export const upgradePaint = (value: unknown): unknown =>
  isFields(value) ? { overBlack: null, finish: finishOf(value.kind), fit: null, ...value } : value;

/** A pot out of a file before version 4, whose readings told their `place`. */
export function upgradeReadings(value: unknown): unknown {
  if (!isFields(value) || !isFields(value.fit)) return value;
  const readings = each(value.fit.readings, ({ place, ...reading }) => ({
    ...(place === undefined ? {} : { laid: place }),
    ...reading,
  }));
  return { ...value, fit: { ...value.fit, readings } };
}
