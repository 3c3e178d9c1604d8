import { asc, eq } from "drizzle-orm";
import type { PaintReading } from "../core/job";
import type { Db } from "./database";
import { readings } from "./schema";

/** Readings of every pot that was read, in the order they were taken. */
export function readingsByPot(db: Pick<Db, "select">): Map<string, PaintReading[]> {
  const rows = db.select().from(readings).orderBy(asc(readings.paintId), asc(readings.at)).all();
  const byPot = new Map<string, PaintReading[]>();
  for (const { paintId, laid, filmUm, whiteParts, l, a, b } of rows) {
    const reading = { laid: laid as PaintReading["laid"], filmUm, whiteParts, lab: [l, a, b] as const };
    byPot.set(paintId, [...(byPot.get(paintId) ?? []), reading]);
  }
  return byPot;
}

/** Puts the readings of a pot in place of those it had. */
export function insertReadings(
  db: Pick<Db, "insert" | "delete">,
  paintId: string,
  list: readonly PaintReading[],
): void {
  db.delete(readings).where(eq(readings.paintId, paintId)).run();
  list.forEach(({ laid, filmUm, whiteParts, lab: [l, a, b] }, at) =>
    db.insert(readings).values({ paintId, at, laid, filmUm, whiteParts, l, a, b }).run(),
  );
}
