import { closeSync, copyFileSync, existsSync, fsyncSync, mkdirSync, openSync, renameSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { drizzle, type BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { readMigrationFiles } from "drizzle-orm/migrator";
import { InputError } from "../core/errors";
import * as schema from "./schema";
import { findOutdated, writeUpgraded } from "./upgrade";

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };

export interface OpenOptions {
  /** Folder of the database; made where missing. */
  readonly folder: string;
  readonly migrations: string;
}

export interface Opened {
  readonly db: Db;
  close(): void;
}

const NEWER =
  "This data was written by a newer version of Crenna. Start that one, or point this one at another folder with --data; nothing was changed.";

/** How many checked-in migrations this file has not had yet. */
function pending(sqlite: Database.Database, migrations: string): number {
  const all = readMigrationFiles({ migrationsFolder: migrations }).length;
  const table = sqlite.prepare("select name from sqlite_master where name = '__drizzle_migrations'").get();
  if (!table) return all;
  const row = sqlite.prepare("select count(*) as n from __drizzle_migrations").get() as { n: number };
  return all - row.n;
}

function setUp(sqlite: Database.Database): void {
  sqlite.pragma("journal_mode = WAL");
  // FULL, so that a power cut after a save cannot take the save back.
  sqlite.pragma("synchronous = FULL");
  sqlite.pragma("busy_timeout = 3000");
}

/**
 * Copies the file beside itself, under the time it is now: written under another name first and given its own when it is
 * whole and on the disk, so that a copy that was cut off is never taken for one.
 */
export function backUp(sqlite: Database.Database, file: string): void {
  sqlite.pragma("wal_checkpoint(TRUNCATE)");
  const stamp = new Date().toISOString().replaceAll(/[:.]/g, "-");
  const part = file.replace(/\.sqlite$/, "-before.part");
  copyFileSync(file, part);
  const handle = openSync(part, "r+");
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(part, file.replace(/\.sqlite$/, `-before-${stamp}.sqlite`));
}

function migrateTables(sqlite: Database.Database, migrationsFolder: string): void {
  // Rebuilding a table inside a transaction would cascade to its children if this were on.
  sqlite.pragma("foreign_keys = OFF");
  migrate(drizzle(sqlite), { migrationsFolder });
  const dangling = sqlite.pragma("foreign_key_check") as unknown[];
  if (dangling.length > 0) throw new Error(`the schema change left ${dangling.length} dangling references`);
}

/**
 * Opens the database and brings its tables, and then what is stored in them, up to date. Before either the file is
 * copied beside itself.
 * @throws Error where the file is damaged, was written by a newer version, or a migration leaves dangling references
 */
export function openDatabase({ folder, migrations }: OpenOptions): Opened {
  mkdirSync(folder, { recursive: true });
  const file = path.join(folder, "crenna.sqlite");
  const existed = existsSync(file);
  const sqlite = new Database(file);
  try {
    setUp(sqlite);
    const missing = pending(sqlite, migrations);
    if (missing < 0) throw new InputError([{ field: "data", message: NEWER }]);
    const changes = missing > 0;
    if (changes && existed) backUp(sqlite, file);
    if (changes) migrateTables(sqlite, migrations);
    sqlite.pragma("foreign_keys = ON");
    const db = drizzle(sqlite, { schema });
    const outdated = findOutdated(db);
    if (outdated.jobs.length + outdated.fits.length > 0) {
      if (!changes) backUp(sqlite, file);
      writeUpgraded(db, outdated);
    }
    return { db, close: () => sqlite.close() };
  } catch (error) {
    sqlite.close();
    throw error;
  }
}
