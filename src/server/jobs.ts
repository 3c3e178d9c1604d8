import { boolean, object, string } from "yup";
import { missingPots, onOwnShelf } from "../core/edits/foreignPots";
import { InputError } from "../core/errors";
import { MOST_FILE_BYTES, readJobFile, writeJobFile, type JobFile } from "../core/formats/job-json/jobFile";
import { parseJob } from "../core/formats/job-json/jobSchema";
import { NO_HISTORY, photosIn, type History, type Job, type Paint } from "../core/job";
import { database } from "../data";
import { wholeSergeant } from "../data/demo/company";
import { newJob } from "../core/newJob";
import type { Db } from "../data/database";
import { readHistory } from "../data/historyStore";
import { picturesOf } from "../data/jobRows";
import {
  ConflictError,
  DamagedError,
  findJob,
  insertJob,
  listJobs,
  rawJob,
  markDeleted,
  saveJob,
  takenIds,
  type StoredJob,
} from "../data/jobStore";
import { remembered } from "../data/remembered";
import { addPaints, listPaints } from "../data/paintStore";
import { followedPainter } from "../data/followedPainter";
import { readPainter } from "../data/settingsStore";
import { findPicture, keepPicture } from "../data/pictureStore";
import { readJson, readText } from "./body";
import { checkedPicture } from "./pictures";
import { HttpProblem, json, jsonText } from "./problem";

const now = () => new Date().toISOString();
const gone = (id: string) =>
  new HttpProblem(404, "No such job", `There is no job "${id}". It may have been deleted.`);

/** A name in small letters, digits and dashes; empty where it has none of them. */
const plainName = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 60);

/** A free id made from a name. */
function freeId(name: string, taken: ReadonlySet<string>): string {
  const base = plainName(name) || "job";
  for (let number = 1; ; number++) {
    const id = number === 1 ? base : `${base}-${number}`;
    if (!taken.has(id)) return id;
  }
}

const stored = ({ job, revision, updatedAt }: StoredJob) => ({ job, revision, updatedAt });

/** @throws HttpProblem 404 where it is gone, 422 where it cannot be read */
function wantedJob(db: Db, id: string): StoredJob {
  try {
    const found = findJob(db, id);
    if (found) return found;
  } catch (error) {
    if (!(error instanceof DamagedError)) throw error;
    throw new HttpProblem(422, "Damaged", `This job cannot be read: ${error.message}`, { damaged: true });
  }
  throw gone(id);
}

/** What is on the go, without reading it. */
export function getJobs(): Response {
  const db = database();
  return jsonText(remembered(db, "jobs", () => JSON.stringify({ jobs: listJobs(db) })));
}

/** A job's document as it is stored: what can be saved of a job that cannot be read. */
export function getRawJob(id: string): Response {
  const document = rawJob(database(), id);
  if (document === null) throw gone(id);
  return new Response(document, {
    headers: {
      "content-type": "application/octet-stream",
      "content-disposition": `attachment; filename="${id}.stored.json"`,
      "cache-control": "no-store",
    },
  });
}

const createSchema = object({
  from: string().oneOf(["new", "demo", "copy"]).required(),
  name: string().max(80),
  id: string().max(120),
  /** A copy takes the log and the wells along: a second state of the same figure, not one to be painted again. */
  history: boolean(),
})
  .strict()
  .noUnknown();

/** A new, demo or copied job. */
export async function createJob(request: Request): Promise<Response> {
  const wish = await createSchema.validate(await readJson(request), { abortEarly: false });
  const db = database();
  const taken = takenIds(db);
  let job: Job;
  let history = NO_HISTORY;
  if (wish.from === "copy") {
    const source = wantedJob(db, wish.id ?? "");
    const name = `${source.job.name} copy`.slice(0, 80).trim();
    job = { ...source.job, id: freeId(name, taken), name };
    if (wish.history) history = readHistory(db, source.job.id);
  } else if (wish.from === "demo") {
    const demo = wholeSergeant();
    job = { ...demo, id: freeId(demo.id, taken) };
  } else {
    const typed = (wish.name ?? "").trim();
    const name = typed === "" ? "New figure" : typed;
    job = newJob(freeId(name, taken), name, readPainter(db), listPaints(db));
  }
  return json(stored(insertJob(db, parseJob(job), now(), history)), 201);
}

/** Pictures that a job and its log name, each once. */
const picturesNamed = (job: Job, history: History): string[] => [
  ...new Set([...picturesOf(job).map(({ pictureId }) => pictureId), ...photosIn(history)]),
];

/** @throws InputError where the file names pots or pictures that are neither in it nor here */
function refuseMissing(db: Db, file: JobFile, shelf: readonly Paint[]): void {
  const pots = missingPots(file, shelf).map((id) => ({
    field: "paints",
    message: `A mix of the job names the pot "${id}", which is neither in the file nor on the shelf.`,
  }));
  const brought = new Set(file.pictures.map(({ id }) => id));
  const pictures = picturesNamed(file.job, file.history).flatMap((pictureId) =>
    brought.has(pictureId) || findPicture(db, pictureId)
      ? []
      : [
          {
            field: "pictures",
            message: `The job uses the picture ${pictureId.slice(0, 12)}…, which is not in the file.`,
          },
        ],
  );
  if (pots.length + pictures.length > 0) throw new InputError([...pots, ...pictures].slice(0, 20));
}

/** A job from a file. Nothing changes where the file has a problem. */
export async function importJob(request: Request): Promise<Response> {
  const file = readJobFile(await readText(request, MOST_FILE_BYTES));
  const db = database();
  const shelf = listPaints(db);
  refuseMissing(db, file, shelf);
  const { job, history, paints } = onOwnShelf(file, shelf);
  const kept = file.pictures.map(({ id, type, base64 }) =>
    checkedPicture(Buffer.from(base64, "base64"), type, id),
  );
  for (const picture of kept) keepPicture(db, picture, now());
  addPaints(db, paints);
  return json(stored(insertJob(db, { ...job, id: freeId(job.id, takenIds(db)) }, now(), history)), 201);
}

/** One job with all that is needed to work on it, or bare: without shelf and painter. */
export function getJob(id: string, bare = false): Response {
  const db = database();
  const told = () => {
    const known = { ...stored(wantedJob(db, id)), history: readHistory(db, id) };
    return JSON.stringify(
      bare
        ? known
        : {
            ...known,
            paints: listPaints(db),
            painter: followedPainter(db).following,
          },
    );
  };
  return jsonText(remembered(db, `job ${bare ? "bare " : ""}${id}`, told));
}

/** Saves an edit made on a named revision. */
export async function putJob(id: string, request: Request): Promise<Response> {
  const body = (await readJson(request)) as { revision?: unknown; job?: unknown } | null;
  if (typeof body?.revision !== "number" || !Number.isInteger(body.revision)) {
    throw new HttpProblem(
      422,
      "The input cannot be used",
      "revision must be the whole number the edit was made on.",
    );
  }
  const job = parseJob(body.job);
  if (job.id !== id) throw new HttpProblem(422, "The input cannot be used", `The job's id must be "${id}".`);
  try {
    const saved = saveJob(database(), job, body.revision, now());
    if (!saved) throw gone(id);
    return json({ revision: saved.revision, updatedAt: saved.updatedAt });
  } catch (error) {
    if (!(error instanceof ConflictError)) throw error;
    throw new HttpProblem(409, "Changed elsewhere", "This job was changed in another window.", {
      revision: error.current.revision,
      job: error.current.job,
    });
  }
}

export function deleteJob(id: string): Response {
  if (!markDeleted(database(), id, now())) throw gone(id);
  return json({ deleted: id });
}

export function restoreJob(id: string): Response {
  if (!markDeleted(database(), id, null)) throw gone(id);
  return json({ restored: id });
}

/** A job, what happened, and the pots and pictures it uses, as a file. */
export function exportJob(id: string): Response {
  const db = database();
  const { job } = wantedJob(db, id);
  const history = readHistory(db, id);
  const pictures = picturesNamed(job, history).flatMap((pictureId) => {
    const picture = findPicture(db, pictureId);
    return picture ? [{ id: picture.id, type: picture.type, base64: picture.bytes.toString("base64") }] : [];
  });
  return new Response(writeJobFile(job, listPaints(db), pictures, history), {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${plainName(job.name) || id}.crenna.json"`,
      "cache-control": "no-store",
    },
  });
}
