import { readFileSync } from "node:fs";
import { expect, test, type APIRequestContext, type Page } from "@playwright/test";
import type { CamouflageParams } from "../../src/core/patterns/camouflage/params";
import { fine, go, otherPixels, pixels, saved, sharedPage, storedJob } from "./support";

const opened = sharedPage("Brief", []);

/** Goes to the pattern of a sleeve that has none. */
async function bareSleeve(): Promise<Page> {
  const { page } = opened;
  await go(page, "Brief");
  const add = page.getByRole("button", { name: "Add a surface" });
  await add.waitFor();
  const sleeve = page.getByRole("button", { name: "Remove Sleeve" });
  // An earlier test may have left one with its pattern.
  if (await sleeve.isVisible()) await sleeve.click();
  await add.click();
  await page.getByRole("menuitem", { name: /^Sleeve, cuff or boot/ }).click();
  await sleeve.waitFor();
  await go(page, "Coats");
  await page.getByRole("tab", { name: "Pattern" }).click();
  return page;
}

const paramsOf = async (request: APIRequestContext, id: string): Promise<CamouflageParams> =>
  (await storedJob(request, id)).surfaces.find(({ form }) => form.id === "limb")!.pattern!
    .params as CamouflageParams;

test("a pattern is put on a sleeve, its shares are set and reached, and it is taken off again", async ({
  request,
}) => {
  const page = await bareSleeve();
  await fine(page);
  const bare = await pixels(page);
  await page.getByRole("button", { name: "Camouflage" }).click();
  await otherPixels(page, bare, "camouflage");
  const layers = page.getByRole("table", { name: "Layers" });
  await expect(layers.getByRole("row", { name: /Green/ })).toContainText("26.0\u202f%");
  await expect(page.getByText("45.0\u202f% of the base still shows.")).toBeVisible();

  // A share changes the picture, what shows of it, and what is left of the base.
  const before = await pixels(page);
  await page.getByLabel("Share of Dark").fill("18");
  await otherPixels(page, before, "a larger share");
  await expect(layers.getByRole("row", { name: /Dark/ })).toContainText("18.0\u202f%");
  await expect(page.getByText("37.0\u202f% of the base still shows.")).toBeVisible();
  await saved(page);
  expect((await paramsOf(request, opened.id)).layers.map((layer) => layer.share)).toEqual([26, 19, 18]);

  // Another try keeps the shares and moves the marks.
  const first = await pixels(page);
  await page.getByRole("button", { name: "Another try" }).click();
  await otherPixels(page, first, "another try");
  await expect(layers.getByRole("row", { name: /Dark/ })).toContainText("18.0\u202f%");

  await page.getByRole("button", { name: "Take the pattern off" }).click();
  await expect(page.getByRole("button", { name: "Check cloth" })).toBeVisible();
  await saved(page);
  const taken = (await storedJob(request, opened.id)).surfaces.find(({ form }) => form.id === "limb")!;
  expect(taken.pattern).toBeNull();
  expect(taken.coats).toEqual([]);
});

test("layers are added, told what they may cover, moved and removed", async ({ request }) => {
  const page = await bareSleeve();
  await page.getByRole("button", { name: "Camouflage" }).click();
  await page.getByRole("button", { name: "Blotch and dot" }).click();
  const layers = page.getByRole("table", { name: "Layers" });
  await expect(layers.getByRole("row")).toHaveCount(5);
  await page.getByRole("button", { name: "Add a layer" }).click();
  await page.getByRole("menuitem", { name: "Edge lines" }).click();
  const details = page.getByRole("region", { name: "Layer Edge lines" });
  await details.getByLabel("Along the border of").click();
  await page.getByRole("option", { name: "Green", exact: true }).click();
  await details.getByLabel("Width of the line").fill("0.2");
  await expect(layers.getByRole("row", { name: /Edge lines/ })).toContainText("of the surface");
  await layers.getByRole("button", { name: "Brown", exact: true }).click();
  const brown = page.getByRole("region", { name: "Layer Brown" });
  await brown.getByLabel("Green").uncheck();
  await brown.getByRole("button", { name: "Paint it earlier" }).click();
  await expect(page.getByRole("region", { name: "Numbers of Brown" })).toContainText("Irregular?");
  await expect(page.getByRole("region", { name: "Numbers of Brown" })).toContainText("On the real cloth");
  await saved(page);
  const params = await paramsOf(request, opened.id);
  expect(params.layers.map((layer) => layer.id)).toEqual(["brown", "green", "pale", "darkdots", "edge5"]);
  expect(params.layers[0]!.over).toEqual(["base"]);
  expect(params.layers.at(-1)).toMatchObject({ kind: "edge", follows: "green", sizeMm: 0.2 });
  await layers.getByRole("button", { name: "Edge lines" }).click();
  await page
    .getByRole("region", { name: "Layer Edge lines" })
    .getByRole("button", { name: "Remove it" })
    .click();
  await expect(layers.getByRole("row")).toHaveCount(5);
});

test("an even pattern is named, its marks are ringed, and one click mends it", async ({ request }) => {
  const page = await bareSleeve();
  await page.getByRole("button", { name: "Camouflage" }).click();
  const green = page.getByRole("region", { name: "Layer Green" });
  await green.getByLabel("Length of a patch").fill("1.5");
  await green.getByLabel("Sizes differ by").fill("0");
  await green.getByLabel("Spurs").fill("0");
  await expect(page.getByRole("region", { name: "Numbers of Green" })).toContainText(
    "too much alike in size",
  );
  await page.getByRole("button", { name: /^4 Check/ }).click();
  const finding = page.getByRole("article", { name: /Look: .*Green/ }).filter({ hasText: "too much alike" });
  await finding.getByRole("button", { name: "Show them" }).click();
  await expect(page.getByRole("img", { name: /\d+ marks of the finding/ })).toBeVisible();
  await finding.getByRole("button", { name: "Vary their sizes" }).click();
  await expect(finding).toHaveCount(0);
  await expect(page.getByRole("img", { name: /[1-9]\d* marks of the finding/ })).toHaveCount(0);
  await saved(page);
  expect((await paramsOf(request, opened.id)).layers[0]!.spread).toBeGreaterThanOrEqual(55);
});

test("the placement guide is drawn by colour and printed at 1 : 1", async () => {
  const page = await bareSleeve();
  await page.getByRole("button", { name: "Camouflage" }).click();
  await page.getByRole("tab", { name: "Guides" }).click();
  await expect(page.getByRole("table", { name: "Colours of the pattern" }).getByRole("row")).toHaveCount(4);
  await expect(page.getByRole("img", { name: /Placement guide, \d+ outlines/ })).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Placement guide as SVG, 1 : 1" }).click();
  const svg = readFileSync(await (await download).path(), "utf8");
  // The sleeve is 16 mm round and 9 mm long; one unit is a millimetre.
  expect(svg).toMatch(/width="[\d.]+mm"/);
  expect(svg.match(/class="area"/g)!.length).toBeGreaterThan(5);
  expect(svg).toContain(">A1<");
  expect(svg).toContain(">C1<");
});

test("five figures are made of one pattern, each its own, and what differs is set in a table", async ({
  request,
}) => {
  const page = await bareSleeve();
  await page.getByRole("button", { name: /^1 Brief/ }).click();
  await page.getByLabel("Figures alike").fill("5");
  await page.getByRole("button", { name: /^3 Coats/ }).click();
  await page.getByRole("button", { name: "Camouflage" }).click();
  const table = page.getByRole("table", { name: "Figures of the unit" });
  await expect(table.getByRole("row")).toHaveCount(6);
  const seen = new Set([await pixels(page)]);
  for (const number of [2, 3, 4, 5]) {
    const before = await pixels(page);
    await table.getByRole("button", { name: `Figure ${number}`, exact: true }).click();
    seen.add(await otherPixels(page, before, `figure ${number}`));
  }
  expect(seen.size).toBe(5);
  const fifth = await pixels(page);
  await page.getByLabel("Figure 5 without a pattern on this piece").check();
  await otherPixels(page, fifth, "left plain");
  await saved(page);
  expect((await paramsOf(request, opened.id)).figures).toMatchObject([{ id: "f5", plain: true }]);
  await page.getByRole("button", { name: /^4 Check/ }).click();
  await expect(page.getByText("No two figures repeat a pattern")).toBeVisible();
});
