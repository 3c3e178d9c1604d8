import { and, asc, eq, isNotNull, isNull } from "drizzle-orm";
import { ValidationError } from "yup";
import { parseJob } from "../core/formats/job-json/jobSchema";
import { paintsOf } from "../core/formats/job-json/jobFile";
import type { Job, Paint } from "../core/job";
import type { Db } from "./database";
import { listPaints } from "./paintStore";
import { jobPaints, jobs } from "./schema";

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

const toStored = (row: typeof jobs.$inferSelect): StoredJob => ({
  revision: row.revision,
  updatedAt: row.updatedAt,
  job: parseJob(JSON.parse(row.document)),
});

/** A row whose document cannot be read as a job; what is stored stays as it is. */
export interface DamagedJob {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  /** What is wrong with it. */
  readonly message: string;
}

/** Every job on the go; rows that cannot be read stand apart and stop nothing else. */
export function readJobs(db: Db): { jobs: StoredJob[]; damaged: DamagedJob[] } {
  const read: StoredJob[] = [];
  const damaged: DamagedJob[] = [];
  for (const row of db.select().from(jobs).where(isNull(jobs.deletedAt)).orderBy(asc(jobs.createdAt)).all()) {
    try {
      read.push(toStored(row));
    } catch (error) {
      if (!(error instanceof ValidationError || error instanceof SyntaxError)) throw error;
      const { id, name, updatedAt } = row;
      const all = error instanceof ValidationError ? error.errors : [error.message];
      damaged.push({ id, name, updatedAt, message: all.slice(0, 3).join("; ") });
    }
  }
  return { jobs: read, damaged };
}

export const listJobs = (db: Db): StoredJob[] => readJobs(db).jobs;

/** A job's document as it is stored, readable or not; null where there is no such job. */
export const rawJob = (db: Db, id: string): string | null =>
  db
    .select({ document: jobs.document })
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)))
    .get()?.document ?? null;

export function findJob(db: Db, id: string): StoredJob | null {
  const row = db
    .select()
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.deletedAt)))
    .get();
  return row ? toStored(row) : null;
}

function linkPaints(db: Pick<Db, "delete" | "insert">, job: Job, shelf: readonly Paint[]): void {
  db.delete(jobPaints).where(eq(jobPaints.jobId, job.id)).run();
  const used = paintsOf(job, shelf);
  if (used.length > 0) {
    db.insert(jobPaints)
      .values(used.map((paint) => ({ jobId: job.id, paintId: paint.id })))
      .run();
  }
}

/** Puts a new job in. @throws Error where its id is taken */
export function insertJob(db: Db, job: Job, now: string): StoredJob {
  return db.transaction((tx) => {
    const document = JSON.stringify(job);
    tx.insert(jobs)
      .values({
        id: job.id,
        name: job.name,
        revision: 1,
        document,
        createdAt: now,
        updatedAt: now,
        deletedAt: null,
      })
      .run();
    linkPaints(tx, job, listPaints(db));
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
      const next = { name: job.name, revision: revision + 1, document: JSON.stringify(job), updatedAt: now };
      tx.update(jobs).set(next).where(eq(jobs.id, job.id)).run();
      linkPaints(tx, job, listPaints(db));
      return { revision: next.revision, updatedAt: now, job };
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
