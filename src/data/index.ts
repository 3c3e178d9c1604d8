import path from "node:path";
import { openDatabase, type Db, type Opened } from "./database";
import { demoShelf } from "./demo/shelf";
import { storedDemo } from "./demo/stored";
import { countJobs, forgetDeleted, insertJob } from "./jobStore";
import { addPaints, listPaints } from "./paintStore";
import { forgetPictures } from "./pictureStore";

let opened: (Opened & { readonly folder: string }) | null = null;

const DAY_MS = 86_400_000;

/** Fills an empty database: the shelf always, the demo jobs unless told otherwise. */
export function loadDemo(db: Db, withJob: boolean, now: string): void {
  // All of it or none: a start that is cut off begins anew, instead of finding a shelf and taking the demo for deleted.
  const fill = db.$client.transaction(() => {
    if (listPaints(db).length > 0 || countJobs(db) > 0) return;
    addPaints(db, demoShelf);
    if (withJob) for (const job of storedDemo()) insertJob(db, job, now);
  });
  fill.immediate();
}

/** The one database of this server; opened, migrated and filled at first use of its folder. */
export function database(): Db {
  const folder = process.env.CRENNA_DATA ?? path.resolve("data");
  if (opened?.folder === folder) return opened.db;
  opened?.close();
  opened = null;
  const migrations = process.env.CRENNA_MIGRATIONS ?? path.resolve("drizzle");
  const here = { folder, ...openDatabase({ folder, migrations }) };
  const { db } = here;
  loadDemo(db, process.env.CRENNA_EMPTY !== "1", new Date().toISOString());
  const monthAgo = new Date(Date.now() - 30 * DAY_MS).toISOString();
  forgetDeleted(db, monthAgo);
  forgetPictures(db, monthAgo);
  opened = here;
  return db;
}
