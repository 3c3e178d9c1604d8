import { expect, test } from "@playwright/test";
import {
  fine,
  go,
  hideFrom,
  newJobWith,
  otherPixels,
  pixels,
  put,
  samePixels,
  saved,
  startFrom,
  storedJob,
} from "./support";

test("a wall is built of stones, its single stones tinted so that none alike lie side by side, and fewer of them", async ({
  page,
  request,
}) => {
  const id = await newJobWith(page, /^Flat piece/);
  const piece = async () => (await storedJob(request, id)).surfaces[0]!;
  const hide = page.getByRole("group", { name: "Sculpted all over" });
  await hideFrom(page, "Stones, slates or planks");
  await hide.getByRole("button", { name: "Rough stones" }).click();
  await saved(page);
  expect((await piece()).hide).toMatchObject({ id: "courses", params: { split: 24 } });
  // A joint as wide as half a stone cannot be: told, and nothing typed is lost.
  await put(page, "Joint", "2.5");
  await expect(hide.getByText(/Blocks are 4.4 × 3.1 mm: a joint between them/)).toBeVisible();
  await put(page, "Joint", "0.3");

  await go(page, "Coats");
  await startFrom(page, "stone");
  for (const look of ["Flat", "Colour"]) await page.getByRole("button", { name: look, exact: true }).click();
  await saved(page);
  const tints = (await piece()).coats.filter(({ technique }) => technique.id === "single-blocks");
  expect(tints.map(({ technique }) => technique.params.number)).toEqual([1, 2, 3, 4]);
  expect(new Set(tints.map(({ seed }) => seed)).size).toBe(1);

  await page.getByRole("button", { name: /^Coat 4, Tinted: ochre/ }).click();
  await fine(page);
  const tinted = await pixels(page);
  await put(page, "Hides", "20");
  const paler = await otherPixels(page, tinted);
  await page.getByRole("button", { name: "Undo" }).click();
  await samePixels(page, tinted);
  await page.getByRole("button", { name: "Redo" }).click();
  await samePixels(page, paler);
});
