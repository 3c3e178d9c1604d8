import { ciede2000 } from "./difference";
import { decodeSrgb, labToHex, linearToXyz, xyzToLab, type Triple } from "./spaces";
import type { Random } from "../random";

export type Neutral = readonly [red: number, green: number, blue: number];

/** A colour of a picture and the share of the picture it stands for. */
export interface MainColour {
  /** "#rrggbb" */
  readonly colour: string;
  /** Share of the picture, 0…1. */
  readonly share: number;
}

const LINEAR = Float64Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/** L*a*b* of one pixel, corrected by the factors that make the painter's grey grey. */
export function pixelLab(rgba: Uint8ClampedArray, at: number, neutral: Neutral | null): Triple {
  const channel = (k: 0 | 1 | 2) => Math.min(1, LINEAR[rgba[at + k]!]! * (neutral ? neutral[k] : 1));
  return xyzToLab(linearToXyz([channel(0), channel(1), channel(2)]));
}

/** Mean linear light of a disc of pixels; null where none lies inside the picture or all are clear. */
export function meanLinear(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  x: number,
  y: number,
  radius: number,
): Triple | null {
  const sum: [number, number, number] = [0, 0, 0];
  let count = 0;
  for (let row = Math.max(0, Math.floor(y - radius)); row <= Math.min(height - 1, y + radius); row++) {
    for (
      let column = Math.max(0, Math.floor(x - radius));
      column <= Math.min(width - 1, x + radius);
      column++
    ) {
      if ((column - x) ** 2 + (row - y) ** 2 > radius * radius + 0.25) continue;
      const at = (row * width + column) * 4;
      if (rgba[at + 3]! < 128) continue;
      for (const k of [0, 1, 2] as const) sum[k] += LINEAR[rgba[at + k]!]!;
      count++;
    }
  }
  return count > 0 ? [sum[0] / count, sum[1] / count, sum[2] / count] : null;
}

/**
 * Factors per channel that make a spot grey and keep its luminance: von Kries' rule in linear sRGB. For a light cast
 * that is not too strong.
 */
export function neutralFrom([r, g, b]: Triple): Neutral {
  const y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  const factor = (value: number) => Math.min(20, Math.max(0.05, y / Math.max(0.002, value)));
  return [factor(r), factor(g), factor(b)];
}

const square = (a: Triple, b: Triple) => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

/** First centres far from each other. Source: Arthur and Vassilvitskii, "k-means++", SODA 2007. */
function firstCentres(points: readonly Triple[], count: number, random: Random): Triple[] {
  const centres: Triple[] = [points[Math.floor(random.next() * points.length)]!];
  const far = new Float64Array(points.length).fill(Infinity);
  while (centres.length < count) {
    const last = centres.at(-1)!;
    let total = 0;
    points.forEach((point, at) => {
      far[at] = Math.min(far[at]!, square(point, last));
      total += far[at];
    });
    if (total === 0) break;
    let left = random.next() * total;
    let chosen = points.length - 1;
    for (let at = 0; at < points.length; at++) {
      left -= far[at]!;
      if (left <= 0) {
        chosen = at;
        break;
      }
    }
    centres.push(points[chosen]!);
  }
  return centres;
}

const TURNS = 24;
const MOST_POINTS = 24_000;
/** Centres nearer than this are one colour to a painter. */
const SAME = 4;

/** Pixels to look at, as L*a*b*: at most MOST_POINTS, clear ones left out. */
function pointsOf(rgba: Uint8ClampedArray, neutral: Neutral | null): Triple[] {
  const pixels = rgba.length / 4;
  const stride = Math.max(1, Math.floor(pixels / MOST_POINTS));
  const points: Triple[] = [];
  for (let pixel = 0; pixel < pixels; pixel += stride) {
    if (rgba[pixel * 4 + 3]! >= 128) points.push(pixelLab(rgba, pixel * 4, neutral));
  }
  return points;
}

type Sum = [l: number, a: number, b: number, n: number];

/** Sums of the points that lie nearest to each centre. */
function sumsOf(points: readonly Triple[], centres: readonly Triple[]): Sum[] {
  const sums = centres.map((): Sum => [0, 0, 0, 0]);
  for (const point of points) {
    let best = 0;
    let least = Infinity;
    for (let k = 0; k < centres.length; k++) {
      const distance = square(point, centres[k]!);
      if (distance < least) [least, best] = [distance, k];
    }
    const sum = sums[best]!;
    for (const axis of [0, 1, 2] as const) sum[axis] += point[axis];
    sum[3]++;
  }
  return sums;
}

interface Group {
  lab: Triple;
  size: number;
}

/** Centres moved until they stand still, with the number of points of each. */
function settle(points: readonly Triple[], start: readonly Triple[]): Group[] {
  let centres = start;
  let sizes: number[] = [];
  for (let turn = 0; turn < TURNS; turn++) {
    const sums = sumsOf(points, centres);
    sizes = sums.map((sum) => sum[3]);
    const moved = centres.map((centre, k): Triple => {
      const [l, a, b, n] = sums[k]!;
      return n > 0 ? [l / n, a / n, b / n] : centre;
    });
    const still = moved.every((centre, k) => square(centre, centres[k]!) < 1e-4);
    centres = moved;
    if (still) break;
  }
  return centres.map((lab, k) => ({ lab, size: sizes[k]! }));
}

/** Colours that can hardly be told apart, joined to their mean. */
function joined(list: readonly Group[]): Group[] {
  const groups: Group[] = [];
  for (const one of list) {
    const same = groups.find((group) => ciede2000(group.lab, one.lab) < SAME);
    if (!same) {
      groups.push({ ...one });
      continue;
    }
    const total = same.size + one.size;
    const mean = same.lab.map((value, axis) => (value * same.size + one.lab[axis]! * one.size) / total);
    same.lab = mean as unknown as Triple;
    same.size = total;
  }
  return groups;
}

/**
 * Main colours of a picture with their shares: k-means in L*a*b* (Lloyd 1982), colours that can hardly be told apart
 * joined. Clear pixels do not count.
 * @param rgba bytes of the picture, four to a pixel
 * @param count most colours wanted, 1 to 16
 * @returns largest share first; shares sum to 1; empty where every pixel is clear
 */
export function mainColours(
  rgba: Uint8ClampedArray,
  count: number,
  neutral: Neutral | null,
  random: Random,
): MainColour[] {
  const points = pointsOf(rgba, neutral);
  if (points.length === 0) return [];
  const bySize = (a: Group, b: Group) => b.size - a.size;
  const settled = settle(points, firstCentres(points, count, random)).filter(({ size }) => size > 0);
  return joined(settled.sort(bySize))
    .sort(bySize)
    .map(({ lab, size }) => ({ colour: labToHex(lab), share: size / points.length }));
}
