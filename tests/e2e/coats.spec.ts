import { expect, test, type APIRequestContext } from "@playwright/test";
import { encode } from "fast-png";
import { hexToLab } from "../../src/core/colour/spaces";
import {
  fine,
  go,
  otherPixels,
  pixels,
  put,
  samePixels,
  saved,
  sharedPage,
  storedJob,
  type Opened,
} from "./support";

const opened = sharedPage("Coats", ["satchel", "strap", "gloves"]);

/** Goes to the coats of a surface: all of them, flat and in their colours. */
async function openSurface(name: string): Promise<Opened> {
  const { page } = opened;
  await go(page, "Coats");
  const shown = page.getByRole("combobox", { name: /^Surface: / });
  await shown.click();
  await page.getByRole("option", { name, exact: true }).click();
  await expect(page.getByRole("combobox", { name: `Surface: ${name}` })).toBeVisible();
  for (const look of ["Flat", "Colour"]) await page.getByRole("button", { name: look, exact: true }).click();
  await fine(page);
  return opened;
}

const surfaceOf = async (request: APIRequestContext, id: string, surfaceId: string) =>
  (await storedJob(request, id)).surfaces.find((one) => one.id === surfaceId)!;

test("a surface is started from a scheme by one question each, and brought back by undo", async ({
  request,
}) => {
  const { page, id } = await openSurface("Shoulder strap");
  const before = (await surfaceOf(request, id, "strap")).coats.map((coat) => coat.id);
  await page.getByRole("button", { name: "From a scheme" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "Scrubbed and washed" }).click();
  await dialog.getByRole("button", { name: "old", exact: true }).click();
  await dialog.getByRole("button", { name: "quiet, for parts that stay back" }).click();
  await expect(dialog.getByRole("list", { name: "Its tones" }).getByRole("listitem")).toHaveCount(8);
  await expect(dialog.getByRole("img", { name: "As it would be painted, simulated" })).toBeVisible();
  await dialog.getByRole("button", { name: "Start", exact: true }).click();
  await fine(page);
  await saved(page);
  const started = await surfaceOf(request, id, "strap");
  expect(started.coats.map((coat) => coat.technique.id)).toEqual([
    "base-coat",
    "layer",
    "layer",
    "layer",
    "dry-brush",
    "dry-brush",
    "scratch",
    "wash",
    "glaze",
    "pin-wash",
  ]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(async () =>
    expect((await surfaceOf(request, id, "strap")).coats.map((coat) => coat.id)).toEqual(before),
  ).toPass();
});

test("a surface is seen as it was made, and what lies the wrong way round in time is told", async ({
  request,
}) => {
  const { page, id } = await openSurface("Satchel");
  const stands = await pixels(page);
  const painted = (await surfaceOf(request, id, "satchel")).coats;
  const used = painted.filter(({ event }) => event !== null);
  expect(used.length).toBeGreaterThan(2);
  const slider = page.getByRole("slider", { name: "Time" });
  await slider.focus();
  await page.keyboard.press("Home");
  await expect(page.getByText("as it was made")).toBeVisible();
  const left = painted.length - used.length;
  await expect(page.getByRole("status").filter({ hasText: `after coat ${left} of ${left}` })).toBeVisible();
  await otherPixels(page, stands);
  await slider.focus();
  await page.keyboard.press("End");
  await expect(page.getByText("as it stands")).toBeVisible();
  await samePixels(page, stands);
  // Dust below all that was scratched and dented later.
  await page.getByRole("button", { name: /^Coat 1\b/ }).click();
  await page.getByRole("combobox", { name: "Stands for" }).click();
  await page.getByRole("option", { name: "Dust and mud of the ground" }).click();
  await expect(page.getByRole("listbox")).toHaveCount(0);
  await saved(page);
  await expect(async () =>
    expect((await surfaceOf(request, id, "satchel")).coats[0]!.event).toBe("dusted"),
  ).toPass();
  await go(page, "Check");
  await expect(
    page.getByText(/is painted over Leather \(dust and mud of the ground\)/).first(),
  ).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/is painted over Leather/)).toHaveCount(0);
});

test("the finish is planned backwards: what to paint for what is to be seen, taken over as a mix", async ({
  request,
}) => {
  const { page, id } = await openSurface("Satchel");
  await page.getByRole("button", { name: /^Coat 6/ }).click();
  await page.getByRole("tab", { name: "Plan backwards" }).click();
  const panel = page.getByRole("tabpanel");
  await expect(panel.getByText(/Over First touches come .*Brown glaze/)).toBeVisible();
  await put(page, "To be seen when all is dry", "#c8a880");
  const said = page.getByTestId("backwards");
  await expect(said).toHaveText(/Paint it #[0-9a-f]{6}, L\* \d+: \d+ (lighter|darker) than now/);
  // Under the glaze the paint must be lighter than what is to be seen of it.
  const paint = /L\* (\d+):/.exec((await said.textContent())!)![1];
  expect(Number(paint)).toBeGreaterThan(hexToLab("#c8a880")[0] + 0.6);
  const mixes = (await storedJob(request, id)).mixes.length;
  await panel.getByRole("button", { name: "Find a mix for it" }).click();
  await panel.getByRole("button", { name: "Take", exact: true }).first().click();
  await saved(page);
  const job = await storedJob(request, id);
  expect(job.mixes.length).toBe(mixes + 1);
  expect(job.surfaces.find((one) => one.id === "satchel")!.coats[5]!.mixId).toBe(job.mixes.at(-1)!.id);
});

test("the surface is seen on its form, from across the table, under a moved lamp, and as a map", async ({
  request,
}) => {
  const { page, id } = await openSurface("Gloves");
  const near = await pixels(page);
  await page.getByRole("combobox", { name: /^Seen/ }).click();
  await page.getByRole("option", { name: /across the table/ }).click();
  const far = await otherPixels(page, near);
  await page.getByRole("button", { name: "Lit", exact: true }).click();
  const lit = await otherPixels(page, far);
  const lamp = page.getByRole("slider", { name: "Lamp" });
  await lamp.focus();
  for (let turn = 0; turn < 6; turn++) await lamp.press("ArrowRight");
  const moved = await otherPixels(page, lit);
  await saved(page);
  expect((await storedJob(request, id)).figures[0]!.lamp.fromDeg).toBe(103);
  await page.getByRole("button", { name: "Wear map" }).click();
  const map = await otherPixels(page, moved);
  await page.getByRole("tab", { name: "Wear", exact: true }).click();
  await page.getByRole("slider", { name: "Hems and ends" }).press("Home");
  await otherPixels(page, map);
  await page.getByRole("button", { name: "Colour", exact: true }).click();
  await page.getByRole("button", { name: "On its form" }).click();
  const form = page.getByRole("group", { name: /The surface on its form/ });
  await expect(form).toHaveAttribute("data-ready", "true");
  await expect(page.getByRole("img", { name: "The surface, simulated, on its form" })).toBeVisible();
  const shot = async () => (await form.screenshot()).toString("base64");
  const front = await shot();
  await form.focus();
  for (let turn = 0; turn < 5; turn++) await page.keyboard.press("ArrowRight");
  await expect(async () => expect(await shot()).not.toBe(front)).toPass();
});

test("the value plan follows the material, and a coat keeps to some of its steps", async ({ request }) => {
  const { page, id } = await openSurface("Gloves");
  const painted = await pixels(page);
  await page.getByRole("button", { name: "Value plan" }).click();
  const leather = await otherPixels(page, painted);
  await go(page, "Brief");
  await page.getByRole("combobox", { name: "Made of" }).click();
  await page.getByRole("option", { name: "Dull cloth" }).click();
  await go(page, "Coats");
  await otherPixels(page, leather);
  await page.getByRole("button", { name: "Colour", exact: true }).click();
  // The scheme's volumes go by the plan, and so does what is painted.
  const dull = await otherPixels(page, painted);
  await page.getByRole("button", { name: /^Coat 10/ }).click();
  await page.getByRole("switch", { name: "Only in some steps of light" }).click();
  const kept = await otherPixels(page, dull);
  await page.getByRole("slider", { name: "Steps from" }).press("ArrowLeft");
  await otherPixels(page, kept);
  await saved(page);
  const { place } = (await surfaceOf(request, id, "gloves")).coats[9]!;
  expect(place).toMatchObject({ kind: "zones", values: { to: 1, fade: 0.1 } });
  expect(place.kind === "zones" && place.values!.from).toBeCloseTo(0.4);
});

test("an outline is drawn by keyboard, corner by corner, and the coat keeps to it", async ({ request }) => {
  const { page, id } = await openSurface("Satchel");
  await page.getByRole("button", { name: /^Coat 2/ }).click();
  const before = await pixels(page);
  await page.getByRole("button", { name: "Draw an outline" }).focus();
  await page.keyboard.press("Enter");
  const ground = page.getByRole("application", { name: /^Draw the outline here/ });
  await expect(ground).toBeFocused();
  const press = async (key: string, times = 1) => {
    for (let time = 0; time < times; time++) await page.keyboard.press(key);
  };
  await press(" ");
  await press("ArrowRight", 6);
  await press(" ");
  await press("ArrowDown", 2);
  await press(" ");
  await press("Backspace");
  await expect(page.getByText(/^pen at 7\.\d\smm, 5\.\d\smm · 2 corners$/)).toBeVisible();
  await press("ArrowDown", 4);
  await press("Shift+ArrowLeft", 5);
  await press(" ");
  await press("Enter");
  await otherPixels(page, before);
  await expect(page.getByRole("button", { name: "Draw the outline anew" })).toBeVisible();
  await saved(page);
  const { place } = (await surfaceOf(request, id, "satchel")).coats[1]!;
  expect(place.kind === "zones" && place.outline?.points).toHaveLength(6);
});

test("coats are copied to another surface, kept as a variant, and the variant painted instead", async ({
  request,
}) => {
  const { page, id } = await openSurface("Satchel");
  await page.getByRole("button", { name: /^Coat 9/ }).click();
  await page.getByRole("button", { name: "Copy to" }).click();
  await page.getByRole("menuitem", { name: "Gloves: this coat" }).click();
  await saved(page);
  expect((await surfaceOf(request, id, "gloves")).coats.at(-1)!.technique.id).toBe("scratch");
  await page.getByRole("tab", { name: "Variants" }).click();
  await page.getByRole("button", { name: "Keep as a variant" }).click();
  await page.getByRole("switch", { name: "Hold back" }).click();
  for (const seen of ["simulated", "at arm's length, 60\u202fcm", "across the table, 120\u202fcm"])
    await expect(page.getByRole("img", { name: `Variant A, ${seen}` })).toBeVisible();
  await saved(page);
  expect((await surfaceOf(request, id, "satchel")).coats[8]!.held).toBe(true);
  await page.getByRole("button", { name: "Paint this one" }).click();
  await expect(async () => {
    const { coats, variants } = await surfaceOf(request, id, "satchel");
    expect(coats[8]!.held).toBe(false);
    expect(variants.map((one) => one.name)).toEqual(["Painted before"]);
  }).toPass();
});

test("the leathers of a figure are unlike where they touch", async ({ request }) => {
  const { page, id } = await openSurface("Satchel");
  await page.getByRole("button", { name: "Leathers" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByTestId("least-step")).toHaveText(/L\* 1\d apart at least/);
  await dialog.getByRole("button", { name: "quiet", exact: true }).click();
  await dialog.getByRole("button", { name: "Paint them so" }).click();
  await expect(dialog).toBeHidden();
  await saved(page);
  const { surfaces } = await storedJob(request, id);
  const bases = ["satchel", "strap", "gloves"].map(
    (name) => surfaces.find((one) => one.id === name)!.coats[0]!.mixId,
  );
  expect(new Set(bases).size).toBe(3);
});

test("relief comes from a greyscale picture; another file is refused with the reason", async ({
  request,
}) => {
  const { page, id } = await openSurface("Satchel");
  await go(page, "Brief");
  const picker = page.getByLabel("Relief picture");
  await picker.setInputFiles({ name: "notes.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(page.getByText(/notes.png: This file cannot be read as a PNG/)).toBeVisible();
  expect((await surfaceOf(request, id, "satchel")).relief).toBeNull();
  const data = Uint16Array.from({ length: 64 * 64 }, (_, at) =>
    Math.round(32767 * (1 + Math.sin(((at % 64) * Math.PI) / 8))),
  );
  const png = Buffer.from(encode({ width: 64, height: 64, channels: 1, depth: 16, data }));
  await picker.setInputFiles({ name: "Ribs.png", mimeType: "image/png", buffer: png });
  await expect(page.getByRole("button", { name: "Take Ribs off" })).toBeVisible();
  await put(page, "As wide as", "4");
  const stored = async () => (await surfaceOf(request, id, "satchel")).relief;
  await expect(async () => expect(await stored()).toMatchObject({ name: "Ribs", widthMm: 4 })).toPass();
  const relief = await stored();
  await go(page, "Coats");
  const ribbed = await pixels(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await otherPixels(page, ribbed);
  // The picture goes with the job's file.
  const answer = await request.get(`/api/jobs/${id}/export`);
  const { pictures } = (await answer.json()) as { pictures: { id: string }[] };
  expect(pictures.map((one) => one.id)).toContain(relief!.pictureId);
});
