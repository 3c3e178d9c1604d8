import { expect, test, type APIRequestContext } from "@playwright/test";
import {
  bareHound,
  fine,
  go,
  hideFrom,
  otherPixels,
  pixels,
  put,
  samePixels,
  saved,
  seriousFindings,
  startFrom,
  storedJob,
} from "./support";

const pieceIn = async (request: APIRequestContext, id: string) => (await storedJob(request, id)).surfaces[0]!;

test("fur is sculpted on a piece: sizes that cannot be are told, the specimen follows, and it is taken off again", async ({
  page,
  request,
}) => {
  const id = await bareHound(request, "tail");
  await page.goto(`/job/${id}/coats`);
  await page.getByRole("button", { name: "Flat", exact: true }).click();
  await fine(page);
  const smooth = await pixels(page);
  await go(page, "Brief");
  await hideFrom(page, "Fur in locks");
  const hide = page.getByRole("group", { name: "Sculpted all over" });
  await hide.getByRole("button", { name: "Short" }).click();
  await saved(page);
  expect((await pieceIn(request, id)).hide!.params.length).toBe(1.2);
  expect((await pieceIn(request, id)).volumes.material).toBe("fur");
  // Wider than a lock of that length can be: told, and nothing typed is lost.
  await put(page, "Width of a lock", "2");
  await expect(hide.getByText(/A lock 1.2 mm long is wide 0.84 mm at most, got 2/)).toBeVisible();
  await expect(hide.getByRole("textbox", { name: /Width of a lock/ })).toHaveValue("2");
  await put(page, "Width of a lock", "0.3");
  await expect(hide.getByText(/at most/)).toHaveCount(0);
  expect(await seriousFindings(page, "light")).toEqual([]);
  await go(page, "Coats");
  const short = await otherPixels(page, smooth, "short fur");
  await go(page, "Brief");
  await hide.getByRole("button", { name: "Shaggy" }).click();
  await go(page, "Coats");
  await otherPixels(page, short, "shaggy fur");
  await go(page, "Brief");
  await hideFrom(page, "None: smooth, or hair painted on");
  await saved(page);
  expect((await pieceIn(request, id)).hide).toBeNull();
  await go(page, "Coats");
  await samePixels(page, smooth);
});

test("scales are painted one by one on the side that looks to the lamp, and go on with it", async ({
  page,
  request,
}) => {
  const id = await bareHound(request, "tail");
  await page.goto(`/job/${id}/brief`);
  await hideFrom(page, "Scales");
  await go(page, "Coats");
  await page.getByRole("button", { name: "Flat", exact: true }).click();
  await fine(page);
  const bare = await pixels(page);
  await startFrom(page, "scaled hide");
  // The paint alone, without light on it: only what is painted can change.
  await page.getByRole("button", { name: "Colour", exact: true }).click();
  const painted = await otherPixels(page, bare, "the scheme");
  await saved(page);
  const { coats } = await pieceIn(request, id);
  expect(coats.filter(({ technique }) => technique.id === "plates").length).toBeGreaterThan(3);
  await page.getByRole("button", { name: "On the figure" }).click();
  const lamp = page.getByRole("slider", { name: "Lamp" });
  await lamp.focus();
  for (let press = 0; press < 8; press++) await lamp.press("ArrowRight");
  await page.getByRole("button", { name: "Flat", exact: true }).click();
  const turned = await otherPixels(page, painted, "the lamp");
  await page.getByRole("button", { name: "Undo" }).click();
  await otherPixels(page, turned, "the lamp turned back");
});
