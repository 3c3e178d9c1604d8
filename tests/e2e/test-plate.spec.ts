import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";

test("a test plate is printed, and a simulated photo of one tells of the hand", async ({ page }) => {
  await page.goto("/settings");
  const plate = page.getByRole("region", { name: "Test plate" });
  const pdf = page.waitForEvent("download");
  await plate.getByRole("button", { name: "Print the plate as PDF" }).click();
  expect(
    readFileSync(await (await pdf).path())
      .subarray(0, 5)
      .toString(),
  ).toBe("%PDF-");
  await plate.getByRole("button", { name: "Try a simulated photo" }).click();
  await expect(plate.getByText(/^5 lines, 0\.\d\d.mm wide/)).toBeVisible();
  await expect(plate.getByText(/^18 dots, 0\.\d\d.mm across$/)).toBeVisible();

  // The photo as it is shown is a photo too: taken in as a file, it tells about the same.
  const told = (await plate.getByText(/^5 lines/).textContent())!;
  const [, width] = /(0\.\d\d)/.exec(told)!;
  const png = await plate
    .getByRole("img", { name: "Photo of a test plate, simulated" })
    .evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL("image/png").split(",")[1]!);
  await plate
    .getByLabel("Photo file")
    .setInputFiles({ name: "plate.png", mimeType: "image/png", buffer: Buffer.from(png, "base64") });
  await expect(plate.getByRole("img", { name: "Photo of the test plate" })).toBeVisible();
  const [, again] = /(0\.\d\d)/.exec((await plate.getByText(/^\d lines/).textContent())!)!;
  expect(Math.abs(Number(again) / Number(width) - 1)).toBeLessThan(0.25);
  await plate
    .getByLabel("Photo file")
    .setInputFiles({ name: "no.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(plate.getByText(/cannot be read as a picture/)).toBeVisible();
});
