// Bundles the tests, so that what they call is called as it is in the application. The test runner's own way of
// loading modules goes through a lookup at every use of an import, which costs a sixth of their time.
import { readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { build } from "esbuild";
import { root } from "./tools.mjs";
import { UNBUNDLED } from "./unbundled.mjs";

/** Where the bundled tests lie, as vitest.config.ts looks for them when CRENNA_BUNDLED is set. */
const BUNDLED = "build/tests";

const files = (folder) =>
  readdirSync(path.join(root, folder), { recursive: true, encoding: "utf8" }).map((name) =>
    path.join(folder, name),
  );

const tests = [...files("src"), ...files("tests/unit")].filter(
  (name) => /\.test\.tsx?$/.test(name) && !UNBUNDLED.includes(name),
);
// It would run against the very modules that it means to put aside.
const unnamed = tests.filter((name) =>
  /\bvi\.(do)?mock\(/i.test(readFileSync(path.join(root, name), "utf8")),
);
if (unnamed.length > 0) {
  console.error(`${unnamed.join(", ")}: put modules aside; name them in scripts/unbundled.mjs.`);
  process.exit(1);
}

/** What the bundler of the pages does itself: lists of modules, and addresses of files. */
const asForPages = {
  name: "as-for-pages",
  setup(bundler) {
    bundler.onLoad({ filter: /islands[\\/]testing[\\/]server\.ts$/ }, ({ path: file }) => {
      const text = readFileSync(file, "utf8");
      const routes = files("src/pages/api").filter(
        (name) => name.endsWith(".ts") && !name.endsWith(".test.ts"),
      );
      const imports = routes.map(
        (name, at) => `import * as route${at} from ${JSON.stringify(path.join(root, name))};`,
      );
      const list = routes.map((name, at) => `${JSON.stringify(`/${name}`)}: route${at}`);
      const contents = `${imports.join("\n")}\n${text.replace(/import\.meta\.glob<Route>\([^;]*\);/, `{${list.join(",")}} as unknown as Record<string, Route>;`)}`;
      return { contents, loader: "ts", resolveDir: path.dirname(file) };
    });
    bundler.onResolve({ filter: /\?url$/ }, ({ path: file }) => ({ path: file, namespace: "address" }));
    bundler.onLoad({ filter: /.*/, namespace: "address" }, ({ path: file }) => ({
      contents: `export default ${JSON.stringify(file)};`,
    }));
  },
};

/** What vitest.config.ts has run before them. */
const SETUP = ["src/core/figure/rooms.ts", "src/islands/testing/clean.ts", "src/islands/testing/matchers.ts"];

const outdir = path.join(root, BUNDLED);
rmSync(outdir, { recursive: true, force: true });
await build({
  absWorkingDir: root,
  entryPoints: [...tests, ...SETUP].map((file) => ({ in: file, out: file })),
  outdir,
  bundle: true,
  splitting: true,
  chunkNames: "chunks/[name]-[hash]",
  format: "esm",
  platform: "node",
  packages: "external",
  jsx: "automatic",
  plugins: [asForPages],
  sourcemap: "inline",
  logLevel: "warning",
});

// What a test asks of the runner stands in its first line, which bundling leaves out.
for (const file of tests) {
  const asked = /^\/\/ @vitest-environment .*\n/.exec(readFileSync(path.join(root, file), "utf8"))?.[0];
  const bundled = path.join(outdir, `${file}.js`);
  if (asked) writeFileSync(bundled, asked + readFileSync(bundled, "utf8"));
}
