import { createRandom, hash01 } from "../../random";
import { softNoise } from "../../surface/forms/sheet";
import { BESIDE, definePiece, ellipseShare, type PieceSizes } from "./piece";

/** Cells of cork are told by a grid of this many mm; so many of them are pits. */
const [CELL_MM, PITTED] = [0.75, 0.42] as const;

/** Depth of the pits at a place, mm. */
function pitMm(x: number, y: number, seed: number): number {
  const [i, j] = [Math.floor(x / CELL_MM), Math.floor(y / CELL_MM)];
  let deep = 0;
  for (let row = j - 1; row <= j + 1; row++)
    for (let column = i - 1; column <= i + 1; column++) {
      if (hash01(seed, column, row) > PITTED) continue;
      const px = (column + hash01(seed + 1, column, row)) * CELL_MM - x;
      const py = (row + hash01(seed + 2, column, row)) * CELL_MM - y;
      const size = CELL_MM * (0.16 + 0.36 * hash01(seed + 3, column, row));
      const out = (px * px + 1.6 * py * py) / (size * size);
      if (out < 1) deep = Math.max(deep, 0.7 * size * Math.sqrt(1 - out));
    }
  return deep;
}

function corkShape(sizes: PieceSizes, seed: number) {
  const random = createRandom(seed).fork("cork");
  const ragged = softNoise(seed, 2.6, hash01);
  const crumbs = softNoise(seed + 1, 0.8, hash01);
  const fine = softNoise(seed + 2, 0.3, hash01);
  const [lean, leanWay] = [0.12 * random.next(), 2 * Math.PI * random.next()];
  const radius = Math.min(sizes.acrossMm, sizes.deepMm) / 2;
  const share = Math.min(1, radius / 3);
  return {
    reachMm: Math.max(sizes.acrossMm, sizes.deepMm) / 2,
    faces: [],
    top(x: number, y: number) {
      const torn =
        0.16 * (1 + ragged(x, y)) + (0.35 * (1 + crumbs(x, y)) + 0.12 * fine(x, y)) * (share / radius);
      const in01 = 1 - ellipseShare(x, y, sizes) - torn;
      if (in01 <= 0) return BESIDE;
      // Its sides crumble in steps.
      const side = Math.min(1, (in01 * radius) / (0.25 + 0.5 * share));
      const crumbled = Math.floor(side * 3 + 0.5 * crumbs(x * 1.7, y * 1.7)) / 3;
      const up = sizes.tallMm * Math.min(1, Math.max(0.18, 0.35 * side + 0.65 * crumbled));
      const tilt = lean * (x * Math.cos(leanWay) + y * Math.sin(leanWay));
      return Math.max(0.05, up + Math.min(0, tilt) - share * pitMm(x, y, seed) - 0.03 * (1 + fine(x, y)));
    },
  };
}

/** A piece broken from a sheet of cork: it passes for crumbling rock. */
export const cork = definePiece({
  id: "cork",
  label: "Cork",
  about: "Broken from a sheet of cork: pitted on top, with crumbling sides.",
  start: { acrossMm: 12, deepMm: 9, tallMm: 4 },
  bench:
    "Break it instead of cutting it, seal it with thinned glue, and let that dry before the first paint.",
  caution: "Knife: cut away from the hand. Follow the labels and your local rules.",
  shape: corkShape,
});
