// npm run glyphs: outlines of the letters and figures of the font that ships, as polygons, for the stencils of the core.
import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import fontkit from "@cantoo/fontkit";
import { root } from "./tools.mjs";

const CHARACTERS = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";
/** Straight pieces that a curve is made of. */
const STEPS = 5;

const font = fontkit.create(
  readFileSync(path.join(root, "node_modules/@fontsource/archivo/files/archivo-latin-600-normal.woff")),
);
const capital = font.layout("H").glyphs[0].path.bbox.maxY;
/** A capital is 100 high. */
const scaled = (value) => Math.round((100 * value) / capital);

function ringsOf(commands) {
  const rings = [];
  let [x, y] = [0, 0];
  const to = (px, py) => {
    rings.at(-1).push(scaled(px), scaled(py));
    [x, y] = [px, py];
  };
  for (const { command, args } of commands) {
    if (command === "moveTo") {
      rings.push([]);
      to(...args);
    } else if (command === "lineTo") to(...args);
    else if (command === "quadraticCurveTo" || command === "bezierCurveTo") {
      const points = [[x, y], ...args.flatMap((_, at) => (at % 2 === 0 ? [[args[at], args[at + 1]]] : []))];
      for (let step = 1; step <= STEPS; step++) {
        // De Casteljau.
        let row = points;
        while (row.length > 1)
          row = row
            .slice(1)
            .map((point, at) =>
              point.map((value, axis) => row[at][axis] + ((value - row[at][axis]) * step) / STEPS),
            );
        const [px, py] = row[0];
        rings.at(-1).push(scaled(px), scaled(py));
      }
      [x, y] = args.slice(-2);
    }
  }
  return rings.filter((ring) => ring.length >= 6);
}

const lines = [...CHARACTERS].map((character) => {
  const { glyphs, advanceWidth } = font.layout(character);
  const rings = ringsOf(glyphs[0].path.commands).map((ring) => ring.join(" "));
  return `  ["${character}", ${scaled(advanceWidth)}, "${rings.join("|")}"],`;
});
writeFileSync(
  path.join(root, "src/core/techniques/stencil/glyphs.ts"),
  `/**
 * Characters of the font that ships (Archivo, SIL Open Font License 1.1): name, advance, and closed rings x y x y …, parted
 * by |, a capital 100 high. Written by \`npm run glyphs\`; not to be edited.
 */
export const GLYPHS: readonly (readonly [name: string, advance: number, rings: string])[] = [
${lines.join("\n")}
];
`,
);
