import { parsePlainJson } from "../plainJson";
import { array, string, ValidationError } from "yup";
import { InputError, type Problem } from "../../errors";
import { JOB_VERSION, MOST_PHOTOS, NO_HISTORY, type History, type Job, type Paint } from "../../job";
import { contentId, fields, one } from "../../shape";
import { parseHistory, parseJob, parsePaint, parseStoredJob } from "./jobSchema";
import { upgradePaint, upgradeReadings, upgradeTold } from "./upgrade";

/** A reference picture's bytes, as text. */
export interface FilePicture {
  /** SHA-256 of the bytes, hexadecimal. */
  readonly id: string;
  readonly type: string;
  readonly base64: string;
}

/** A job with what happened and the pots and pictures it uses, so that it can be read on another shelf. */
export interface JobFile {
  readonly job: Job;
  readonly history: History;
  readonly paints: readonly Paint[];
  readonly pictures: readonly FilePicture[];
}

export const PICTURE_TYPES = ["image/png", "image/jpeg", "image/webp"] as const;
/** Largest stored picture, bytes: pictures are scaled down before they are kept. */
export const MOST_PICTURE_BYTES = 800_000;

export const filePictureSchema = fields({
  id: contentId(),
  type: one(PICTURE_TYPES),
  base64: string()
    .strict()
    .required()
    .max(Math.ceil(MOST_PICTURE_BYTES / 3) * 4)
    .matches(/^[A-Za-z0-9+/]+={0,2}$/, "${path} must be base64"),
});

/** Pictures a job can use: its references, a relief for each surface, and photos of the work. */
const MOST_PICTURES = 68 + MOST_PHOTOS.job;

export const filePicturesSchema = array(filePictureSchema)
  .strict()
  .required("The file has no list of pictures")
  .max(MOST_PICTURES);

/** Largest job file, bytes: every picture a job can use, as text, and the job itself. */
export const MOST_FILE_BYTES = MOST_PICTURES * Math.ceil((MOST_PICTURE_BYTES / 3) * 4 + 200) + 8_000_000;

export const JOB_FILE_FORMAT = "crenna-job-file";

/** The pots that a job's mixes, and its wells and log, name. */
export const paintsOf = (
  { mixes }: Pick<Job, "mixes">,
  { log, wells }: History,
  shelf: readonly Paint[],
): Paint[] => {
  const added = [...wells.map((well) => well.added), ...log.map((entry) => entry.recipe ?? [])];
  const used = new Set<string | null>([
    ...mixes.flatMap((mix) => mix.parts.map((part) => part.paintId)),
    ...wells.flatMap((well) => well.content.map((part) => part.paintId)),
    ...added.flatMap((list) => list.map((addition) => addition.paintId)),
  ]);
  return shelf.filter((paint) => used.has(paint.id));
};

/** The job as text. `readJobFile` gives the same job, history, pots and pictures back. */
export function writeJobFile(
  job: Job,
  shelf: readonly Paint[],
  pictures: readonly FilePicture[] = [],
  history: History = NO_HISTORY,
): string {
  const paints = paintsOf(job, history, shelf);
  const file = { format: JOB_FILE_FORMAT, version: JOB_VERSION, job, history, paints, pictures };
  return `${JSON.stringify(file, null, 2)}\n`;
}

const asProblems = (error: ValidationError): Problem[] =>
  (error.inner.length > 0 ? error.inner : [error]).map((one) => ({
    field: one.path ?? "",
    message: one.message,
  }));

function checked<T>(place: string, read: () => T): T {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const problems = asProblems(error).map(({ field, message }) => ({
      field: field === "" ? place : `${place}.${field}`,
      message: `In ${place}: ${message}.`,
    }));
    throw new InputError(problems.slice(0, 20));
  }
}

/** What a file says of itself, short enough for a message. */
const told = (value: unknown): string => (value === undefined ? "none" : JSON.stringify(value).slice(0, 40));

/**
 * Reads a job file.
 * @throws InputError that names every problem and its place; nothing is taken from a file with a problem
 */
export function readJobFile(text: string): JobFile {
  const value = parsePlainJson(text);
  const record = typeof value === "object" && value !== null ? (value as Record<string, unknown>) : {};
  if (record.format !== JOB_FILE_FORMAT) {
    const got = typeof record.format === "string" ? `"${record.format}"` : "no format";
    throw new InputError([
      {
        field: "format",
        message: `This is no job file: it must say "format": "${JOB_FILE_FORMAT}", it has ${got}.`,
      },
    ]);
  }
  const version = typeof record.version === "number" ? record.version : NaN;
  if (!Number.isInteger(version) || version < 1 || version > JOB_VERSION) {
    throw new InputError([
      {
        field: "version",
        message: `Version ${told(record.version)} of the job file is not known here; versions 1 to ${JOB_VERSION} are.`,
      },
    ]);
  }
  if (!Array.isArray(record.paints)) {
    throw new InputError([{ field: "paints", message: "The file has no list of paints." }]);
  }
  const today = upgradeTold(record.job, record.history);
  // Earlier versions let settings beyond their ranges pass, and held them at their ends in use.
  const job = checked("job", () => (version < 4 ? parseStoredJob : parseJob)(today.job));
  const history = checked("history", () => parseHistory(today.history));
  const paintNow = (paint: unknown) =>
    version < 4 ? upgradeReadings(version === 1 ? upgradePaint(paint) : paint) : paint;
  const paints = record.paints.map((paint: unknown, at) =>
    checked(`paints[${at}]`, () => parsePaint(paintNow(paint))),
  );
  const pictures = checked("pictures", () =>
    filePicturesSchema.validateSync(version === 1 ? [] : record.pictures, { abortEarly: false }),
  ) as FilePicture[];
  return { job, history, paints, pictures };
}
