import { mkdtempSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { defineConfig } from "@playwright/test";
import { CHROMIUM } from "./scripts/chromium.mjs";

// Runs beside each other (see scripts/test.mjs) each have a server and a database of their own.
const PORT = Number(process.env.CRENNA_TEST_PORT ?? 4391);
// Every run starts from an empty database with the demo job.
const data = process.env.CRENNA_TEST_DATA ?? mkdtempSync(path.join(os.tmpdir(), "crenna-e2e-"));
process.env.CRENNA_TEST_DATA = data;
// Servers that tests start themselves serve what is built: a build would take away the files of the tests' own server.
process.env.CRENNA_AS_BUILT = "1";

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: `test-results/${PORT}`,
  workers: 1,
  // Three times what the longest takes on a quiet machine, and more: other work may keep both cores busy.
  timeout: 180_000,
  expect: { timeout: 60_000, toPass: { timeout: 60_000 } },
  reporter: [
    ["list"],
    ["json", { outputFile: process.env.CRENNA_TEST_REPORT ?? "build/reports/browser.json" }],
  ],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    launchOptions: {
      executablePath: CHROMIUM,
      // Pages are drawn by plain software: a simulated graphics card takes a core for itself. Drawing in space keeps it.
      args: ["--disable-gpu-rasterization", "--disable-gpu-compositing"],
    },
    // Pictures of fewer cells, laid flat: what is tested is what they depend on, not how many cells they have or how they
    // are looked at. The view on the form has tests of its own.
    storageState: {
      cookies: [],
      origins: [
        {
          origin: `http://127.0.0.1:${PORT}`,
          localStorage: [
            {
              name: "crenna-prefs",
              value: JSON.stringify({ state: { fineness: "rough", shape: "flat" }, version: 0 }),
            },
          ],
        },
      ],
    },
    // Recording every page costs a fifth of the time; ask for it with --trace on.
    trace: "off",
    screenshot: "only-on-failure",
  },
  webServer: {
    command: `node scripts/start.mjs --port ${PORT} --data ${data}`,
    url: `http://127.0.0.1:${PORT}/api/painter`,
    // Before any test it is built where a source has changed.
    env: { CRENNA_AS_BUILT: "" },
    timeout: 300_000,
    reuseExistingServer: false,
  },
});
