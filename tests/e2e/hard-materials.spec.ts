import { expect, test, type Page } from "@playwright/test";
import { fine, go, put, saved, storedJob } from "./support";

/** Paints the chosen piece by the first scheme of a material. */
async function startFrom(page: Page, material: string): Promise<void> {
  await go(page, "Coats");
  await page.getByRole("button", { name: "From a scheme" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: material, exact: true }).click();
  await expect(dialog.getByText(/coats in \d+ mixes of your own pots/)).toBeVisible();
  await dialog.getByRole("button", { name: "Start", exact: true }).click();
  await fine(page);
}

test("a helmet and a horn go from nothing to their cards", async ({ page, request }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New job" }).click();
  await expect(page).toHaveURL(/\/job\/[^/]+\/brief/);
  const id = /job\/([^/]+)\//.exec(page.url())![1]!;
  const pieces = page.getByRole("group", { name: "Pieces" });
  await pieces.getByRole("button", { name: /^Helmet with/ }).click();
  await put(page, "Round the brow", "30");
  await put(page, "Slits or vents", "4");
  await page.getByRole("button", { name: "Add a surface" }).click();
  await page.getByRole("menuitem", { name: /^Horn/ }).click();
  await put(page, "Round the root", "9");
  await startFrom(page, "horn");
  await page.getByRole("combobox", { name: /^Surface: / }).click();
  await page.getByRole("option", { name: "Helmet with band and visor" }).click();
  await startFrom(page, "shell");
  await saved(page);
  const { surfaces } = await storedJob(request, id);
  expect(surfaces.map(({ form }) => form.id).sort()).toEqual(["helmet", "horn"]);
  const painted = surfaces.map(({ coats }) => coats.map(({ technique }) => technique.id));
  // Zones blended and lined; a shell in layers drawn together, lined last.
  expect(painted.every((techniques) => techniques.length >= 6)).toBe(true);

  await go(page, "Bench");
  for (const { name, coats } of surfaces) {
    const card = page.getByRole("button", { name: new RegExp(coats[0]!.name) }).first();
    await expect(card, name).toBeVisible();
  }
  await expect(page.getByText(/brush-load|drop/).first()).toBeVisible();
  const pdf = page.waitForEvent("download", { timeout: 120_000 });
  await page.getByRole("button", { name: "Cards and guides as PDF" }).click();
  expect((await pdf).suggestedFilename()).toMatch(/\.pdf$/);
});
