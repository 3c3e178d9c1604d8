import { createRandom } from "../../random";
import { BESIDE, definePiece, ellipseShare, type PieceSizes } from "./piece";

/** Pebbles a mm² of the patch, for pebbles of 1 mm; their sizes spread by this much. */
const [CROWDED, SPREAD] = [0.75, 0.38] as const;
const MOST = 400;

interface Pebble {
  readonly x: number;
  readonly y: number;
  readonly long: number;
  readonly short: number;
  readonly tall: number;
  readonly cos: number;
  readonly sin: number;
}

/** Pebbles of a patch, the largest first, none through another. */
function pebblesOf(sizes: PieceSizes, seed: number): Pebble[] {
  const random = createRandom(seed).fork("pebbles");
  const usual = sizes.tallMm * 1.5;
  const area = (Math.PI / 4) * sizes.acrossMm * sizes.deepMm;
  const wanted = Math.min(MOST, Math.round((CROWDED * area) / usual ** 2));
  const radii = Array.from({ length: wanted }, () => {
    const size = (usual / 2) * Math.exp(SPREAD * random.normal());
    return Math.min(0.5 * Math.min(sizes.acrossMm, sizes.deepMm), 1.5 * usual, Math.max(0.2 * usual, size));
  }).sort((a, b) => b - a);
  const laid: Pebble[] = [];
  for (const long of radii)
    for (let attempt = 0; attempt < 24; attempt++) {
      const [way, out] = [2 * Math.PI * random.next(), Math.sqrt(random.next())];
      const [x, y] = [(out * Math.cos(way) * sizes.acrossMm) / 2, (out * Math.sin(way) * sizes.deepMm) / 2];
      // Fewer towards the rim of the patch: it has no outline.
      if (random.next() < out ** 3 * 0.8) break;
      if (ellipseShare(x, y, sizes) > 1) continue;
      if (laid.some((other) => Math.hypot(other.x - x, other.y - y) < 0.9 * (other.long + long))) continue;
      const turn = Math.PI * random.next();
      const short = long * random.range(0.68, 0.95);
      laid.push({
        ...{ x, y, long, short, tall: long * random.range(0.9, 1.25) },
        ...{ cos: Math.cos(turn), sin: Math.sin(turn) },
      });
      break;
    }
  return laid;
}

function pebblesShape(sizes: PieceSizes, seed: number) {
  const pebbles = pebblesOf(sizes, seed);
  return {
    reachMm: Math.max(sizes.acrossMm, sizes.deepMm) / 2 + sizes.tallMm * 1.5,
    faces: [],
    top(alongMm: number, across: number) {
      let top = BESIDE;
      for (const { x, y, long, short, tall, cos, sin } of pebbles) {
        const [px, py] = [alongMm - x, across - y];
        if (px > long || px < -long || py > long || py < -long) continue;
        const out = ((px * cos + py * sin) / long) ** 2 + ((py * cos - px * sin) / short) ** 2;
        // Flattened domes, set in by their lower part.
        if (out < 1) top = Math.max(top, tall * ((1 - out) ** 0.45 - 0.18));
      }
      return top;
    },
  };
}

/** Loose stones strewn over a patch. */
export const pebbles = definePiece({
  id: "pebbles",
  label: "Pebbles",
  about: "A patch of loose pebbles; its height is that of a middling one.",
  start: { acrossMm: 12, deepMm: 8, tallMm: 0.7 },
  loose: true,
  bench: "Strew them into glue or wet paste, press them in, and shake off what is loose.",
  caution: "Grit is dusty: mask, and keep it off the cutting mat. Follow the labels and your local rules.",
  shape: pebblesShape,
});
