import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { openDatabase } from "./database";

/** What several tests of the data need. */
export const MIGRATIONS = path.resolve("drizzle");
export const NOW = "2026-05-01T10:00:00.000Z";

/** A database of its own in a folder that nothing else uses. */
export function newDatabase() {
  const folder = mkdtempSync(path.join(os.tmpdir(), "crenna-data-"));
  return { folder, ...openDatabase({ folder, migrations: MIGRATIONS }) };
}

/** A well with two pots and water. */
export const WELL = {
  ...{ id: "well-1", name: "Moss", mixId: null, waterUl: 12.5 },
  added: [
    { paintId: "paint-moss", drops: 2 },
    { paintId: null, drops: 1 },
  ],
  content: [{ paintId: "paint-moss", ul: 61.25 }],
};
