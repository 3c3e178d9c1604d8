// npm run pictures: sheets of simulated paint for docs/pictures, from the core alone.
import path from "node:path";
import { pathToFileURL } from "node:url";
import { build } from "vite";
import { checkNode, installPackages, root } from "./tools.mjs";

checkNode();
installPackages();
const outDir = path.join(root, "node_modules/.cache/crenna-pictures");
await build({
  root,
  configFile: false,
  logLevel: "warn",
  build: { ssr: "scripts/pictures/main.ts", outDir, emptyOutDir: true, target: "node20" },
});
await import(pathToFileURL(path.join(outDir, "main.js")).href);
