import { asc, eq, isNull, max } from "drizzle-orm";
import { parsePaint } from "../core/formats/job-json/jobSchema";
import type { Paint } from "../core/job";
import type { Db } from "./database";
import { jobPaints, jobs, paints } from "./schema";

/** A row without its place in the order. */
function toPaint(row: typeof paints.$inferSelect): Paint {
  const fit = row.fit === null ? null : (JSON.parse(row.fit) as unknown);
  const { id, name, range, kind, state, thick, overWhite, overBlack, hiding, finish, strength, dropUl } = row;
  return parsePaint({
    id,
    name,
    range,
    kind,
    state,
    thick,
    overWhite,
    overBlack,
    hiding,
    finish,
    strength,
    dropUl,
    fit,
  });
}

const toRow = (paint: Paint) => ({
  ...paint,
  fit: paint.fit === null ? null : JSON.stringify(paint.fit),
});

export const listPaints = (db: Pick<Db, "select">): Paint[] =>
  db.select().from(paints).orderBy(asc(paints.position), asc(paints.name)).all().map(toPaint);

/** Puts pots on the shelf; a pot whose id is there already is left as it is. */
export function addPaints(db: Db, list: readonly Paint[]): void {
  db.transaction((tx) => {
    const from = tx.select({ id: paints.id }).from(paints).all().length;
    list.forEach((paint, at) =>
      tx
        .insert(paints)
        .values({ ...toRow(paint), position: from + at })
        .onConflictDoNothing()
        .run(),
    );
  });
}

/** Puts pots on the shelf or changes them, and takes others off: all of it or nothing. */
export function changePaints(db: Db, put: readonly Paint[], remove: readonly string[] = []): void {
  db.transaction((tx) => {
    for (const id of remove) tx.delete(paints).where(eq(paints.id, id)).run();
    const last =
      tx
        .select({ last: max(paints.position) })
        .from(paints)
        .get()?.last ?? -1;
    put.forEach((paint, at) =>
      tx
        .insert(paints)
        .values({ ...toRow(paint), position: last + 1 + at })
        .onConflictDoUpdate({ target: paints.id, set: toRow(paint) })
        .run(),
    );
  });
}

/** Puts one pot on the shelf or changes it. */
export const putPaint = (db: Db, paint: Paint): void => changePaints(db, [paint]);

/** Jobs whose mixes name a pot, deleted ones counted. */
export const jobsUsing = (db: Db, paintId: string): string[] =>
  db
    .select({ jobId: jobPaints.jobId })
    .from(jobPaints)
    .where(eq(jobPaints.paintId, paintId))
    .all()
    .map((row) => row.jobId);

/** Names of the jobs that use each pot, by the pot's id; jobs that were deleted do not count. */
export function usersOfPots(db: Db): Map<string, { id: string; name: string }[]> {
  const rows = db
    .select({ paintId: jobPaints.paintId, id: jobs.id, name: jobs.name })
    .from(jobPaints)
    .innerJoin(jobs, eq(jobs.id, jobPaints.jobId))
    .where(isNull(jobs.deletedAt))
    .all();
  const users = new Map<string, { id: string; name: string }[]>();
  for (const { paintId, id, name } of rows) users.set(paintId, [...(users.get(paintId) ?? []), { id, name }]);
  return users;
}

/** Takes a pot off the shelf. @returns false where it was not there */
export const removePaint = (db: Db, id: string): boolean =>
  db.delete(paints).where(eq(paints.id, id)).run().changes > 0;
