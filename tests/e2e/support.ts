import { expect, type APIRequestContext, type Locator, type Page } from "@playwright/test";
import type { Job } from "../../src/core/job";

/** A fresh copy of the demo job, so that tests do not meet each other's edits. */
export async function demoJob(request: APIRequestContext): Promise<string> {
  const response = await request.post("/api/jobs", { data: { from: "demo" } });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { job: Job }).job.id;
}

export async function storedJob(request: APIRequestContext, id: string): Promise<Job> {
  const response = await request.get(`/api/jobs/${id}`);
  return ((await response.json()) as { job: Job }).job;
}

export const specimen = (page: Page): Locator =>
  page.getByRole("img", { name: "The surface, simulated, laid flat" });

/** Waits until the full picture of the newest edit is shown. */
export async function fine(page: Page): Promise<void> {
  await expect(page.locator('[data-testid="specimen"][data-fine="true"]')).toBeVisible();
  await expect(specimen(page)).toBeVisible();
}

/** A hash of what a canvas shows. */
export const pixels = (canvas: Locator): Promise<string> =>
  canvas.evaluate((element) => {
    const one = element as HTMLCanvasElement;
    const { data } = one.getContext("2d")!.getImageData(0, 0, one.width, one.height);
    let hash = 0;
    for (const value of data) hash = (Math.imul(hash, 31) + value) | 0;
    return `${one.width}x${one.height}:${hash}`;
  });

export const saved = (page: Page): Promise<void> =>
  expect(page.getByRole("status").filter({ hasText: /^Saved \d\d:\d\d$/ })).toBeVisible();

/** Types into a field and leaves it. */
export async function put(page: Page, label: string, value: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press("Tab");
}
