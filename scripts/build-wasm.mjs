// Compiles the kernels to WebAssembly and writes each as a module, so that browser, worker and server load them alike.
import { mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import path from "node:path";

const root = path.dirname(path.dirname(fileURLToPath(import.meta.url)));

const KERNELS = [
  { source: "src/core/simulate/kernel/assembly/kernel.ts", folder: "src/core/simulate/generated", pages: 26 },
  { source: "src/core/bristles/assembly/bristles.ts", folder: "src/core/bristles/generated", pages: 20 },
  { source: "src/core/liquid/assembly/liquid.ts", folder: "src/core/liquid/generated", pages: 1 },
  { source: "src/core/blur/assembly/blur.ts", folder: "src/core/blur/generated", pages: 1 },
  { source: "src/core/tiles/assembly/tiles.ts", folder: "src/core/tiles/generated", pages: 33 },
  { source: "src/core/horizon/assembly/horizon.ts", folder: "src/core/horizon/generated", pages: 1 },
  { source: "src/core/rays/assembly/rays.ts", folder: "src/core/rays/generated", pages: 1 },
  { source: "src/core/colour/mixtable/assembly/table.ts", folder: "src/core/colour/generated", pages: 1 },
];

const ageOf = (file) => {
  try {
    return statSync(file).mtimeMs;
  } catch {
    return 0;
  }
};

const stale = KERNELS.map((kernel) => {
  const name = path.basename(kernel.source, ".ts");
  return { ...kernel, name, target: path.join(root, kernel.folder, `${name}Bytes.ts`) };
}).filter(({ source, target }) => ageOf(target) < ageOf(path.join(root, source)));

// The compiler is started once for all of them: that takes longer than most kernels do. It is not imported by its name:
// its types would take the place of the language's own in every source.
const asc =
  stale.length > 0 ? await import(path.join(root, "node_modules/assemblyscript/dist/asc.js")) : null;

for (const { source, folder, pages, name, target } of stale) {
  mkdirSync(path.join(root, folder), { recursive: true });
  const wasm = path.join(folder, `${name}.wasm`);
  const flags = ["-O3", "--runtime", "stub", "--enable", "simd", "--initialMemory", String(pages)];
  const { error } = await asc.main([source, ...flags, "--baseDir", root, "-o", wasm], {
    stdout: process.stdout,
    stderr: process.stderr,
  });
  if (error) throw error;
  const bytes = readFileSync(path.join(root, wasm));
  rmSync(path.join(root, wasm));
  writeFileSync(
    target,
    `/** Compiled by scripts/build-wasm.mjs from ${source}. */\nexport const ${name.toUpperCase()}_BASE64 =\n  "${bytes.toString("base64")}";\n`,
  );
}
