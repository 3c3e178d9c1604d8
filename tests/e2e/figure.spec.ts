import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { validateBytes } from "gltf-validator";
import type { Job, Surface } from "../../src/core/job";
import {
  demoJob,
  fine,
  go,
  otherPixels,
  pixels,
  put,
  saved,
  seriousFindings,
  sharedPage,
  storedJob,
} from "./support";

const opened = sharedPage("Coats", ["coat-skirt", "satchel"]);

/** Waits until the whole figure is painted in full. @returns a hash of its picture */
async function figureSeen(page: Page): Promise<string> {
  await expect(page.locator('[data-testid="figure"][data-settled="true"]')).toBeVisible();
  return page
    .getByTestId("figure")
    .locator("canvas")
    .evaluate((element) => {
      const one = element as HTMLCanvasElement;
      const { data } = one.getContext("2d")!.getImageData(0, 0, one.width, one.height);
      let hash = 0;
      for (const value of data) hash = (Math.imul(hash, 31) + value) | 0;
      return `${one.width}x${one.height}:${hash}`;
    });
}

/** Waits until the figure looks otherwise than it did. */
async function otherFigure(page: Page, before: string, what: string): Promise<string> {
  let now = before;
  await expect(async () => {
    now = await figureSeen(page);
    expect(now, what).not.toBe(before);
  }).toPass();
  return now;
}

async function shownAs(page: Page, as: string): Promise<void> {
  await page.getByRole("combobox", { name: "Shown" }).click();
  await page.getByRole("option", { name: as, exact: true }).click();
  // A menu that closes takes presses for a moment.
  await expect(page.getByRole("listbox")).toHaveCount(0);
}

async function choose(page: Page, surface: string): Promise<void> {
  await page.getByRole("combobox", { name: /^Surface: / }).click();
  await page.getByRole("option", { name: surface, exact: true }).click();
}

test("a surface is seated, the lamp turned, and both change where its light falls", async ({ request }) => {
  const { page, id } = opened;
  await go(page, "Coats");
  await choose(page, "Satchel");
  await page.getByRole("button", { name: "Light map" }).click();
  await fine(page);
  const onLeftHip = await pixels(page);
  await go(page, "Brief");
  const seat = page.getByRole("group", { name: "On the figure" });
  await seat.getByRole("combobox", { name: "Seat" }).click();
  await page.getByRole("option", { name: "right hip" }).click();
  await put(page, "Turned", "20");
  await saved(page);
  const [stored] = (await storedJob(request, id)).surfaces.filter((one) => one.name === "Satchel");
  expect(stored!.seat).toMatchObject({ id: "right-hip", turnDeg: 20 });
  await go(page, "Coats");
  const onRightHip = await otherPixels(page, onLeftHip, "seat");
  const lamp = page.getByRole("slider", { name: "Lamp" });
  for (let press = 0; press < 6; press++) await lamp.press("ArrowRight");
  await otherPixels(page, onRightHip, "lamp");
  // Laid aside it is lit as if it faced the painter.
  await go(page, "Brief");
  await seat.getByRole("combobox", { name: "Seat" }).click();
  await page.getByRole("option", { name: "lies aside" }).click();
  await expect(seat.getByRole("button", { name: /^Seat it: / })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(seat.getByRole("combobox", { name: "Seat" })).toHaveText("right hip");
});

test("a piece that is made a pair is worn on both sides, and is one again once that is undone", async ({
  request,
}) => {
  const { page, id } = opened;
  await go(page, "Coats");
  await choose(page, "Satchel");
  await go(page, "Brief");
  await page.getByRole("button", { name: "Whole figure" }).click();
  const one = await figureSeen(page);
  const pair = page.getByRole("switch", { name: "A pair: left hip too, mirrored, in the same coats" });
  await expect(pair).not.toBeChecked();
  await pair.click();
  const both = await otherFigure(page, one, "two satchels");
  await saved(page);
  const seat = (await storedJob(request, id)).surfaces.find(({ name }) => name === "Satchel")!.seat!;
  expect(seat).toMatchObject({ id: "right-hip", both: true });
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(pair).not.toBeChecked();
  await otherFigure(page, both, "one again");
  await saved(page);
});

test("the figure is seen whole, turned by keys, from its sides and from afar; a press chooses a piece", async () => {
  const { page } = opened;
  await go(page, "Check");
  await choose(page, "Satchel");
  await page.getByRole("button", { name: "Whole figure" }).click();
  const front = await figureSeen(page);
  const turned = page.getByRole("group", { name: /The whole figure/ });
  await turned.press("ArrowRight");
  const aside = await otherFigure(page, front, "turned by a key");
  await page.getByRole("button", { name: "Player's side" }).click();
  const behind = await otherFigure(page, aside, "player's side");
  await page.getByRole("button", { name: /^120/ }).click();
  const afar = await otherFigure(page, behind, "from afar");
  let before = afar;
  for (const as of ["primed", "white over black", "steps of light"]) {
    await shownAs(page, as);
    before = await otherFigure(page, before, as);
  }
  await page.getByRole("button", { name: "Front", exact: true }).click();
  await figureSeen(page);
  // The skirt is in the middle of the figure.
  const box = (await page.getByTestId("figure").locator("canvas").boundingBox())!;
  await page.mouse.click(box.x + 0.5 * box.width, box.y + 0.56 * box.height);
  await expect(page.getByRole("combobox", { name: "Surface: Coat skirt" })).toBeVisible();
  // In Coats the same figure shows this surface as far as it is painted.
  await go(page, "Coats");
  await page.getByRole("button", { name: "On the figure" }).click();
  await shownAs(page, "painted");
  const done = await figureSeen(page);
  await page.getByRole("button", { name: "One coat back" }).click();
  await otherFigure(page, done, "one coat less");
});

test("the figure goes out as a textured form that another reader finds right", async ({ request }) => {
  const { page, id } = opened;
  await go(page, "Check");
  await page.getByRole("button", { name: "Whole figure" }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export glTF" }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/\.glb$/);
  const report = await validateBytes(new Uint8Array(readFileSync(await file.path())));
  expect(report.issues.numErrors).toBe(0);
  const { surfaces } = await storedJob(request, id);
  expect(report.info.resources.filter(({ mimeType }) => mimeType === "image/png")).toHaveLength(
    surfaces.length,
  );
});

test("where there are cores to spare more workers paint the figure, and it comes out the same", async ({
  request,
}) => {
  const { page } = opened;
  const id = await demoJob(request, ["coat-skirt", "strap"]);
  const onCores = async (cores: number): Promise<Page> => {
    const one = await page.context().newPage();
    await one.addInitScript(
      (n) => Object.defineProperty(navigator, "hardwareConcurrency", { value: n }),
      cores,
    );
    await one.goto(`/job/${id}/brief`);
    await one.getByRole("button", { name: "Whole figure" }).click();
    await figureSeen(one);
    return one;
  };
  const many = await onCores(4);
  expect(many.workers().length).toBeGreaterThanOrEqual(3);
  const before = await figureSeen(many);
  await many.getByLabel("Steadiness").fill("20");
  const together = await otherFigure(many, before, "painted by several");
  await saved(many);
  await many.close();
  const alone = await onCores(2);
  expect(alone.workers().length).toBeLessThanOrEqual(2);
  expect(await figureSeen(alone)).toBe(together);
  await alone.close();
});

test("a body is chosen and posed; without one its pieces lie aside", async ({ request }) => {
  const { page, id } = opened;
  await go(page, "Brief");
  await page.getByRole("button", { name: "Whole figure" }).click();
  const standing = await figureSeen(page);
  expect(await seriousFindings(page, "light")).toEqual([]);
  await put(page, "Stoop", "45");
  const stooped = await otherFigure(page, standing, "pose");
  const body = page.getByRole("group", { name: "Body" });
  await body.getByRole("combobox", { name: "Body" }).click();
  await page.getByRole("option", { name: "Bust" }).click();
  await otherFigure(page, stooped, "another body");
  // A bust has no waist: the skirt found another seat.
  await saved(page);
  const { surfaces } = await storedJob(request, id);
  expect(surfaces.every(({ seat }) => seat !== null && seat.id !== "waist")).toBe(true);
  await put(page, "Stoop", "900");
  await expect(page.getByText("Allowed: -20 to 80 °.")).toBeVisible();
  await body.getByRole("combobox", { name: "Body" }).click();
  await page.getByRole("option", { name: "none", exact: true }).click();
  await expect(page.getByText("This figure has no body yet: choose one in the Brief.")).toBeVisible();
  await expect(page.getByTestId("figure").locator("canvas")).toHaveCount(0);
});

test("what draws the eye before what is to be looked at is named, its remedy taken and seen on the figure", async ({
  browser,
  request,
}) => {
  const id = await demoJob(request, ["coat-skirt", "satchel", "strap"]);
  const { job, revision } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
    job: Job;
    revision: number;
  };
  const wanted: Readonly<Record<string, Surface["volumes"]["importance"]>> = {
    "coat-skirt": "usual",
    satchel: "usual",
    strap: "looked-at",
  };
  const surfaces = job.surfaces.map((one) => ({
    ...one,
    volumes: { ...one.volumes, importance: wanted[one.id]! },
  }));
  expect(
    (await request.put(`/api/jobs/${id}`, { data: { job: { ...job, surfaces }, revision } })).status(),
  ).toBe(200);
  const page = await (await browser.newContext()).newPage();
  await page.goto(`/job/${id}/check`);
  // Check begins with the figure; parts are told in the order they draw the eye.
  const order = page.getByRole("tabpanel", { name: "Where the eye goes" }).getByRole("listitem");
  await expect(order).toHaveCount(3);
  await expect(order.first()).toContainText("Coat skirt");
  const fault = page.getByRole("article", { name: "Look: Coat skirt and Shoulder strap" });
  await expect(fault).toContainText("The eye goes to Coat skirt before Shoulder strap");
  await page.getByRole("button", { name: "Show where" }).first().click();
  await expect(page.getByRole("img", { name: "Marked: Coat skirt and Shoulder strap" })).toBeVisible();
  await page.getByRole("switch", { name: "Dim what draws nobody" }).click();
  await expect(page.getByRole("img", { name: /^Where the eye is drawn/ })).toBeVisible();
  await page.getByRole("switch", { name: "Dim what draws nobody" }).click();
  const before = await figureSeen(page);
  const remedy = fault.getByRole("button", { name: /^(Calm|Raise) / }).first();
  await remedy.click();
  await otherFigure(page, before, "remedied");
  await expect(fault).toHaveCount(0);
  await saved(page);
  const coatsOf = (of: Job) => of.surfaces.reduce((sum, { coats }) => sum + coats.length, 0);
  expect(coatsOf(await storedJob(request, id))).toBe(coatsOf(job) + 1);
  await page.getByRole("tab", { name: "Borders" }).click();
  await expect(page.getByRole("tabpanel", { name: "Borders" })).toContainText("Coat skirt and Satchel");
  await page.getByRole("tab", { name: "From afar, other eyes" }).click();
  const otherwise = page.getByRole("tabpanel", { name: "From afar, other eyes" });
  await expect(otherwise.getByRole("img", { name: /: In grey$/ })).toBeVisible();
  await expect(otherwise).toContainText("are nearest");
  expect(await seriousFindings(page, "light")).toEqual([]);
  await page.context().close();
});

test("two alike dark leathers that touch have to be parted; a remedy is taken and seen on the figure", async ({
  browser,
  request,
}) => {
  const id = await demoJob(request, ["satchel", "gloves"]);
  const { job, revision } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
    job: Job;
    revision: number;
  };
  const [base] = job.surfaces[0]!.coats;
  const coats = [{ ...base!, mixId: "deep-tarn", passes: 4, water: 0 }];
  const surfaces = job.surfaces.map((one) => ({ ...one, coats }));
  const alike: Job = { ...job, surfaces, touching: [["satchel", "gloves"]] };
  expect((await request.put(`/api/jobs/${id}`, { data: { job: alike, revision } })).status()).toBe(200);
  const page = await (await browser.newContext()).newPage();
  await page.goto(`/job/${id}/check`);
  const before = await figureSeen(page);
  const must = page.getByRole("article", { name: "Must: Satchel and Gloves" });
  await expect(must).toContainText("touch, are both dark");
  await must
    .getByRole("button", { name: /^Part them: / })
    .first()
    .click();
  await otherFigure(page, before, "parted");
  await expect(must).toHaveCount(0);
  await saved(page);
  const after = await storedJob(request, id);
  expect(after.surfaces.reduce((sum, one) => sum + one.coats.length, 0)).toBe(3);
  await page.context().close();
});
