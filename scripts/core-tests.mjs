// Bundles the core's tests, so that what they call is called as it is in the application. The test runner's own way of
// loading modules goes through a lookup at every use of an import, which costs a sixth of their time.
import { readdirSync, rmSync } from "node:fs";
import path from "node:path";
import { build } from "esbuild";
import { root } from "./tools.mjs";

/** Where the bundled tests lie, as vitest.config.ts looks for them when CRENNA_BUNDLED is set. */
export const BUNDLED = "build/core";

const CORE = "src/core";
const tests = readdirSync(path.join(root, CORE), { recursive: true, encoding: "utf8" })
  .filter((name) => name.endsWith(".test.ts"))
  .map((name) => path.join(CORE, name));

const outdir = path.join(root, BUNDLED);
rmSync(outdir, { recursive: true, force: true });
await build({
  absWorkingDir: root,
  entryPoints: [...tests, path.join(CORE, "figure/rooms.ts")],
  outbase: CORE,
  outdir,
  bundle: true,
  splitting: true,
  chunkNames: "chunks/[name]-[hash]",
  format: "esm",
  platform: "node",
  packages: "external",
  sourcemap: "inline",
  logLevel: "warning",
});
