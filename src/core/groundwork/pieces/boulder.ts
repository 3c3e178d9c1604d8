import { createRandom, hash01 } from "../../random";
import { softNoise } from "../../surface/forms/sheet";
import { BESIDE, definePiece, ellipseShare, type PieceSizes } from "./piece";

/** Planes a boulder is broken along, and how far each cuts into its round shape. */
const PLANES = 11;

function boulderShape(sizes: PieceSizes, seed: number) {
  const random = createRandom(seed).fork("boulder");
  const planes = Array.from({ length: PLANES }, () => {
    const way = 2 * Math.PI * random.next();
    const steep = Math.acos(0.15 + 0.8 * random.next());
    return {
      x: Math.cos(way) * Math.sin(steep),
      y: Math.sin(way) * Math.sin(steep),
      z: Math.cos(steep),
      off: 0.72 + 0.16 * random.next(),
    };
  });
  const rough = softNoise(seed + 3, 0.7, hash01);
  const fine = softNoise(seed + 4, 0.22, hash01);
  const { acrossMm, deepMm, tallMm } = sizes;
  return {
    reachMm: Math.max(acrossMm, deepMm) / 2,
    faces: [],
    top(alongMm: number, across: number) {
      const out = ellipseShare(alongMm, across, sizes);
      if (out >= 1) return BESIDE;
      const [x, y] = [(2 * alongMm) / acrossMm, (2 * across) / deepMm];
      // Round above its widest, standing on a foot of a third of its height, and broken flat.
      let up = (1 - out ** 4) ** 0.5;
      for (const plane of planes) up = Math.min(up, (plane.off - plane.x * x - plane.y * y) / plane.z);
      const top = tallMm * up + 0.04 * rough(alongMm, across) + 0.015 * fine(alongMm, across);
      return up <= 0 ? BESIDE : Math.max(0.01, top);
    },
  };
}

/** A stone by itself. */
export const boulder = definePiece({
  id: "boulder",
  label: "Boulder",
  about: "One stone, round with some flat breaks.",
  start: { acrossMm: 6, deepMm: 5, tallMm: 3.5 },
  bench: "Rub a flat on its underside and glue it on that.",
  caution: "Rubbing stone makes dust: mask, rub it wet. Follow the labels and your local rules.",
  shape: boulderShape,
});
