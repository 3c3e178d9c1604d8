// Pictures of the main views from the demo data, for docs/screenshots.
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { chromium } from "@playwright/test";
import { CHROMIUM } from "./chromium.mjs";
import { root } from "./tools.mjs";

const folder = path.join(root, "docs/screenshots");
const data = mkdtempSync(path.join(os.tmpdir(), "crenna-shots-"));
const server = spawn(process.execPath, ["scripts/start.mjs", "--port", "0", "--data", data], {
  cwd: root,
  stdio: ["ignore", "pipe", "inherit"],
});
let text = "";
const address = await new Promise((resolve) =>
  server.stdout.on("data", (chunk) => {
    text += chunk;
    const found = /ready at (http:\S+)/.exec(text);
    if (found) resolve(found[1]);
  }),
);

const browser = await chromium.launch({ executablePath: CHROMIUM });
const JOB = "/job/ferry-sergeant";
const coat = (page) => page.getByRole("button", { name: /^Coat 7/ }).click();
const surface = async (page, name) => {
  await page.getByRole("combobox", { name: /^Surface: / }).click();
  await page.getByRole("option", { name }).click();
};
const fine = (page) => page.waitForSelector('[data-testid="specimen"][data-settled="true"] canvas');

/** Waits until nothing on the page is still being worked out. */
const idle = async (page) => {
  const busy = page.getByText(/^(Simulating|Simulating it|being laid)$/).or(page.getByRole("progressbar"));
  while ((await busy.count()) > 0) await page.waitForTimeout(200);
};

const shots = [
  { name: "desk", at: "/" },
  { name: "brief", at: `${JOB}/brief`, act: (page) => page.getByLabel("Round the hem").focus() },
  {
    name: "palette",
    at: `${JOB}/palette`,
    act: (page) => page.getByRole("button", { name: "Find mixes" }).click(),
  },
  {
    name: "schemes",
    at: `${JOB}/log`,
    act: async (page) => {
      await page.getByRole("tab", { name: "Paint it again" }).click();
      const keep = page.getByRole("button", { name: "Keep as a scheme" });
      for (let left = await keep.count(); left > 0; left--) {
        await keep.first().click();
        await page.waitForTimeout(400);
      }
      await page.goto(`${address}/schemes`);
      for (let at = 0; at < 4; at++)
        await page
          .getByRole("img", { name: /, simulated$/ })
          .nth(at)
          .waitFor();
    },
  },
  {
    name: "goals",
    at: `${JOB}/palette`,
    act: async (page) => {
      await page.getByRole("button", { name: "Goals", exact: true }).click();
      await page.getByLabel("Reference picture").setInputFiles(path.join(folder, "coats.png"));
      await page.getByRole("button", { name: "Find its main colours" }).click();
      await page.getByRole("img", { name: "Main colours by share" }).scrollIntoViewIfNeeded();
    },
  },
  { name: "shelf", at: "/shelf" },
  { name: "coats", at: `${JOB}/coats`, act: coat },
  {
    name: "cloth",
    at: `${JOB}/coats`,
    act: async (page) => {
      await page.getByRole("tab", { name: "Pattern" }).click();
      await page.getByRole("button", { name: "Near", exact: true }).click();
    },
  },
  {
    name: "camouflage",
    at: "/job/ferry-watch/coats",
    act: async (page) => {
      await page.getByRole("tab", { name: "Pattern" }).click();
      await page.getByRole("table", { name: "Figures of the unit" }).waitFor();
    },
  },
  {
    name: "light",
    at: "/job/winch-engine/coats",
    act: async (page) => {
      await page.getByRole("button", { name: "A painted light" }).click();
      await page.getByRole("list", { name: "Where it falls" }).waitFor();
    },
  },
  {
    name: "scheme",
    at: `${JOB}/coats`,
    act: async (page) => {
      await surface(page, "Satchel");
      await page.getByRole("button", { name: "From a scheme" }).click();
      await page.getByRole("img", { name: "As it would be painted, simulated" }).waitFor();
    },
  },
  {
    name: "growth",
    at: "/job/tide-hound/coats",
    act: async (page) => {
      await page.getByRole("tab", { name: "Growth" }).click();
      await page.getByRole("button", { name: "Flat", exact: true }).click();
      await page.getByRole("slider", { name: /^Handle 4: place/ }).focus();
      await page.getByRole("img", { name: /Which way it grows/ }).waitFor();
    },
  },
  {
    name: "check",
    at: `${JOB}/check`,
    act: (page) => page.getByRole("button", { name: "Coat skirt", exact: true }).click(),
  },
  {
    name: "figure",
    at: `${JOB}/check`,
    act: async (page) => {
      await page.getByRole("tab", { name: "Where the eye goes" }).waitFor();
      await page.waitForSelector('[data-testid="figure"][data-settled="true"] canvas');
    },
  },
  {
    name: "bench",
    at: `${JOB}/bench`,
    act: async (page) => {
      await page.getByRole("button", { name: /Rust lines/ }).click();
      // A card is whole with its pictures and what it adds.
      for (const text of ["being painted …", "being worked out"])
        await page.getByText(text).first().waitFor({ state: "detached" });
    },
  },
  { name: "log", at: `${JOB}/log`, act: (page) => page.getByRole("checkbox", { name: "Base done" }).click() },
  { name: "settings", at: "/settings" },
  { name: "coats-dark", at: `${JOB}/coats`, act: coat, dark: true },
  { name: "coats-tablet", at: `${JOB}/coats`, size: { width: 820, height: 1180 } },
];

const wanted = process.argv.slice(2);
try {
  for (const { name, at, act, dark, size } of shots) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    const page = await browser.newPage({
      viewport: size ?? { width: 1280, height: 800 },
      colorScheme: dark ? "dark" : "light",
      locale: "en-GB",
    });
    await page.goto(address + at);
    if (at.endsWith("coats")) await fine(page);
    await page.waitForTimeout(1200);
    await act?.(page);
    if (at.endsWith("coats")) await fine(page);
    await idle(page);
    await page.waitForTimeout(1200);
    await page.screenshot({ path: path.join(folder, `${name}.png`) });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  server.kill("SIGTERM");
}
