// npm test: installs what is missing, then every check and test there is. Ends with the count of tests.
import { spawnSync } from "node:child_process";
import { mkdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { bin, buildIfNeeded, checkNode, installPackages, root, run, runTogether } from "./tools.mjs";

/** Debian's packages the tests need, by the command each brings. */
const SYSTEM = { chromium: "chromium", pdftocairo: "poppler-utils" };

const has = (command) => spawnSync("which", [command], { stdio: "ignore" }).status === 0;

function installSystem() {
  const missing = Object.entries(SYSTEM).flatMap(([command, name]) => (has(command) ? [] : [name]));
  if (missing.length === 0) return;
  if (process.getuid?.() !== 0 || !has("apt-get")) {
    console.error(`The tests need ${missing.join(" and ")}. As root: apt-get install ${missing.join(" ")}`);
    process.exit(1);
  }
  const env = { DEBIAN_FRONTEND: "noninteractive" };
  run("Package lists", "apt-get", ["update", "-qq"], env);
  run(
    `Installing ${missing.join(", ")}`,
    "apt-get",
    ["install", "-y", "-qq", "--no-install-recommends", ...missing],
    env,
  );
}

/** Browser tests run in two halves side by side, each with its own server, port and database. */
const HALVES = [1, 2].map((half) => ({
  half,
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

checkNode();
installSystem();
installPackages();
mkdirSync(path.join(root, "build/reports"), { recursive: true });
run("Film kernel", process.execPath, ["scripts/build-wasm.mjs"]);
await runTogether([
  { title: "Format", args: [bin("prettier/bin/prettier.cjs"), "--check", "."] },
  { title: "Types", args: [bin("astro/astro.js"), "check", "--minimumFailingSeverity", "warning"] },
]);
run("Lint", process.execPath, [bin("eslint/bin/eslint.js"), "."]);
run("Unit tests", process.execPath, [
  bin("vitest/vitest.mjs"),
  "run",
  "--reporter=default",
  "--reporter=json",
  "--outputFile.json=build/reports/unit.json",
]);
buildIfNeeded();
await runTogether(
  HALVES.map(({ half, env }) => ({
    title: `Browser tests ${half}`,
    args: [bin("@playwright/test/cli.js"), "test", `--shard=${half}/2`],
    env,
    shown: true,
  })),
);
const { passed, failed } = count();
console.log(`\n${passed} passed, ${failed} failed`);
