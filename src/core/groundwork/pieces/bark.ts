import { createRandom, hash01 } from "../../random";
import { softNoise } from "../../surface/forms/sheet";
import { BESIDE, definePiece, type PieceSizes } from "./piece";

/** Between two furrows, mm on a piece of ordinary size, and how deep they are, as a share of its height. */
const [RIDGE_MM, FURROW] = [1.05, 0.42] as const;
/** Ridges are broken across after so many widths of themselves. */
const PLATE = 3.6;

function barkShape(sizes: PieceSizes, seed: number) {
  const random = createRandom(seed).fork("bark");
  const { acrossMm, deepMm, tallMm } = sizes;
  const ridge = Math.min(RIDGE_MM, deepMm / 3);
  const sway = softNoise(seed, 4, hash01);
  const end = softNoise(seed + 1, 0.7, hash01);
  const fine = softNoise(seed + 2, 0.25, hash01);
  const shift = 20 * random.next();
  return {
    reachMm: Math.hypot(acrossMm, deepMm) / 2,
    faces: [
      { wayDeg: 90, showsMm: 1 },
      { wayDeg: -90, showsMm: 1 },
    ],
    top(x: number, y: number) {
      const inLong = acrossMm / 2 - Math.abs(x) - 0.35 * ridge * (1 + end(y * 1.3 + 9, x > 0 ? 3 : 8));
      const inDeep = deepMm / 2 - Math.abs(y) - 0.2 * ridge * (1 + end(x, y > 0 ? 5 : 11));
      if (inLong <= 0 || inDeep <= 0) return BESIDE;
      // It keeps the bend of the trunk.
      const bend = Math.sqrt(Math.max(0, 1 - (y / (deepMm / 2)) ** 2 * 0.85));
      // Furrows wander, part and meet again; ridges are broken across at odd places, most of them not at all.
      const place = (y + 0.85 * ridge * sway(x, 1.4 * y) + 0.25 * ridge * end(x, y)) / ridge + shift;
      const row = Math.floor(place);
      const long = 0.6 + 0.8 * hash01(seed + 9, row);
      const along = (x + 0.5 * ridge * end(y, x)) / (ridge * PLATE * long) + 7 * hash01(seed, row);
      const plate = Math.floor(along);
      const border = Math.min(
        (0.5 - Math.abs(place - row - 0.5)) * ridge,
        (0.62 - Math.abs(along - plate - 0.5)) * ridge * PLATE * long,
      );
      const furrow = 1 - Math.min(1, Math.max(0, border) / (0.3 * ridge));
      const own = 0.16 * (hash01(seed + 4, row, plate) - 0.5);
      const up = tallMm * (bend * (1 + own) - FURROW * furrow ** 1.5);
      return Math.max(0.05, Math.min(tallMm, up) - 0.02 * (1 + fine(x * 0.4, y)));
    },
  };
}

/** Bark of a trunk: for itself, or for folded rock. */
export const bark = definePiece({
  id: "bark",
  label: "Bark",
  about: "A strip of bark: bent across, furrowed along, its ridges broken in plates.",
  start: { acrossMm: 16, deepMm: 7, tallMm: 3 },
  bench: "Dry it well, break it to size, glue it on and seal it with thinned glue.",
  caution: "Knife and saw: cut away from the hand. Follow the labels and your local rules.",
  shape: barkShape,
});
