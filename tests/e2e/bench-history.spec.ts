import { expect, test } from "@playwright/test";
import sharp from "sharp";
import { demoJob, saved, storedHistory, storedJob } from "./support";

test("what was painted stays painted: undo, reload and another window leave the log alone", async ({
  page,
  request,
  context,
}) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/log`);
  const base = page.getByRole("checkbox", { name: "Base done" });
  await base.click();
  await expect(base).toBeChecked();
  await page.getByRole("button", { name: /^1 Brief/ }).click();
  await page.getByLabel("Name of the job").fill("Second try");
  await page.getByLabel("Name of the job").blur();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Name of the job")).toHaveValue("Ferry sergeant");
  await page.getByRole("button", { name: /^6 Log/ }).click();
  await expect(base).toBeChecked();
  await saved(page);
  const other = await context.newPage();
  await other.goto(`/job/${id}/log`);
  await expect(other.getByRole("checkbox", { name: "Base done" })).toBeChecked();
  await other.getByRole("checkbox", { name: "Guides done" }).click();
  await expect(page.getByRole("checkbox", { name: "Guides done" })).toBeChecked();
  await expect(async () => expect((await storedHistory(request, id)).log).toHaveLength(2)).toPass();
  await other.close();
});

test("a card ticked while the server cannot be reached is kept over a reload, and told when it is back", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/log`);
  const base = page.getByRole("checkbox", { name: "Base done" });
  await expect(base).toBeVisible();
  await page.route("**/history/**", (route) => route.abort());
  await base.click();
  await expect(page.getByText("Not saved, trying again")).toBeVisible();
  expect((await storedHistory(request, id)).log).toEqual([]);
  await page.reload();
  await expect(base).toBeChecked();
  await page.unroute("**/history/**");
  await expect(async () => expect((await storedHistory(request, id)).log).toHaveLength(1)).toPass();
  await base.click();
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(base).toBeChecked();
});

test("coats are kept as a scheme and painted on another piece of another job", async ({ page, request }) => {
  const pieces = ["satchel", "gloves"];
  const [from, to] = [await demoJob(request, pieces), await demoJob(request, pieces)];
  const open = async (id: string, surface: string) => {
    await page.goto(`/job/${id}/coats`);
    await page.getByRole("combobox", { name: /^Surface: / }).click();
    await page.getByRole("option", { name: surface }).click();
    await page.getByRole("button", { name: "Own schemes" }).click();
  };
  await open(from, "Satchel");
  await page.getByLabel("Name of the scheme").fill(`Old leather ${from}`);
  await page.getByRole("button", { name: /^Keep these \d+ coats/ }).click();
  await expect(page.getByRole("listitem", { name: `Old leather ${from}` })).toBeVisible();
  await open(to, "Gloves");
  const kept = page.getByRole("listitem", { name: `Old leather ${from}` });
  await expect(kept.getByRole("img", { name: /^Gloves in Old leather/ })).toBeVisible();
  await kept.getByRole("button", { name: "Paint it so" }).click();
  await saved(page);
  const coatsOf = async (id: string, surfaceId: string) =>
    (await storedJob(request, id)).surfaces
      .find((one) => one.id === surfaceId)!
      .coats.map(({ name }) => name);
  await expect(async () =>
    expect(await coatsOf(to, "gloves")).toEqual(await coatsOf(from, "satchel")),
  ).toPass();
  await open(to, "Gloves");
  await kept.getByRole("button", { name: "Remove" }).click();
  await expect(kept).toHaveCount(0);
});

test("what was really painted is painted again: kept from the log, recoloured, begun as a job of its own", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["satchel"]);
  const { mixes, surfaces } = await storedJob(request, id);
  const [coat] = surfaces[0]!.coats;
  const mix = mixes.find((one) => one.id === coat!.mixId)!;
  const entry = {
    ...{
      id: "entry-1",
      cardId: `satchel/${coat!.id}`,
      cardTitle: coat!.name,
      doneAt: "2026-05-01T10:00:00Z",
    },
    ...{ minutes: 9, note: "Two thin passes.", recipe: [{ paintId: mix.parts[0]!.paintId, drops: 4 }] },
    planned: {
      ...{
        mix: mix.name,
        parts: mix.parts,
        water: coat!.water,
        passes: coat!.passes,
        minutes: 8,
        figures: 1,
      },
      form: surfaces[0]!.form,
    },
  };
  expect((await request.put(`/api/jobs/${id}/history/log/entry-1`, { data: entry })).status()).toBe(200);

  await page.goto(`/job/${id}/log`);
  await page.getByRole("tab", { name: "Paint it again" }).click();
  await expect(page.getByRole("checkbox", { name: new RegExp(`^${mix.name}: mixed 1 `) })).toBeChecked();
  const name = `Bag ${id}`;
  await page.getByLabel("Name of the scheme").fill(name);
  await page.getByRole("button", { name: "Keep as a scheme" }).click();
  await page.getByRole("link", { name: "Look at it in Schemes" }).click();

  await page.getByLabel("Find in names and notes").fill(name);
  const own = page.getByRole("listitem", { name, exact: true });
  await expect(own.getByRole("img", { name: `${name}, simulated` })).toBeVisible();
  await own.getByRole("button", { name: "In another colour" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Its new colour", { exact: true }).fill("#4c5a55");
  await expect(dialog.getByText(/^L\* \d+ → \d+/).first()).toBeVisible();
  await dialog.getByLabel("Name of the new scheme").fill(`${name} in green`);
  await dialog.getByRole("button", { name: "Keep it" }).click();
  await expect(dialog).toBeHidden();

  await page.getByRole("checkbox", { name: `Choose ${name} in green` }).click();
  await page.getByRole("button", { name: "Start a job with 1 scheme" }).click();
  await page.waitForURL(/\/job\/.+\/brief$/);
  const begun = await storedJob(request, page.url().split("/").at(-2)!);
  const painted = begun.surfaces[0]!;
  expect(painted.coats.map((one) => one.name)).toEqual(surfaces[0]!.coats.map((one) => one.name));
  const again = begun.mixes.find((one) => one.id === painted.coats[0]!.mixId)!;
  expect(again.parts).not.toEqual(mix.parts);
  expect(begun.figures[0]!.notes).toContain("Two thin passes.");
});

test("a photo of the work stays with its entry, over a reload and in the job's file", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/log`);
  await page.getByRole("checkbox", { name: "Base done" }).click();
  const input = page.getByLabel("Photo of Base");
  await input.setInputFiles({ name: "note.png", mimeType: "image/png", buffer: Buffer.from("no photo") });
  await expect(page.getByRole("alert").getByText(/cannot be read as a picture/)).toBeVisible();
  const buffer = await sharp({
    create: { width: 2400, height: 1600, channels: 3, background: { r: 84, g: 96, b: 104 } },
  })
    .jpeg()
    .toBuffer();
  await input.setInputFiles({ name: "skirt.jpg", mimeType: "image/jpeg", buffer });
  const photo = page.getByRole("button", { name: "Look at photo 1 of base" });
  await expect(photo).toBeVisible();
  await saved(page);
  await page.reload();
  await photo.click();
  const large = page.getByRole("dialog", { name: "Photo 1 of Base" });
  await expect
    .poll(() => large.getByRole("img").evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(300);
  await large.getByRole("button", { name: "Close" }).click();
  const [entry] = (await storedHistory(request, id)).log;
  const file = (await (await request.get(`/api/jobs/${id}/export`)).json()) as { pictures: { id: string }[] };
  expect(file.pictures.map((one) => one.id)).toEqual(entry!.photos);
});
