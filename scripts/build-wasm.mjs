// Compiles the kernels to WebAssembly and writes each as a module, so that browser, worker and server load them alike.
import { execFileSync } from "node:child_process";
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

for (const kernel of KERNELS) {
  const source = path.join(root, kernel.source);
  const folder = path.join(root, kernel.folder);
  const name = path.basename(source, ".ts");
  const target = path.join(folder, `${name}Bytes.ts`);
  if (ageOf(target) >= ageOf(source)) continue;
  mkdirSync(folder, { recursive: true });
  const wasm = path.join(folder, `${name}.wasm`);
  const asc = path.join(root, "node_modules/assemblyscript/bin/asc.js");
  const flags = ["-O3", "--runtime", "stub", "--enable", "simd", "--initialMemory", String(kernel.pages)];
  execFileSync(process.execPath, [asc, source, ...flags, "-o", wasm], { stdio: "inherit", cwd: root });
  const bytes = readFileSync(wasm);
  rmSync(wasm);
  writeFileSync(
    target,
    `/** Compiled by scripts/build-wasm.mjs from ${kernel.source}. */\nexport const ${name.toUpperCase()}_BASE64 =\n  "${bytes.toString("base64")}";\n`,
  );
}
