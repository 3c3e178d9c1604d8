import { eq, lt } from "drizzle-orm";
import { ValidationError } from "yup";
import { parseHistory, parseStoredJob } from "../core/formats/job-json/jobSchema";
import { upgradeReadings, upgradeTold } from "../core/formats/job-json/upgrade";
import { JOB_VERSION, NO_HISTORY, type History, type Job, type PaintReading } from "../core/job";
import type { Db } from "./database";
import { insertHistory } from "./historyStore";
import { describeJob, linkJob } from "./jobRows";
import { listPaints } from "./paintStore";
import { jobs, paints } from "./schema";
import { insertReadings } from "./readingStore";

interface NewJob {
  readonly job: Job;
  readonly history: History;
}

interface NewFit {
  readonly paintId: string;
  readonly fit: string;
  readonly readings: readonly PaintReading[];
}

/** What has to be written anew so that all that is stored is in today's shape. */
export interface Outdated {
  readonly jobs: readonly NewJob[];
  readonly fits: readonly NewFit[];
}

/** A row in today's shape; null where it cannot be read, so that it stays as it is. */
function readOld(document: string): NewJob | null {
  try {
    const { job, history } = upgradeTold(JSON.parse(document));
    // From version 4 on what happened lies in tables of its own.
    return { job: parseStoredJob(job), history: history === undefined ? NO_HISTORY : parseHistory(history) };
  } catch (error) {
    if (error instanceof ValidationError || error instanceof SyntaxError) return null;
    throw error;
  }
}

/** Finds what older releases stored; damaged jobs are left for the desk to show. */
export function findOutdated(db: Db): Outdated {
  const rows = db.select({ document: jobs.document }).from(jobs).where(lt(jobs.version, JOB_VERSION)).all();
  const fits = db.select({ paintId: paints.id, fit: paints.fit }).from(paints).all();
  return {
    jobs: rows.flatMap(({ document }) => readOld(document) ?? []),
    fits: fits.flatMap(({ paintId, fit }) => {
      const now = (upgradeReadings({ fit: JSON.parse(fit ?? "null") as unknown }) as { fit: unknown })
        .fit as {
        readings?: PaintReading[];
      } | null;
      if (!now?.readings) return [];
      const { readings, ...rest } = now;
      return [{ paintId, fit: JSON.stringify(rest), readings }];
    }),
  };
}

/** Writes all of it, or nothing: a power cut in between leaves the file as it was. Revisions stay, so drafts still fit. */
export function writeUpgraded(db: Db, { jobs: list, fits }: Outdated): void {
  db.transaction(
    (tx) => {
      for (const { job, history } of list) {
        tx.update(jobs)
          .set({ document: JSON.stringify(job), ...describeJob(job) })
          .where(eq(jobs.id, job.id))
          .run();
        insertHistory(tx, job.id, history);
      }
      for (const { paintId, fit, readings } of fits) {
        tx.update(paints).set({ fit }).where(eq(paints.id, paintId)).run();
        insertReadings(tx, paintId, readings);
      }
      const shelf = listPaints(tx);
      for (const { job } of list) linkJob(tx, job, shelf);
    },
    { behavior: "immediate" },
  );
}
