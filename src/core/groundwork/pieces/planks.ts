import { createRandom, hash01 } from "../../random";
import { softNoise } from "../../surface/forms/sheet";
import { BESIDE, definePiece, type PieceSizes } from "./piece";

/** A plank is about so wide against the height of the piece, and no wider than this, mm; gaps between two, mm. */
const [WIDE_MM, GAP_MM] = [2.4, 0.16] as const;

function planksShape(sizes: PieceSizes, seed: number) {
  const random = createRandom(seed).fork("planks");
  const { acrossMm, deepMm, tallMm } = sizes;
  const count = Math.max(1, Math.round(deepMm / WIDE_MM));
  const wide = deepMm / count;
  const planks = Array.from({ length: count }, (_, at) => ({
    from: -acrossMm / 2 + 0.05 * acrossMm * random.next(),
    to: acrossMm / 2 - 0.09 * acrossMm * random.next(),
    lean: 0.05 * (random.next() - 0.5),
    low: Math.min(0.25, 0.2 * tallMm) * random.next(),
    grain: softNoise(seed + 10 * at, 1, hash01),
    fine: softNoise(seed + 10 * at + 1, 1, hash01),
  }));
  const rise = Math.min(0.06, 0.12 * tallMm);
  return {
    reachMm: Math.hypot(acrossMm, deepMm) / 2,
    faces: [],
    top(x: number, y: number) {
      const at = Math.floor((y + deepMm / 2) / wide);
      const plank = planks[at];
      if (!plank) return BESIDE;
      const across = y + deepMm / 2 - (at + 0.5) * wide;
      const torn = 0.16 * plank.grain(0.4, across / 0.45) + 0.05 * plank.fine(0.4, across / 0.16);
      const inside = Math.min(
        wide / 2 - GAP_MM / 2 - Math.abs(across),
        x - plank.from + torn,
        plank.to - x + torn,
      );
      if (inside <= 0) return BESIDE;
      // Fibres are long and narrow.
      const fibre = plank.grain(x / 5, across / 0.32) + 0.6 * plank.fine(x / 2.4, across / 0.13);
      const worn = Math.min(1, inside / 0.12) - 1;
      return Math.max(0.05, tallMm - plank.low + plank.lean * across + rise * (fibre - 1 + 1.4 * worn));
    },
  };
}

/** Boards side by side: a jetty, a duckboard, a wreck. */
export const planks = definePiece({
  id: "planks",
  label: "Planks",
  about: "Boards side by side with gaps between them: a jetty, a duckboard.",
  start: { acrossMm: 18, deepMm: 9, tallMm: 1 },
  bench: "Scratch the grain along the boards with a wire brush, break the ends, and glue them on one by one.",
  caution:
    "Knife, saw and wire brush: eye protection, cut away from the hand. Follow the labels and your local rules.",
  shape: planksShape,
});
