import { expect, test, type Page } from "@playwright/test";
import { inZones } from "../../src/core/job";
import { demoJob, otherPixels, pixels, put, saved, storedJob } from "./support";

async function addCoat(page: Page, technique: string): Promise<void> {
  await page.getByRole("button", { name: "Add a coat" }).click();
  await page.getByRole("menuitem", { name: technique, exact: true }).click();
}

test("a leather strap is built from nothing: measured, textured, washed, reordered", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/brief`);
  await page.getByRole("button", { name: "Add a surface" }).click();
  await page.getByRole("menuitem", { name: /^Strap or belt/ }).click();
  await expect(page.getByRole("img", { name: "The bare piece under the lamp" })).toBeVisible();
  await put(page, "Width", "4");
  await put(page, "Length", "18");
  await expect(page.getByText(/Unrolled: 72/)).toBeVisible();
  await put(page, "Length", "900");
  await expect(page.getByText("Allowed: 3 to 200 mm.")).toBeVisible();
  await put(page, "Length", "18");
  await page.getByRole("button", { name: /^3 Coats/ }).click();
  const bare = await pixels(page);
  for (const technique of ["Stipple", "Wash", "Scratches", "Edge line"]) await addCoat(page, technique);
  const textured = await otherPixels(page, bare);
  await saved(page);
  const strap = () => storedJob(request, id).then((job) => job.surfaces.at(-1)!);
  expect((await strap()).form.params).toMatchObject({ lengthMm: 18, widthMm: 4 });
  expect((await strap()).coats.map((coat) => coat.technique.id)).toEqual([
    "base-coat",
    "stipple",
    "wash",
    "scratch",
    "edge-line",
  ]);

  // Another mix on the stipple, then the wash before it: each changes what is computed.
  await page.getByRole("button", { name: /^Coat 2/ }).click();
  await page.getByLabel("Mix", { exact: true }).click();
  await page.getByRole("option", { name: "Straw", exact: true }).click();
  await otherPixels(page, textured);
  const zones = page.getByRole("group", { name: "Zones" });
  await expect(zones.getByRole("checkbox", { name: "raised ground" })).toBeChecked();
  const before = await pixels(page);
  await zones.getByRole("checkbox", { name: "near the hem" }).check();
  await otherPixels(page, before);
  await saved(page);
  expect((await strap()).coats[1]!.place).toEqual(inZones(["raised", "hem"], 0.1));
  await expect(page.getByText(/% of the surface/)).toBeVisible();

  const ordered = await pixels(page);
  const cut = await page.getByLabel("Section through the films").innerHTML();
  await page.getByRole("button", { name: "Move Wash" }).focus();
  await page.keyboard.press("Space");
  await page.waitForTimeout(300);
  await page.keyboard.press("ArrowUp");
  await page.waitForTimeout(300);
  await page.keyboard.press("Space");
  await expect(async () =>
    expect((await strap()).coats.map((coat) => coat.technique.id).slice(1, 3)).toEqual(["wash", "stipple"]),
  ).toPass();
  await otherPixels(page, ordered);
  await expect(async () =>
    expect(await page.getByLabel("Section through the films").innerHTML()).not.toBe(cut),
  ).toPass();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(async () =>
    expect((await strap()).coats.map((coat) => coat.technique.id).slice(1, 3)).toEqual(["stipple", "wash"]),
  ).toPass();
});
