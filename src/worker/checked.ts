import { mixed, ValidationError, type Schema } from "yup";
import { parseJob, parseOwnScheme, parsePaint, parseSurface } from "../core/formats/job-json/jobSchema";
import { mixSchema, type Job, type Paint } from "../core/job";
import { parsePainter } from "../core/painterSchema";

/** Texts of what was found right; most of a job is the same from one edit to the next. */
const known = new Set<string>();
const MOST_KNOWN = 4000;

function once(kind: string, value: unknown, check: (value: unknown) => unknown): void {
  const text = kind + JSON.stringify(value);
  if (known.has(text)) return;
  check(value);
  if (known.size >= MOST_KNOWN) known.clear();
  known.add(text);
}

const ids = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id);

/** Checks a job, part by part: what did not change since it was last found right is not looked at again. */
export function checkJob(job: Job): void {
  const options = { abortEarly: false };
  try {
    const shell = { ...job, surfaces: ids(job.surfaces), mixes: ids(job.mixes) };
    once("job", shell, () => parseJob(job));
    job.surfaces.forEach((surface) => once("surface", surface, parseSurface));
    job.mixes.forEach((mix) => once("mix", mix, (one) => mixSchema.validateSync(one, options)));
  } catch (error) {
    // A job without lists is told by the schema of the whole.
    if (error instanceof TypeError) parseJob(job);
    throw error;
  }
}

const checkPaints = (paints: readonly Paint[]): void =>
  paints.forEach((paint) => once("paint", paint, parsePaint));

/** A field that one of the core's own readers checks. */
const readBy = (check: (value: never) => void): Schema =>
  mixed()
    .required()
    .test("read", (value, { createError }) => {
      try {
        check(value as never);
        return true;
      } catch (error) {
        if (!(error instanceof ValidationError)) throw error;
        return createError({ message: error.errors.join("; ") });
      }
    });

/** A scheme of the painter's own, its pattern too. */
export const schemeField = (): Schema => readBy((value) => void parseOwnScheme(value));
export const jobField = (): Schema => readBy(checkJob);
export const paintsField = (): Schema => readBy(checkPaints);
export const painterField = (): Schema => readBy((value) => void parsePainter(value));
