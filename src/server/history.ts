import { parseLogEntry, parseSitting, parseWell } from "../core/formats/job-json/jobSchema";
import { MOST_PHOTOS, photosIn, type LogEntry, type Sitting } from "../core/job";
import { database } from "../data";
import type { Db } from "../data/database";
import {
  putEntry,
  putSitting,
  putWell,
  readHistory,
  removeEntry,
  removeSitting,
  removeWell,
} from "../data/historyStore";
import { hasJob } from "../data/jobStore";
import { findPicture } from "../data/pictureStore";
import { readJson } from "./body";
import { HttpProblem, json } from "./problem";

interface Kind {
  /** @throws ValidationError */
  put(db: Db, jobId: string, value: unknown): { readonly id: string };
  drop(db: Db, jobId: string, id: string): void;
}

/** @throws HttpProblem 422 where a photo is not kept here, or the job would have too many */
function checkPhotos(db: Db, jobId: string, { photos = [] }: Pick<LogEntry | Sitting, "photos">): void {
  if (photos.length === 0) return;
  const missing = photos.find((id) => !findPicture(db, id));
  if (missing !== undefined)
    throw new HttpProblem(
      422,
      "The photo cannot be used",
      `The picture ${missing.slice(0, 12)}… is not kept here: send it first.`,
    );
  const { log, sittings } = readHistory(db, jobId);
  const all = new Set([...photosIn({ log, sittings }), ...photos]);
  if (all.size > MOST_PHOTOS.job)
    throw new HttpProblem(
      422,
      "The photo cannot be used",
      `A job may have ${MOST_PHOTOS.job} photos; take one off first.`,
    );
}

/** What happens at the bench, by the name it has in addresses. */
const KINDS: Readonly<Record<string, Kind>> = {
  log: {
    put(db, jobId, value) {
      const entry = parseLogEntry(value);
      checkPhotos(db, jobId, entry);
      putEntry(db, jobId, entry);
      return entry;
    },
    drop: removeEntry,
  },
  sittings: {
    put(db, jobId, value) {
      const sitting = parseSitting(value);
      checkPhotos(db, jobId, sitting);
      putSitting(db, jobId, sitting);
      return sitting;
    },
    drop: removeSitting,
  },
  wells: {
    put(db, jobId, value) {
      const well = parseWell(value);
      putWell(db, jobId, well);
      return well;
    },
    drop: removeWell,
  },
};

const NAMES = new Intl.ListFormat("en-GB").format(Object.keys(KINDS));

function kindOf(db: Db, jobId: string, kind: string): Kind {
  if (!hasJob(db, jobId))
    throw new HttpProblem(404, "No such job", `There is no job "${jobId}". It may have been deleted.`);
  if (!Object.hasOwn(KINDS, kind)) throw new HttpProblem(404, "No such part", `A history has ${NAMES}.`);
  return KINDS[kind]!;
}

/** What happened while a job was painted. */
export function getHistory(jobId: string): Response {
  const db = database();
  kindOf(db, jobId, "log");
  return json({ history: readHistory(db, jobId) });
}

/** Notes one thing that happened, or changes what was noted. Sent twice it is the same as once. */
export async function putHistoryItem(
  jobId: string,
  kind: string,
  id: string,
  request: Request,
): Promise<Response> {
  const value = await readJson(request);
  const db = database();
  const part = kindOf(db, jobId, kind);
  const told = typeof value === "object" && value !== null ? (value as { id?: unknown }).id : undefined;
  if (told !== id) throw new HttpProblem(422, "The input cannot be used", `Its id must be "${id}".`);
  return json({ kept: part.put(db, jobId, value).id });
}

/** Takes one thing off; what is gone already is no problem. */
export function dropHistoryItem(jobId: string, kind: string, id: string): Response {
  const db = database();
  kindOf(db, jobId, kind).drop(db, jobId, id);
  return json({ dropped: id });
}
