import { expect, test, type Page } from "@playwright/test";
import { settParams } from "../../src/core/patterns/sett/testing";
import type { SettParams } from "../../src/core/patterns/sett/params";
import {
  demoJob,
  fine,
  go,
  otherPixels,
  pixels,
  saved,
  seriousFindings,
  sharedPage,
  storedJob,
  type Opened,
} from "./support";

/** Does something, and waits until another picture is shown. */
async function changesPicture(page: Page, what: string, act: () => Promise<unknown>): Promise<void> {
  const before = await pixels(page);
  await act();
  await otherPixels(page, before, what);
}

async function coats({ page }: Opened, tab: string): Promise<void> {
  await go(page, "Coats");
  await fine(page);
  await page.getByRole("tab", { name: tab }).click();
}

test.describe("the pattern of a cloth", () => {
  const opened = sharedPage("Coats", ["coat-skirt"]);

  test("threads of the real cloth change what is said about its true scale", async () => {
    const { page } = opened;
    await coats(opened, "Pattern");
    // 46 threads at 16 to the centimetre are 29 mm, at 1 : 51 0.56 mm.
    await expect(page.getByText(/The real cloth repeats every 29.mm: 0\.56.mm at 1 : 51/)).toBeVisible();
    await page.getByLabel("Threads in 1 cm").fill("8");
    await expect(page.getByText(/The real cloth repeats every 58.mm: 1\.13.mm/)).toBeVisible();
    await page.getByRole("button", { name: /Use true scale, 41 repeats/ }).click();
    await expect(page.getByLabel("Repeats round the band")).toHaveValue("41");
    const table = page.getByRole("table", { name: "Stripes" });
    await expect(table.getByText(/too fine, left out/).first()).toBeVisible();
  });

  test("every control of the cloth changes the picture and is kept", async ({ request }) => {
    const { page, id } = opened;
    await coats(opened, "Pattern");
    const fields: readonly [label: string, value: string, key: keyof SettParams, stored: number][] = [
      ["Repeats round the band", "8", "periods", 8],
      ["First column at", "12", "columnStartDeg", 12],
      ["First row from hem", "2", "rowStartMm", 2],
      ["Height of a row repeat", "3.4", "rowPeriodMm", 3.4],
    ];
    for (const [label, value] of fields)
      await changesPicture(page, label, () => page.getByLabel(label).fill(value));
    await changesPicture(page, "parallel", () => page.getByRole("button", { name: "kept parallel" }).click());
    await changesPicture(page, "bands", () =>
      page.getByRole("button", { name: "bands, overpainted" }).click(),
    );
    await changesPicture(page, "half pivots", () => page.getByRole("button", { name: "half of it" }).click());
    await expect(async () => {
      const params = settParams((await storedJob(request, id)).surfaces[0]!);
      for (const [, , key, stored] of fields) expect(params[key]).toBe(stored);
      expect(params).toMatchObject({ spread: "parallel", method: "bands", pivots: "half" });
    }).toPass();
  });

  test("light and shade are laid over it in the painter's own pots, and taken off again", async ({
    request,
  }) => {
    const { page, id } = opened;
    const coats = async () => (await storedJob(request, id)).surfaces[0]!.coats;
    await go(page, "Coats");
    await page.getByRole("tab", { name: "Pattern" }).click();
    const plain = await pixels(page);
    const before = await coats();
    await page.getByRole("button", { name: "Light and shade over it" }).click();
    const dialog = page.getByRole("dialog", { name: "Light and shade over Coat skirt" });
    await expect(dialog.getByText(/coats in \d+ mixes of your own pots/)).toBeVisible();
    await expect(dialog.getByRole("img", { name: "As it would be painted, simulated" })).toBeVisible();
    expect(await seriousFindings(page, "light")).toEqual([]);
    await dialog.getByRole("button", { name: "Lay it" }).click();
    await expect(dialog).toBeHidden();
    const shaded = await otherPixels(page, plain, "light and shade");
    await saved(page);
    expect((await coats()).length).toBeGreaterThan(before.length + 4);
    await page.getByRole("tab", { name: "Pattern" }).click();
    await page.getByRole("button", { name: "Take light and shade off" }).click();
    await otherPixels(page, shaded, "taken off");
    await saved(page);
    expect(await coats()).toEqual(before);
  });

  test("stripes are edited in the table, and the text follows", async ({ request }) => {
    const { page, id } = opened;
    await coats(opened, "Pattern");
    const count = page.getByLabel("Thread count", { exact: true });
    await page.getByLabel("Threads of stripe 2, D").fill("20");
    await expect(count).toHaveValue("R/2 D20 S5 D2 S/6");
    await page.getByRole("button", { name: "Remove stripe 1, R" }).click();
    await expect(count).toHaveValue("D/20 S5 D2 S/6");
    await page.getByRole("button", { name: "Add a stripe" }).click();
    await expect(count).toHaveValue("D/20 S5 D2 S6 A/6");
    // A list closes where its field moves between press and release: what the new stripe changes is waited for.
    await fine(page);
    await page.getByLabel("Mix of stripe A").click();
    await page.getByRole("option", { name: "Rust", exact: true }).click();
    await expect(async () =>
      expect(settParams((await storedJob(request, id)).surfaces[0]!).colours.A).toBe("rust"),
    ).toPass();
    // Another count for the rows, and back.
    await page.getByRole("button", { name: "Give the rows another count" }).click();
    await page.getByLabel("Thread count of the rows").fill("S40 D8");
    await expect(async () =>
      expect(settParams((await storedJob(request, id)).surfaces[0]!).rowThreadCount).toBe("S40 D8"),
    ).toPass();
    await page.getByRole("button", { name: "Rows as columns" }).click();
    await expect(page.getByLabel("Thread count of the rows")).toHaveCount(0);
  });
});

test.describe("the coats of a cloth", () => {
  const opened = sharedPage("Coats", ["coat-skirt"]);

  test("every control of a coat changes the picture", async () => {
    const { page } = opened;
    await coats(opened, "Section");
    const nudge = (name: string) => async () => {
      await page.getByRole("slider", { name, exact: true }).focus();
      for (let press = 0; press < 4; press++) await page.keyboard.press("ArrowLeft");
    };
    for (const [coat, controls] of [
      ["Coat 5, Deep tarn boxes", ["Kept off the edge", "Unevenness"]],
      [
        "Coat 6, Deep tarn lines",
        ["Width against the pattern's", "Length of one pull", "Paint lost along a pull"],
      ],
      ["Coat 9, Rust dots", ["Size against the pattern's", "Variation of size"]],
      ["Coat 10, Fold glaze", ["Drawn into the folds", "Unevenness"]],
    ] as const) {
      await page.getByRole("button", { name: coat }).click();
      for (const control of controls) await changesPicture(page, `${coat}: ${control}`, nudge(control));
      await changesPicture(page, `${coat}: other strokes`, () =>
        page.getByRole("button", { name: "Other strokes" }).click(),
      );
    }
    await changesPicture(page, "lit", () => page.getByRole("button", { name: "Lit", exact: true }).click());
    await changesPicture(page, "one coat back", () =>
      page.getByRole("button", { name: "One coat back" }).click(),
    );
  });

  test("a coat of one's own is added, placed, renamed and removed", async ({ request }) => {
    const { page, id } = opened;
    await coats(opened, "Section");
    await page.getByRole("button", { name: /^Coat 5/ }).click();
    await page.getByRole("button", { name: "Add a coat" }).click();
    await page.getByRole("menuitem", { name: "Glaze" }).click();
    await expect(page.getByRole("button", { name: "Coat 6, Glaze" })).toBeVisible();
    await page.getByLabel("Name of the coat").fill("Dust of the road");
    await page.getByLabel("Where").click();
    await page.getByRole("option", { name: "everywhere" }).click();
    await expect(page.getByRole("button", { name: "Coat 6, Dust of the road" })).toBeVisible();
    await expect(async () => {
      const coat = (await storedJob(request, id)).surfaces[0]!.coats[5]!;
      expect(coat).toMatchObject({ name: "Dust of the road", role: null, place: { kind: "everywhere" } });
    }).toPass();
    await page.getByRole("button", { name: "Remove", exact: true }).click();
    await expect(page.getByRole("button", { name: /Dust of the road/ })).toHaveCount(0);
  });

  test("guides are listed where they lie, and the hand of the job changes the marks", async () => {
    const { page } = opened;
    await coats(opened, "Guides");
    const columns = page.getByRole("table", { name: "Column guides" });
    await expect(columns.getByRole("row")).toHaveCount(51);
    // The first line: R, one of 46 threads into a repeat of 5.8 mm at the hem, 3.4 mm at the waist.
    await expect(columns.getByRole("row").nth(1)).toContainText(/0\.8°.*0\.13.mm.*0\.07.mm.*line R/);
    const before = await pixels(page);
    await page.getByRole("button", { name: /^1 Brief/ }).click();
    await page.getByLabel("Steadiness").fill("0");
    await page.getByRole("button", { name: /^3 Coats/ }).click();
    await otherPixels(page, before);
  });
});

test("surfaces are added, chosen, named and removed, each with its own picture", async ({
  page,
  request,
}) => {
  const id = await demoJob(request);
  await page.goto(`/job/${id}/brief`);
  await page.getByRole("button", { name: "Add a surface" }).click();
  await page.getByRole("menuitem", { name: /^Skirt or band/ }).click();
  await expect(page.getByLabel("Name of the surface")).toHaveValue("Skirt 5");
  await page.getByLabel("Hidden gap").fill("90");
  await expect(page.getByText(/270° of the turn is seen/)).toBeVisible();
  await page.getByLabel("Seams").fill("2.5");
  await expect(page.getByText("A whole number, 1 to 12.")).toBeVisible();
  await page.getByRole("button", { name: "Coat skirt", exact: true }).click();
  await expect(page.getByLabel("Round the hem")).toHaveValue("58");
  await page.getByRole("button", { name: "Skirt 5", exact: true }).click();
  await page.getByRole("button", { name: /^5 Bench/ }).click();
  await expect(page.getByRole("button", { name: /Skirt 5.*Base coat|Base coat/ }).first()).toBeVisible();
  await page.getByRole("button", { name: /^1 Brief/ }).click();
  await page.getByRole("button", { name: "Remove Skirt 5" }).click();
  await expect(async () => expect((await storedJob(request, id)).surfaces).toHaveLength(4)).toPass();
});
