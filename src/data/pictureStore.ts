import { eq, lt } from "drizzle-orm";
import { JOB_VERSION } from "../core/job";
import type { Db } from "./database";
import { readAllPhotos } from "./historyStore";
import { jobPictures, jobs, pictures } from "./schema";

export interface StoredPicture {
  readonly id: string;
  readonly type: string;
  readonly bytes: Buffer;
}

/** Keeps a picture; one that is there already stays. */
export const keepPicture = (db: Db, { id, type, bytes }: StoredPicture, now: string): void => {
  db.insert(pictures).values({ id, type, bytes, createdAt: now }).onConflictDoNothing().run();
};

export const findPicture = (db: Db, id: string): StoredPicture | null =>
  db
    .select({ id: pictures.id, type: pictures.type, bytes: pictures.bytes })
    .from(pictures)
    .where(eq(pictures.id, id))
    .get() ?? null;

/** Drops pictures older than a time that no job and no log names, deleted jobs counted. */
export function forgetPictures(db: Db, before: string): void {
  const photos = readAllPhotos(db);
  const linked = new Set(
    db
      .selectDistinct({ id: jobPictures.pictureId })
      .from(jobPictures)
      .all()
      .map(({ id }) => id),
  );
  // A job that cannot be read has no links; what its text names is kept all the same.
  const unread = db.select({ document: jobs.document }).from(jobs).where(lt(jobs.version, JOB_VERSION)).all();
  const rows = db.select({ id: pictures.id }).from(pictures).where(lt(pictures.createdAt, before)).all();
  for (const { id } of rows) {
    if (!linked.has(id) && !photos.has(id) && !unread.some(({ document }) => document.includes(id)))
      db.delete(pictures).where(eq(pictures.id, id)).run();
  }
}
