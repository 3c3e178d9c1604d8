import { spawn, type ChildProcess } from "node:child_process";
import { copyFileSync, mkdtempSync, readdirSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, test, type BrowserContext } from "@playwright/test";
import Database from "better-sqlite3";
import type { Job } from "../../src/core/job";
import { demoJob, storedJob } from "./support";

/** How often each end is tried, at moments of chance; `CRENNA_ENDINGS=100` for the long run. */
const TURNS = Number(process.env.CRENNA_ENDINGS ?? 1);
const EACH_MS = 60_000;

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const folder = () => mkdtempSync(path.join(os.tmpdir(), "crenna-end-"));
const begin = (data: string): ChildProcess =>
  spawn(process.execPath, ["scripts/start.mjs", "--port", "0", "--data", data], {
    stdio: ["ignore", "pipe", "ignore"],
  });

const ended = (child: ChildProcess) =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((resolve) => child.once("exit", () => resolve()));

function addressOf(child: ChildProcess): Promise<string> {
  let text = "";
  return new Promise((resolve, reject) => {
    child.stdout!.on("data", (chunk: Buffer) => {
      text += chunk.toString();
      const found = /ready at (http:\S+)/.exec(text);
      if (found) resolve(found[1]!);
    });
    child.once("exit", () => reject(new Error(text)));
  });
}

async function killed(child: ChildProcess): Promise<void> {
  child.kill("SIGKILL");
  await ended(child);
}

/** How long a start takes here, ms: kills are spread over it. */
async function startMs(): Promise<number> {
  const begun = performance.now();
  const child = begin(folder());
  await addressOf(child);
  await killed(child);
  return performance.now() - begun;
}

const rowsOf = (file: string): number => {
  const database = new Database(file, { readonly: true });
  expect(database.pragma("integrity_check", { simple: true })).toBe("ok");
  const { n } = database.prepare("select count(*) as n from jobs").get() as { n: number };
  database.close();
  return n;
};

test("a first start killed at any moment leaves nothing half done: the next one has the whole demo", async () => {
  test.setTimeout(EACH_MS * (TURNS + 1));
  const whole = await startMs();
  for (let turn = 0; turn < TURNS; turn++) {
    const data = folder();
    const first = begin(data);
    // Later turns come nearer to the end of the start, where the demo is written.
    await wait(whole * (0.3 + 0.75 * Math.random()));
    await killed(first);
    const second = begin(data);
    const address = await addressOf(second);
    const { jobs } = (await (await fetch(`${address}/api/jobs`)).json()) as { jobs: unknown[] };
    const { paints } = (await (await fetch(`${address}/api/paints`)).json()) as { paints: unknown[] };
    expect([jobs.length, paints.length]).toEqual([9, 33]);
    await killed(second);
  }
});

test("a copy made before an upgrade is whole under its final name, whenever the upgrade was killed", async () => {
  test.setTimeout(EACH_MS * (TURNS + 1));
  const whole = await startMs();
  for (let turn = 0; turn < TURNS; turn++) {
    const data = folder();
    copyFileSync("tests/fixtures/database-2.sqlite", path.join(data, "crenna.sqlite"));
    const child = begin(data);
    await wait(whole * (0.3 + 0.75 * Math.random()));
    await killed(child);
    const copies = readdirSync(data).filter((name) => /^crenna-before-.*\.sqlite$/.test(name));
    for (const name of copies) expect(rowsOf(path.join(data, name))).toBe(3);
    const again = begin(data);
    const address = await addressOf(again);
    const { jobs } = (await (await fetch(`${address}/api/jobs`)).json()) as { jobs: unknown[] };
    expect(jobs).toHaveLength(2);
    await killed(again);
  }
});

test("no edit that was acknowledged is lost when the server is killed, again and again on the same data", async () => {
  test.setTimeout(EACH_MS * (TURNS + 1));
  const data = folder();
  let [said, revision] = [0, 0];
  for (let turn = 0; turn < TURNS; turn++) {
    const child = begin(data);
    const url = `${await addressOf(child)}/api/jobs/ferry-sergeant`;
    const now = (await (await fetch(url)).json()) as { job: Job; revision: number };
    expect(now.revision).toBeGreaterThanOrEqual(revision);
    if (said > 0) expect(Number(/\d+/.exec(now.job.figures[0]!.notes)![0])).toBeGreaterThanOrEqual(said);
    revision = now.revision;
    const before = said;
    const writing = (async () => {
      for (;;) {
        const figures = [{ ...now.job.figures[0]!, notes: `edit ${said + 1}` }];
        const answer = await fetch(url, {
          method: "PUT",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({ revision, job: { ...now.job, figures } }),
        });
        if (!answer.ok) throw new Error("refused");
        revision = ((await answer.json()) as { revision: number }).revision;
        said++;
      }
    })().catch(() => null);
    // However slow the machine, something was acknowledged before the end comes.
    await expect.poll(() => said, { intervals: [5] }).toBeGreaterThan(before);
    await wait(200 * Math.random());
    await killed(child);
    await writing;
    // One more may have been written whose answer did not come.
  }
  expect(said).toBeGreaterThan(0);
  expect(rowsOf(path.join(data, "crenna.sqlite"))).toBe(9);
});

/** Types into the notes, and closes the page within a fifth of a second of the last key. */
async function typeAndClose(context: BrowserContext, address: string, text: string, lateMs: number) {
  const page = await context.newPage();
  if (lateMs > 0)
    await page.route("**/api/jobs/*", async (route) => {
      if (route.request().method() !== "PUT") return route.continue();
      const answer = await route.fetch().catch(() => null);
      await wait(lateMs);
      return answer ? route.fulfill({ response: answer }).catch(() => undefined) : undefined;
    });
  await page.goto(address);
  await page.getByLabel("Notes").fill(text.slice(0, -3));
  await page.getByLabel("Notes").press("End");
  await page.keyboard.type(text.slice(-3));
  await wait(200 * Math.random());
  if (lateMs > 0) await page.reload();
  await page.close({ runBeforeUnload: false });
}

test("text typed just before the page is closed, or reloaded while an answer is late, is there afterwards", async ({
  context,
  request,
}) => {
  // Closed and reloaded in turn: both at least once.
  const turns = Math.max(2, TURNS);
  test.setTimeout(EACH_MS * (turns + 1));
  const id = await demoJob(request, ["coat-skirt"]);
  for (let turn = 0; turn < turns; turn++) {
    const text = `Chipped at the left knee ${turn}, seen at the bench`;
    const lateMs = turn % 2 === 1 ? 300 + 700 * Math.random() : 0;
    await typeAndClose(context, `/job/${id}/brief`, text, lateMs);
    const page = await context.newPage();
    await page.goto(`/job/${id}/brief`);
    await expect(page.getByLabel("Notes")).toHaveValue(text);
    await expect(async () => expect((await storedJob(request, id)).figures[0]!.notes).toBe(text)).toPass();
    await page.close();
  }
});

test("text typed while another window changes the job is offered beside the other's", async ({
  context,
  request,
}) => {
  test.setTimeout(EACH_MS * (TURNS + 1));
  const id = await demoJob(request, ["coat-skirt"]);
  for (let turn = 0; turn < TURNS; turn++) {
    const text = `Hem mended ${turn}, wants a glaze`;
    const page = await context.newPage();
    await page.goto(`/job/${id}/brief`);
    await expect(page.getByLabel("Notes")).toBeVisible();
    const stored = (await (await request.get(`/api/jobs/${id}`)).json()) as { job: Job; revision: number };
    await request.put(`/api/jobs/${id}`, {
      data: { revision: stored.revision, job: { ...stored.job, name: `Other ${turn}` } },
    });
    await page.getByLabel("Notes").fill(text);
    await wait(200 * Math.random());
    await page.close({ runBeforeUnload: false });
    const again = await context.newPage();
    await again.goto(`/job/${id}/brief`);
    await again.getByRole("button", { name: "Keep mine" }).click();
    await expect(async () => expect((await storedJob(request, id)).figures[0]!.notes).toBe(text)).toPass();
    await again.close();
  }
});
