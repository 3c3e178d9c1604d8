import { readFileSync } from "node:fs";
import { chromium, type Browser, type Page } from "@playwright/test";
import type { Job } from "../src/core/job";
import { largestPalette, largestSurface, longestPlan, megapixelSkirt } from "./jobs";
import { print, type Line } from "./measure";
import { takePace } from "./pace";
import { startServer } from "./serve";

const CHROMIUM = process.env.CRENNA_CHROMIUM ?? "/usr/bin/chromium";

/** Times of the marks the page sets when a picture is shown, ms since it was asked for. */
const marks = (page: Page, name: string): Promise<number[]> =>
  page.evaluate(
    (of) => performance.getEntriesByName(of).map((entry) => (entry as PerformanceMark).detail as number),
    name,
  );

/** A page whose surfaces open flat or on their forms; without a graphics chip these are still pictures. */
async function pageOf(browser: Browser, shape: "flat" | "form"): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript((chosen) => {
    localStorage.setItem("crenna-prefs", JSON.stringify({ state: { shape: chosen }, version: 0 }));
  }, shape);
  return page;
}

const fine = (page: Page) => page.waitForSelector('[data-testid="specimen"][data-fine="true"] canvas');

/** Keeps the page's long tasks; runs in the page. */
function keepTasks(): void {
  const seen: number[] = [];
  (window as unknown as { tasks: number[] }).tasks = seen;
  new PerformanceObserver((list) => list.getEntries().forEach((entry) => seen.push(entry.duration))).observe({
    type: "longtask",
  });
}

const longest = (page: Page): Promise<number> =>
  page.evaluate(() => Math.max(0, ...(window as unknown as { tasks: number[] }).tasks));

/** Script bytes as sent compressed would be: what the first view of a page loads, gzip. */
async function scriptBytes(page: Page, address: string): Promise<number> {
  const { gzipSync } = await import("node:zlib");
  const urls = new Set<string>();
  page.on("response", (response) => {
    if (response.url().endsWith(".js") && !response.url().includes("worker")) urls.add(response.url());
  });
  await page.goto(`${address}/`);
  await page.waitForSelector("article canvas");
  let sum = 0;
  for (const url of urls) sum += gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer())).length;
  return sum;
}

const put = async (address: string, job: Job): Promise<void> => {
  const stored = (await (await fetch(`${address}/api/jobs/ferry-sergeant`)).json()) as { revision: number };
  const answer = await fetch(`${address}/api/jobs/ferry-sergeant`, {
    method: "PUT",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ revision: stored.revision, job }),
  });
  if (!answer.ok) throw new Error(await answer.text());
};

/** Memory of the process that holds the page and its workers, MB, as the system counts it. */
async function pageMemory(browser: Browser): Promise<number> {
  const session = await browser.newBrowserCDPSession();
  const { processInfo } = (await session.send("SystemInfo.getProcessInfo")) as {
    processInfo: { type: string; id: number }[];
  };
  const sizes = processInfo
    .filter(({ type }) => type === "renderer")
    .map(
      ({ id }) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, "utf8"))?.[1] ?? 0) / 1024,
    );
  return Math.max(...sizes);
}

/** Two megapixels, 24 coats, some edits: what the page holds then. */
async function benchMemory(browser: Browser, address: string): Promise<void> {
  await put(address, largestSurface());
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/job/ferry-sergeant/coats`);
  await fine(page);
  for (let edit = 0; edit < 4; edit++) {
    await page.getByRole("button", { name: new RegExp(`^Coat ${10 + edit}`) }).click();
    await fine(page);
    await page.getByRole("button", { name: "Other strokes" }).click();
    await page.waitForTimeout(300);
    await fine(page);
  }
  const mb = await pageMemory(browser);
  console.log(
    `${"Page with two megapixels and 24 coats, after 4 edits".padEnd(58)}${Math.round(mb)} MB  budget 700 MB`,
  );
}

/** The palette at its limit: opened, gone through to its end, a mix renamed. */
async function benchPalette(browser: Browser, address: string, pace: number): Promise<void> {
  await put(address, largestPalette());
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(keepTasks);
  await page.goto(`${address}/job/ferry-sergeant/palette`);
  const names = page.getByRole("textbox", { name: "Name of the mix" });
  await names.first().waitFor();
  await page.waitForTimeout(2000);
  await page.mouse.move(600, 500);
  for (let turn = 0; turn < 40; turn++) {
    await page.mouse.wheel(0, 1200);
    await page.waitForTimeout(60);
  }
  await names.last().fill("Renamed");
  await page.waitForTimeout(1500);
  print([{ name: "Longest task, palette of 200 mixes", ms: await longest(page), budget: 100 }], pace);
  await page.close();
}

/** The longest plan as a PDF, asked for as soon as the page is there. */
async function benchPdf(browser: Browser, address: string, pace: number): Promise<void> {
  await put(address, longestPlan());
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/job/ferry-sergeant/bench`);
  const make = page.getByRole("button", { name: "Cards and guides as PDF" });
  await make.waitFor();
  await page.evaluate(keepTasks);
  const file = page.waitForEvent("download", { timeout: 300_000 });
  const start = performance.now();
  await make.click();
  await file;
  print(
    [
      { name: "PDF of 40 surfaces with 25 coats each", ms: performance.now() - start, budget: 60_000 },
      { name: "Longest task of the page meanwhile", ms: await longest(page), budget: 100 },
    ],
    pace,
  );
  await page.close();
}

/** A megapixel with a dozen coats opened and one of them changed, flat or on its form. */
async function benchEdits(
  browser: Browser,
  address: string,
  shape: "flat" | "form",
  pace: number,
): Promise<void> {
  const page = await pageOf(browser, shape);
  const start = performance.now();
  await page.goto(`${address}/job/ferry-sergeant/coats`);
  await fine(page);
  const opened = performance.now() - start;
  const [openFull] = await marks(page, "crenna-full");
  await page.evaluate(keepTasks);
  await page.getByRole("button", { name: /^Coat 6/ }).click();
  await page.getByRole("button", { name: "Show all coats" }).click();
  await fine(page);
  await page.evaluate(() => performance.clearMarks());
  const slider = page.getByRole("slider", { name: "Width against the pattern's" });
  for (let edit = 0; edit < 8; edit++) {
    await slider.press(edit % 2 === 0 ? "ArrowRight" : "ArrowUp");
    await page.waitForTimeout(900);
  }
  const sorted = async (name: string) => (await marks(page, name)).sort((a, b) => a - b);
  const [previews, fulls] = [await sorted("crenna-preview"), await sorted("crenna-full")];
  const how = shape === "flat" ? "flat" : "still picture on its form";
  const lines: Line[] = [
    { name: `Address entered to full picture, ${how}`, ms: opened },
    { name: `Full picture after it was asked for, ${how}`, ms: openFull ?? NaN, budget: 1500 },
    { name: `Edit to preview, middle of 8, ${how}`, ms: previews[4] ?? NaN, budget: 100 },
    { name: `Edit to preview, slowest of 8, ${how}`, ms: previews.at(-1) ?? NaN, budget: 100 },
    { name: `Edit to full picture, middle of 8, ${how}`, ms: fulls[4] ?? NaN, budget: 500 },
    { name: `Longest task while editing, ${how}`, ms: await longest(page), budget: 50 },
  ];
  print(lines, pace);
  await page.close();
}

export async function benchBrowser(): Promise<void> {
  console.log("\nIn the browser, built server");
  const pace = await takePace();
  const { child, address } = await startServer();
  const browser = await chromium.launch({ executablePath: CHROMIUM });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const bytes = await scriptBytes(page, address);
    await page.close();
    console.log(`${"Script of the desk, gzip".padEnd(58)}${Math.round(bytes / 1024)} KB  budget 350 KB`);
    await put(address, megapixelSkirt());
    await benchEdits(browser, address, "flat", pace);
    await benchEdits(browser, address, "form", await takePace());
    await benchMemory(browser, address);
    await benchPalette(browser, address, await takePace());
    await benchPdf(browser, address, await takePace());
  } finally {
    await browser.close();
    child.kill("SIGTERM");
  }
}
