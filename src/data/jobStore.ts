import { and, asc, eq, isNotNull, isNull } from "drizzle-orm";
import { ValidationError } from "yup";
import { parseStoredJob } from "../core/formats/job-json/jobSchema";
import { NO_HISTORY, type History, type Job } from "../core/job";
import type { Db } from "./database";
import { insertHistory } from "./historyStore";
import { describeJob, linkJob } from "./jobRows";
import { listPaints } from "./paintStore";
import { jobs } from "./schema";

export interface StoredJob {
  readonly revision: number;
  readonly updatedAt: string;
  readonly job: Job;
}

/** A save that names a revision which is no longer the newest. */
export class ConflictError extends Error {
  readonly current: StoredJob;
  constructor(current: StoredJob) {
    super(`the job is at revision ${current.revision}`);
    this.name = "ConflictError";
    this.current = current;
  }
}

/** A row whose document cannot be read as a job; what is stored stays as it is. */
export class DamagedError extends Error {
  constructor(problems: readonly string[]) {
    super(problems.slice(0, 3).join("; "));
    this.name = "DamagedError";
  }
}

/** @throws DamagedError where the document cannot be read */
function toStored(row: typeof jobs.$inferSelect): StoredJob {
  try {
    return {
      revision: row.revision,
      updatedAt: row.updatedAt,
      job: parseStoredJob(JSON.parse(row.document)),
    };
  } catch (error) {
    if (error instanceof ValidationError) throw new DamagedError(error.errors);
    if (error instanceof SyntaxError) throw new DamagedError([error.message]);
    throw error;
  }
}

/** What the desk tells of a job; sizes are null where its document could not be read. */
export type JobSummary = Pick<
  typeof jobs.$inferSelect,
  "id" | "name" | "updatedAt" | "eyeHeightMm" | "standard" | "primer" | "figures" | "surfaces"
>;

/** Every job on the go, without reading one of them. */
export const listJobs = (db: Db): JobSummary[] =>
  db
    .select({
      id: jobs.id,
      name: jobs.name,
      updatedAt: jobs.updatedAt,
      eyeHeightMm: jobs.eyeHeightMm,
      standard: jobs.standard,
      primer: jobs.primer,
      figures: jobs.figures,
      surfaces: jobs.surfaces,
    })
    .from(jobs)
    .where(isNull(jobs.deletedAt))
    .orderBy(asc(jobs.createdAt))
    .all();

/** A job's document as it is stored, readable or not; null where there is no such job. */
export const rawJob = (db: Db, id: string): string | null =>
  db
    .select({ document: jobs.document })
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)))
    .get()?.document ?? null;

/** One job; null where there is none. @throws DamagedError where it cannot be read */
export function findJob(db: Db, id: string): StoredJob | null {
  const row = db
    .select()
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)))
    .get();
  return row ? toStored(row) : null;
}

/** Whether there is such a job on the go. */
export const hasJob = (db: Db, id: string): boolean =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)))
    .get() !== undefined;

/** Puts a new job in, with what happened to it before. @throws Error where its id is taken */
export function insertJob(db: Db, job: Job, now: string, history: History = NO_HISTORY): StoredJob {
  return db.transaction((tx) => {
    const dates = { createdAt: now, updatedAt: now, deletedAt: null };
    tx.insert(jobs)
      .values({ id: job.id, revision: 1, document: JSON.stringify(job), ...describeJob(job), ...dates })
      .run();
    linkJob(tx, job, listPaints(tx));
    insertHistory(tx, job.id, history);
    return { revision: 1, updatedAt: now, job };
  });
}

/**
 * Saves an edit.
 * @param revision the revision the edit was made on
 * @returns the new revision; null where the job is gone
 * @throws ConflictError where another edit came between
 */
export function saveJob(db: Db, job: Job, revision: number, now: string): StoredJob | null {
  return db.transaction(
    (tx) => {
      const row = tx
        .select()
        .from(jobs)
        .where(and(eq(jobs.id, job.id), isNull(jobs.deletedAt)))
        .get();
      if (!row) return null;
      if (row.revision !== revision) throw new ConflictError(toStored(row));
      const document = JSON.stringify(job);
      tx.update(jobs)
        .set({ ...describeJob(job), revision: revision + 1, document, updatedAt: now })
        .where(eq(jobs.id, job.id))
        .run();
      linkJob(tx, job, listPaints(tx));
      return { revision: revision + 1, updatedAt: now, job };
    },
    { behavior: "immediate" },
  );
}

/** Marks a job deleted, or brings it back. @returns false where there is nothing to mark */
export function markDeleted(db: Db, id: string, deletedAt: string | null): boolean {
  const wanted = deletedAt === null ? isNotNull(jobs.deletedAt) : isNull(jobs.deletedAt);
  return (
    db
      .update(jobs)
      .set({ deletedAt })
      .where(and(eq(jobs.id, id), wanted))
      .run().changes > 0
  );
}

/** Forgets jobs deleted before a time. */
export const forgetDeleted = (db: Db, before: string): void => {
  const rows = db
    .select({ id: jobs.id, deletedAt: jobs.deletedAt })
    .from(jobs)
    .where(isNotNull(jobs.deletedAt))
    .all();
  for (const row of rows) if (row.deletedAt! < before) db.delete(jobs).where(eq(jobs.id, row.id)).run();
};

export const countJobs = (db: Db): number => db.select({ id: jobs.id }).from(jobs).all().length;

/** Ids of all jobs, deleted ones too: a new id must differ from them. */
export const takenIds = (db: Db): Set<string> =>
  new Set(
    db
      .select({ id: jobs.id })
      .from(jobs)
      .all()
      .map((row) => row.id),
  );
