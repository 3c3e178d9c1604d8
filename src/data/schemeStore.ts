import { asc, eq } from "drizzle-orm";
import { parseOwnScheme } from "../core/formats/job-json/jobSchema";
import type { OwnScheme } from "../core/job";
import type { Db } from "./database";
import { schemes } from "./schema";

/** The painter's own schemes, oldest first. */
export const listSchemes = (db: Pick<Db, "select">): OwnScheme[] =>
  db
    .select({ document: schemes.document })
    .from(schemes)
    .orderBy(asc(schemes.createdAt), asc(schemes.id))
    .all()
    .map(({ document }) => parseOwnScheme(JSON.parse(document)));

/** Keeps a scheme; one of the same id is kept in its new form. */
export function putScheme(db: Pick<Db, "insert">, scheme: OwnScheme, now: string): void {
  const { id, name, version } = scheme;
  const row = { name, version, document: JSON.stringify(scheme) };
  db.insert(schemes)
    .values({ id, ...row, createdAt: now })
    .onConflictDoUpdate({ target: schemes.id, set: row })
    .run();
}

/** Forgets a scheme. @returns false where it was not there */
export const dropScheme = (db: Pick<Db, "delete">, id: string): boolean =>
  db.delete(schemes).where(eq(schemes.id, id)).run().changes > 0;
