import { expect, test } from "@playwright/test";
import { demoJob, saved, storedHistory, storedJob } from "./support";

test("what was painted stays painted: undo, reload and another window leave the log alone", async ({
  page,
  request,
  context,
}) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/log`);
  const base = page.getByRole("checkbox", { name: "Base done" });
  await base.click();
  await expect(base).toBeChecked();
  await page.getByRole("button", { name: /^1 Brief/ }).click();
  await page.getByLabel("Name of the job").fill("Second try");
  await page.getByLabel("Name of the job").blur();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Name of the job")).toHaveValue("Ferry sergeant");
  await page.getByRole("button", { name: /^6 Log/ }).click();
  await expect(base).toBeChecked();
  await saved(page);
  const other = await context.newPage();
  await other.goto(`/job/${id}/log`);
  await expect(other.getByRole("checkbox", { name: "Base done" })).toBeChecked();
  await other.getByRole("checkbox", { name: "Guides done" }).click();
  await expect(page.getByRole("checkbox", { name: "Guides done" })).toBeChecked();
  await expect(async () => expect((await storedHistory(request, id)).log).toHaveLength(2)).toPass();
  await other.close();
});

test("a card ticked while the server cannot be reached is kept over a reload, and told when it is back", async ({
  page,
  request,
}) => {
  const id = await demoJob(request, ["coat-skirt"]);
  await page.goto(`/job/${id}/log`);
  const base = page.getByRole("checkbox", { name: "Base done" });
  await expect(base).toBeVisible();
  await page.route("**/history/**", (route) => route.abort());
  await base.click();
  await expect(page.getByText("Not saved, trying again")).toBeVisible();
  expect((await storedHistory(request, id)).log).toEqual([]);
  await page.reload();
  await expect(base).toBeChecked();
  await page.unroute("**/history/**");
  await expect(async () => expect((await storedHistory(request, id)).log).toHaveLength(1)).toPass();
  await base.click();
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(base).toBeChecked();
});

test("coats are kept as a scheme and painted on another piece of another job", async ({ page, request }) => {
  const pieces = ["satchel", "gloves"];
  const [from, to] = [await demoJob(request, pieces), await demoJob(request, pieces)];
  const open = async (id: string, surface: string) => {
    await page.goto(`/job/${id}/coats`);
    await page.getByRole("combobox", { name: /^Surface: / }).click();
    await page.getByRole("option", { name: surface }).click();
    await page.getByRole("button", { name: "Own schemes" }).click();
  };
  await open(from, "Satchel");
  await page.getByLabel("Name of the scheme").fill(`Old leather ${from}`);
  await page.getByRole("button", { name: /^Keep these \d+ coats/ }).click();
  await expect(page.getByRole("listitem", { name: `Old leather ${from}` })).toBeVisible();
  await open(to, "Gloves");
  const kept = page.getByRole("listitem", { name: `Old leather ${from}` });
  await expect(kept.getByRole("img", { name: /^Gloves in Old leather/ })).toBeVisible();
  await kept.getByRole("button", { name: "Paint it so" }).click();
  await saved(page);
  const coatsOf = async (id: string, surfaceId: string) =>
    (await storedJob(request, id)).surfaces
      .find((one) => one.id === surfaceId)!
      .coats.map(({ name }) => name);
  await expect(async () =>
    expect(await coatsOf(to, "gloves")).toEqual(await coatsOf(from, "satchel")),
  ).toPass();
  await open(to, "Gloves");
  await kept.getByRole("button", { name: "Remove" }).click();
  await expect(kept).toHaveCount(0);
});
