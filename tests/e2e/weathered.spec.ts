import { expect, test } from "@playwright/test";
import {
  fine,
  go,
  newJobWith,
  otherPixels,
  pixels,
  put,
  samePixels,
  saved,
  startFrom,
  storedJob,
} from "./support";

test("a plate is painted, its history told in words, and seen as it was made and as it stands", async ({
  page,
  request,
}) => {
  const id = await newJobWith(page, /^Metal plate/);
  const coats = async () => (await storedJob(request, id)).surfaces[0]!.coats;
  await put(page, "Rivets", "0.7");
  await go(page, "Coats");
  await startFrom(page, "painted metal");
  const dialog = page.getByRole("dialog");
  for (const look of ["Flat", "Colour"]) await page.getByRole("button", { name: look, exact: true }).click();
  await fine(page);
  const made = await pixels(page);
  await saved(page);
  const before = (await coats()).map((coat) => coat.id);

  await page.getByRole("button", { name: "Its history" }).click();
  await dialog.getByRole("button", { name: "long ago" }).click();
  await dialog.getByRole("button", { name: "in mud" }).click();
  await expect(dialog.getByRole("list", { name: "Its tones" }).getByText("rust, bright")).toBeVisible();
  await dialog.getByRole("button", { name: "Lay its coats" }).click();
  await expect(dialog).toHaveCount(0);
  await fine(page);
  const stands = await otherPixels(page, made);
  await saved(page);
  const told = (await coats()).slice(before.length).map(({ event }) => event);
  expect(told).toEqual(expect.arrayContaining(["chipped", "bared", "rusted", "run", "dirtied", "dusted"]));

  // Another answer, other coats: nothing rusts indoors.
  await page.getByRole("button", { name: "Its history" }).click();
  await expect(dialog.getByRole("button", { name: "in mud" })).toHaveAttribute("aria-pressed", "true");
  await dialog.getByRole("button", { name: "indoors" }).click();
  await expect(dialog.getByRole("list", { name: "Its tones" }).getByText(/rust/)).toHaveCount(0);
  await dialog.getByRole("button", { name: "Lay its coats" }).click();
  await fine(page);
  await otherPixels(page, stands);
  await saved(page);
  expect((await coats()).map(({ event }) => event)).not.toContain("rusted");
  await page.getByRole("button", { name: "Undo" }).click();
  await samePixels(page, stands);

  await page.getByRole("button", { name: "Its history" }).click();
  await dialog.getByRole("button", { name: "Take its history off" }).click();
  await samePixels(page, made);
  await saved(page);
  expect((await coats()).map((coat) => coat.id)).toEqual(before);
});
