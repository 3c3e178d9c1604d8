import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, test } from "@playwright/test";
import Database from "better-sqlite3";
import type { Job } from "../../src/core/job";
import { demoJob, fine, go, put, saved, sharedPage, storedJob } from "./support";

test.describe("one window", () => {
  const opened = sharedPage("Brief", ["coat-skirt"]);

  test("a reload comes back to the same place, with undo still there", async ({ request }) => {
    const { page, id } = opened;
    await go(page, "Brief");
    await put(page, "Round the hem", "60");
    await page.getByRole("button", { name: /^3 Coats/ }).click();
    await page.getByRole("tab", { name: "Guides" }).click();
    await page.getByRole("button", { name: /^Coat 5/ }).click();
    await saved(page);
    await page.reload();
    await expect(page).toHaveURL(/\/coats$/);
    await expect(page.getByRole("tab", { name: "Guides" })).toHaveAttribute("aria-selected", "true");
    await expect(page.getByText("after coat 5 of 10")).toBeVisible();
    await page.getByRole("button", { name: "Undo" }).click();
    await saved(page);
    await expect(async () =>
      expect((await storedJob(request, id)).surfaces[0]!.form.params.hemMm).toBe(58),
    ).toPass();
  });

  test("text is kept while it is typed, not only when the field is left", async ({ request }) => {
    const { page, id } = opened;
    await go(page, "Brief");
    await page.getByLabel("Notes").fill("The hem is chipped at the left knee.");
    await expect(async () =>
      expect((await storedJob(request, id)).figures[0]!.notes).toBe("The hem is chipped at the left knee."),
    ).toPass();
    await page.getByLabel("Name of the surface").fill(" ");
    await expect(page.getByText("It needs a name.")).toBeVisible();
    await page.getByLabel("Name of the surface").fill("Skirt of the coat");
    await expect(page.getByRole("heading", { level: 1 })).toContainText("Skirt of the coat");
  });

  test("edits made while the server is away are kept and saved when it is back", async ({ request }) => {
    const { page, id } = opened;
    await go(page, "Brief");
    await page.route("**/api/jobs/*", (route) =>
      route.request().method() === "PUT" ? route.abort() : route.continue(),
    );
    await put(page, "Round the hem", "56");
    await expect(page.getByText("Not saved, trying again")).toBeVisible();
    // Even a reload in between loses nothing.
    await page.reload();
    await expect(page.getByLabel("Round the hem")).toHaveValue("56");
    await page.unroute("**/api/jobs/*");
    await saved(page);
    await expect(async () =>
      expect((await storedJob(request, id)).surfaces[0]!.form.params.hemMm).toBe(56),
    ).toPass();
  });

  test("thirty quick edits leave the picture of the last one", async ({ request }) => {
    const { page, id } = opened;
    await go(page, "Coats");
    await fine(page);
    await page.getByRole("button", { name: /^Coat 7/ }).click();
    const slider = page.getByRole("slider", { name: "Width against the pattern's" });
    await slider.focus();
    for (let press = 0; press < 20; press++) await page.keyboard.press("ArrowRight");
    for (let press = 0; press < 10; press++) await page.keyboard.press("ArrowLeft");
    await expect(page.getByText("150 %")).toBeVisible();
    await fine(page);
    await saved(page);
    const job = await storedJob(request, id);
    expect(job.surfaces[0]!.coats[6]!.technique.params.width).toBe(150);
    // A fresh window computes the same cover from the saved job: nothing older came in last.
    const shown = await page.getByText(/% of the surface/).textContent();
    const other = await page.context().newPage();
    await other.goto(`/job/${id}/coats`);
    await fine(other);
    await other.getByRole("button", { name: /^Coat 7/ }).click();
    await expect(other.getByText(/% of the surface/)).toHaveText(shown!);
  });
});

test("two windows on one job do not overwrite each other in silence", async ({ browser, request }) => {
  const id = await demoJob(request, ["coat-skirt"]);
  // Two contexts cannot hear each other, as on two machines.
  const [one, other] = await Promise.all([browser.newPage(), browser.newPage()]);
  await one.goto(`/job/${id}/brief`);
  await other.goto(`/job/${id}/brief`);
  await put(one, "Round the hem", "59");
  await saved(one);
  await put(other, "Round the waist", "33");
  await expect(other.getByRole("alert")).toContainText("Changed in another window");
  expect((await storedJob(request, id)).surfaces[0]!.form.params).toMatchObject({ hemMm: 59, waistMm: 34 });
  await other.getByRole("button", { name: "Take the other window's" }).click();
  await expect(other.getByLabel("Round the hem")).toHaveValue("59");
  await other.getByRole("button", { name: "Undo" }).click();
  await expect(other.getByLabel("Round the waist")).toHaveValue("33");
  await saved(other);
  await put(one, "Depth of a fold", "0.5");
  await expect(one.getByRole("alert")).toContainText("Changed in another window");
  await one.getByRole("button", { name: "Keep mine" }).click();
  await expect(one.getByRole("alert")).toHaveCount(0);
  await saved(one);
  expect((await storedJob(request, id)).surfaces[0]!.form.params).toMatchObject({
    hemMm: 59,
    pleatDepthMm: 0.5,
  });
});

test("two windows of one browser follow each other", async ({ context, request }) => {
  const id = await demoJob(request, ["coat-skirt"]);
  const [one, other] = [await context.newPage(), await context.newPage()];
  await one.goto(`/job/${id}/brief`);
  await other.goto(`/job/${id}/brief`);
  await expect(other.getByLabel("Round the hem")).toHaveValue("58");
  await put(one, "Round the hem", "57");
  await expect(other.getByLabel("Round the hem")).toHaveValue("57");
});

/** Starts a server of its own; resolves with its address. */
async function startServer(data: string): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(process.execPath, ["scripts/start.mjs", "--port", "0", "--data", data], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  let text = "";
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout.on("data", (chunk: Buffer) => {
      text += chunk.toString();
      const match = /ready at (http:\S+)/.exec(text);
      if (match) resolve(match[1]!);
    });
    child.once("exit", () => reject(new Error(text)));
  });
  return { child, address };
}

test("a server killed in the middle of edits loses at most the one under way, never the file", async () => {
  const data = mkdtempSync(path.join(os.tmpdir(), "crenna-kill-"));
  const { child, address } = await startServer(data);
  const url = `${address}/api/jobs/ferry-sergeant`;
  const { job } = (await (await fetch(url)).json()) as { job: Job };
  let confirmed = 0;
  const writing = (async () => {
    for (let revision = 1; ; revision++) {
      const next = { ...job, figures: [{ ...job.figures[0]!, notes: `edit ${revision}` }] };
      const response = await fetch(url, {
        method: "PUT",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ revision, job: next }),
      });
      if (!response.ok) throw new Error(`refused at ${revision}`);
      confirmed = revision;
    }
  })().catch(() => null);
  await expect.poll(() => confirmed).toBeGreaterThan(20);
  child.kill("SIGKILL");
  await writing;
  const again = await startServer(data);
  const after = (await (await fetch(`${again.address}/api/jobs/ferry-sergeant`)).json()) as {
    job: Job;
    revision: number;
  };
  again.child.kill("SIGTERM");
  expect(after.revision).toBeGreaterThanOrEqual(confirmed + 1);
  expect(after.revision).toBeLessThanOrEqual(confirmed + 2);
  expect(after.job.figures[0]!.notes).toBe(`edit ${after.revision - 1}`);
  const file = new Database(path.join(data, "crenna.sqlite"), { readonly: true });
  expect(file.pragma("integrity_check", { simple: true })).toBe("ok");
});
