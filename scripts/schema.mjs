// npm run schema: writes the published schema of the job file from the schemas that read it.
import { writeFileSync } from "node:fs";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { build } from "vite";
import { checkNode, installPackages, root } from "./tools.mjs";

checkNode();
installPackages();
const outDir = path.join(root, "node_modules/.cache/crenna-schema");
await build({
  root,
  configFile: false,
  logLevel: "warn",
  build: { ssr: "src/core/formats/job-json/publishedSchema.ts", outDir, emptyOutDir: true, target: "node20" },
});
const { jobFileSchema, schemaFile, schemeFileSchema, schemeSchemaFile } = await import(
  pathToFileURL(path.join(outDir, "publishedSchema.js")).href
);
const published = [
  [schemaFile, jobFileSchema()],
  [schemeSchemaFile, schemeFileSchema()],
];
for (const [file, schema] of published)
  writeFileSync(path.join(root, "public/schema", file), `${JSON.stringify(schema, null, 2)}\n`);
