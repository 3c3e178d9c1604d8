// npm test: installs what is missing, then every check and test there is. Ends with the count of tests.
import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { bin, checkNode, noteInstalled, packagesInstalled, root, runTogether } from "./tools.mjs";

/**
 * Debian's packages the tests need, by the commands that do: the first is what the package brings. Chromium without its
 * own windows opens a page at a tenth of the work; where it cannot be had, the whole one does as well.
 */
const SYSTEM = [
  { name: "chromium-headless-shell", commands: ["chromium-headless-shell", "chromium"] },
  { name: "poppler-utils", commands: ["pdftocairo"] },
];

const has = (command) => spawnSync("which", [command], { stdio: "ignore" }).status === 0;

/** Debian's packages that are missing, as one job beside others; ends this process where one cannot be done without. */
function systemJobs() {
  const wanted = SYSTEM.filter(({ commands }) => !has(commands[0])).map(({ name }) => name);
  const needed = SYSTEM.filter(({ commands }) => !commands.some(has)).map(({ name }) => name);
  if (wanted.length === 0) return [];
  if (process.getuid?.() !== 0 || !has("apt-get")) {
    if (needed.length === 0) return [];
    console.error(`The tests need ${needed.join(" and ")}. As root: apt-get install ${needed.join(" ")}`);
    process.exit(1);
  }
  const install = `apt-get update -qq && apt-get install -y -qq --no-install-recommends ${wanted.join(" ")}`;
  return [
    {
      title: `Installing ${wanted.join(", ")}`,
      command: "sh",
      args: ["-c", needed.length > 0 ? install : `${install} || true`],
      env: { DEBIAN_FRONTEND: "noninteractive" },
    },
  ];
}

const npm = (title, ...args) => ({ title, command: "npm", args });

/** Which browser tests take about half of the time; the others, new ones too, are the second half. */
const FIRST_HALF = [
  "everywhere",
  "coats",
  "controls",
  "start",
  "surfaces",
  "patterns",
  "palette-questions",
  "few-clicks",
  "saving",
  "desk-and-files",
  "bench-history",
  "ground",
].map((name) => `${name}.spec.ts`);
const specs = readdirSync(path.join(root, "tests/e2e")).filter((name) => name.endsWith(".spec.ts"));

/** Browser tests run in two halves side by side, each with its own server, port and database. */
const HALVES = [1, 2].map((half) => ({
  half,
  specs: specs
    .filter((name) => FIRST_HALF.includes(name) === (half === 1))
    .map((name) => `tests/e2e/${name}`),
  report: `build/reports/browser-${half}.json`,
  env: { CRENNA_TEST_PORT: String(4390 + half), CRENNA_TEST_REPORT: `build/reports/browser-${half}.json` },
}));

const read = (file) => JSON.parse(readFileSync(path.join(root, file), "utf8"));

function count() {
  const unit = read("build/reports/unit.json");
  const browser = HALVES.map(({ report }) => read(report).stats);
  return {
    passed: browser.reduce((sum, stats) => sum + stats.expected, unit.numPassedTests),
    failed: browser.reduce((sum, stats) => sum + stats.unexpected + stats.flaky, unit.numFailedTests),
  };
}

/** Whatever can be said of the code without running it, the quickest first; and what browser tests run. */
const checks = [
  { title: "Format", args: [bin("oxfmt/bin/oxfmt"), "--check", "."] },
  { title: "Lint and types", args: [bin("oxlint/bin/oxlint")] },
  {
    title: "Borders",
    args: [bin("dependency-cruiser/bin/dependency-cruise.mjs"), "src", "--config", ".dependency-cruiser.cjs"],
  },
  { title: "Copies", args: [bin("jscpd/bin/jscpd")] },
  {
    title: "Pages",
    args: [
      bin("astro/astro.js"),
      "check",
      ...["--tsconfig", "tsconfig.pages.json", "--minimumFailingSeverity", "warning"],
    ],
  },
  { title: "Building", args: ["scripts/build.mjs"] },
];

const unitTests = {
  title: "Unit tests",
  args: [
    bin("vitest/vitest.mjs"),
    "run",
    "--reporter=default",
    "--reporter=json",
    "--outputFile.json=build/reports/unit.json",
  ],
  env: { CRENNA_BUNDLED: "1" },
  shown: true,
};

/** Does one after the other. */
const inTurn = async (jobs) => {
  for (const job of jobs) await runTogether([job]);
};

/**
 * Sets up what the sources are checked and built with. Then the checks go on in turn, the cheap ones first, beside the
 * database's compilation and the unit tests that wait for it: no core waits.
 * @param database its compilation, which is under way
 */
async function checkedAndTested(database) {
  await runTogether([
    ...(fresh ? [npm("Packages' own set-up", "rebuild", "esbuild", "sharp")] : []),
    { title: "Film kernel", args: ["scripts/build-wasm.mjs"] },
  ]);
  // The linter reads types that are made from the pages.
  await runTogether([{ title: "Types of the pages", args: [bin("astro/astro.js"), "sync"] }]);
  const tested = [
    { title: "The tests in bundles", args: ["scripts/test-bundles.mjs"] },
    {
      title: "The database",
      start: async () => {
        await database;
        if (fresh) noteInstalled();
      },
    },
    unitTests,
  ];
  await runTogether([
    { title: "Checks", start: () => inTurn(checks) },
    { title: "Tests", start: () => inTurn(tested) },
  ]);
}

/** What tests leave behind lies in one folder, which goes with this run. */
process.env.TMPDIR = mkdtempSync(path.join(os.tmpdir(), "crenna-test-"));
process.on("exit", () => rmSync(process.env.TMPDIR, { recursive: true, force: true, maxRetries: 3 }));

checkNode();
const fresh = !packagesInstalled();
// Nothing here needs what another of these brings, so they wait for the net side by side.
await runTogether([
  ...systemJobs(),
  ...(fresh ? [npm("Installing packages", "ci", "--no-audit", "--no-fund", "--ignore-scripts")] : []),
]);
mkdirSync(path.join(root, "build/reports"), { recursive: true });
// The database's compilation takes one core for a minute: it begins first, and what needs no database goes on beside it.
await checkedAndTested(
  runTogether(fresh ? [npm("Compiling the database", "rebuild", "better-sqlite3")] : []),
);
await runTogether(
  HALVES.map(({ half, specs, env }) => ({
    title: `Browser tests ${half}`,
    args: [bin("@playwright/test/cli.js"), "test", ...specs],
    env,
    shown: true,
  })),
);
const { passed, failed } = count();
console.log(`${passed} passed, ${failed} failed`);
