// Which layer may import which, and that nothing imports itself by a detour. Run by `npm run check:borders`.
const TESTS = "\\.test\\.tsx?$|/testing(\\.ts$|/)";
const only = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.length === 0 ? "itself" : allowed.join("-")}`,
  severity: "error",
  from: { path: `^src/${from}/`, pathNot: TESTS },
  to: { path: "^src/", pathNot: [from, ...allowed].map((layer) => `^src/${layer}/`) },
});

module.exports = {
  forbidden: [
    {
      name: "no-cycles",
      severity: "error",
      from: { path: "^src/" },
      // What is only a type is gone when the program runs.
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
    only("core", []),
    only("worker", ["core"]),
    only("data", ["core"]),
    only("server", ["core", "data"]),
    only("pages", ["server", "islands", "ui"]),
    only("ui", ["core"]),
    only("islands", ["core", "worker", "ui"]),
    {
      name: "no-test-code-in-the-product",
      severity: "error",
      from: { path: "^src/", pathNot: TESTS },
      to: { path: TESTS },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".astro"] },
  },
};
