import { createRandom, hash01 } from "../random";
import { softNoise } from "../surface/forms/sheet";
import { clamp, smoothstep } from "../units";

/** Cells of a print along either side. */
export const PRINT_SIDE = 40;
const PRINTS = 24;

/**
 * What the tip of a brush leaves where it is pressed down once: a square from −1 to 1, the heel at −1 along its length
 * and the point at 1. `cover` is the covered share, 0…1, `load` the thickness there against the mean of the print.
 */
export interface TipPrint {
  readonly cover: Float32Array;
  readonly load: Float32Array;
  /** Half the length and half the width of the ellipse that spreads as it does, in halves of the square. */
  readonly halfLong: number;
  readonly halfWide: number;
}

/** How one tip is made. */
interface Tip {
  readonly seed: number;
  /** Half the length and half the widths at heel and point, shares of the square's half. */
  readonly half: number;
  readonly heel: number;
  readonly point: number;
  readonly bend: number;
  readonly ragged: number;
  /** How far its hairs part towards the point; 0 where they hold together. */
  readonly parted: number;
  /** A bite where the paint did not take: where, which side, how wide; null for none. */
  readonly bite: { readonly at: number; readonly side: 1 | -1; readonly wide: number } | null;
  /** How wet: paint draws to the rim of a wet one. */
  readonly wet: number;
}

function tipOf(seed: number): Tip {
  const random = createRandom(seed);
  const range = (from: number, to: number) => random.range(from, to);
  const next = () => random.next();
  return {
    seed,
    half: range(0.66, 0.96),
    heel: range(0.5, 0.72),
    point: range(0.1, 0.3),
    bend: range(-0.25, 0.25),
    ragged: range(0.1, 0.24),
    parted: next() < 0.5 ? range(0.35, 0.75) : 0,
    bite:
      next() < 0.34 ? { at: range(-0.6, 0.6), side: next() < 0.5 ? 1 : -1, wide: range(0.15, 0.38) } : null,
    wet: range(0.3, 1),
  };
}

/** Paint within so much of the outline thins out, and draws to this far inside it where it is wet. */
const [RIM, RIM_AT] = [0.13, 0.1] as const;

/** How far inside the print a place lies, in halves of the square; below 0 beside it. */
function insideOf(tip: Tip, u: number, v: number): number {
  const { seed, half, heel, point, ragged, parted, bite } = tip;
  const noise = softNoise(seed, 1, hash01);
  const aside = v - tip.bend * u * u;
  const s = clamp((u + half) / (2 * half), 0, 1);
  const along = 1 - (Math.abs(u) / (half + 0.02)) ** 3.2;
  const width = (heel + (point - heel) * s ** 1.3) * Math.sqrt(Math.max(0, along));
  let inside =
    width - Math.abs(aside) + ragged * (0.8 * noise(u * 2.1, v * 2.1) + 0.55 * noise(u * 5.3 + 9, v * 5.3));
  inside = Math.min(inside, 0.9 * (half - Math.abs(u)) + 0.7 * ragged * noise(u * 3 + 20, v * 4));
  inside -= parted * smoothstep(0.35, 1, s) * Math.max(0, noise(aside * 7 + 40, u * 1.2));
  return bite ? Math.min(inside, Math.hypot(u - bite.at, aside - bite.side * width) - bite.wide) : inside;
}

function printOf(seed: number): TipPrint {
  const tip = tipOf(seed);
  const hairs = softNoise(seed + 5000, 1, hash01);
  const [cover, load] = [
    new Float32Array(PRINT_SIDE * PRINT_SIDE),
    new Float32Array(PRINT_SIDE * PRINT_SIDE),
  ];
  let [covered, laid, along, across] = [0, 0, 0, 0];
  for (let at = 0; at < cover.length; at++) {
    const u = (((at % PRINT_SIDE) + 0.5) / PRINT_SIDE) * 2 - 1;
    const v = ((Math.floor(at / PRINT_SIDE) + 0.5) / PRINT_SIDE) * 2 - 1;
    const inside = insideOf(tip, u, v);
    const share = smoothstep(-0.02, RIM, inside);
    const hair = hairs((v - tip.bend * u * u) * 6, u * 1.4);
    const s = clamp((u + 1) / 2, 0, 1);
    const rim = tip.wet * Math.exp(-(((inside - RIM_AT) / 0.09) ** 2));
    cover[at] = share * clamp(0.9 + 0.35 * hair - 0.25 * smoothstep(0.5, 1, s), 0, 1);
    load[at] = Math.max(0.15, 0.62 + 0.55 * rim + 0.3 * hair + 0.35 * (1 - s));
    covered += cover[at]!;
    laid += cover[at]! * load[at]!;
    along += cover[at]! * u * u;
    across += cover[at]! * v * v;
  }
  // The second moment of an even ellipse along an axis is a quarter of its half's square.
  const half = (moment: number) => 2 * Math.sqrt(moment / covered);
  return {
    cover,
    load: load.map((value) => (value * covered) / laid),
    halfLong: half(along),
    halfWide: half(across),
  };
}

let prints: readonly TipPrint[] | null = null;

/** The prints that touches are made of, no two alike; made when they are first asked for. */
export const tipPrints = (): readonly TipPrint[] =>
  (prints ??= Array.from({ length: PRINTS }, (_, k) => printOf(4241 + 37 * k)));
