import { expect, test, type APIRequestContext, type Page } from "@playwright/test";
import sharp from "sharp";
import { bareHound, fine, otherPixels, pixels, saved, seriousFindings, storedJob } from "./support";

const RGB = { ground: [150, 170, 190], back: [40, 36, 33], flank: [150, 86, 40], belly: [205, 190, 168] };

/** A beast before a plain ground: its back dark, its flanks brown, its belly pale. */
function beastPng(): Promise<Buffer> {
  const [width, height] = [360, 240];
  const bytes = Buffer.alloc(width * height * 3);
  for (let at = 0; at < width * height; at++) {
    const [x, y] = [at % width, Math.floor(at / width)];
    const within = ((x - 180) / 140) ** 2 + ((y - 120) / 70) ** 2 < 1;
    const part = !within ? "ground" : y < 100 ? "back" : y > 150 ? "belly" : "flank";
    // Hair is never one flat colour.
    const off = ((at * 7919) % 17) - 8;
    RGB[part].forEach((value, k) => (bytes[at * 3 + k] = value + off));
  }
  return sharp(bytes, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
}

const paramsIn = async (request: APIRequestContext, id: string) =>
  (await storedJob(request, id)).surfaces[0]!.pattern!.params as {
    readonly colours: readonly { readonly colour: string; readonly share: number; readonly sits: string }[];
    readonly spots: readonly unknown[];
  };

async function openPattern(page: Page, id: string): Promise<void> {
  await page.goto(`/job/${id}/coats`);
  await page.getByRole("button", { name: "Flat", exact: true }).click();
  await page.getByRole("tab", { name: "Pattern" }).click();
}

test("a coat is patched from a picture: its colours, their shares, and where they sit on the body", async ({
  page,
  request,
}) => {
  const id = await bareHound(request, "hind-legs");
  await openPattern(page, id);
  await page.getByRole("button", { name: "Patched coat" }).click();
  await expect(page.getByRole("table", { name: "Colours of the coat" })).toBeVisible();
  await fine(page);
  const preset = await pixels(page);
  const picture = page.getByRole("region", { name: "From a picture" });
  await page
    .getByLabel("Reference picture", { exact: true })
    .setInputFiles({ name: "Beast.png", mimeType: "image/png", buffer: await beastPng() });
  await expect(picture.getByRole("img", { name: "Reference picture Beast" })).toBeVisible();
  await picture.getByRole("button", { name: "a beast before a ground" }).click();
  await picture.getByRole("button", { name: "Read the coat" }).click();
  await expect(picture.getByText(/on the back, 100/)).toBeVisible();
  await expect(picture.getByText(/on the belly, \d+/)).toBeVisible();
  expect(await seriousFindings(page, "light")).toEqual([]);
  await picture.getByRole("button", { name: "Take these colours" }).click();
  await otherPixels(page, preset, "the picture's coat");
  await saved(page);
  const { colours } = await paramsIn(request, id);
  expect(colours.map(({ sits }) => sits).sort()).toEqual(["anywhere", "back", "belly"]);
  expect(colours.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(100, 0);
  // What shows is what was asked for.
  const shares = page.getByRole("img", { name: /^Shares that show: / });
  const dark = colours.find(({ sits }) => sits === "back")!;
  await expect(shares).toHaveAttribute(
    "aria-label",
    new RegExp(`Dark ${Math.floor(dark.share)}\\.|Dark ${Math.ceil(dark.share)}\\.`),
  );
});

test("a spot set on the map of blocks is painted, moved by hand, and goes by undo", async ({
  page,
  request,
}) => {
  const id = await bareHound(request, "hind-legs");
  await openPattern(page, id);
  await page.getByRole("button", { name: "Patched coat" }).click();
  const map = page.getByRole("region", { name: "Map of the blocks" });
  await expect(map.getByRole("img", { name: /^Blocks of the coat/ })).toBeVisible();
  await fine(page);
  const before = await pixels(page);
  await map.getByRole("button", { name: "Dark" }).click();
  await map.getByRole("img", { name: /^Blocks of the coat/ }).scrollIntoViewIfNeeded();
  const box = (await map.locator("svg").boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.3, box.y + box.height * 0.4);
  const spot = map.getByRole("slider", { name: /^Spot 1/ });
  await expect(spot).toBeVisible();
  const set = await otherPixels(page, before, "a spot");
  await saved(page);
  expect((await paramsIn(request, id)).spots).toHaveLength(1);
  const dot = (await spot.boundingBox())!;
  await page.mouse.move(dot.x + dot.width / 2, dot.y + dot.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.6, { steps: 5 });
  await page.mouse.up();
  await otherPixels(page, set, "the spot moved");
  await spot.focus();
  await page.keyboard.press("Delete");
  await expect(spot).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(spot).toBeVisible();
});
