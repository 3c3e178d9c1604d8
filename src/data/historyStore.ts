import { and, asc, eq, isNotNull, isNull, max } from "drizzle-orm";
import { parseHistory } from "../core/formats/job-json/jobSchema";
import type { Addition, History, LogEntry, Sitting, Well } from "../core/job";
import type { Db } from "./database";
import { jobs, logAdditions, logEntries, sittings, wellAdditions, wellContents, wells } from "./schema";

type Reader = Pick<Db, "select">;
type Writer = Pick<Db, "select" | "insert" | "delete" | "update">;

const toAddition = ({ paintId, drops }: Addition): Addition => ({ paintId, drops });

function readLog(db: Reader, jobId: string): LogEntry[] {
  const drops = db
    .select()
    .from(logAdditions)
    .where(eq(logAdditions.jobId, jobId))
    .orderBy(asc(logAdditions.at))
    .all();
  const entries = db
    .select()
    .from(logEntries)
    .where(eq(logEntries.jobId, jobId))
    .orderBy(asc(logEntries.position))
    .all();
  return entries.map(({ id, cardId, cardTitle, doneAt, minutes, note, mixed, ...part }) => ({
    ...{ id, cardId, cardTitle, doneAt, minutes, note },
    ...(part.planned && { planned: part.planned }),
    ...(part.figures && { figures: part.figures }),
    ...(part.pass !== null && { pass: part.pass }),
    ...(part.mishap && { mishap: part.mishap }),
    ...(part.dryAfter !== null && { dryAfter: part.dryAfter }),
    ...(part.water !== null && { water: part.water }),
    ...(part.loads !== null && { loads: part.loads }),
    ...(part.brush !== null && { brush: part.brush }),
    ...(part.readings && { readings: part.readings }),
    ...(part.photos && { photos: part.photos }),
    recipe: mixed ? drops.filter(({ entryId }) => entryId === id).map(toAddition) : null,
  }));
}

function readWells(db: Reader, jobId: string): Well[] {
  const [added, contents] = [wellAdditions, wellContents].map((table) =>
    db.select().from(table).where(eq(table.jobId, jobId)).orderBy(asc(table.at)).all(),
  ) as [(typeof wellAdditions.$inferSelect)[], (typeof wellContents.$inferSelect)[]];
  const rows = db.select().from(wells).where(eq(wells.jobId, jobId)).orderBy(asc(wells.position)).all();
  return rows.map(({ id, name, mixId, waterUl }) => ({
    ...{ id, name, mixId, waterUl },
    added: added.filter(({ wellId }) => wellId === id).map(toAddition),
    content: contents.filter(({ wellId }) => wellId === id).map(({ paintId, ul }) => ({ paintId, ul })),
  }));
}

const readSittings = (db: Reader, jobId: string): Sitting[] =>
  db
    .select()
    .from(sittings)
    .where(eq(sittings.jobId, jobId))
    .orderBy(asc(sittings.position))
    .all()
    .map(({ id, startedAt, endedAt, note, photos }) => ({
      ...{ id, startedAt, endedAt, note },
      ...(photos && { photos }),
    }));

/** What happened while a job was painted, in the order it happened. */
export const readHistory = (db: Reader, jobId: string): History =>
  parseHistory({
    ...{ log: readLog(db, jobId), wells: readWells(db, jobId), sittings: readSittings(db, jobId) },
  });

/** Entries of the logs of all jobs that are there, oldest first. */
export function readAllEntries(db: Reader): LogEntry[] {
  const kept = db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.deletedAt)).all();
  return kept.flatMap(({ id }) => readLog(db, id)).toSorted((a, b) => a.doneAt.localeCompare(b.doneAt));
}

/** Every photo that a log or a sitting names, jobs that are deleted counted. */
export function readAllPhotos(db: Reader): Set<string> {
  const [log, sat] = [logEntries, sittings].map((table) =>
    db.select({ photos: table.photos }).from(table).where(isNotNull(table.photos)).all(),
  );
  return new Set([...log!, ...sat!].flatMap(({ photos }) => photos ?? []));
}

/** Where a new row of a job goes: behind all there are; a row that is there already stays where it is. */
function positionOf(
  db: Reader,
  table: typeof logEntries | typeof wells | typeof sittings,
  jobId: string,
  id: string,
): number {
  const own = db
    .select({ position: table.position })
    .from(table)
    .where(and(eq(table.jobId, jobId), eq(table.id, id)))
    .get();
  if (own) return own.position;
  const last = db
    .select({ last: max(table.position) })
    .from(table)
    .where(eq(table.jobId, jobId))
    .get();
  return (last?.last ?? -1) + 1;
}

function insertEntry(db: Writer, jobId: string, entry: LogEntry): void {
  const { recipe, ...row } = entry;
  const position = positionOf(db, logEntries, jobId, entry.id);
  dropEntry(db, jobId, entry.id);
  db.insert(logEntries)
    .values({ ...row, jobId, position, mixed: recipe !== null })
    .run();
  recipe?.forEach((drops, at) =>
    db
      .insert(logAdditions)
      .values({ ...drops, jobId, entryId: entry.id, at })
      .run(),
  );
}

function insertWell(db: Writer, jobId: string, well: Well): void {
  const { id: wellId, name, mixId, waterUl } = well;
  const position = positionOf(db, wells, jobId, wellId);
  dropWellRow(db, jobId, wellId);
  db.insert(wells).values({ jobId, id: wellId, position, name, mixId, waterUl }).run();
  well.added.forEach((drops, at) =>
    db
      .insert(wellAdditions)
      .values({ ...drops, jobId, wellId, at })
      .run(),
  );
  well.content.forEach((part, at) =>
    db
      .insert(wellContents)
      .values({ ...part, jobId, wellId, at })
      .run(),
  );
}

function insertSitting(db: Writer, jobId: string, sitting: Sitting): void {
  const position = positionOf(db, sittings, jobId, sitting.id);
  dropSitting(db, jobId, sitting.id);
  db.insert(sittings)
    .values({ ...sitting, jobId, position })
    .run();
}

const dropSitting = (db: Pick<Db, "delete">, jobId: string, id: string): void =>
  void db
    .delete(sittings)
    .where(and(eq(sittings.jobId, jobId), eq(sittings.id, id)))
    .run();

const dropEntry = (db: Pick<Db, "delete">, jobId: string, id: string): void =>
  void db
    .delete(logEntries)
    .where(and(eq(logEntries.jobId, jobId), eq(logEntries.id, id)))
    .run();

const dropWellRow = (db: Pick<Db, "delete">, jobId: string, id: string): void =>
  void db
    .delete(wells)
    .where(and(eq(wells.jobId, jobId), eq(wells.id, id)))
    .run();

/** Puts a whole history in, inside a transaction of the caller's. */
export function insertHistory(db: Writer, jobId: string, history: History): void {
  for (const entry of history.log) insertEntry(db, jobId, entry);
  for (const well of history.wells) insertWell(db, jobId, well);
  for (const sitting of history.sittings) insertSitting(db, jobId, sitting);
}

/** Notes an entry of the log, or changes it; sending it twice is the same as once. */
export const putEntry = (db: Db, jobId: string, entry: LogEntry): void =>
  db.transaction((tx) => insertEntry(tx, jobId, entry), { behavior: "immediate" });

/** Keeps a well, or changes it. */
export const putWell = (db: Db, jobId: string, well: Well): void =>
  db.transaction((tx) => insertWell(tx, jobId, well), { behavior: "immediate" });

/** Keeps a sitting, or changes it. */
export const putSitting = (db: Db, jobId: string, sitting: Sitting): void =>
  db.transaction((tx) => insertSitting(tx, jobId, sitting), { behavior: "immediate" });

/** Takes a sitting off. */
export const removeSitting = (db: Db, jobId: string, id: string): void => dropSitting(db, jobId, id);

/** Takes an entry off the log. */
export const removeEntry = (db: Db, jobId: string, id: string): void => dropEntry(db, jobId, id);

/** Washes a well out. */
export const removeWell = (db: Db, jobId: string, id: string): void => dropWellRow(db, jobId, id);
