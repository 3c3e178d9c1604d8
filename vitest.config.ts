import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["src/**/*.test.{ts,tsx}", "tests/unit/**/*.test.ts"],
    setupFiles: ["src/islands/testing/matchers.ts"],
    testTimeout: 180_000,
    hookTimeout: 180_000,
    // One of two cores would stand idle otherwise.
    maxWorkers: 2,
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
