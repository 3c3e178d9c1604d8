// What the start and test commands share. Only Node's own modules: it runs before anything is installed.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { fileURLToPath } from "node:url";

export const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));
process.env.ASTRO_TELEMETRY_DISABLED = "1";

/** Runs a command with its output shown; ends this process with its code where it fails. */
export function run(title, command, args, env = {}) {
  console.log(`\n== ${title}`);
  const result = spawnSync(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, ...env } });
  if (result.status !== 0) {
    console.error(`\n${title} failed.`);
    process.exit(result.status ?? 1);
  }
}

const took = (started) => `${Math.round((performance.now() - started) / 1000)} s`;

/** What was started and still runs: it ends with this process. */
const running = new Set();
process.on("exit", () => running.forEach((child) => child.kill()));

/** Runs a command with its output shown when it has ended, or at once where asked. @returns its exit code */
const ended = ({ title, command = process.execPath, args, env = {}, shown = false }) =>
  new Promise((resolve) => {
    const started = performance.now();
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
    running.add(child);
    const chunks = [];
    const take = (stream) => (chunk) => (shown ? stream.write(chunk) : chunks.push(chunk));
    child.stdout.on("data", take(process.stdout));
    child.stderr.on("data", take(process.stderr));
    child.on("close", (status) => {
      running.delete(child);
      if (!shown)
        process.stdout.write(`\n== ${title}, ${took(started)}\n${Buffer.concat(chunks).toString()}`);
      resolve(status);
    });
  });

/** Runs commands, or what `start` does, side by side; ends this process where one fails. */
export async function runTogether(jobs) {
  const results = await Promise.all(
    jobs.map(async (job) => ({
      title: job.title,
      status: job.start ? await job.start().then(() => 0) : await ended(job),
    })),
  );
  const failed = results.filter(({ status }) => status !== 0);
  if (failed.length === 0) return;
  console.error(`\n${failed.map(({ title }) => title).join(", ")} failed.`);
  process.exit(failed[0].status ?? 1);
}

export const bin = (...parts) => path.join(root, "node_modules", ...parts);

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major === 20 && minor >= 19) return;
  console.error(`Crenna needs Node.js 20.19 or a later 20.x; this is ${process.versions.node}.`);
  process.exit(1);
}

const stampFile = path.join(root, ".install-stamp");
const lockHash = () =>
  createHash("sha256")
    .update(readFileSync(path.join(root, "package-lock.json")))
    .digest("hex");

/** Whether the packages of the lock file are there, whole. */
export function packagesInstalled() {
  const stamp = existsSync(stampFile) ? readFileSync(stampFile, "utf8") : "";
  return existsSync(bin("astro")) && stamp === lockHash();
}

export const noteInstalled = () => writeFileSync(stampFile, lockHash());

/** Installs the packages of the lock file where they are missing or another lock file was installed. */
export function installPackages() {
  if (packagesInstalled()) return;
  run("Installing packages (a few minutes, once)", "npm", ["ci", "--no-audit", "--no-fund"]);
  noteInstalled();
}

/** Newest change below some paths, ms. */
function newest(paths) {
  let latest = 0;
  for (const one of paths) {
    const full = path.join(root, one);
    if (!existsSync(full)) continue;
    const stat = statSync(full);
    latest = Math.max(latest, stat.mtimeMs);
    if (stat.isDirectory())
      latest = Math.max(latest, newest(readdirSync(full).map((name) => path.join(one, name))));
  }
  return latest;
}

/**
 * Builds the application where a source is newer than the last build. With `CRENNA_AS_BUILT` it is served as it was built:
 * a build that begins under a server which is running takes its files away.
 */
export function buildIfNeeded() {
  run("Film kernel", process.execPath, ["scripts/build-wasm.mjs"]);
  const built = path.join(root, "dist/built");
  if (process.env.CRENNA_AS_BUILT && existsSync(built)) return;
  const sources = ["src", "public", "astro.config.mjs", "package-lock.json"];
  if (existsSync(built) && statSync(built).mtimeMs > newest(sources)) return;
  run("Building", process.execPath, [bin("astro/astro.js"), "build"]);
  writeFileSync(built, "");
}
