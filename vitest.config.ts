import { defineConfig } from "vitest/config";
import { BaseSequencer, type TestSpecification } from "vitest/node";

const pages = ["src/**/*.test.tsx"];
/** Puts stand-ins for server and browser back after each test. */
const CLEAN = "src/islands/testing/clean.ts";
/** `npm test` has the core's tests bundled before they run (scripts/core-tests.mjs); all else runs the sources. */
const core = process.env.CRENNA_BUNDLED
  ? { from: "build/core", ending: "js", external: [/build\/core\/chunks\//] }
  : { from: "src/core", ending: "ts", external: [] };
/** Files that take half a minute and more begin first: as the last they would leave one core idle. */
const LONG = ["src/worker/figureMended.test.ts"];
class LongFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files);
    const isLong = ({ moduleId }: TestSpecification) => LONG.some((name) => moduleId.endsWith(name));
    return [...sorted.filter(isLong), ...sorted.filter((file) => !isLong(file))];
  }
}

const common = { testTimeout: 180_000, hookTimeout: 180_000 };

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
          include: pages,
          environment: "jsdom",
          setupFiles: ["src/islands/testing/matchers.ts", CLEAN],
          // Loading components and endpoints anew for every file takes as long as the tests themselves.
          isolate: false,
        },
      },
      {
        test: {
          ...common,
          name: "core",
          include: [`${core.from}/**/*.test.${core.ending}`],
          // As in the worker: surfaces on a figure stand in its light.
          setupFiles: [`${core.from}/figure/rooms.${core.ending}`],
          server: { deps: { external: core.external } },
          // Nothing here leaves anything behind for the next file, so that modules are loaded once.
          isolate: false,
        },
      },
      {
        test: {
          ...common,
          name: "server",
          setupFiles: [CLEAN],
          include: ["src/{data,server,worker,pages}/**/*.test.ts", "tests/unit/**/*.test.ts"],
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
          include: ["src/**/*.test.ts"],
          exclude: [...pages, "src/{core,data,server,worker,pages}/**"],
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
