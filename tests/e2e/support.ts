import { readFileSync } from "node:fs";
import path from "node:path";
import { expect, test, type APIRequestContext, type Locator, type Page } from "@playwright/test";
import type { AxeResults } from "axe-core";
import type { History, Job } from "../../src/core/job";

/**
 * A fresh copy of the demo job, so that tests do not meet each other's edits.
 * @param kept ids of the surfaces it keeps, where a test looks at these alone: the others need not be painted and judged
 *   for it every time a page opens, which is most of the time a test takes
 */
export async function demoJob(request: APIRequestContext, kept?: readonly string[]): Promise<string> {
  const response = await request.post("/api/jobs", { data: { from: "demo" } });
  expect(response.status()).toBe(201);
  const { job, revision } = (await response.json()) as { job: Job; revision: number };
  if (!kept) return job.id;
  const surfaces = job.surfaces.filter(({ id }) => kept.includes(id));
  expect(surfaces.map(({ id }) => id)).toEqual(kept);
  const touching = job.touching.filter((pair) => pair.every((id) => kept.includes(id)));
  const put = await request.put(`/api/jobs/${job.id}`, {
    data: { job: { ...job, surfaces, touching }, revision },
  });
  expect(put.status()).toBe(200);
  return job.id;
}

/**
 * A copy of the tide hound of which one piece alone is left, its pattern off, with one plain coat.
 * @param piece id of the surface
 */
export async function bareHound(request: APIRequestContext, piece: string): Promise<string> {
  const made = await request.post("/api/jobs", { data: { from: "copy", id: "tide-hound" } });
  expect(made.status()).toBe(201);
  const { job, revision } = (await made.json()) as { job: Job; revision: number };
  const surfaces = job.surfaces
    .filter(({ id }) => id === piece)
    .map((surface) => ({
      ...surface,
      pattern: null,
      coats: [{ ...surface.coats[0]!, id: "bare", role: null }],
    }));
  const changed = await request.put(`/api/jobs/${job.id}`, {
    data: { job: { ...job, surfaces, touching: [] }, revision },
  });
  expect(changed.status()).toBe(200);
  return job.id;
}

/** A page, and the demo job that is open in it. */
export interface Opened {
  readonly page: Page;
  readonly id: string;
}

/**
 * A page that the tests of a file, or of a group, go on with one after another: to open one, with its workers cold, takes
 * longer than most of them. Each begins by going to its stage, and passes alone as well as after those before it.
 * @param kept as for `demoJob`
 */
export function sharedPage(stage: StageName, kept?: readonly string[]): Opened {
  const opened = {} as { page: Page; id: string };
  test.beforeAll(async ({ browser, request }) => {
    opened.id = await demoJob(request, kept);
    opened.page = await (await browser.newContext()).newPage();
    await opened.page.goto(`/job/${opened.id}/${stage.toLowerCase()}`);
  });
  test.afterAll(() => opened.page.context().close());
  return opened;
}

type StageName = "Brief" | "Palette" | "Coats" | "Check" | "Bench" | "Log";

/** Goes to a stage of the open job. */
export const go = (page: Page, stage: StageName): Promise<void> =>
  page.getByRole("button", { name: new RegExp(`^\\d ${stage}`) }).click();

export async function storedJob(request: APIRequestContext, id: string): Promise<Job> {
  const response = await request.get(`/api/jobs/${id}`);
  return ((await response.json()) as { job: Job }).job;
}

export async function storedHistory(request: APIRequestContext, id: string): Promise<History> {
  const response = await request.get(`/api/jobs/${id}/history`);
  return ((await response.json()) as { history: History }).history;
}

export const specimen = (page: Page): Locator =>
  page.getByRole("img", { name: "The surface, simulated, laid flat" });

/** Waits until the full picture of the newest edit is shown, and what each coat does is worked out. */
export async function fine(page: Page): Promise<void> {
  await expect(page.locator('[data-testid="specimen"][data-settled="true"]')).toBeVisible();
  await expect(specimen(page)).toBeVisible();
}

/** A hash of what the specimen shows now, and whether that is the full picture of the newest edit. */
const shown = (page: Page): Promise<{ fine: boolean; hash: string }> =>
  specimen(page).evaluate((element) => {
    const one = element as HTMLCanvasElement;
    const { data } = one.getContext("2d")!.getImageData(0, 0, one.width, one.height);
    let hash = 0;
    for (const value of data) hash = (Math.imul(hash, 31) + value) | 0;
    const view = one.closest<HTMLElement>("[data-testid=specimen]");
    return { fine: view?.dataset.fine === "true", hash: `${one.width}x${one.height}:${hash}` };
  });

/** The hash of the full picture of the newest edit. */
export async function pixels(page: Page): Promise<string> {
  let hash = "";
  await expect(async () => {
    const now = await shown(page);
    expect(now.fine).toBe(true);
    hash = now.hash;
  }).toPass();
  return hash;
}

/** Waits until the full picture is another than the one before. @returns its hash */
export async function otherPixels(page: Page, before: string, what?: string): Promise<string> {
  let hash = "";
  await expect(async () => {
    const now = await shown(page);
    expect(now.fine, what).toBe(true);
    expect(now.hash, what).not.toBe(before);
    hash = now.hash;
  }).toPass();
  return hash;
}

/** Waits until the full picture is one that was there already. */
export const samePixels = (page: Page, before: string): Promise<void> =>
  expect(async () => expect(await shown(page)).toEqual({ fine: true, hash: before })).toPass();

export const saved = (page: Page): Promise<void> =>
  expect(page.getByRole("status").filter({ hasText: /^Saved \d\d:\d\d$/ })).toBeVisible();

/** Types into a field and leaves it. */
export async function put(page: Page, label: string, value: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press("Tab");
}

const axe = readFileSync(path.resolve("node_modules/axe-core/axe.min.js"), "utf8");

/** Whether something still fades in: what does has the contrast of neither its start nor its end. */
const fades = () =>
  document
    .getAnimations()
    .some(
      ({ effect, playState }) =>
        playState === "running" && effect?.getComputedTiming().iterations !== Infinity,
    );

/** Findings of axe that would keep somebody out. */
export async function seriousFindings(
  page: Page,
  mode: "light" | "dark",
  within = "body",
): Promise<string[]> {
  await page.evaluate(axe);
  // Asked again and again: the promise of an animation whose element has gone is never kept.
  await expect.poll(() => page.evaluate(fades)).toBe(false);
  // Names, roles and order are the same in both themes: the dark one is asked about its contrast.
  const options = mode === "dark" ? { runOnly: ["color-contrast"] } : {};
  return page.evaluate(
    async ([part, asked]) => {
      const { axe } = window as unknown as {
        axe: { run(part: string, options: object): Promise<AxeResults> };
      };
      const { violations } = await axe.run(part, { ...asked, resultTypes: ["violations"] });
      return violations
        .filter(({ impact }) => impact === "serious" || impact === "critical")
        .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(" | ")}`);
    },
    [within, options] as const,
  );
}

/** A new job with one piece, chosen by the name its picture has; gives the job's id. */
export async function newJobWith(page: Page, piece: RegExp): Promise<string> {
  await page.goto("/");
  await page.getByRole("button", { name: "New job" }).click();
  await expect(page).toHaveURL(/\/job\/[^/]+\/brief/);
  await page.getByRole("group", { name: "Pieces" }).getByRole("button", { name: piece }).click();
  return /job\/([^/]+)\//.exec(page.url())![1]!;
}

/** Starts the surface from the first scheme of a material. */
export async function startFrom(page: Page, material: string): Promise<void> {
  await page.getByRole("button", { name: "From a scheme" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: material, exact: true }).click();
  const start = dialog.getByRole("button", { name: /^Start/ });
  await expect(start).toBeEnabled({ timeout: 30_000 });
  await start.click();
  await expect(dialog).toBeHidden();
}

/** Sculpts something over the surface, in the Brief. */
export async function hideFrom(page: Page, name: string): Promise<void> {
  await page
    .getByRole("group", { name: "Sculpted all over" })
    .getByRole("combobox", { name: "Sculpted" })
    .click();
  await page.getByRole("option", { name }).click();
  await expect(page.getByRole("listbox")).toHaveCount(0);
}
