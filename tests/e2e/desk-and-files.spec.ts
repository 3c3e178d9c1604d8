import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { expect, test } from "@playwright/test";
import Database from "better-sqlite3";
import type { Job } from "../../src/core/job";
import { demoJob, storedJob } from "./support";

test("jobs are renamed, copied and deleted, and a deletion is taken back", async ({ page, request }) => {
  const id = await demoJob(request);
  await request.put(`/api/jobs/${id}`, {
    data: { revision: 1, job: { ...(await storedJob(request, id)), name: "Desk test" } },
  });
  await page.goto("/");
  const strip = page.getByRole("article", { name: "Desk test", exact: true });
  await strip.getByRole("button", { name: "Rename" }).click();
  await strip.getByLabel("Name").fill("");
  await expect(strip.getByText("A job needs a name.")).toBeVisible();
  await strip.getByLabel("Name").fill("Renamed test");
  await strip.locator("form").getByRole("button", { name: "Rename" }).click();
  const renamed = page.getByRole("article", { name: "Renamed test", exact: true });
  await renamed.getByRole("button", { name: "Copy" }).click();
  const copy = page.getByRole("article", { name: "Renamed test copy" });
  await expect(copy).toBeVisible();
  await copy.getByRole("button", { name: "Delete" }).click();
  await expect(copy).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(copy).toBeVisible();
});

test("a job goes out as a file and comes back without loss", async ({ page, request }, info) => {
  const id = await demoJob(request);
  await page.goto(`/job/${id}/brief`);
  const waiting = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export the job" }).click();
  const file = info.outputPath("job.json");
  await (await waiting).saveAs(file);
  const before = await storedJob(request, id);
  await page.goto("/");
  const answer = page.waitForResponse("**/api/jobs/import");
  await page.getByLabel("Job file").setInputFiles(file);
  const { job } = (await (await answer).json()) as { job: Job };
  expect({ ...job, id }).toEqual(before);
});

test("a damaged or foreign file changes nothing and says why", async ({ page, request }, info) => {
  const count = async () =>
    ((await (await request.get("/api/jobs")).json()) as { jobs: unknown[] }).jobs.length;
  const id = await demoJob(request);
  const whole = await (await request.get(`/api/jobs/${id}/export`)).text();
  const jobs = await count();
  await page.goto("/");
  const bad: [string, string, RegExp][] = [
    ["cut.json", whole.slice(0, whole.length / 2), /not whole JSON/],
    ["foreign.json", '{"format":"other"}', /no job file/],
    ["wrong.json", whole.replace('"eyeHeightMm": 32', '"eyeHeightMm": 3200'), /eyeHeightMm/],
  ];
  for (const [name, text, message] of bad) {
    const file = info.outputPath(name);
    writeFileSync(file, text);
    await page.getByLabel("Job file").setInputFiles(file);
    await expect(page.getByRole("alert")).toContainText(`${name} was not taken, nothing was changed.`);
    await expect(page.getByRole("alert")).toContainText(message);
  }
  expect(await count()).toBe(jobs);
  expect(readFileSync(info.outputPath("wrong.json"), "utf8")).toContain("3200");
});

test("the painter's settings are kept and change the plan", async ({ page, request }) => {
  const id = await demoJob(request, ["coat-skirt"]);
  const handTime = page.getByRole("article").getByText("Hand time").locator("xpath=following-sibling::dd[1]");
  const planned = async () => {
    await page.goto(`/job/${id}/bench`);
    await page
      .getByRole("button", { name: /Deep tarn lines.*pass 1/ })
      .first()
      .click();
    await expect(page.getByText(/in any order$|^no order ends sooner$/)).toBeVisible();
    return handTime.textContent();
  };
  const before = await planned();
  expect(before).toMatch(/^\d+.min$/);
  await page.goto("/settings");
  const field = page.getByRole("textbox", { name: "One pull of a line" });
  await field.fill("900");
  await expect(page.getByText("Allowed: 0.5 to 120 s.")).toBeVisible();
  await field.fill("12");
  await expect(page.getByRole("status")).toHaveText("Saved");
  await planned();
  await expect(handTime).not.toHaveText(before!);
  const { painter } = (await (await request.get("/api/painter")).json()) as { painter: object };
  await request.put("/api/painter", { data: { ...painter, secondsPerPull: 6 } });
});

test("a missing job and a missing page say so", async ({ page }) => {
  await page.goto("/job/never-was/brief");
  await expect(page.getByText('There is no job "never-was"')).toBeVisible();
  await page.goto("/nowhere");
  await expect(page.getByRole("heading", { name: "Nothing here" })).toBeVisible();
});

test("a damaged job is shown as such, and stops nothing else", async ({ page, request }) => {
  const id = await demoJob(request);
  const file = new Database(path.join(process.env.CRENNA_TEST_DATA!, "crenna.sqlite"));
  file.prepare("update jobs set name = 'Torn job', document = substr(document, 1, 500) where id = ?").run(id);
  file.close();
  await page.goto("/");
  await expect(page.getByRole("article", { name: "Ferry sergeant", exact: true }).first()).toBeVisible();
  // A job is read when its strip comes into view.
  await page.getByRole("article", { name: "Torn job" }).scrollIntoViewIfNeeded();
  const torn = page.getByRole("article", { name: "Torn job, damaged" });
  await expect(torn).toContainText("This job cannot be read");
  const download = page.waitForEvent("download");
  await torn.getByRole("link", { name: "Save it as it is" }).click();
  expect(readFileSync(await (await download).path(), "utf8")).toHaveLength(500);
  await torn.getByRole("button", { name: "Delete" }).click();
  await expect(torn).toHaveCount(0);
});

test("nothing on the desk moves while its jobs are read and their pictures come", async ({
  page,
  request,
}) => {
  await demoJob(request);
  await page.addInitScript(() => {
    const moved: number[] = [];
    Object.assign(window, { moved });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        moved.push((entry as PerformanceEntry & { value: number }).value);
    }).observe({ type: "layout-shift", buffered: true });
  });
  await page.goto("/");
  const strips = page.getByRole("article");
  await expect(strips.first().locator("canvas").first()).toBeVisible();
  await expect(strips.nth(1).locator("canvas").first()).toBeVisible();
  await expect(strips.first().getByText("Simulating")).toHaveCount(0);
  await expect(strips.first().getByText(/of painting left/)).toBeVisible();
  const moved = await page.evaluate(() => (window as unknown as { moved: number[] }).moved);
  // What cannot be seen with the naked eye: a thousandth of the page, moved by a thousandth of its height.
  expect(moved.reduce((sum, value) => sum + value, 0)).toBeLessThan(0.001);
});
