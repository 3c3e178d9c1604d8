import { expect, test, type Page } from "@playwright/test";
import { demoJob, fine, go, seriousFindings, sharedPage } from "./support";

const STAGES = ["Brief", "Palette", "Coats", "Check", "Bench", "Log"] as const;

async function ready(page: Page, view: string): Promise<void> {
  if (/coats$/i.test(view)) await fine(page);
  else await expect(page.locator("main")).not.toBeEmpty();
}

/** Nothing that would keep somebody out, in the light theme and in the dark one. */
async function usable(page: Page, what: string, within = "body"): Promise<void> {
  for (const mode of ["light", "dark"] as const) {
    await page.emulateMedia({ colorScheme: mode });
    expect(await seriousFindings(page, mode, within), `${what}, ${mode}`).toEqual([]);
  }
}

for (const view of ["/", "/shelf", "/schemes", "/settings"])
  test(`the view ${view} is usable without sight and mouse`, async ({ page }) => {
    await page.goto(view);
    await ready(page, view);
    await usable(page, view);
  });

test.describe("a whole job", () => {
  const opened = sharedPage("Brief");

  test("every stage of a whole job is usable without sight and mouse", async () => {
    const { page } = opened;
    for (const stage of STAGES) {
      await go(page, stage);
      await expect(page).toHaveURL(new RegExp(`${stage}$`, "i"));
      await ready(page, stage);
      await usable(page, stage);
    }
  });

  test("what opens in the palette is usable without sight and mouse", async () => {
    const { page } = opened;
    await go(page, "Palette");
    for (const shown of ["Value ladder", "Goals", "Wells", "Mixes"]) {
      await page.getByRole("button", { name: shown, exact: true }).click();
      await usable(page, shown, "main");
    }
    const closed = page.getByRole("button", { name: /\?$|^Draw the gradient/, expanded: false });
    while ((await closed.count()) > 0) await closed.first().click();
    await usable(page, "questions");
  });

  test("what opens in the coats is usable without sight and mouse", async () => {
    const { page } = opened;
    await go(page, "Coats");
    await ready(page, "Coats");
    for (const tab of ["Pattern", "Guides", "Wear", "Plan backwards", "Variants"]) {
      await page.getByRole("tab", { name: tab }).click();
      await usable(page, tab, "[role=tabpanel]");
    }
    for (const dialog of ["From a scheme", "Leathers"]) {
      await page.getByRole("button", { name: dialog }).click();
      await expect(page.getByRole("dialog")).toBeVisible();
      await usable(page, dialog, "[role=dialog]");
      await page.keyboard.press("Escape");
      await expect(page.getByRole("dialog")).toHaveCount(0);
    }
  });

  test("stages are reached and worked by keyboard alone", async () => {
    const { page } = opened;
    await go(page, "Brief");
    await page.getByRole("button", { name: /^3 Coats/ }).focus();
    await page.keyboard.press("Enter");
    await expect(page).toHaveURL(/coats$/);
    await fine(page);
    await page.getByRole("button", { name: /^Coat 3/ }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name: "3 Straw boxes" })).toBeVisible();
    await page.getByLabel("Passes").focus();
    await page.keyboard.press("ArrowUp");
    await expect(page.getByLabel("Passes")).toHaveValue("3");
    await page.getByRole("tab", { name: "Pattern" }).focus();
    await page.keyboard.press("Control+z");
    await expect(page.getByLabel("Passes")).toHaveValue("2");
  });

  test("on a tablet the side columns become drawers", async () => {
    const { page } = opened;
    await page.setViewportSize({ width: 820, height: 1180 });
    await go(page, "Coats");
    await fine(page);
    await page.getByRole("button", { name: "Coats", exact: true }).click();
    await page.getByRole("button", { name: /^Coat 7/ }).click();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Chosen coat" }).click();
    await expect(page.getByRole("heading", { name: "7 Rust lines" })).toBeVisible();
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(width).toBeLessThanOrEqual(820);
    await page.keyboard.press("Escape");
    await go(page, "Palette");
    await page.getByRole("button", { name: "Pots", exact: true }).click();
    await expect(page.getByRole("link", { name: "Whole shelf" })).toBeVisible();
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Questions", exact: true }).click();
    await expect(page.getByRole("button", { name: "Find mixes" })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
    await page.keyboard.press("Escape");
  });

  test("on a phone the bench shows its card first and fits", async () => {
    const { page } = opened;
    await page.setViewportSize({ width: 390, height: 844 });
    await go(page, "Bench");
    const card = page.getByRole("article", { name: "Card 1, Base" });
    await expect(card.getByRole("button", { name: "Done", exact: true })).toBeVisible();
    const box = (await card.boundingBox())!;
    expect(box.width).toBeGreaterThan(300);
    expect(box.y).toBeLessThan(200);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});

test("the dialog of a pot is usable without sight and mouse", async ({ page }) => {
  await page.goto("/shelf");
  await page.getByRole("button", { name: "Add a pot" }).click();
  for (const tab of ["Readings", "By eye"]) {
    await page.getByRole("tab", { name: tab }).click();
    await usable(page, tab, "[role=dialog]");
  }
});

test("no other host is asked, nothing breaks the page's policy, and nothing is logged as an error", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["strap"]);
  const foreign: string[] = [];
  const errors: string[] = [];
  page.on("request", (one) => {
    const { protocol, hostname } = new URL(one.url());
    if (protocol.startsWith("http") && hostname !== "127.0.0.1") foreign.push(one.url());
  });
  page.on("console", (message) => message.type() === "error" && errors.push(message.text()));
  page.on("pageerror", (error) => errors.push(error.message));
  for (const view of [
    "/",
    "/shelf",
    "/schemes",
    "/settings",
    ...STAGES.map((stage) => `/job/${id}/${stage.toLowerCase()}`),
  ]) {
    const response = await page.goto(view);
    expect(response?.headers()["content-security-policy"]).toContain("default-src 'none'");
    await ready(page, view);
  }
  await go(page, "Bench");
  const pdf = page.waitForEvent("download");
  await page.getByRole("button", { name: "Cards and guides as PDF" }).click();
  await pdf;
  expect(foreign).toEqual([]);
  expect(errors).toEqual([]);
});

test("the fonts are the shipped ones", async ({ page }) => {
  await page.goto("/");
  await expect(page.locator("main")).not.toBeEmpty();
  const loaded = await page.evaluate(() =>
    document.fonts.ready.then((fonts) =>
      [...fonts].filter((font) => font.status === "loaded").map((font) => font.family.replaceAll('"', "")),
    ),
  );
  expect(loaded).toContain("Archivo");
});

test("the server refuses foreign hosts and origins, wrong and oversized bodies, without a stack", async ({
  request,
  baseURL,
}) => {
  const foreign = await request.get("/api/jobs", { headers: { host: "elsewhere.example" } });
  expect(foreign.status()).toBe(421);
  const origin = await request.post("/api/jobs", {
    headers: { origin: "http://elsewhere.example" },
    data: { from: "demo" },
  });
  expect(origin.status()).toBe(403);
  expect(origin.headers()["content-type"]).toContain("application/problem+json");
  const large = await request.post("/api/jobs", {
    data: "x".repeat(15_000_000),
    headers: { "content-type": "application/json" },
  });
  expect(large.status()).toBe(413);
  const wrong = await request.post("/api/jobs", { data: { from: "nowhere", extra: 1 } });
  expect(wrong.status()).toBe(422);
  expect(((await wrong.json()) as { problems: unknown[] }).problems).toHaveLength(2);
  for (const response of [origin, large, wrong])
    expect(await response.text()).not.toMatch(/at \w+ \(|node_modules|\.ts:/);
  const page = await request.get("/_astro/../../../package.json");
  expect(await page.text()).not.toContain("dependencies");
  expect(baseURL).toContain("127.0.0.1");
});
