// npm run bench: figures and ratios of one run. `-- --core`, `--server` or `--browser` for one part.
import path from "node:path";
import { pathToFileURL } from "node:url";
import { build } from "vite";
import { buildIfNeeded, checkNode, installPackages, root } from "./tools.mjs";

checkNode();
installPackages();
buildIfNeeded();
const outDir = path.join(root, "node_modules/.cache/crenna-bench");
await build({
  root,
  configFile: false,
  logLevel: "warn",
  build: { ssr: "bench/main.ts", outDir, emptyOutDir: true, target: "node20" },
});
await import(pathToFileURL(path.join(outDir, "main.js")).href);
