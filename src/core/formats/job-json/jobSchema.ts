import { ValidationError, type Schema } from "yup";
import {
  historySchema,
  jobSchema,
  logEntrySchema,
  ownSchemeSchema,
  paintSchema,
  sittingSchema,
  surfaceSchema,
  wellSchema,
  type History,
  type Job,
  type LogEntry,
  type OwnScheme,
  type Paint,
  type Sitting,
  type Surface,
  type Well,
} from "../../job";
import { families, isFamilyId } from "../../patterns";
import { isFields } from "./steps/fields";
import { upgradeJob, upgradeOwnScheme } from "./upgrade";
import { heldInRange, useProblems } from "./uses";

type Place = readonly [path: string, value: unknown];

/** More than any list of surfaces or variants may have: such a list is refused as a whole. */
const MOST_LOOKED_AT = 64;

const inList = (value: unknown, path: string): Place[] =>
  Array.isArray(value)
    ? value.slice(0, MOST_LOOKED_AT).map((one: unknown, at) => [`${path}[${at}]`, one] as const)
    : [];

/** The patterns of a surface, its own and those of variants, wherever they are told. */
function patternsOf([path, surface]: Place): Place[] {
  if (!isFields(surface)) return [];
  const inside = (key: string) => (path === "" ? key : `${path}.${key}`);
  const variants = inList(surface.variants, inside("variants"));
  return [
    [inside("pattern"), surface.pattern],
    ...variants.flatMap(([at, one]): Place[] => (isFields(one) ? [[`${at}.pattern`, one.pattern]] : [])),
  ];
}

const problemsOf = (check: () => unknown): ValidationError[] => {
  try {
    check();
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return error.inner.length > 0 ? error.inner : [error];
  }
};

/** What is wrong with one pattern: its family, its version, and its settings as the family checks them. */
function patternProblems([path, use]: Place): ValidationError[] {
  if (!isFields(use) || typeof use.id !== "string") return [];
  if (!isFamilyId(use.id)) {
    const known = Object.keys(families).join(", ");
    return [new ValidationError(`${path}.id must be one of: ${known}`, use.id, `${path}.id`)];
  }
  const family = families[use.id]!;
  const late = typeof use.version === "number" && use.version > family.version;
  return [
    ...(late
      ? [
          new ValidationError(
            `${path}.version must be at most ${family.version}`,
            use.version,
            `${path}.version`,
          ),
        ]
      : []),
    // The path is where messages say it is; the types keep it for schemas inside schemas.
    ...problemsOf(() =>
      family.schema.validateSync(use.params, { abortEarly: false, path: `${path}.params` } as object),
    ),
  ];
}

/** @throws ValidationError with every problem of the shape, and of the patterns, techniques and forms on its surfaces */
function checkedBy(schema: Schema, value: unknown, surfaces: readonly Place[] = []): unknown {
  const problems = [
    ...problemsOf(() => schema.validateSync(value, { abortEarly: false })),
    ...surfaces.flatMap(patternsOf).flatMap(patternProblems),
    ...surfaces.flatMap(useProblems),
  ];
  if (problems.length > 0) throw new ValidationError(problems, value);
  return value;
}

/** Reads a job of any version. @throws ValidationError with every problem, each naming its place */
export function parseJob(value: unknown): Job {
  const job = upgradeJob(value);
  const surfaces = isFields(job) ? inList(job.surfaces, "surfaces") : [];
  return checkedBy(jobSchema, job, surfaces) as Job;
}

/** Reads a job of any version from our own store. @throws ValidationError with every problem, each naming its place */
export const parseStoredJob = (value: unknown): Job => parseJob(heldInRange(upgradeJob(value)));

/** Reads one surface of today's shape. @throws ValidationError with every problem */
export const parseSurface = (value: unknown): Surface =>
  checkedBy(surfaceSchema, value, [["", value]]) as Surface;

/** @throws ValidationError with every problem, each naming its place */
export const parsePaint = (value: unknown): Paint => checkedBy(paintSchema, value) as Paint;
/** Reads what happened while a job was painted. @throws ValidationError with every problem */
export const parseHistory = (value: unknown): History => checkedBy(historySchema, value) as History;
/** Reads one entry of the log. @throws ValidationError with every problem */
export const parseLogEntry = (value: unknown): LogEntry => checkedBy(logEntrySchema, value) as LogEntry;
/** Reads a scheme of the painter's own. @throws ValidationError with every problem */
export function parseOwnScheme(value: unknown): OwnScheme {
  const scheme = upgradeOwnScheme(value);
  return checkedBy(ownSchemeSchema, scheme, [["", scheme]]) as OwnScheme;
}
/** Reads one time at the bench. @throws ValidationError with every problem */
export const parseSitting = (value: unknown): Sitting => checkedBy(sittingSchema, value) as Sitting;
/** Reads one well of the palette. @throws ValidationError with every problem */
export const parseWell = (value: unknown): Well => checkedBy(wellSchema, value) as Well;
