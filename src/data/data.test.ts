import { existsSync, mkdtempSync, readdirSync, cpSync, writeFileSync, readFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import Database from "better-sqlite3";
import { beforeEach, describe, expect, it } from "vitest";
import { defaultPainter } from "../core/painter";
import { openDatabase, type Opened } from "./database";
import { ferrySergeant } from "./demo/ferrySergeant";
import { demoShelf } from "./demo/shelf";
import {
  ConflictError,
  findJob,
  forgetDeleted,
  insertJob,
  listJobs,
  markDeleted,
  rawJob,
  readJobs,
  saveJob,
} from "./jobStore";
import { addPaints, jobsUsing, listPaints, putPaint, removePaint } from "./paintStore";
import { readPainter, writePainter } from "./settingsStore";
import { loadDemo } from ".";

const MIGRATIONS = path.resolve("drizzle");
const NOW = "2026-05-01T10:00:00.000Z";
let folder = "";
let opened: Opened;

beforeEach(() => {
  folder = mkdtempSync(path.join(os.tmpdir(), "crenna-data-"));
  opened = openDatabase({ folder, migrations: MIGRATIONS });
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
        .map((stored) => stored.job.name)
        .sort(),
    ).toEqual(["Ferry sergeant", "Ferry watch", "Reed scout"]);
    expect(listPaints(opened.db)).toEqual(demoShelf);
    const other = openDatabase({
      folder: mkdtempSync(path.join(os.tmpdir(), "crenna-data-")),
      migrations: MIGRATIONS,
    });
    loadDemo(other.db, false, NOW);
    expect(listJobs(other.db)).toEqual([]);
    expect(listPaints(other.db).length).toBeGreaterThan(10);
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
    expect(jobsUsing(opened.db, "paint-straw")).toEqual(["ferry-sergeant"]);
    expect(jobsUsing(opened.db, "paint-moss")).toEqual([]);
  });

  it("changes a pot in its place, adds new ones at the end, and takes them off", () => {
    addPaints(opened.db, demoShelf);
    putPaint(opened.db, { ...demoShelf[0]!, name: "Tarn Blue, old pot" });
    putPaint(opened.db, { ...demoShelf[0]!, id: "paint-new", name: "New" });
    const names = listPaints(opened.db).map((paint) => paint.name);
    expect(names[0]).toBe("Tarn Blue, old pot");
    expect(names.at(-1)).toBe("New");
    expect(removePaint(opened.db, "paint-new")).toBe(true);
    expect(removePaint(opened.db, "paint-new")).toBe(false);
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

describe("a database of an earlier release", () => {
  it("opens with every job, pot and setting, in today's shape, and what was deleted can come back", () => {
    const older = mkdtempSync(path.join(os.tmpdir(), "crenna-data-"));
    cpSync(path.resolve("tests/fixtures/database-2.sqlite"), path.join(older, "crenna.sqlite"));
    const old = openDatabase({ folder: older, migrations: MIGRATIONS });
    const { db } = old;
    const [sergeant, scout] = listJobs(db);
    expect([sergeant!.job.name, sergeant!.revision]).toEqual(["Ferry sergeant, second", 2]);
    expect(scout!.job.name).toBe("Reed scout");
    expect(sergeant!.job.version).toBe(3);
    expect(sergeant!.job.log.map((entry) => entry.note)).toEqual(["Ünruhige Hand", ""]);
    expect(sergeant!.job.surfaces[0]!.parked.length).toBeGreaterThan(0);
    expect(sergeant!.job.surfaces[0]!.variants.map((one) => one.name)).toEqual(["Quiet cloth", "Bands"]);
    expect(listPaints(db)).toEqual(demoShelf);
    expect(readPainter(db).hand).toEqual({ finestLineMm: 0.15, steadiness01: 0.6 });
    expect(markDeleted(db, "gone", null)).toBe(true);
    expect(listJobs(db)).toHaveLength(3);
    old.close();
  });

  it("with a damaged row still lists all others, and keeps the row as it is", () => {
    insertJob(opened.db, ferrySergeant(), NOW);
    insertJob(opened.db, { ...ferrySergeant(), id: "torn", name: "Torn" }, NOW);
    insertJob(opened.db, { ...ferrySergeant(), id: "odd", name: "Odd" }, NOW);
    const damage = opened.db.$client.prepare("update jobs set document = ? where id = ?");
    damage.run('{"format":"crenna-job","version":3,"name', "torn");
    damage.run(JSON.stringify({ ...ferrySergeant(), id: "odd", hand: { finestLineMm: null } }), "odd");
    const { jobs, damaged } = readJobs(opened.db);
    expect(jobs.map(({ job }) => job.id)).toEqual(["ferry-sergeant"]);
    expect(damaged.map(({ name }) => name)).toEqual(["Torn", "Odd"]);
    expect(damaged[1]!.message).toMatch(/hand/);
    expect(rawJob(opened.db, "torn")).toBe('{"format":"crenna-job","version":3,"name');
    expect(rawJob(opened.db, "nowhere")).toBeNull();
    expect(markDeleted(opened.db, "torn", NOW)).toBe(true);
    expect(readJobs(opened.db).damaged.map(({ id }) => id)).toEqual(["odd"]);
  });
});
