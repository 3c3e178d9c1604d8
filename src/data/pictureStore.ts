import { eq } from "drizzle-orm";
import type { Db } from "./database";
import { jobs, pictures } from "./schema";

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

/** Drops pictures older than a time that no job names, deleted jobs counted. */
export function forgetPictures(db: Db, before: string): void {
  const documents = db
    .select({ document: jobs.document })
    .from(jobs)
    .all()
    .map((row) => row.document);
  const rows = db.select({ id: pictures.id, createdAt: pictures.createdAt }).from(pictures).all();
  for (const { id, createdAt } of rows) {
    if (createdAt < before && !documents.some((document) => document.includes(id)))
      db.delete(pictures).where(eq(pictures.id, id)).run();
  }
}
