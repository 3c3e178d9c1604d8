import { expect, test, type APIRequestContext, type Page } from "@playwright/test";
import type { Job } from "../../src/core/job";
import { fine, go, otherPixels, pixels, put, samePixels, saved, seriousFindings, storedJob } from "./support";

/** A copy of the tide hound of which one piece alone is left. */
async function houndWith(request: APIRequestContext, piece: string): Promise<string> {
  const made = await request.post("/api/jobs", { data: { from: "copy", id: "tide-hound" } });
  expect(made.status()).toBe(201);
  const { job, revision } = (await made.json()) as { job: Job; revision: number };
  const surfaces = job.surfaces.filter(({ id }) => id === piece);
  const changed = await request.put(`/api/jobs/${job.id}`, {
    data: { job: { ...job, surfaces, touching: [] }, revision },
  });
  expect(changed.status()).toBe(200);
  return job.id;
}

const foot = (page: Page, number: number) =>
  page.getByRole("slider", { name: new RegExp(`^Handle ${number}: place`) });
const tip = (page: Page, number: number) =>
  page.getByRole("slider", { name: new RegExp(`^Handle ${number}: direction`) });
const pieceIn = async (request: APIRequestContext, id: string) => (await storedJob(request, id)).surfaces[0]!;

test("a handle of the growth map is turned and moved, by keys and by hand, and the hair turns with it", async ({
  page,
  request,
}) => {
  const id = await houndWith(request, "tail");
  await page.goto(`/job/${id}/coats`);
  await page.getByRole("tab", { name: "Growth" }).click();
  await fine(page);
  await expect(page.getByRole("img", { name: /Which way it grows/ })).toBeVisible();
  const before = await pixels(page);

  await tip(page, 1).focus();
  for (let turn = 0; turn < 6; turn++) await page.keyboard.press("ArrowRight");
  const turned = await otherPixels(page, before);
  await expect(page.getByText("Handle 1 of 1")).toBeVisible();
  await saved(page);
  expect((await pieceIn(request, id)).growth!.handles[0]!.angleDeg).toBe(30);

  // By hand: the foot to another place, where a map of one handle lies the same, then the tip to point elsewhere.
  const grip = (await tip(page, 1).locator("circle").first().boundingBox())!;
  const [x, y] = [grip.x + grip.width / 2, grip.y + grip.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y - 10, { steps: 4 });
  await page.mouse.up();
  const pulled = await otherPixels(page, turned);
  await saved(page);
  expect((await pieceIn(request, id)).growth!.handles[0]!.angleDeg).toBeGreaterThan(40);

  await page.getByRole("button", { name: "Add a handle" }).click();
  await expect(page.getByText("Handle 2 of 2")).toBeVisible();
  await foot(page, 2).focus();
  await page.keyboard.press("ArrowDown");
  await tip(page, 2).focus();
  for (let turn = 0; turn < 4; turn++) await page.keyboard.press("ArrowLeft");
  const two = await otherPixels(page, pulled);
  await page.getByRole("slider", { name: "Length there" }).press("End");
  await otherPixels(page, two);
  await page.getByRole("button", { name: "Remove this handle" }).click();
  await samePixels(page, pulled);
  expect(await seriousFindings(page, "light")).toEqual([]);

  // The handles stand on the form as well.
  await page.getByRole("button", { name: "On its form" }).click();
  await expect(page.getByRole("group", { name: /The surface on its form/ })).toHaveAttribute(
    "data-ready",
    "true",
  );
  await expect(page.getByRole("img", { name: /Which way it grows/ })).toBeVisible();
  await saved(page);
});

test("hair is kept to twenty minutes: strokes, time and picture follow, and a map says where they go", async ({
  page,
  request,
}) => {
  const id = await houndWith(request, "head");
  await page.goto(`/job/${id}/coats`);
  await page.getByRole("tab", { name: "Effort" }).click();
  await fine(page);
  const full = await pixels(page);
  await page.getByRole("button", { name: "Keep to a budget" }).click();
  const half = await otherPixels(page, full);
  await put(page, "Minutes at most", "20");
  const cut = await otherPixels(page, half);
  await expect(page.getByText(/^Painted are .*: 20.min; the third that is worth most gets/)).toBeVisible();
  await page.getByRole("slider", { name: "Kept for what is seen" }).press("Home");
  const even = await otherPixels(page, cut);
  await page.getByRole("button", { name: "Show the map" }).click();
  await otherPixels(page, even);
  await saved(page);
  expect((await pieceIn(request, id)).effort).toMatchObject({ seen: 0 });
  expect(await seriousFindings(page, "light")).toEqual([]);

  // The cards take their minutes from the same strokes.
  await go(page, "Bench");
  // The list of coats has buttons of the same names: it is left first.
  await expect(page.getByRole("heading", { name: "The whole plan" })).toBeVisible();
  await page
    .getByRole("button", { name: /hairs, first light/ })
    .first()
    .click();
  await expect(page.getByText(/strokes/).first()).toBeVisible();
  await go(page, "Coats");
  await page.getByRole("tab", { name: "Effort" }).click();
  await page.getByRole("button", { name: "Without a budget" }).click();
  await samePixels(page, full);
});

test("short hair goes from nothing to its card, along a map of its own", async ({ page, request }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New job" }).click();
  await expect(page).toHaveURL(/\/job\/[^/]+\/brief/);
  const id = /job\/([^/]+)\//.exec(page.url())![1]!;
  const pieces = page.getByRole("group", { name: "Pieces" });
  await pieces.getByRole("button", { name: /^Torso, limb or beast's body/ }).click();
  await go(page, "Coats");
  await page.getByRole("button", { name: "From a scheme" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "short hair", exact: true }).click();
  await expect(dialog.getByText(/coats in \d+ mixes of your own pots/)).toBeVisible();
  await dialog.getByRole("button", { name: "Start", exact: true }).click();
  await expect(dialog).toBeHidden();
  await fine(page);
  const fallen = await pixels(page);
  await page.getByRole("tab", { name: "Growth" }).click();
  await page.getByRole("button", { name: "Up the piece" }).click();
  await otherPixels(page, fallen);
  await page.getByRole("button", { name: /^Coat 5/ }).click();
  await expect(page.getByText(/to \d+.cm away|from nowhere/)).toBeVisible();
  await saved(page);
  const [surface] = (await storedJob(request, id)).surfaces;
  expect(surface!.growth!.handles).toHaveLength(1);
  expect(surface!.coats.filter(({ technique }) => technique.id === "hair").length).toBeGreaterThan(4);
  await go(page, "Bench");
  // The list of coats has buttons of the same names: it is left first.
  await expect(page.getByRole("button", { name: "At the bench" })).toBeVisible();
  await page
    .getByRole("button", { name: /First hairs/ })
    .first()
    .click();
  await expect(page.getByText(/All lie as hair grows there/).first()).toBeVisible();
});
