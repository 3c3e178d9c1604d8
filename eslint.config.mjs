import js from "@eslint/js";
import astro from "eslint-plugin-astro";
import jsdoc from "eslint-plugin-jsdoc";
import hooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";

const layerRules = (forbidden) => ({
  "no-restricted-imports": ["error", { patterns: forbidden.map((group) => ({ group: [group] })) }],
});

const longest = (max) => ["error", { max, skipBlankLines: true, skipComments: true }];
const TESTS = ["**/*.test.{ts,tsx}", "**/testing.ts", "**/testing/**"];

export default tseslint.config(
  {
    ignores: [
      "dist",
      ".astro",
      "data",
      "node_modules",
      "test-results",
      "build",
      "src/core/*/generated",
      "src/core/**/assembly",
    ],
  },
  js.configs.recommended,
  {
    files: ["**/*.{ts,tsx}"],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
      "@typescript-eslint/no-confusing-void-expression": ["error", { ignoreArrowShorthand: true }],
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/no-unnecessary-condition": ["error", { allowConstantLoopConditions: true }],
      "@typescript-eslint/no-unused-vars": ["error", { ignoreRestSiblings: true }],
      "max-lines": longest(300),
    },
  },
  { files: ["src/{islands,ui}/**/*.{ts,tsx}"], ...hooks.configs.flat["recommended-latest"] },
  ...astro.configs.recommended,
  { files: ["**/*.mjs", "scripts/**", "*.ts"], languageOptions: { globals: globals.node } },
  // A function is read as a whole; a component says what is where, and may be longer.
  {
    files: ["src/{core,server,worker,data}/**/*.ts"],
    ignores: TESTS,
    rules: { "max-lines-per-function": longest(40) },
  },
  {
    files: ["src/{islands,ui}/**/*.{ts,tsx}"],
    ignores: TESTS,
    rules: { "max-lines-per-function": longest(120) },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: TESTS,
    plugins: { jsdoc },
    rules: {
      "jsdoc/require-jsdoc": [
        "error",
        {
          publicOnly: true,
          require: { FunctionDeclaration: true, ArrowFunctionExpression: true, ClassDeclaration: true },
          contexts: ["TSInterfaceDeclaration"],
          enableFixer: false,
        },
      ],
    },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      ...layerRules([
        "react",
        "react-dom",
        "@mui/*",
        "astro*",
        "better-sqlite3",
        "drizzle-orm*",
        "node:*",
        "echarts*",
        "**/data/*",
        "**/server/*",
        "**/islands/*",
        "**/ui/*",
        "**/worker/*",
      ]),
      "no-restricted-globals": ["error", "window", "document", "performance", "Date"],
      "no-restricted-properties": ["error", { object: "Math", property: "random" }],
    },
  },
);
