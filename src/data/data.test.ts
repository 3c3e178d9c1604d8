import { existsSync, readdirSync, cpSync, writeFileSync, readFileSync } from "node:fs";
import path from "node:path";
import Database from "better-sqlite3";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter } from "../core/painter";
import { backUp, openDatabase, type Opened } from "./database";
import { ferrySergeant } from "./demo/ferrySergeant";
import { demoShelf } from "./demo/shelf";
import { ConflictError, findJob, forgetDeleted, insertJob, listJobs, markDeleted, saveJob } from "./jobStore";
import { putWell } from "./historyStore";
import { addPaints, changePaints, listPaints, putPaint, usersOfPots } from "./paintStore";
import { readPainter, writePainter } from "./settingsStore";
import { MIGRATIONS, newDatabase, NOW, WELL } from "./testing";
import { loadDemo } from ".";

let folder = "";
let opened: Opened;

beforeEach(() => {
  const made = newDatabase();
  ({ folder } = made);
  opened = made;
});

describe("the database", () => {
  it("runs in WAL with foreign keys and full sync", () => {
    insertJob(opened.db, ferrySergeant(), NOW);
    expect(existsSync(path.join(folder, "crenna.sqlite-wal"))).toBe(true);
    expect(opened.db.$client.pragma("foreign_keys", { simple: true })).toBe(1);
    expect(opened.db.$client.pragma("synchronous", { simple: true })).toBe(2);
  });

  it("is filled once with shelf and demo, or the shelf alone", () => {
    loadDemo(opened.db, true, NOW);
    loadDemo(opened.db, true, NOW);
    expect(
      listJobs(opened.db)
        .map(({ name }) => name)
        .sort(),
    ).toEqual([
      "Drowned deckhand",
      "Ferry sergeant",
      "Ferry watch",
      "Landing wall",
      "Mud drake",
      "Mudflat bases",
      "Reed scout",
      "Tide hound",
      "Winch engine",
    ]);
    expect(listPaints(opened.db)).toEqual(demoShelf);
    const other = newDatabase();
    loadDemo(other.db, false, NOW);
    expect(listJobs(other.db)).toEqual([]);
    expect(listPaints(other.db).length).toBeGreaterThan(10);
  });

  it("is filled with all or nothing: a start that is cut off begins anew", () => {
    const sql = opened.db.$client;
    sql.exec("create trigger cut before insert on jobs begin select raise(abort, 'cut off'); end");
    expect(() => loadDemo(opened.db, true, NOW)).toThrow(/cut off/);
    expect(listPaints(opened.db)).toEqual([]);
    sql.exec("drop trigger cut");
    loadDemo(opened.db, true, NOW);
    expect(listJobs(opened.db)).toHaveLength(9);
  });

  it("leaves data of a newer version alone, and says so", () => {
    insertJob(opened.db, ferrySergeant(), NOW);
    opened.db.$client
      .prepare("insert into __drizzle_migrations (hash, created_at) values ('later', ?)")
      .run(Date.parse("2031-01-01"));
    opened.close();
    const before = readFileSync(path.join(folder, "crenna.sqlite"));
    expect(() => openDatabase({ folder, migrations: MIGRATIONS })).toThrow(/newer version of Crenna/);
    expect(readFileSync(path.join(folder, "crenna.sqlite")).equals(before)).toBe(true);
  });

  it("gives a copy its name only when it is whole: one that was cut off is never taken for one", () => {
    insertJob(opened.db, ferrySergeant(), NOW);
    const file = path.join(folder, "crenna.sqlite");
    // What a copy that was cut off leaves behind.
    writeFileSync(path.join(folder, "crenna-before.part"), "half");
    backUp(opened.db.$client, file);
    const copies = readdirSync(folder).filter((name) => name.includes("-before"));
    expect(copies).toHaveLength(1);
    expect(copies[0]).toMatch(/^crenna-before-.*\.sqlite$/);
    const copy = new Database(path.join(folder, copies[0]!), { readonly: true });
    expect(copy.pragma("integrity_check", { simple: true })).toBe("ok");
    expect(copy.prepare("select count(*) as n from jobs").get()).toEqual({ n: 1 });
    copy.close();
  });

  it("keeps a copy of itself before a schema change, and loses nothing in it", () => {
    insertJob(opened.db, ferrySergeant(), NOW);
    opened.close();
    const migrations = path.join(folder, "drizzle");
    cpSync(MIGRATIONS, migrations, { recursive: true });
    const journal = path.join(migrations, "meta/_journal.json");
    const entries = JSON.parse(readFileSync(journal, "utf8")) as { entries: Record<string, unknown>[] };
    const first = entries.entries.at(-1)!;
    entries.entries.push({
      ...first,
      idx: entries.entries.length,
      tag: "9999_next",
      when: Number(first.when) + 1000,
    });
    writeFileSync(journal, JSON.stringify(entries));
    writeFileSync(path.join(migrations, "9999_next.sql"), "ALTER TABLE `jobs` ADD `colour` text;");
    const again = openDatabase({ folder, migrations });
    expect(findJob(again.db, "ferry-sergeant")?.job.name).toBe("Ferry sergeant");
    const copies = readdirSync(folder).filter((name) => name.startsWith("crenna-before-"));
    expect(copies).toHaveLength(1);
    const copy = new Database(path.join(folder, copies[0]!), { readonly: true });
    expect(copy.prepare("select count(*) as n from jobs").get()).toEqual({ n: 1 });
  });
});

describe("jobs", () => {
  it("are saved by revision; a save on an old one is a conflict that carries the newest", () => {
    const { job } = insertJob(opened.db, ferrySergeant(), NOW);
    expect(saveJob(opened.db, { ...job, name: "First" }, 1, NOW)?.revision).toBe(2);
    expect(() => saveJob(opened.db, { ...job, name: "Second" }, 1, NOW)).toThrow(ConflictError);
    try {
      saveJob(opened.db, { ...job, name: "Second" }, 1, NOW);
    } catch (error) {
      expect((error as ConflictError).current.job.name).toBe("First");
    }
    expect(findJob(opened.db, job.id)?.job.name).toBe("First");
  });

  it("come back after a deletion until they are forgotten", () => {
    const { job } = insertJob(opened.db, ferrySergeant(), NOW);
    expect(markDeleted(opened.db, job.id, NOW)).toBe(true);
    expect(markDeleted(opened.db, job.id, NOW)).toBe(false);
    expect(listJobs(opened.db)).toEqual([]);
    expect(saveJob(opened.db, job, 1, NOW)).toBeNull();
    expect(markDeleted(opened.db, job.id, null)).toBe(true);
    expect(findJob(opened.db, job.id)?.job).toEqual(job);
    markDeleted(opened.db, job.id, NOW);
    forgetDeleted(opened.db, "2026-06-01T00:00:00.000Z");
    expect(markDeleted(opened.db, job.id, null)).toBe(false);
  });
});

describe("the shelf", () => {
  it("knows which jobs use a pot", () => {
    addPaints(opened.db, demoShelf);
    insertJob(opened.db, ferrySergeant(), NOW);
    const users = (pot: string) => (usersOfPots(opened.db).get(pot) ?? []).map(({ id }) => id);
    expect(users("paint-straw")).toEqual(["ferry-sergeant"]);
    expect(users("paint-moss")).toEqual([]);
    putWell(opened.db, "ferry-sergeant", WELL);
    expect(users("paint-moss")).toEqual(["ferry-sergeant"]);
  });

  it("changes a pot in its place, adds new ones at the end, and takes them off", () => {
    addPaints(opened.db, demoShelf);
    putPaint(opened.db, { ...demoShelf[0]!, name: "Tarn Blue, old pot" });
    putPaint(opened.db, { ...demoShelf[0]!, id: "paint-new", name: "New" });
    const names = listPaints(opened.db).map((paint) => paint.name);
    expect(names[0]).toBe("Tarn Blue, old pot");
    expect(names.at(-1)).toBe("New");
    changePaints(opened.db, [], ["paint-new"]);
    expect(listPaints(opened.db).map((paint) => paint.name)).not.toContain("New");
  });

  it("keeps its own pot where an imported one has the same id", () => {
    addPaints(opened.db, demoShelf);
    addPaints(opened.db, [{ ...demoShelf[0]!, name: "Other" }]);
    expect(listPaints(opened.db)[0]?.name).toBe("Tarn Blue");
  });
});

describe("the painter", () => {
  it("starts with defaults and keeps what is set", () => {
    expect(readPainter(opened.db)).toEqual(defaultPainter);
    const own = { ...defaultPainter, secondsPerBox: 9 };
    writePainter(opened.db, own);
    writePainter(opened.db, own);
    expect(readPainter(opened.db)).toEqual(own);
  });
});
