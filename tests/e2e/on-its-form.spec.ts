import { expect, test, type APIRequestContext, type Locator, type Page } from "@playwright/test";
import sharp from "sharp";
import { demoJob, fine, otherPixels, pixels, samePixels } from "./support";

/** As in a browser without graphics: nothing can be asked for that draws in space. Runs in the page. */
function withoutGraphics(): void {
  const draws = Reflect.get(HTMLCanvasElement.prototype, "getContext") as (kind: string) => unknown;
  Object.defineProperty(HTMLCanvasElement.prototype, "getContext", {
    value(this: HTMLCanvasElement, kind: string) {
      return kind.startsWith("webgl") ? null : draws.call(this, kind);
    },
  });
}

/** As on a painter's first visit, but for pictures of fewer cells that move without a graphics chip. Runs in the page. */
function nothingChosen(): void {
  if (sessionStorage.getItem("visited")) return;
  sessionStorage.setItem("visited", "yes");
  const state = { fineness: "quick", pieces: "moving" };
  localStorage.setItem("crenna-prefs", JSON.stringify({ state, version: 0 }));
}

/** Drawn by the processor, as here, a frame takes as long as it has pixels. A window of this width has two rows of heads. */
const SMALL = { width: 1000, height: 640 } as const;

const pieceOn = (page: Page): Locator =>
  page.getByRole("img", { name: "The surface, simulated, on its form" });

const gloves = (request: APIRequestContext) => demoJob(request, ["gloves"]);

async function openGloves(page: Page, id: string): Promise<void> {
  await page.goto(`/job/${id}/coats`);
  await expect(page.locator('[data-testid="specimen"][data-settled="true"]')).toBeVisible();
}

/** The piece cut out of its surround and brought to one size, red, green and blue of each pixel. */
async function cutOut(page: Page): Promise<Buffer> {
  // What lies over the view is not of the piece.
  await page.getByTestId("specimen").evaluate((view) => {
    const over = view.querySelectorAll<HTMLElement>(":scope > :not([role=group]), [role=group] > p");
    for (const element of over) element.style.visibility = "hidden";
  });
  const view = await page.getByRole("group", { name: /The surface on its form/ }).screenshot();
  return sharp(view).removeAlpha().trim({ threshold: 24 }).resize(90, 90, { fit: "fill" }).raw().toBuffer();
}

test("a surface opens on its form, and the moving view looks as its still picture does", async ({
  page,
  context,
  request,
}) => {
  const id = await gloves(request);
  const other = await context.newPage();
  await other.addInitScript(withoutGraphics);
  for (const one of [page, other]) {
    await one.setViewportSize(SMALL);
    await one.addInitScript(nothingChosen);
    await openGloves(one, id);
    await expect(pieceOn(one)).toBeVisible();
  }
  await expect(async () => {
    const [moving, still] = [await cutOut(page), await cutOut(other)];
    const away = moving.reduce((sum, value, at) => sum + Math.abs(value - still[at]!), 0) / moving.length;
    expect(away, "mean difference, of 255").toBeLessThan(8);
  }).toPass();
  // Without light it is another picture: what was compared is not two views of nothing.
  const lit = await cutOut(page);
  await page.getByRole("button", { name: "Colour", exact: true }).click();
  await expect(async () => {
    const plain = await cutOut(page);
    const away = plain.reduce((sum, value, at) => sum + Math.abs(value - lit[at]!), 0) / plain.length;
    expect(away).toBeGreaterThan(12);
  }).toPass();
});

test("a piece comes nearer and stands at true size, and the next surface opens as the painter last looked", async ({
  page,
  request,
}) => {
  await page.setViewportSize(SMALL);
  await page.addInitScript(nothingChosen);
  await openGloves(page, await gloves(request));
  await expect(page.getByRole("button", { name: "Lit", exact: true })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  const shot = async () => (await pieceOn(page).screenshot()).toString("base64");
  await expect(pieceOn(page)).toBeVisible();
  await expect(page.getByText(/^\d+\.\d\s× its size$/)).toBeVisible();
  const whole = await shot();
  await page.getByRole("button", { name: "Near", exact: true }).click();
  await expect.poll(shot).not.toBe(whole);
  const near = await shot();
  await page.getByRole("button", { name: "True size" }).click();
  await expect(page.getByText("true size", { exact: true })).toBeVisible();
  await expect.poll(shot).not.toBe(near);
  await page.getByRole("button", { name: "Flat", exact: true }).click();
  await fine(page);
  await page.evaluate(() => sessionStorage.removeItem("crenna-view"));
  await page.reload();
  await fine(page);
  await expect(page.getByRole("button", { name: "Flat", exact: true })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
});

test("where the browser cannot draw in space, still pictures show the piece from every side", async ({
  page,
  request,
}) => {
  await page.addInitScript(withoutGraphics);
  await openGloves(page, await gloves(request));
  await page.getByRole("button", { name: "On its form" }).click();
  const form = page.getByRole("group", { name: /The surface on its form/ });
  const still = form.getByRole("img", { name: "The surface, simulated, on its form" });
  const shot = () => still.evaluate((element) => (element as HTMLCanvasElement).toDataURL());
  await expect(still).toBeVisible();
  const front = await shot();
  await form.focus();
  for (let turn = 0; turn < 3; turn++) await page.keyboard.press("ArrowRight");
  await expect.poll(shot).not.toBe(front);
  // The piece follows its coats: without the last ones it is another picture.
  const turned = await shot();
  await page.getByRole("button", { name: "One coat back" }).click();
  await expect.poll(shot).not.toBe(turned);
  // Held, it is seen before the chosen coat, and let go as it was.
  await page.getByRole("button", { name: "Show all coats" }).click();
  await page.getByRole("button", { name: /^Coat 3/ }).click();
  await expect(page.locator('[data-testid="specimen"][data-settled="true"]')).toBeVisible();
  const whole = await shot();
  const hold = page.getByRole("button", { name: "Hold: before it" });
  await hold.focus();
  await page.keyboard.down("Enter");
  await expect.poll(shot).not.toBe(whole);
  await page.keyboard.up("Enter");
  await expect.poll(shot).toBe(whole);
});

test("the place of a coat lies over the picture while it is set, and as long as the switch is on", async ({
  page,
  request,
}) => {
  await page.goto(`/job/${await demoJob(request, ["strap"])}/coats`);
  await fine(page);
  await page.getByRole("button", { name: /^Coat 2/ }).click();
  await fine(page);
  const bare = await pixels(page);
  const place = page.getByRole("switch", { name: "Its place over the picture" });
  await place.click();
  const veiled = await otherPixels(page, bare);
  await place.click();
  await samePixels(page, bare);
  // A control of the place is used: the veil comes by itself, and goes when the painter goes on to something else.
  await page.getByRole("group", { name: "Zones" }).getByRole("checkbox").first().focus();
  await samePixels(page, veiled);
  await page.getByRole("group", { name: "Zones" }).getByRole("checkbox").first().press("Space");
  await otherPixels(page, veiled);
  await page.getByRole("group", { name: "Zones" }).getByRole("checkbox").first().press("Space");
  await samePixels(page, veiled);
  await page.getByLabel("Passes").focus();
  await samePixels(page, bare);
});
