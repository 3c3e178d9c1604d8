import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["src/**/*.test.ts", "tests/unit/**/*.test.ts"],
    testTimeout: 180_000,
    hookTimeout: 180_000,
    // One of two cores would stand idle otherwise.
    maxWorkers: 2,
  },
});
