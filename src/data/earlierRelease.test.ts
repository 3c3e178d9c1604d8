import { cpSync, mkdtempSync, readdirSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import Database from "better-sqlite3";
import { describe, expect, it } from "vitest";
import { openDatabase, type Opened } from "./database";
import { ferrySergeant } from "./demo/ferrySergeant";
import { demoShelf } from "./demo/shelf";
import { readHistory } from "./historyStore";
import { DamagedError, findJob, insertJob, listJobs, markDeleted, rawJob } from "./jobStore";
import { listPaints } from "./paintStore";
import { readPainter } from "./settingsStore";
import { MIGRATIONS, newDatabase, NOW } from "./testing";

/** A folder with the database that release 2 made, and how to open it. */
function older() {
  const at = mkdtempSync(path.join(os.tmpdir(), "crenna-data-"));
  cpSync(path.resolve("tests/fixtures/database-2.sqlite"), path.join(at, "crenna.sqlite"));
  const copies = () => readdirSync(at).filter((name) => /^crenna-before-.*\.sqlite$/.test(name));
  return { at, copies, open: () => openDatabase({ folder: at, migrations: MIGRATIONS }) };
}

describe("a database of an earlier release", () => {
  it("opens with every job, log, pot and setting, in today's shape, and what was deleted can come back", () => {
    const old = older().open();
    const { db } = old;
    const [sergeant, scout] = listJobs(db).map(({ id }) => findJob(db, id)!);
    expect([sergeant!.job.name, sergeant!.revision]).toEqual(["Ferry sergeant, second", 2]);
    expect(scout!.job.name).toBe("Reed scout");
    expect(sergeant!.job.version).toBe(16);
    const { log, wells } = readHistory(db, sergeant!.job.id);
    expect(log.map(({ note }) => note)).toEqual(["Ünruhige Hand", ""]);
    expect(wells.length).toBeGreaterThan(0);
    expect(sergeant!.job.surfaces[0]!.parked.length).toBeGreaterThan(0);
    expect(sergeant!.job.surfaces[0]!.variants.map((one) => one.name)).toEqual(["Quiet cloth", "Bands"]);
    const since = ["Wet Silt", "Bleached Sand", "Reed Tufts"];
    expect(listPaints(db)).toEqual(demoShelf.filter(({ name }) => !since.includes(name)));
    expect(readPainter(db).hand).toEqual({ finestLineMm: 0.15, steadiness01: 0.6 });
    expect(listJobs(db)[0]).toMatchObject({ eyeHeightMm: 32, standard: "display", primer: "grey" });
    expect(markDeleted(db, "gone", null)).toBe(true);
    expect(listJobs(db)).toHaveLength(3);
    old.close();
  });

  it("is copied before, written once, and not copied again at the next start", () => {
    const { copies, open } = older();
    const first = open();
    const history = readHistory(first.db, "ferry-sergeant");
    const documents = first.db.$client.prepare("select document from jobs order by id").all();
    first.close();
    expect(copies()).toHaveLength(1);
    const second = open();
    expect(copies()).toHaveLength(1);
    expect(readHistory(second.db, "ferry-sergeant")).toEqual(history);
    expect(second.db.$client.prepare("select document from jobs order by id").all()).toEqual(documents);
    second.close();
  });

  it("cut off in the middle keeps the copy and everything in it, and is brought on at the next start", () => {
    const { at, copies, open } = older();
    // A job that cannot be written stands for the power cut: everything before it is taken back with it.
    const cut = new Database(path.join(at, "crenna.sqlite"));
    const before = cut.prepare("select id, document, revision from jobs order by id").all();
    cut.exec(
      "create trigger cut before update of document on jobs when new.id = 'reed-scout' begin select raise(abort, 'cut'); end",
    );
    cut.close();
    expect(open).toThrow(/cut/);
    expect(copies()).toHaveLength(1);
    const copy = new Database(path.join(at, copies()[0]!), { readonly: true });
    expect(copy.prepare("select id, document, revision from jobs order by id").all()).toEqual(before);
    const left = new Database(path.join(at, "crenna.sqlite"));
    expect(left.prepare("select id, document, revision from jobs order by id").all()).toEqual(before);
    expect(left.prepare("select count(*) as n from log_entries").get()).toEqual({ n: 0 });
    left.exec("drop trigger cut");
    left.close();
    const again = open();
    expect(readHistory(again.db, "ferry-sergeant").log).toHaveLength(2);
    expect(copies()).toHaveLength(2);
    again.close();
  });

  it("gets its pots' readings into their table", () => {
    const { at, open } = older();
    const fit = {
      ...{ absorption: Array<number>(12).fill(0.02), scattering: Array<number>(12).fill(0.1) },
      ...{ meanDifference: 0.4, largestDifference: 0.9 },
      readings: [{ place: "black", filmUm: 25.5, whiteParts: null, lab: [30.1, 2.2, -3.3] }],
    };
    const raw = new Database(path.join(at, "crenna.sqlite"));
    raw.prepare("update paints set fit = ? where id = 'paint-straw'").run(JSON.stringify(fit));
    raw.close();
    const later = open();
    const { readings, ...rest } = listPaints(later.db).find(({ id }) => id === "paint-straw")!.fit!;
    expect(readings).toEqual([{ laid: "black", filmUm: 25.5, whiteParts: null, lab: [30.1, 2.2, -3.3] }]);
    expect({ ...rest, readings: fit.readings }).toEqual(fit);
    later.close();
  });

  it("with a damaged row still lists all, says what is wrong with it, and keeps it as it is", () => {
    const made = newDatabase();
    let opened: Opened = made;
    insertJob(opened.db, ferrySergeant(), NOW);
    insertJob(opened.db, { ...ferrySergeant(), id: "torn", name: "Torn" }, NOW);
    insertJob(opened.db, { ...ferrySergeant(), id: "odd", name: "Odd" }, NOW);
    const damage = opened.db.$client.prepare("update jobs set version = 0, document = ? where id = ?");
    damage.run('{"format":"crenna-job","version":3,"name', "torn");
    damage.run(JSON.stringify({ ...ferrySergeant(), id: "odd", hand: { finestLineMm: null } }), "odd");
    opened.close();
    opened = openDatabase({ folder: made.folder, migrations: MIGRATIONS });
    expect(listJobs(opened.db).map(({ name }) => name)).toEqual(["Ferry sergeant", "Torn", "Odd"]);
    expect(findJob(opened.db, "ferry-sergeant")?.job.id).toBe("ferry-sergeant");
    expect(() => findJob(opened.db, "torn")).toThrow(DamagedError);
    expect(() => findJob(opened.db, "odd")).toThrow(/hand/);
    expect(rawJob(opened.db, "torn")).toBe('{"format":"crenna-job","version":3,"name');
    expect(rawJob(opened.db, "nowhere")).toBeNull();
    expect(readdirSync(made.folder).some((name) => name.startsWith("crenna-before-"))).toBe(false);
    expect(markDeleted(opened.db, "torn", NOW)).toBe(true);
    expect(listJobs(opened.db).map(({ id }) => id)).toEqual(["ferry-sergeant", "odd"]);
  });
});
