import { asc, eq, isNull, max } from "drizzle-orm";
import { parsePaint } from "../core/formats/job-json/jobSchema";
import type { Paint, PaintReading } from "../core/job";
import type { Db } from "./database";
import { insertReadings, readingsByPot } from "./readingStore";
import { jobPaints, jobs, logAdditions, paints, wellAdditions, wellContents } from "./schema";

/** A row without its place in the order, its fit with the readings it rests on. */
function toPaint(
  { position, fit, ...row }: typeof paints.$inferSelect,
  readings: readonly PaintReading[],
): Paint {
  const read = fit === null ? null : { ...(JSON.parse(fit) as object), readings };
  return parsePaint({ ...row, fit: read });
}

/** Puts a row in, or changes the one that is there where `change` is set. */
function writePaint(
  tx: Pick<Db, "insert" | "delete">,
  { fit, ...paint }: Paint,
  position: number,
  change: boolean,
): void {
  const { readings = [], ...rest } = fit ?? {};
  const row = { ...paint, fit: fit === null ? null : JSON.stringify(rest) };
  const insert = tx.insert(paints).values({ ...row, position });
  const { changes } = change
    ? insert.onConflictDoUpdate({ target: paints.id, set: row }).run()
    : insert.onConflictDoNothing().run();
  if (changes > 0) insertReadings(tx, paint.id, readings);
}

/** All pots, in the shelf's order. */
export function listPaints(db: Pick<Db, "select">): Paint[] {
  const readings = readingsByPot(db);
  return db
    .select()
    .from(paints)
    .orderBy(asc(paints.position), asc(paints.name))
    .all()
    .map((row) => toPaint(row, readings.get(row.id) ?? []));
}

/** Puts pots on the shelf; a pot whose id is there already is left as it is. */
export function addPaints(db: Db, list: readonly Paint[]): void {
  db.transaction((tx) => {
    const from = tx.select({ id: paints.id }).from(paints).all().length;
    list.forEach((paint, at) => writePaint(tx, paint, from + at, false));
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
    put.forEach((paint, at) => writePaint(tx, paint, last + 1 + at, true));
  });
}

/** Puts one pot on the shelf or changes it. */
export const putPaint = (db: Db, paint: Paint): void => changePaints(db, [paint]);

/** Names of the jobs that use each pot in mixes, wells or their log, by the pot's id; deleted jobs do not count. */
export function usersOfPots(db: Db): Map<string, { id: string; name: string }[]> {
  const uses = [jobPaints, logAdditions, wellAdditions, wellContents].flatMap((table) =>
    db
      .selectDistinct({ paintId: table.paintId, id: jobs.id, name: jobs.name })
      .from(table)
      .innerJoin(jobs, eq(jobs.id, table.jobId))
      .where(isNull(jobs.deletedAt))
      .orderBy(asc(jobs.createdAt))
      .all(),
  );
  const users = new Map<string, { id: string; name: string }[]>();
  for (const { paintId, id, name } of uses) {
    if (paintId === null) continue;
    const known = users.get(paintId) ?? [];
    if (!known.some((one) => one.id === id)) users.set(paintId, [...known, { id, name }]);
  }
  return users;
}
