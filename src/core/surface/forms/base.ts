import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { counted, smoothstep } from "../../units";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { roomProblem, sizeProblems } from "./sizes";

const params = {
  lengthMm: {
    label: "Length",
    unit: "mm",
    range: [10, 200],
    step: 1,
    default: 40,
    about: "Across the base the long way; equal to the width on a round one.",
  },
  widthMm: {
    label: "Width",
    unit: "mm",
    range: [10, 200],
    step: 1,
    default: 40,
    about: "Across it the short way.",
  },
  corners: {
    label: "Corners",
    unit: "%",
    range: [0, 100],
    step: 5,
    default: 0,
    about: "0 is round or oval, 100 square, as the tile of a diorama; between them corners are rounded.",
  },
  roughMm: {
    label: "Unevenness",
    unit: "mm",
    range: [0, 3],
    step: 0.05,
    default: 0.25,
    about: "How far the ground goes up and down before any paste.",
  },
  stones: {
    label: "Stones",
    unit: "",
    range: [0, 40],
    step: 1,
    default: 5,
    about: "Stones and bits of rock set into it, counted.",
  },
  stoneMm: {
    label: "Size of a stone",
    unit: "mm",
    range: [0.5, 20],
    step: 0.5,
    default: 4,
    about: "Across, the middle of their sizes.",
  },
} as const;

/** Distance to an ellipse with half axes a and b, mm, above 0 inside; exact for a circle, first order else. */
function toEllipse(x: number, y: number, a: number, b: number): number {
  const k0 = Math.hypot(x / a, y / b);
  const k1 = Math.hypot(x / (a * a), y / (b * b));
  return k1 < 1e-9 ? Math.min(a, b) : (k0 * (1 - k0)) / k1;
}

/** Distance to a rectangle with rounded corners, mm, above 0 inside; exact. */
function toRounded(x: number, y: number, a: number, b: number, radius: number): number {
  const [px, py] = [Math.abs(x) - a + radius, Math.abs(y) - b + radius];
  const out = Math.hypot(Math.max(0, px), Math.max(0, py));
  return radius - out - Math.min(0, Math.max(px, py));
}

/** How round its corners are, mm; null for a round or oval base. */
const cornerMm = ({ lengthMm, widthMm, corners }: Values): number | null =>
  corners === 0 ? null : (1 - corners / 100) * (Math.min(lengthMm, widthMm) / 2);

type Values = { readonly [K in keyof typeof params]: number };

/** Stones set into the ground: where, how large, how tall, and the planes they are broken along. */
const stonesOf = ({ lengthMm, widthMm, stones, stoneMm }: Values, seed: number) =>
  Array.from({ length: stones }, (_, at) => {
    const [a, b] = [lengthMm / 2, widthMm / 2];
    const way = 2 * Math.PI * hash01(seed, at, 1);
    const out = 0.85 * Math.sqrt(hash01(seed, at, 2));
    const size = (stoneMm / 2) * (0.6 + 0.9 * hash01(seed, at, 3));
    return {
      x: a + a * out * Math.cos(way),
      y: b + b * out * Math.sin(way),
      size,
      tall: size * (0.35 + 0.5 * hash01(seed, at, 4)),
      corners: Array.from({ length: 5 }, (__, side) => ({
        way: ((side + 0.7 * hash01(seed, at, 10 + side)) * 2 * Math.PI) / 5,
        off: 0.75 + 0.35 * hash01(seed, at, 20 + side),
      })),
    };
  });

/** Heights of the ground and its stones, mm. */
function reliefOf(values: Values, seed: number): (x: number, y: number) => number {
  const wide = softNoise(seed, 7, hash01);
  const fine = softNoise(seed + 1, 1.3, hash01);
  const stones = stonesOf(values, seed);
  return (x, y) => {
    // Turned against each other, so that no grid of theirs is seen.
    const small =
      0.6 * fine(0.8 * x + 0.6 * y, 0.8 * y - 0.6 * x) + 0.4 * fine(0.5 * x - 1.1 * y, 1.1 * x + 0.5 * y);
    let height = values.roughMm * (0.7 * wide(0.92 * x - 0.39 * y, 0.92 * y + 0.39 * x) + 0.3 * small);
    for (const stone of stones) {
      const [px, py] = [(x - stone.x) / stone.size, (y - stone.y) / stone.size];
      if (px * px + py * py > 2.4) continue;
      // Flat faces broken from the block: the nearest of a few planes.
      let inside = Infinity;
      for (const { way, off } of stone.corners)
        inside = Math.min(inside, off - px * Math.cos(way) - py * Math.sin(way));
      const top = Math.min(1, 2.2 * Math.max(0, inside)) + 0.08 * fine(x * 2.3, y * 2.3);
      height = Math.max(height, stone.tall * top * smoothstep(0, 0.04, inside) + height * 0.3);
    }
    return height;
  };
}

/** Stones take this share of the ground at most. */
const FULL_OF_STONES = 0.75;

/** A base seen from above, round, oval or square: uneven ground with stones set into it. */
export const base = defineForm({
  id: "base",
  version: 1,
  label: "Base, round, oval or square",
  about: "The top of a base: uneven ground with stones set into it.",
  worn: { seats: ["base"], by: "foot", how: "on" },
  material: "stone",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { lengthMm, widthMm, roughMm, stones, stoneMm } = values;
    const narrow = Math.min(lengthMm, widthMm);
    const room = Math.sqrt((FULL_OF_STONES * lengthMm * widthMm) / Math.max(1, stones));
    return [
      ...roomProblem(
        "roughMm",
        roughMm,
        0.1 * narrow,
        `Ground ${narrow} mm across goes up and down by a tenth of that; its unevenness`,
      ),
      ...(stones === 0
        ? []
        : roomProblem(
            "stoneMm",
            stoneMm,
            Math.min(room, 0.6 * narrow),
            `${counted(stones, "stone")} on a base of ${lengthMm} × ${widthMm} mm`,
          )),
    ];
  },
  build(values, seed) {
    const wrong = base.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, widthMm } = values;
    const [a, b] = [lengthMm / 2, widthMm / 2];
    const radius = cornerMm(values);
    const relief = reliefOf(values, seed);
    const sheet = buildSheet({ id: "base", lengthMm, widthMm, relief });
    return {
      ...sheet,
      areaMm2: radius === null ? Math.PI * a * b : 4 * a * b - (4 - Math.PI) * radius * radius,
      round: true,
      upright: [0, 1, 0],
      rim: ({ turnDeg, heightMm }) => {
        const [x, y] = [(turnDeg / 360) * lengthMm - a, heightMm - b];
        return radius === null ? toEllipse(x, y, a, b) : toRounded(x, y, a, b, radius);
      },
      // It lies level: what is far from you on the flat lies behind.
      inSpace: ({ turnDeg, heightMm }) => {
        const x = (turnDeg / 360) * lengthMm;
        return [x - a, relief(x, heightMm), b - heightMm];
      },
    };
  },
});
