import js from "@eslint/js";
import astro from "eslint-plugin-astro";
import hooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";

const layerRules = (forbidden) => ({
  "no-restricted-imports": ["error", { patterns: forbidden.map((group) => ({ group: [group] })) }],
});

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
      "max-lines": ["error", { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  { files: ["src/{islands,ui}/**/*.{ts,tsx}"], ...hooks.configs.flat["recommended-latest"] },
  ...astro.configs.recommended,
  { files: ["**/*.mjs", "scripts/**", "*.ts"], languageOptions: { globals: globals.node } },
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
