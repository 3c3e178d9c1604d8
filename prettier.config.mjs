/** @type {import("prettier").Config} */
export default {
  printWidth: 110,
  plugins: ["prettier-plugin-astro"],
  overrides: [{ files: "*.astro", options: { parser: "astro" } }],
};
