import { eq } from "drizzle-orm";
import { defaultPainter, type Painter } from "../core/painter";
import { parsePainter } from "../core/painterSchema";
import type { Db } from "./database";
import { settings } from "./schema";

const ONLY = 1;

export function readPainter(db: Db): Painter {
  const row = db.select().from(settings).where(eq(settings.id, ONLY)).get();
  if (!row) return defaultPainter;
  // What earlier versions did not ask for starts as usual.
  return parsePainter({ ...defaultPainter, ...(JSON.parse(row.painter) as object) });
}

export function writePainter(db: Db, painter: Painter): void {
  const document = JSON.stringify(painter);
  db.insert(settings)
    .values({ id: ONLY, painter: document })
    .onConflictDoUpdate({ target: settings.id, set: { painter: document } })
    .run();
}
