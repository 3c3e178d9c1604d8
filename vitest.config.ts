import { defineConfig } from "vitest/config";
import { BaseSequencer, type TestSpecification } from "vitest/node";
import { UNBUNDLED } from "./scripts/unbundled.mjs";

/** `npm test` has the tests bundled before they run (scripts/test-bundles.mjs); all else runs the sources. */
const BUNDLED = Boolean(process.env.CRENNA_BUNDLED);
const at = (file: string) => (BUNDLED ? `build/tests/${file}.js` : file);
const AS_IT_IS = BUNDLED ? UNBUNDLED : [];

/** Puts stand-ins for server and browser back after each test. */
const CLEAN = at("src/islands/testing/clean.ts");
/** Files that take half a minute and more begin first: as the last they would leave one core idle. */
const LONG = ["src/worker/figureMended.test"];
class LongFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files);
    const isLong = ({ moduleId }: TestSpecification) => LONG.some((name) => moduleId.includes(name));
    return [...sorted.filter(isLong), ...sorted.filter((file) => !isLong(file))];
  }
}

const common = {
  testTimeout: 180_000,
  hookTimeout: 180_000,
  server: { deps: { external: BUNDLED ? [/build\/tests\/chunks\//] : [] } },
};

export default defineConfig({
  test: {
    // One of two cores would stand idle otherwise.
    maxWorkers: 2,
    sequence: { sequencer: LongFirst },
    projects: [
      {
        test: {
          ...common,
          name: "pages",
          include: [at("src/**/*.test.tsx")],
          environment: "jsdom",
          setupFiles: [at("src/islands/testing/matchers.ts"), CLEAN],
          // Loading components and endpoints anew for every file takes as long as the tests themselves.
          isolate: false,
        },
      },
      {
        test: {
          ...common,
          name: "core",
          include: [at("src/core/**/*.test.ts")],
          // As in the worker: surfaces on a figure stand in its light.
          setupFiles: [at("src/core/figure/rooms.ts")],
          // Nothing here leaves anything behind for the next file, so that modules are loaded once.
          isolate: false,
        },
      },
      {
        test: {
          ...common,
          name: "server",
          setupFiles: [CLEAN],
          include: [at("src/{data,server,worker,pages}/**/*.test.ts"), at("tests/unit/**/*.test.ts")],
          // Each file has a folder and servers of its own, and puts back what it stubs.
          isolate: false,
        },
      },
      {
        test: {
          ...common,
          // What pages keep while they are open: each file starts from none of it.
          name: "state",
          setupFiles: [CLEAN],
          include: [at("src/{islands,ui}/**/*.test.ts"), ...AS_IT_IS],
        },
      },
    ],
    // How much of the core the tests reach; told by `npm test`.
    coverage: {
      provider: "v8",
      include: ["src/core/**/*.ts"],
      exclude: ["**/*.test.ts", "**/testing.ts", "**/generated/**", "**/assembly/**"],
      reporter: ["text-summary", "json-summary"],
      reportsDirectory: "build/reports/coverage",
    },
  },
});
