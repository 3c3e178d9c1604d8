import { readFileSync } from "node:fs";
import { chromium, type Browser, type Page } from "@playwright/test";
import { CHROMIUM } from "../scripts/chromium.mjs";
import type { Job, Paint } from "../src/core/job";
import { demoShelf } from "../src/data/demo/shelf";
import { largestFigure, largestPalette, largestSurface, longestPlan, megapixelSkirt } from "./jobs";
import { print, type Line } from "./measure";
import { takePace } from "./pace";
import { startServer } from "./serve";

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

/** A figure asked of a worker of its own, without page and judge; runs in the page. */
interface AskedFigure {
  readonly script: string;
  /** One job for each question; all but the first are asked with everything warm. */
  readonly jobs: readonly Job[];
  readonly paints: readonly Paint[];
  readonly helpers: number;
}

/** @returns for every job ms to the first picture and to the one in full; last for the same figure only turned */
function askFigures({ script, jobs, paints, helpers }: AskedFigure): Promise<(readonly [number, number])[]> {
  const worker = new Worker(script, { type: "module" });
  const ask = (job: Job, id: number, turnDeg = 0) =>
    new Promise<readonly [number, number]>((resolve, reject) => {
      const start = performance.now();
      let first = NaN;
      worker.onmessage = ({ data }: MessageEvent<{ kind: string; message?: string }>) => {
        if (data.kind === "part" && Number.isNaN(first)) first = performance.now() - start;
        if (data.kind === "answer") resolve([first, performance.now() - start]);
        if (data.kind === "failed" || data.kind === "dropped") reject(new Error(data.message ?? "dropped"));
      };
      const view = { turnDeg, tiltDeg: null, pxPerMm: 60, mostPx: 720, viewMm: null };
      const input = { job, paints, view, helpers, as: "paint", step: null, full: true };
      worker.postMessage({ kind: "figure", id, input: { ...input, figureId: job.figures[0]!.id } });
    });
  return jobs
    .reduce(
      (before, job, id) => before.then(async (times) => [...times, await ask(job, id)]),
      Promise.resolve<(readonly [number, number])[]>([]),
    )
    .then(async (times) => [...times, await ask(jobs.at(-1)!, jobs.length, 10)])
    .finally(() => worker.terminate());
}

/** Turns after which a worker's program is compiled as far as it will be. */
const LEARNT = 3;

/** A figure of eight surfaces and a hundred coats, with one worker and with another beside it. */
async function benchFigure(browser: Browser, address: string, pace: number): Promise<void> {
  const page = await browser.newPage();
  const scripts: string[] = [];
  page.on("request", (request) => {
    if (request.url().includes("simulator.worker")) scripts.push(request.url());
  });
  await page.goto(`${address}/`);
  await page.waitForSelector("article canvas");
  // Nothing of the desk goes on beside it.
  await page.goto(`${address}/settings`);
  const job = largestFigure();
  // Another steadiness lays every coat of every surface anew, in the light it had.
  const jobs = [0, 1, 2, 3, 4, 5, 6].map((turn) => ({
    ...job,
    hand: { ...job.hand, steadiness01: 0.5 + turn / 100 },
  }));
  const input = { script: scripts[0]!, jobs, paints: demoShelf };
  const middleOf = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
  const runs: { alone: number[]; together: number[] } = { alone: [], together: [] };
  let cold: readonly [number, number] = [NaN, NaN];
  let again = NaN;
  for (let turn = 0; turn < 3; turn++) {
    const alone = await page.evaluate(askFigures, { ...input, helpers: 0 });
    const together = await page.evaluate(askFigures, { ...input, helpers: 1 });
    if (turn === 0) cold = alone[0]!;
    if (turn === 0) again = middleOf(alone.slice(LEARNT, -1).map(([first]) => first));
    // Drawing the figure is no part of it, nor the turns in which each worker learns what is its own.
    const painting = (times: readonly (readonly [number, number])[]) =>
      middleOf(times.slice(LEARNT, -1).map(([, full]) => full)) - times.at(-1)![1];
    runs.alone.push(painting(alone));
    runs.together.push(painting(together));
  }
  const ratio = middleOf(runs.together.map((ms, turn) => ms / runs.alone[turn]!));
  print(
    [
      { name: "Figure of 8 surfaces and 100 coats, first picture (rough), cold", ms: cold[0], budget: 1500 },
      { name: "The same in full, cold", ms: cold[1], budget: 8000 },
      { name: "All its coats laid anew, first picture", ms: again, budget: 1500 },
      {
        ...{ name: "All its coats laid anew by two workers", ms: middleOf(runs.together) },
        ratio: { to: "one worker", value: ratio, allowed: 0.65 },
      },
    ],
    pace,
  );
  await page.close();
}

/** A page with the same figure on it: what it holds. */
async function benchFigureMemory(browser: Browser, address: string): Promise<void> {
  await put(address, largestFigure());
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/job/ferry-sergeant/brief`);
  await page.getByRole("button", { name: "Whole figure" }).click();
  await page.waitForSelector('[data-testid="figure"][data-settled="true"]');
  const mb = Math.round(await pageMemory(browser));
  console.log(`${"Page with a figure of 8 surfaces and 100 coats".padEnd(58)}${mb} MB  budget 900 MB`);
  await page.close();
}

/** Parts of the browser's bench by name; all of them where none is named, as in `--browser=figure`. */
const wants = (part: string): boolean => {
  const named = process.argv.find((one) => one.startsWith("--browser="))?.split("=")[1];
  return named === undefined || named.split(",").includes(part);
};

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
    if (wants("edits")) {
      await put(address, megapixelSkirt());
      await benchEdits(browser, address, "flat", pace);
      await benchEdits(browser, address, "form", await takePace());
    }
    if (wants("figure")) {
      await benchFigure(browser, address, await takePace());
      await benchFigureMemory(browser, address);
    }
    if (wants("memory")) await benchMemory(browser, address);
    if (wants("palette")) await benchPalette(browser, address, await takePace());
    if (wants("pdf")) await benchPdf(browser, address, await takePace());
  } finally {
    await browser.close();
    child.kill("SIGTERM");
  }
}
