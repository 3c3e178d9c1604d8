// npm run demo: makes the demo's jobs and writes them where an empty database is filled from.
import { mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { build } from "vite";
import { checkNode, installPackages, root } from "./tools.mjs";

checkNode();
installPackages();
const outDir = path.join(root, "node_modules/.cache/crenna-demo");
await build({
  root,
  configFile: false,
  logLevel: "warn",
  build: { ssr: "src/data/demo/company.ts", outDir, emptyOutDir: true, target: "node20" },
});
const { demoJobs } = await import(pathToFileURL(path.join(outDir, "company.js")).href);
const folder = path.join(root, "src/data/demo/generated");
mkdirSync(folder, { recursive: true });
const text = JSON.stringify(JSON.stringify(demoJobs()));
writeFileSync(
  path.join(folder, "demoJson.ts"),
  `/** The demo's jobs as text. Written by \`npm run demo\`; not to be edited. */\nexport const DEMO_JSON = ${text};\n`,
);
