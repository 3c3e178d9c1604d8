import { execFileSync } from "node:child_process";
import { expect, test, type Page } from "@playwright/test";
import { settParams } from "../../src/core/patterns/sett/testing";
import type { Job } from "../../src/core/job";
import {
  demoJob,
  fine,
  go,
  otherPixels,
  pixels,
  put,
  samePixels,
  saved,
  sharedPage,
  storedHistory,
  storedJob,
} from "./support";

test.describe("the whole way", () => {
  // It is gone in full pictures; the other tests ask for quick ones.
  test.use({ storageState: { cookies: [], origins: [] } });

  test("the desk shows the demo job with its simulated surface and next card", async ({ page }) => {
    await page.goto("/");
    const strip = page.getByRole("article", { name: "Ferry sergeant", exact: true }).first();
    // Other tests leave jobs above it, and only what is in view is simulated.
    await strip.scrollIntoViewIfNeeded();
    await expect(strip.getByRole("img", { name: "Coat skirt, simulated" })).toBeVisible();
    await expect(strip).toContainText("Next card: Base, 1 of 56");
    await expect(strip).toContainText("1 : 51");
  });

  test("a painter goes from a new job to a ticked card on their own figure", async ({ page, request }) => {
    await page.goto("/");
    await page.getByRole("button", { name: "New job" }).click();
    await expect(page).toHaveURL(/\/job\/new-figure[^/]*\/brief/);
    const id = /job\/([^/]+)\//.exec(page.url())![1]!;
    await page
      .getByRole("group", { name: "Pieces" })
      .getByRole("button", { name: /^Skirt/ })
      .click();

    // Brief: sizes of their own; scale and millimetres give each other.
    await put(page, "Ground to eyes", "54");
    await expect(page.getByLabel("Scale 1 :")).toHaveValue("30.2");
    await put(page, "Scale 1 :", "32");
    await expect(page.getByLabel("Ground to eyes")).toHaveValue("50.94");
    await put(page, "Round the hem", "70");
    await expect(page.getByRole("img", { name: /hem 70\.0.mm round/ })).toBeVisible();
    await put(page, "Round the waist", "52");

    // Palette: another paint into the light mix.
    await page.getByRole("button", { name: /^2 Palette/ }).click();
    const light = page.getByRole("region", { name: "Mix Light" });
    await light.getByRole("button", { name: "Add a paint" }).click();
    await page.getByRole("menuitem", { name: "Clay" }).click();
    await light.getByLabel("Parts of Clay in Light").fill("2");
    await expect(light.getByText("over grey primer")).toBeVisible();

    // Coats: the piece stands on its form; laid flat it gets a count of their own.
    await page.getByRole("button", { name: /^3 Coats/ }).click();
    await expect(page.getByRole("img", { name: "The surface, simulated, on its form" })).toBeVisible();
    await page.getByRole("button", { name: "Flat", exact: true }).click();
    const before = await pixels(page);
    await page.getByRole("tab", { name: "Pattern" }).click();
    await page.getByRole("button", { name: "Check cloth" }).click();
    await page.getByLabel("Thread count", { exact: true }).fill("A30 B18 A4 B18");
    await expect(page.getByText("4 stripes, 70 threads to the repeat")).toBeVisible();
    await otherPixels(page, before);

    // Check, bench and log.
    await page.getByRole("button", { name: /^4 Check/ }).click();
    await expect(page.getByText("The repeat closes")).toBeVisible();
    await page.getByRole("button", { name: /^5 Bench/ }).click();
    // Two passes, each a turn of its own: the card is done when both are.
    for (const pass of [1, 2]) {
      await expect(page.getByRole("article", { name: /Base$/ })).toContainText(`pass ${pass} of 2`);
      await page.getByRole("button", { name: "Done", exact: true }).click();
    }
    await page.getByRole("button", { name: /^6 Log/ }).click();
    await expect(page.getByRole("checkbox", { name: "Base done" })).toBeChecked();
    await saved(page);
    const job = await storedJob(request, id);
    expect(job.surfaces[0]!.form.params).toMatchObject({ waistMm: 52, hemMm: 70 });
    expect((await storedHistory(request, id)).log.map(({ pass }) => pass)).toEqual([1, 2]);
  });
});

/** Goes to the coats, all of them shown. */
async function allCoats(page: Page): Promise<void> {
  await go(page, "Coats");
  const all = page.getByRole("button", { name: "Show all coats" });
  if (await all.isEnabled()) await all.click();
}

async function pattern(page: Page): Promise<void> {
  await go(page, "Coats");
  await page.getByRole("tab", { name: "Pattern" }).click();
}

test.describe("a design that fits", () => {
  const opened = sharedPage("Check", ["coat-skirt"]);

  test("the check's remedy mends the design in one click", async () => {
    const { page } = opened;
    await go(page, "Check");
    const finding = page.getByRole("article", { name: "Look: Coat skirt, Rust lines" });
    await expect(finding).toContainText("1 pass at 2 : 1 over dark reaches");
    await finding.getByRole("button", { name: /^Plan \d passes/ }).click();
    await expect(finding).toHaveCount(0);
    await page.getByRole("button", { name: "Coat skirt", exact: true }).click();
    await expect(
      page.getByRole("img", { name: "Lightness of each tone, coat by coat" }).locator("svg"),
    ).toBeVisible();
  });

  test("the section shows films under its line and chooses a coat", async () => {
    const { page } = opened;
    await allCoats(page);
    await fine(page);
    await expect(page.getByText(/films drawn \d+ × thicker/)).toBeVisible();
    const cut = page.getByRole("group", { name: "Section through the films" });
    const paths = cut.locator("path").filter({ has: page.locator("title") });
    await expect(paths).toHaveCount(10);
    await page.getByRole("button", { name: /^Coat 3/ }).click();
    await expect(paths).toHaveCount(3);
    await page.getByRole("button", { name: "Show all coats" }).click();
    const base = cut.locator("path").filter({ has: page.locator("title", { hasText: /^Base$/ }) });
    const shape = await base.getAttribute("d");
    const end = page.getByRole("slider", { name: "End A of the section" });
    await end.focus();
    await page.keyboard.press("ArrowLeft");
    await expect(async () => expect(await base.getAttribute("d")).not.toBe(shape)).toPass();
    await base.dispatchEvent("click");
    await expect(page.getByRole("heading", { name: "1 Base" })).toBeVisible();
    // The line stays where it was put when the surface is painted anew.
    const place = await end.getAttribute("aria-valuetext");
    await page.getByLabel("Passes").fill("4");
    await fine(page);
    await expect(end).toHaveAttribute("aria-valuetext", place!);
  });

  test("changing, reordering and holding back coats changes the picture, and undo brings it back", async () => {
    const { page } = opened;
    await allCoats(page);
    const first = await pixels(page);
    await page.getByRole("button", { name: /^Coat 7, Rust lines/ }).click();
    await expect(page.getByText("after coat 7 of 10")).toBeVisible();
    await page.getByRole("button", { name: "Show all coats" }).click();
    await page.getByLabel("Passes").fill("4");
    const more = await otherPixels(page, first);
    await page.getByLabel("Hold back").click();
    await expect(page.getByRole("button", { name: "Coat 7, Rust lines, held back" })).toBeVisible();
    await otherPixels(page, more);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.getByRole("button", { name: "Undo" }).click();
    await samePixels(page, first);
    await page.getByRole("button", { name: "Redo" }).click();
    await samePixels(page, more);

    // By keyboard: the glaze is moved up one place.
    const handle = page.getByRole("button", { name: "Move Fold glaze" });
    await handle.focus();
    await page.keyboard.press("Space");
    await page.waitForTimeout(300);
    await page.keyboard.press("ArrowUp");
    await page.waitForTimeout(300);
    await page.keyboard.press("Space");
    await expect(page.getByRole("button", { name: /^Coat 9, Fold glaze/ })).toBeVisible();
  });

  test("the palette answers what to mix, and the answer is taken over", async ({ request }) => {
    const { page, id } = opened;
    const halfTone = (job: Job) => job.mixes.find((mix) => mix.name.startsWith("Half-tone"))!.parts;
    const before = halfTone(await storedJob(request, id));
    await go(page, "Palette");
    await page
      .getByRole("region", { name: "What do I mix for this colour?" })
      .getByRole("combobox", { name: "Goal" })
      .click();
    await page.getByRole("option", { name: "woven crossing D × S" }).click();
    await page.getByRole("button", { name: "Find mixes" }).click();
    await page.getByRole("button", { name: "Take", exact: true }).nth(1).click();
    await expect(async () => expect(halfTone(await storedJob(request, id))).not.toEqual(before)).toPass();
  });

  test("a pot of one's own goes on the shelf and into a mix", async () => {
    const { page } = opened;
    await go(page, "Palette");
    await page.getByRole("button", { name: "Add a pot" }).click();
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("Name", { exact: true }).fill("Own Ochre");
    await dialog.getByLabel("Dry colour of a thick coat", { exact: true }).fill("ochre");
    await expect(dialog.getByText(/#rrggbb like/)).toBeVisible();
    await expect(dialog.getByRole("button", { name: "Put on the shelf" })).toBeDisabled();
    await dialog.getByLabel("Dry colour of a thick coat", { exact: true }).fill("#b08030");
    await dialog.getByRole("button", { name: "Put on the shelf" }).click();
    await expect(page.getByRole("button", { name: /Own Ochre/ })).toBeVisible();
    await page
      .getByRole("region", { name: "Mix Straw" })
      .getByRole("button", { name: "Add a paint" })
      .click();
    await page.getByRole("menuitem", { name: "Own Ochre" }).click();
    await saved(page);
    // In use, it is not taken off in silence.
    await page
      .getByRole("button", { name: /Own Ochre/ })
      .first()
      .click();
    await page.getByRole("dialog").getByRole("button", { name: "Take off the shelf" }).click();
    await expect(page.getByRole("dialog").getByRole("alert")).toContainText("use this pot");
  });
});

test.describe("a design that does not fit", () => {
  const opened = sharedPage("Coats", ["coat-skirt"]);

  test("repeats that do not close are told, and one click takes the nearest whole count", async ({
    request,
  }) => {
    const { page, id } = opened;
    await pattern(page);
    await page.getByLabel("Repeats round the band").fill("8.6");
    await expect(page.getByText("Does not close: 8.60 repeats")).toBeVisible();
    await page.getByRole("button", { name: /^4 Check/ }).click();
    const finding = page.getByRole("article", { name: "Must: at the closing seam" });
    await expect(finding).toContainText("8.60 repeats do not close");
    await expect(finding.getByRole("button", { name: /Use 8 repeats \(\+0\.40 mm each\)/ })).toBeVisible();
    await finding.getByRole("button", { name: /Use 9 repeats/ }).click();
    await expect(finding).toHaveCount(0);
    await saved(page);
    expect(settParams((await storedJob(request, id)).surfaces[0]!).periods).toBe(9);
  });

  test("a thread count says where it is wrong and keeps what was typed", async ({ request }) => {
    const { page, id } = opened;
    await pattern(page);
    const field = page.getByLabel("Thread count", { exact: true });
    await field.fill("R/2 D12 24 S/6");
    await expect(page.getByText('"24" has no colour')).toBeVisible();
    await expect(page.locator("mark")).toHaveText("24");
    await expect(field).toHaveValue("R/2 D12 24 S/6");
    expect(settParams((await storedJob(request, id)).surfaces[0]!).threadCount).toBe("R/2 D12 S5 D2 S/6");
    await field.fill("R/2 D12 S24 R/4");
    await expect(page.locator("mark")).toHaveCount(0);
    await saved(page);
    expect(settParams((await storedJob(request, id)).surfaces[0]!).threadCount).toBe("R/2 D12 S24 R/4");
  });

  test("impossible sizes are refused with the reason, and stay as typed", async () => {
    const { page } = opened;
    await go(page, "Brief");
    await put(page, "Round the hem", "120");
    await expect(page.getByRole("alert")).toContainText("can widen or narrow by 67.7 mm at most");
    await expect(page.getByLabel("Round the hem")).toHaveValue("120");
    await put(page, "Round the waist", "0");
    await expect(page.getByText("Allowed: 2 to 400 mm.")).toBeVisible();
    await expect(page.getByLabel("Round the waist")).toHaveValue("0");
    // A hem smaller than the waist is a tulip, and allowed.
    await put(page, "Round the waist", "50");
    await put(page, "Round the hem", "30");
    await expect(page.getByRole("alert")).toHaveCount(0);
    await expect(page.getByRole("button", { name: /^1 Brief/ })).toContainText("complete");
  });
});

test("the bench prints cards and gauge, and the log stays after a reload", async ({
  page,
  request,
}, info) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/bench`);
  await page.getByRole("button", { name: /Rust lines/ }).click();
  await expect(page.getByText("6 brush-loads Rust Red, 2 brush-loads Buoy Orange")).toBeVisible();
  const pdf = page.waitForEvent("download");
  await page.getByRole("button", { name: "Cards and guides as PDF" }).click();
  const file = info.outputPath("bench.pdf");
  await (await pdf).saveAs(file);
  const facts = execFileSync("pdfinfo", [file], { encoding: "utf8" });
  expect(facts).toMatch(/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/);
  const text = execFileSync("pdftotext", ["-layout", file, "-"], { encoding: "utf8" });
  expect(text).toContain("Rust lines");
  expect(text).toContain("Measure this line before you cut");
  const svg = page.waitForEvent("download");
  await page.getByRole("button", { name: "Gauge strip as SVG, in mm" }).click();
  expect((await svg).suggestedFilename()).toContain("gauge.svg");

  await page.getByRole("button", { name: "Done", exact: true }).click();
  await page.getByRole("button", { name: /^6 Log/ }).click();
  await page.getByLabel("Note").fill("Second pass landed beside the first.");
  await put(page, "Took, min", "14.5");
  await saved(page);
  await page.reload();
  await expect(page.getByRole("checkbox", { name: "Rust lines done" })).toBeChecked();
  await expect(page.getByLabel("Note")).toHaveValue("Second pass landed beside the first.");
  await expect(page.getByText("15 min at the bench")).toBeVisible();
});
