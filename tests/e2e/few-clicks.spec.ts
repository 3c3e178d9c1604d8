import { expect, test, type Locator, type Page } from "@playwright/test";
import { fine } from "./support";

/** Counts what the hand does with the mouse: every press on the page, also that into a field and on an option. */
function counting(page: Page) {
  let clicks = 0;
  const click = async (what: Locator) => {
    await what.click();
    clicks++;
  };
  return {
    click,
    press: (name: string | RegExp) => click(page.getByRole("button", { name })),
    type: async (label: string, text: string) => {
      await click(page.getByLabel(label, { exact: true }));
      await page.keyboard.press("ControlOrMeta+A");
      await page.keyboard.type(text);
    },
    choose: async (field: Locator, option: string) => {
      await click(field);
      await click(page.getByRole("option", { name: option, exact: true }));
    },
    /** The button makes the PDF, which comes as a download. */
    print: async () => {
      const download = page.waitForEvent("download", { timeout: 120_000 });
      await click(page.getByRole("button", { name: "Cards and guides as PDF" }));
      expect((await download).suggestedFilename()).toMatch(/\.pdf$/);
    },
    count: () => clicks,
  };
}

test("from a new job to the printed card of a check skirt in 25 clicks", async ({ page }) => {
  const { press, click, type, choose, print, count } = counting(page);
  await page.goto("/");
  await press("New job");
  await press(/^Skirt/);
  await type("Round the waist", "36");
  await type("Round the hem", "62");
  await type("Height along the slope", "12");
  await press(/^3 Coats/);
  await click(page.getByRole("tab", { name: "Pattern" }));
  await press("Check cloth");
  await type("Thread count", "S24 T18 R2 T18");
  for (const [code, pot] of [
    ["S", "Straw (pot)"],
    ["T", "Tarn Blue (pot)"],
    ["R", "Rust Red (pot)"],
  ] as const)
    await choose(page.getByLabel(`Mix of stripe ${code}`, { exact: true }).first(), pot);
  await choose(page.getByLabel("Base coat", { exact: true }), "Straw");
  await fine(page);
  await press(/^5 Bench/);
  await print();
  expect(count()).toBeLessThanOrEqual(25);
});

test("from a new job to the printed card of a leather satchel in 15 clicks", async ({ page }) => {
  const { press, click, type, print, count } = counting(page);
  await page.goto("/");
  await press("New job");
  await press(/^Bag/);
  await type("Width", "11");
  await type("Height", "8");
  await press(/^3 Coats/);
  await press("From a scheme");
  const dialog = page.getByRole("dialog");
  await click(dialog.getByRole("button", { name: "leather" }));
  await click(dialog.getByRole("button", { name: "old" }));
  await expect(dialog.getByText(/coats in \d+ mixes of your own pots/)).toBeVisible();
  await click(dialog.getByRole("button", { name: "Start", exact: true }));
  await fine(page);
  await press(/^5 Bench/);
  await print();
  expect(count()).toBeLessThanOrEqual(15);
});
