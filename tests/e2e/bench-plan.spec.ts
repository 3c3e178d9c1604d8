import { expect, test, type Page } from "@playwright/test";
import type { Job } from "../../src/core/job";
import { demoJob, go, saved, storedHistory, storedJob } from "./support";

/** Waits until the plan is as it is painted soonest. */
const planned = (page: Page) =>
  expect(page.getByText(/% sooner in any order|no order ends sooner/)).toBeVisible();

test("a sitting on a phone: cards one by one, two clocks, a reload, a foot switch, a mishap", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["satchel", "strap"]);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/job/${id}/bench`);
  await planned(page);
  await page.getByRole("button", { name: "At the bench" }).click();
  const bench = page.getByRole("dialog", { name: "At the bench" });
  const card = bench.getByRole("article");
  const done = bench.getByRole("button", { name: "Done, on to the next" });
  for (const count of [1, 2]) {
    await expect(card).toBeVisible();
    await done.click();
    await expect(async () => expect((await storedHistory(request, id)).log).toHaveLength(count)).toPass();
  }
  const { log } = await storedHistory(request, id);
  // While one piece dries the other is painted.
  expect(new Set(log.map(({ cardId }) => cardId.split("/")[0])).size).toBe(2);
  expect(log.map(({ pass }) => pass)).toEqual([1, 1]);
  // Nothing is too small for a thumb, nothing runs off the screen.
  for (const button of await bench.getByRole("button").all())
    expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(56);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const clocks = bench.getByRole("list", { name: "What dries" }).getByRole("listitem");
  await expect(clocks).toHaveCount(2);
  await expect(clocks.first()).toContainText(/sets in \d+:\d\d|touch dry in \d+:\d\d/);
  const third = (await card.getAttribute("aria-label"))!;

  await page.reload();
  await expect(card).toHaveAttribute("aria-label", third);
  await expect(clocks).toHaveCount(2);
  await page.keyboard.press("PageDown");
  await expect(async () => expect((await storedHistory(request, id)).log).toHaveLength(3)).toPass();

  // The newest coat came out too strong: what mends it is taken, and what is left goes on from there.
  await page.keyboard.press("ArrowLeft");
  await bench.getByRole("button", { name: "It went wrong" }).click();
  const wrong = page.getByRole("dialog", { name: /^It went wrong: / });
  await wrong.getByRole("radio", { name: "Too bright, too strong" }).click();
  await expect(wrong.getByRole("img", { name: "on this way" })).toBeVisible();
  await expect(wrong.getByText(/Out of reach|comes out as planned/)).toBeVisible();
  const glaze = wrong.getByRole("radio", { name: /^Glaze it with the tone below/ }).first();
  if ((await glaze.count()) === 0) await wrong.getByRole("button", { name: /more ways$/ }).click();
  await glaze.click();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await wrong.getByRole("button", { name: "Go on this way" }).click();
  await expect(wrong).toHaveCount(0);
  await expect(async () => {
    const coats = (await storedJob(request, id)).surfaces.flatMap((surface) => surface.coats);
    expect(coats.filter(({ mishap }) => mishap === "too-bright")).toHaveLength(1);
    expect(coats.filter(({ name }) => name.startsWith("Take back: "))).toHaveLength(1);
  }).toPass();
  expect((await storedHistory(request, id)).log.filter(({ mishap }) => mishap)).toHaveLength(1);
  await expect(card).toBeVisible();
  await expect(bench.getByRole("button", { name: "Leave" })).toBeVisible();
  await bench.getByRole("button", { name: "Leave" }).click();
  await expect(bench).toHaveCount(0);
  await go(page, "Log");
  await expect(page.getByText("pass 1 of 2").first()).toBeVisible();
  // The sitting lasted from going to the bench until leaving it, over the reload.
  await expect(async () => {
    const { sittings } = await storedHistory(request, id);
    expect(sittings.map(({ endedAt }) => endedAt !== null)).toEqual([true]);
  }).toPass();
  await page.getByRole("tab", { name: "Sittings" }).click();
  await expect(page.getByText(/^Sitting 1: .*, 3 entries/)).toBeVisible();
});

test("ten figures are planned with sittings, a card is dragged before another, and the rest follows", async ({
  page,
  request,
}) => {
  const made = await request.post("/api/jobs", { data: { from: "copy", id: "ferry-watch" } });
  const { job, revision } = (await made.json()) as { job: Job; revision: number };
  const { id } = job;
  const figures = job.figures.map((figure) => ({ ...figure, count: 10 }));
  const put = await request.put(`/api/jobs/${id}`, { data: { job: { ...job, figures }, revision } });
  expect(put.status()).toBe(200);
  await page.goto(`/job/${id}/bench`);
  await planned(page);
  await page.getByRole("tab", { name: "Times" }).click();
  const chart = page.getByRole("img", { name: /^Times of the plan/ });
  const label = (await chart.getAttribute("aria-label"))!;
  // Bars of the hand are drawn last and stand in the uppermost row first: the first two are the first two turns.
  const bars = chart.locator("svg path[fill='#0b5f6b'], svg path[fill='#636363']");
  const [first, second] = [(await bars.nth(0).boundingBox())!, (await bars.nth(1).boundingBox())!];
  expect(Math.abs(first.y - second.y)).toBeLessThan(200);
  await page.mouse.move(first.x + first.width / 2, first.y + first.height / 2);
  await page.mouse.down();
  await page.mouse.move(first.x + first.width / 2 + 300, first.y + first.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByRole("alert")).toContainText(/the rest follows|has to wait for/);

  // Moved by button the first goes behind the second, where both may.
  await page.getByRole("combobox", { name: /^The 10 figures/ }).click();
  await page.getByRole("option", { name: "one figure after the other" }).click();
  await planned(page);
  await expect(chart).not.toHaveAttribute("aria-label", label);
  await page.getByRole("button", { name: "Set a sitting" }).click();
  await expect(page.getByRole("heading", { name: "Sitting 1", exact: true })).toBeVisible();
  await expect(page.getByText(/\d+ sittings?, \d+ more than you have set/)).toBeVisible();
  await saved(page);
  const { bench } = await storedJob(request, id);
  expect(bench.unit).toBe("figures");
  expect(bench.sittings).toHaveLength(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Set a sitting" })).toBeVisible();

  // Too little time for all of it: what is left out is told, held back, and the plan is shorter.
  await page.getByRole("button", { name: "Fit to minutes" }).click();
  const fit = page.getByRole("dialog", { name: "Fit to minutes" });
  await expect(fit.getByText(/\d+ cards? left out: /)).toBeVisible();
  await fit.getByRole("button", { name: "Hold these back" }).click();
  await expect(fit).toHaveCount(0);
  await saved(page);
  const { surfaces } = await storedJob(request, id);
  expect(surfaces.flatMap(({ coats }) => coats).some(({ held }) => held)).toBe(true);
});
