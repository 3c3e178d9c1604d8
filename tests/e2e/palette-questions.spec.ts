import sharp from "sharp";
import { expect, test, type Page } from "@playwright/test";
import { go, saved, sharedPage, storedHistory, storedJob } from "./support";

const opened = sharedPage("Palette", ["coat-skirt"]);

/** Goes to the mixes of the palette. */
async function mixes(page: Page): Promise<void> {
  await go(page, "Palette");
  await page.getByRole("button", { name: "Mixes", exact: true }).click();
}

async function open(page: Page, title: string) {
  await mixes(page);
  const question = page.getByRole("region", { name: title });
  await question.getByRole("button", { name: title }).click();
  return question;
}

/** Chooses an entry of a drop-down. */
async function choose(
  page: Page,
  question: ReturnType<Page["getByRole"]>,
  label: string,
  entry: string,
): Promise<void> {
  await question.getByLabel(label).click();
  await page.getByRole("option", { name: entry, exact: true }).click();
}

test("a gradient between two mixes is even to the eye, and its steps are taken over", async ({ request }) => {
  const { page, id } = opened;
  const question = await open(page, "Draw the gradient between these two");
  await choose(page, question, "From", "Deep tarn");
  await choose(page, question, "To", "Straw");
  await expect(question.getByText(/^\d+ : \d+/)).toHaveCount(3);
  await question.getByLabel("Steps, both ends counted").fill("7");
  await expect(question.getByText(/^\d+ : \d+/)).toHaveCount(5);
  const before = (await storedJob(request, id)).mixes;
  await question.getByRole("button", { name: "Take" }).nth(2).click();
  await expect(async () =>
    expect((await storedJob(request, id)).mixes).toHaveLength(before.length + 1),
  ).toPass();
  const added = (await storedJob(request, id)).mixes.at(-1)!;
  expect(added.name).toMatch(/^\d+ Deep tarn : \d+ Straw$/);
  expect(added.parts.map((part) => part.paintId).sort()).toEqual([
    "paint-lamp-black",
    "paint-shell",
    "paint-straw",
    "paint-tarn-blue",
  ]);
});

test("what must lie under a glaze is told, with a mix for it, or that nothing reaches the goal", async ({
  request,
}) => {
  const { page, id } = opened;
  const question = await open(page, "What must lie under this glaze?");
  await expect(question.getByText(/This must lie below: #[0-9a-f]{6}/)).toBeVisible();
  await question.getByRole("button", { name: "Find a mix for below" }).click();
  await question.getByRole("button", { name: "Take" }).first().click();
  await expect(async () =>
    expect((await storedJob(request, id)).mixes.at(-1)!.name).toBe("Under Fold glaze"),
  ).toPass();
  await question.getByLabel("To be seen", { exact: true }).fill("#fdfdfd");
  await expect(question.getByText(/No ground reaches it under 2 coats/)).toBeVisible();
});

test("a painter without a pot gets a substitute, takes it over, and the coats that use it change", async ({
  request,
}) => {
  const { page, id } = opened;
  const before = await storedJob(request, id);
  const question = await open(page, "What replaces a pot I lack?");
  await choose(page, question, "The pot I lack", "Rust Red");
  await expect(question.getByText(/Judged as it lies in Rust lines/)).toBeVisible();
  await question.getByRole("button", { name: "Find what replaces it" }).click();
  await question.getByRole("button", { name: "Take" }).first().click();
  await expect(async () => {
    const rust = (await storedJob(request, id)).mixes.find((mix) => mix.id === "rust")!;
    expect(rust.parts.map((part) => part.paintId)).not.toContain("paint-rust-red");
  }).toPass();
  const after = await storedJob(request, id);
  const using = (job: typeof after) => job.surfaces[0]!.coats.filter((coat) => coat.mixId === "rust").length;
  expect(using(after)).toBe(using(before));
  expect(using(after)).toBe(2);
});

test("coats to cover are counted, and other eyes are asked", async () => {
  const { page } = opened;
  const cover = await open(page, "How many coats to cover?");
  await choose(page, cover, "Mix", "Straw");
  await choose(page, cover, "Over", "black primer");
  await expect(cover.getByText(/^\d+ coats at 1 : 1; off by/)).toBeVisible();
  const eyes = page.getByRole("region", { name: "How do other eyes see these?" });
  await eyes.getByRole("button").click();
  await expect(eyes.getByText("green-weak eyes")).toBeVisible();
  await expect(eyes.getByText(/Nearest: /)).toHaveCount(4);
  await saved(page);
});

test("a mix for a colour is searched over every pot at hand, and taken over with its goal", async ({
  request,
}) => {
  const { page, id } = opened;
  await mixes(page);
  const question = page.getByRole("region", { name: "What do I mix for this colour?" });
  await question.getByLabel("Colour", { exact: true }).fill("lab(52 -14 18)");
  await question.getByRole("button", { name: "Find mixes" }).click();
  await expect(
    question.getByText(/Every mix of up to three of \d+ pots in parts to 6 was tried/),
  ).toBeVisible();
  // What is least bother comes first; the nearest is one click away.
  await question.getByRole("button", { name: "Nearest", exact: true }).click();
  await expect(question.getByText(/off by 0\.\d, not visible/).first()).toBeVisible();
  const before = (await storedJob(request, id)).mixes;
  await question.getByRole("button", { name: "Take" }).first().click();
  await expect(async () =>
    expect((await storedJob(request, id)).mixes).toHaveLength(before.length + 1),
  ).toPass();
  const mix = (await storedJob(request, id)).mixes.at(-1)!;
  expect(mix.goal).toMatch(/^#[0-9a-f]{6}$/);
  const card = page.getByRole("region", { name: `Mix ${mix.name}`, exact: true });
  await expect(card.getByText(/goal off by 0\.\d, not visible/)).toBeVisible();
});

test("a glaze is found for three tones, and one mix is shown as a gradient of its coats", async ({
  request,
}) => {
  const { page, id } = opened;
  const glaze = await open(page, "Which glaze carries these tones?");
  await glaze.getByRole("button", { name: "Find glazes" }).click();
  await expect(glaze.getByText(/, \d+ : 1, \d coats?/).first()).toBeVisible();
  await glaze.getByRole("button", { name: "Take" }).first().click();
  await expect(async () =>
    expect((await storedJob(request, id)).mixes.at(-1)!.name).toMatch(/^Glaze \d+$/),
  ).toPass();
  const steps = page.getByRole("region", { name: "Which steps does one mix give?" });
  await steps.getByRole("button").click();
  for (const coats of ["1 coat", "2 coats", "3 coats", "4 coats"])
    await expect(steps.getByText(new RegExp(`^${coats} L\\* \\d+, step`))).toBeVisible();
});

test("a well is begun from a mix, steered to a tone, and its drops are what the log keeps", async ({
  request,
}) => {
  const { page, id } = opened;
  await mixes(page);
  const card = page.getByRole("region", { name: "Mix Straw", exact: true });
  // What a mix says is there once it is in view.
  await card.scrollIntoViewIfNeeded();
  await expect(card.getByText(/^For Straw boxes: drops \d+ Straw, \d+ Shell/)).toBeVisible();
  await card.getByRole("button", { name: "Begin a well" }).click();
  const well = page.getByRole("region", { name: "Well Straw" });
  await expect(well.getByText(/^Went in: 3 drops Straw, 1 drop Shell/)).toBeVisible();
  const off = async () => Number(/off by ([\d.]+)/.exec(await well.getByText(/^Now off by/).innerText())![1]);
  const before = await off();
  await well.getByRole("button", { name: "What do I add?" }).click();
  await well
    .getByRole("listitem")
    .or(well.getByRole("button", { name: "It went in" }))
    .nth(1)
    .click();
  await expect(async () => expect(await off()).toBeLessThan(before)).toPass();
  await well.getByRole("button", { name: "It was painted" }).click();
  await expect(async () =>
    expect((await storedHistory(request, id)).wells[0]!.added.length).toBeGreaterThan(2),
  ).toPass();
  await go(page, "Log");
  await page.getByRole("checkbox", { name: "Straw boxes done" }).click();
  await expect(page.getByText(/^Mixed: \d+ drops Straw/)).toBeVisible();
  await expect(async () => {
    const { log } = await storedHistory(request, id);
    expect(log[0]!.recipe!.find((one) => one.paintId === "paint-straw")!.drops).toBeGreaterThanOrEqual(3);
  }).toPass();
});

test("goals come from a picture: main colours, a point, and grey set right", async ({ request }) => {
  const { page, id } = opened;
  await mixes(page);
  await page.getByRole("button", { name: "Goals" }).click();
  const input = page.getByLabel("Reference picture");
  await input.setInputFiles({ name: "note.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(page.getByRole("alert").getByText(/cannot be read as a picture/)).toBeVisible();
  // Two thirds of a warm grey, one third tarn blue, under a warm light.
  const png = await sharp({
    create: { width: 300, height: 200, channels: 3, background: { r: 150, g: 128, b: 100 } },
  })
    .composite([
      {
        input: await sharp({
          create: { width: 100, height: 200, channels: 3, background: { r: 60, g: 84, b: 80 } },
        })
          .png()
          .toBuffer(),
        left: 200,
        top: 0,
      },
    ])
    .png()
    .toBuffer();
  await input.setInputFiles({ name: "cloth.png", mimeType: "image/png", buffer: png });
  const picture = page.getByRole("region", { name: "Picture cloth" });
  await picture.getByRole("button", { name: "Find its main colours" }).click();
  await expect(picture.getByText(/#968064 67.%, #3c5450 33.%/)).toBeVisible();
  await picture.getByRole("button", { name: "Take all as goals" }).click();
  await expect(page.getByRole("listitem", { name: "Goal cloth 1" })).toBeVisible();
  await picture.getByRole("button", { name: "Click on something grey" }).click();
  const image = picture.getByRole("img", { name: "Reference picture cloth" });
  await image.click({ position: { x: 40, y: 40 } });
  await expect(picture.getByText(/the place you pointed at is grey now/)).toBeVisible();
  await picture.getByRole("button", { name: "Click takes a colour" }).click();
  await image.click({ position: { x: 40, y: 40 } });
  await expect(picture.getByText(/is a goal now/)).toBeVisible();
  await saved(page);
  const { goals, references } = await storedJob(request, id);
  const grey = goals.at(-1)!.colour;
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(grey.slice(at, at + 2), 16)) as [number, number, number];
  expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThanOrEqual(2);
  expect(goals.filter((goal) => goal.share !== null).map((goal) => Math.round(goal.share! * 100))).toEqual([
    67, 33,
  ]);
  expect(references[0]!.neutral).not.toBeNull();
  // It is still there after a reload, and travels with the job.
  await page.reload();
  await expect(page.getByRole("region", { name: "Picture cloth" }).getByRole("img").first()).toBeVisible();
  const file = (await (await request.get(`/api/jobs/${id}/export`)).json()) as { pictures: unknown[] };
  expect(file.pictures).toHaveLength(1);
});

test("the value ladder shows every mix against its goal", async ({ request }) => {
  const { page, id } = opened;
  await mixes(page);
  await page.getByRole("button", { name: "Value ladder" }).click();
  const ladder = page.getByRole("region", { name: "Value ladder" });
  await expect(ladder.getByRole("img", { name: "Lightness of every mix against its goal" })).toBeVisible();
  const goals = (await storedJob(request, id)).mixes.filter((mix) => mix.goal !== null);
  await expect(ladder.getByText(/L\* from its goal, off by/)).toHaveCount(goals.length);
  await expect(ladder.getByText("Deep tarn").first()).toBeVisible();
});
