import { expect, test } from "@playwright/test";
import { fine, go, newJobWith, otherPixels, pixels, put, samePixels, saved, storedJob } from "./support";

test("a lamp is put on a plate: told that it cannot show, its ground darkened, laid, moved and taken off", async ({
  page,
  request,
}) => {
  const id = await newJobWith(page, /^Metal plate/);
  const job = () => storedJob(request, id);
  await put(page, "Rivets", "0.6");
  await go(page, "Coats");
  for (const look of ["Flat", "Colour"]) await page.getByRole("button", { name: look, exact: true }).click();
  await fine(page);
  const bare = await pixels(page);

  // The primer is grey: soft light of a lamp is darker than that.
  const open = () => page.getByRole("button", { name: "A painted light" }).click();
  const dialog = page.getByRole("dialog");
  const falls = dialog.getByRole("list", { name: "Where it falls" });
  await open();
  await expect(falls).toContainText("cannot show");
  await put(page, "Stands off", "2");
  await dialog.getByRole("button", { name: "strong" }).click();
  await dialog.getByRole("button", { name: "darkened first" }).click();
  await expect(falls).not.toContainText("cannot show");
  await expect(falls).toContainText(/rises by \d/);
  await dialog.getByRole("button", { name: "Lay its coats" }).click();
  await expect(dialog).toHaveCount(0);
  await fine(page);
  const middle = await otherPixels(page, bare);
  await saved(page);
  const coats = (await job()).surfaces[0]!.coats;
  expect(coats.map(({ event }) => event)).toEqual(expect.arrayContaining(["glowing", "mirrored"]));
  expect((await job()).figures[0]!.lights).toHaveLength(1);

  // Moved to one end, and the same coats lie elsewhere.
  await open();
  const along = dialog.getByRole("slider", { name: "Along the piece" });
  const flat = (await dialog.getByRole("img", { name: /, laid flat$/ }).boundingBox())!;
  await page.mouse.move(flat.x + 0.8 * flat.width, flat.y + 0.4 * flat.height);
  await page.mouse.down();
  await expect(along).toHaveValue(/^(7[89]|8[0-4])$/);
  await page.mouse.move(flat.x + 0.1 * flat.width, flat.y + 0.4 * flat.height, { steps: 4 });
  await page.mouse.up();
  await expect(along).toHaveValue(/^([5-9]|1[0-2])$/);
  await along.press("Home");
  await expect(dialog.getByText(/^\d+ coats in \d+ mixes of your own pots/)).toBeVisible();
  await expect(falls).toContainText(/rises by \d/);
  await dialog.getByRole("button", { name: "Lay its coats" }).click();
  await fine(page);
  const moved = await otherPixels(page, middle);
  await saved(page);
  expect((await job()).surfaces[0]!.coats.map((coat) => coat.id)).toEqual(coats.map((coat) => coat.id));
  expect((await job()).figures[0]!.lights[0]!.along).toBe(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await samePixels(page, middle);
  await page.getByRole("button", { name: "Redo" }).click();
  await samePixels(page, moved);

  await open();
  await dialog.getByRole("button", { name: "Take it off" }).click();
  await samePixels(page, bare);
  await saved(page);
  expect((await job()).figures[0]!.lights).toEqual([]);
});
