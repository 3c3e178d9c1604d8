import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { openDatabase } from "./database";
import { insertJob, listJobs, saveJob } from "./jobStore";
import { remembered } from "./remembered";
import { ferrySergeant } from "./demo/ferrySergeant";

const folder = mkdtempSync(path.join(os.tmpdir(), "crenna-remembered-"));
const open = () => openDatabase({ folder, migrations: path.resolve("drizzle") });
const job = ferrySergeant();
const AT = "2026-05-01T09:30:00.000Z";

describe("what is read from the database", () => {
  it("is read once until something is written, here or by another process", () => {
    const [one, other] = [open(), open()];
    let reads = 0;
    const names = () =>
      remembered(one.db, "names", () => (reads++, listJobs(one.db).map(({ name }) => name)));
    expect(names()).toEqual(names());
    expect(reads).toBe(1);
    insertJob(one.db, { ...job, id: "own" }, AT);
    expect(names()).toContain(job.name);
    expect(reads).toBe(2);
    saveJob(other.db, { ...job, id: "own", name: "Elsewhere" }, 1, AT);
    expect(names()).toContain("Elsewhere");
    expect(names()).toContain("Elsewhere");
    expect(reads).toBe(3);
    one.close();
    other.close();
  });

  it("is told apart by its key, is not kept where reading failed, and does not pile up", () => {
    const opened = open();
    const { db } = opened;
    expect(remembered(db, "a", () => 1)).toBe(1);
    expect(remembered(db, "b", () => 2)).toBe(2);
    expect(() =>
      remembered(db, "c", () => {
        throw new Error("torn");
      }),
    ).toThrow("torn");
    expect(remembered(db, "c", () => 3)).toBe(3);
    for (let at = 0; at < 200; at++) remembered(db, `k${at}`, () => at);
    expect(remembered(db, "k199", () => -1)).toBe(199);
    opened.close();
  });
});
