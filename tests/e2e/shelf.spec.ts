import { expect, test, type APIRequestContext, type Page } from "@playwright/test";
import type { Paint } from "../../src/core/job";

async function pots(request: APIRequestContext): Promise<Paint[]> {
  const response = await request.get("/api/paints");
  return ((await response.json()) as { paints: Paint[] }).paints;
}

async function open(page: Page): Promise<void> {
  await page.goto("/shelf");
  await expect(page.getByRole("grid", { name: "Pots" })).toBeVisible();
}

async function takeIn(page: Page, name: string, text: string) {
  await page
    .getByLabel("Shelf file")
    .setInputFiles({ name, mimeType: "text/plain", buffer: Buffer.from(text, "utf8") });
  return page.getByRole("dialog", { name });
}

const search = (page: Page) => page.getByLabel("Name, range or property");
const row = (page: Page, name: string) => page.getByRole("row").filter({ hasText: name });

/** Ten kinds of lines that cannot be used, and two that can. */
const BAD_TABLE = [
  "name,range,kind,state,colour,hiding,finish,strength,drop_ul",
  "Test Slate,Trial,paint,wanted,#50585c,semi,matt,1,40",
  ",Trial,paint,wanted,#112233,semi,matt,1,40",
  "No colour,Trial,paint,wanted,,semi,matt,1,40",
  "Bad colour,Trial,paint,wanted,mud,semi,matt,1,40",
  "Bad kind,Trial,jelly,wanted,#112233,semi,matt,1,40",
  "Bad state,Trial,paint,lost,#112233,semi,matt,1,40",
  "Bad hiding,Trial,paint,wanted,#112233,quite,matt,1,40",
  "Bad finish,Trial,paint,wanted,#112233,semi,shiny,1,40",
  "Too strong,Trial,paint,wanted,#112233,semi,matt,99,40",
  "Big drop,Trial,paint,wanted,#112233,semi,matt,1,big",
  "Test Slate,Trial,paint,wanted,#445566,semi,matt,1,40",
  "Test Lab,Trial,paint,wanted,lab(40 10 -20),semi,matt,1,40",
].join("\n");

test("a table with ten kinds of bad lines is taken in, every bad line named", async ({ page, request }) => {
  await open(page);
  const dialog = await takeIn(page, "trial.csv", BAD_TABLE);
  await expect(dialog.getByRole("status")).toHaveText("2 pots taken, 0 pots merged, 10 lines refused.");
  for (let line = 3; line <= 12; line++) {
    await expect(
      dialog.getByRole("listitem").filter({ hasText: new RegExp(`^line ${line}refused`) }),
    ).toBeVisible();
  }
  await expect(dialog.getByText('colour must be #rrggbb or lab(L a b), it is "mud".')).toBeVisible();
  expect((await pots(request)).some((paint) => paint.range === "Trial")).toBe(false);
  await dialog.getByRole("button", { name: "Take in what can be used" }).click();
  await expect(dialog.getByRole("status")).toHaveText(/^Done: 2 pots taken/);
  await dialog.getByRole("button", { name: "Close" }).click();
  await search(page).fill("trial");
  await expect(row(page, "Test Slate")).toBeVisible();
  await expect(row(page, "Test Lab")).toBeVisible();
  // What was taken in goes in one step back.
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row(page, "Test Slate")).toHaveCount(0);
  expect((await pots(request)).some((paint) => paint.range === "Trial")).toBe(false);
});

test("pots are found by words, kind, state and nearness, and it is shown where each is used", async ({
  page,
}) => {
  await open(page);
  await search(page).fill("harbour clear");
  await expect(row(page, "Clear Umber")).toBeVisible();
  await expect(row(page, "Tarn Blue")).toHaveCount(0);
  await search(page).fill("");
  await page.getByRole("combobox", { name: "State", exact: true }).click();
  await page.getByRole("option", { name: "wanted" }).click();
  await expect(row(page, "Lode Bronze")).toBeVisible();
  await expect(row(page, "Tarn Blue")).toHaveCount(0);
  await page.getByRole("combobox", { name: "State", exact: true }).click();
  await page.getByRole("option", { name: "any" }).click();
  await page.getByRole("button", { name: "Near to a colour" }).click();
  await page.getByLabel("Near to", { exact: true }).fill("lab(43 45 35)");
  const first = page.getByRole("row").nth(1);
  await expect(first).toContainText("Rust Red");
  await expect(first.getByRole("link", { name: "Ferry sergeant", exact: true }).first()).toHaveAttribute(
    "href",
    /\/job\/ferry-sergeant.*\/palette$/,
  );
});

test("marked pots are changed together, and one in use stays on the shelf", async ({ page, request }) => {
  await open(page);
  for (const name of ["Kelp", "Dusk"]) await row(page, name).getByRole("checkbox").check();
  const bar = page.getByRole("group", { name: "Marked pots" });
  await expect(bar.getByText("2 pots marked")).toBeVisible();
  await bar.getByLabel("To", { exact: true }).click();
  await page.getByRole("option", { name: "out", exact: true }).click();
  await bar.getByRole("button", { name: "Change all marked" }).click();
  await expect(row(page, "Kelp")).toContainText("out");
  const states = async () =>
    (await pots(request)).filter((paint) => /Kelp|Dusk/.test(paint.name)).map((paint) => paint.state);
  expect(await states()).toEqual(["out", "out"]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row(page, "Kelp")).toContainText("have");
  expect(await states()).toEqual(["have", "have"]);
  await row(page, "Straw").getByRole("checkbox").check();
  await bar.getByRole("button", { name: "Take off the shelf" }).click();
  await expect(bar.getByRole("alert")).toContainText("Ferry sergeant");
  expect((await pots(request)).map((paint) => paint.name)).toContain("Straw");
});

test("a pot is read with the simulated reader, fitted, and goes back to its label", async ({
  page,
  request,
}) => {
  await open(page);
  await row(page, "Kelp").getByText("Kelp").click();
  const dialog = page.getByRole("dialog", { name: "Kelp" });
  await dialog.getByRole("tab", { name: "Readings" }).click();
  await expect(dialog.getByText(/^Simulated colour reader\. No device is connected/)).toBeVisible();
  await dialog.getByRole("button", { name: "Read", exact: true }).click();
  await expect(dialog.getByText(/has to see its white tile first/)).toBeVisible();
  const readings = dialog.getByRole("list", { name: "Readings" }).getByRole("listitem");
  // It may fail now and then, as a real one: try again as the message says.
  await expect(async () => {
    await dialog.getByRole("button", { name: "Calibrate on the white tile" }).click();
    await expect(dialog.getByText(/readings until the white tile/)).toBeVisible({ timeout: 2000 });
  }).toPass();
  const read = async (place: string, count: number) => {
    await dialog.getByLabel("Put down on").click();
    await page.getByRole("option", { name: place }).click();
    await expect(async () => {
      if ((await readings.count()) < count)
        await dialog.getByRole("button", { name: "Read", exact: true }).click();
      await expect(readings).toHaveCount(count, { timeout: 2000 });
    }).toPass();
  };
  await read("a thick dry coat", 1);
  await read("a film over black", 2);
  await read("a film over white", 3);
  await dialog.getByRole("button", { name: "Fit the pot to these readings" }).click();
  await expect(dialog.getByText(/^Fitted to 3 readings\. What remains: \d\.\d on average/)).toBeVisible();
  await dialog.getByRole("button", { name: "Change", exact: true }).click();
  await expect(row(page, "Kelp")).toContainText("3 ×");
  const kelp = (await pots(request)).find((paint) => paint.name === "Kelp")!;
  expect(kelp.fit!.readings).toHaveLength(3);
  expect(kelp.fit!.absorption).toHaveLength(12);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row(page, "Kelp")).toContainText("no");
});

test("a new pot is typed in with L*a*b*, wrong input told beside the field", async ({ page, request }) => {
  await open(page);
  await page.getByRole("button", { name: "Add a pot" }).click();
  const dialog = page.getByRole("dialog", { name: "A pot for the shelf" });
  await expect(dialog.getByRole("button", { name: "Put on the shelf" })).toBeDisabled();
  await dialog.getByLabel("Name", { exact: true }).fill("Trial Violet");
  const colour = dialog.getByLabel("Dry colour of a thick coat", { exact: true });
  await colour.fill("violet");
  await expect(dialog.getByText(/or lab\(L a b\) like/)).toBeVisible();
  await colour.fill("lab(35 25 -30)");
  await dialog.getByLabel("State").click();
  await page.getByRole("option", { name: "wanted" }).click();
  await dialog.getByRole("button", { name: "Put on the shelf" }).click();
  await search(page).fill("trial violet");
  await expect(row(page, "Trial Violet")).toBeVisible();
  const pot = (await pots(request)).find((paint) => paint.name === "Trial Violet")!;
  expect(pot.thick).toMatch(/^#[0-9a-f]{6}$/);
  await row(page, "Trial Violet").getByText("Trial Violet").click();
  await page.getByRole("dialog").getByRole("button", { name: "Take off the shelf" }).click();
  await expect(row(page, "Trial Violet")).toHaveCount(0);
});

test("five hundred pots stay quick, doubles are found, and the shelf is written out", async ({
  page,
  request,
}) => {
  const lines = Array.from({ length: 500 }, (_, at) => {
    const hex = ((at * 32771 + 4099) % 0xffffff).toString(16).padStart(6, "0");
    return `Crowd ${at},Crowd,paint,wanted,#${hex}`;
  });
  await open(page);
  const dialog = await takeIn(page, "crowd.csv", ["name,range,kind,state,colour", ...lines].join("\n"));
  await expect(dialog.getByRole("status")).toHaveText(/^500 pots taken/);
  await dialog.getByRole("button", { name: "Take in what can be used" }).click();
  await dialog.getByRole("button", { name: "Close" }).click();
  await expect(page.getByText(/^5\d\d pots, /)).toBeVisible();
  // Only the rows in sight are in the page.
  expect(await page.getByRole("row").count()).toBeLessThan(80);
  await search(page).fill("crowd 499");
  await expect(row(page, "Crowd 499")).toBeVisible();
  await page.getByRole("button", { name: "Look for doubles" }).click();
  const doubles = page.getByRole("dialog", { name: "Pots that look alike" });
  await expect(doubles.getByText(/apart, /).first()).toBeVisible();
  await doubles.getByRole("button", { name: "Close" }).click();
  const csv = await (await request.get("/api/paints/export.csv")).text();
  expect(csv.split("\r\n").length).toBeGreaterThan(520);
  expect(csv).toContain("Crowd 499,Crowd,paint,wanted,");
  const gpl = await (await request.get("/api/paints/export.gpl")).text();
  expect(gpl.startsWith("GIMP Palette\n")).toBe(true);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/^0 of 30 pots|^0 of \d\d pots/)).toBeVisible();
});
