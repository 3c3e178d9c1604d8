import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { newJobWith, startFrom } from "./support";

test("a base is built from slabs, painted by its scheme, and its cards are printed with its plan", async ({
  page,
}) => {
  const id = await newJobWith(page, /^Base/);
  const built = page.getByRole("group", { name: "Built on it" });
  for (const kind of [/^Split slab/, /^Split slab/, /^Pebbles/]) {
    await built.getByRole("button", { name: "Put on it" }).click();
    await page.getByRole("menuitem", { name: kind }).click();
    await expect(page.getByRole("menu")).toBeHidden();
  }
  // The second lies on the first: moved aside it lies on the ground.
  await built.getByRole("button", { name: "2, Split slab" }).click();
  await expect(built.getByRole("status")).toContainText("On another piece");
  const mark = page.getByRole("button", { name: /^2, Split slab: arrow keys/ });
  const box = (await mark.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2 + 70, { steps: 6 });
  await page.mouse.up();
  await expect(built.getByRole("status")).toContainText("On the ground");
  await built.getByRole("button", { name: "Best face forward" }).click();
  await built.getByRole("button", { name: "A foot or peg" }).click();
  await expect(built.getByRole("status")).toContainText("the ground goes up and down by");

  await page.goto(`/job/${id}/coats`);
  await startFrom(page, "rock and soil");
  await expect(page.getByRole("button", { name: /^Coat 1, Dark over the rock/ })).toBeVisible();
  await page.goto(`/job/${id}/bench`);
  const first = page.getByRole("group", { name: "Built before any paint" });
  await expect(first).toContainText("1 Split slab, 14 × 10 × 4 mm");
  await expect(first).toContainText("local rules");
  const print = page.getByRole("button", { name: "Cards and guides as PDF" });
  await expect(print).toBeEnabled();
  const download = page.waitForEvent("download", { timeout: 120_000 });
  await print.click();
  const file = readFileSync(await (await download).path());
  expect(file.subarray(0, 5).toString()).toBe("%PDF-");
  expect(file.length).toBeGreaterThan(50_000);
});
