import type { Random } from "../random";
import { clamp } from "../units";
import { mainColours, pixelLab, type Neutral } from "./mainColours";
import { hexToLab, labToHex, type Triple } from "./spaces";

/** What a picture shows: hair from edge to edge, or a beast before a ground. */
export const SHOWN = ["all-over", "before-ground"] as const;
export type Shown = (typeof SHOWN)[number];

/** Where on a body a colour of a picture lies; its upper side is taken for the back. */
export type LiesOn = "anywhere" | "back" | "belly" | "ends";

/** A colour of a beast in a picture. */
export interface PlacedColour {
  /** "#rrggbb" */
  readonly colour: string;
  /** Share of the beast, %. */
  readonly share: number;
  readonly sits: LiesOn;
  /** How far it keeps to there, %. */
  readonly keeps: number;
}

/** Pixels of a picture, and what is known of it. */
export interface BeastPicture {
  readonly rgba: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
  /** Factors that make the painter's grey grey. */
  readonly neutral: Neutral | null;
  readonly shown: Shown;
}

/** Pixels looked at in each direction, at most. */
const MOST_ACROSS = 220;
const NOTHING = -1;

/** A picture in few colours: which one each cell is, −1 for clear. */
interface Told {
  readonly width: number;
  readonly height: number;
  readonly of: Int8Array;
}

const square = (a: Triple, b: Triple) => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

function nearest(lab: Triple, centres: readonly Triple[]): number {
  let [best, least] = [0, Infinity];
  centres.forEach((centre, k) => {
    const away = square(lab, centre);
    if (away < least) [best, least] = [k, away];
  });
  return best;
}

/** The picture on few enough cells, its light corrected. */
function smaller({ rgba, width, height, neutral, shown }: BeastPicture): BeastPicture {
  const step = Math.max(1, Math.max(width, height) / MOST_ACROSS);
  const [columns, rows] = [Math.max(1, Math.floor(width / step)), Math.max(1, Math.floor(height / step))];
  const small = new Uint8ClampedArray(columns * rows * 4);
  for (let at = 0; at < columns * rows; at++) {
    const [x, y] = [Math.floor((at % columns) * step), Math.floor(Math.floor(at / columns) * step)];
    const from = (y * width + x) * 4;
    small.set(rgba.subarray(from, from + 4), at * 4);
  }
  return { rgba: small, width: columns, height: rows, neutral, shown };
}

/** Which of its main colours each cell of a picture has. */
function told({ rgba, width, height, neutral }: BeastPicture, centres: readonly Triple[]): Told {
  const of = new Int8Array(width * height).fill(NOTHING);
  for (let at = 0; at < of.length; at++)
    if (rgba[at * 4 + 3]! >= 128) of[at] = nearest(pixelLab(rgba, at * 4, neutral), centres);
  return { width, height, of };
}

/** A colour that has so much of the picture's edge is the ground behind. */
const OF_EDGE = 0.03;

/** Takes out what hangs together with the picture's edge and has the colours of it. */
function withoutGround({ width, height, of }: Told, colours: number): void {
  const edge: number[] = [];
  for (let x = 0; x < width; x++) edge.push(x, (height - 1) * width + x);
  for (let y = 1; y < height - 1; y++) edge.push(y * width, y * width + width - 1);
  const counts = new Array<number>(colours).fill(0);
  for (const at of edge) if (of[at]! >= 0) counts[of[at]!]!++;
  const isGround = counts.map((count) => count >= OF_EDGE * edge.length);
  const waiting = edge.filter((at) => of[at]! >= 0 && isGround[of[at]!]);
  waiting.forEach((at) => (of[at] = NOTHING));
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    const x = at % width;
    const nexts = [x > 0 ? at - 1 : -1, x < width - 1 ? at + 1 : -1, at - width, at + width];
    for (const next of nexts) {
      if (next < 0 || next >= of.length || of[next]! < 0 || !isGround[of[next]!]) continue;
      of[next] = NOTHING;
      waiting.push(next);
    }
  }
}

/** Sums over one colour's cells. */
interface Sum {
  count: number;
  /** From the top of the body, 0, to its underside, 1, and from its middle, 0, to its ends, 1. */
  down: number;
  out: number;
}

/** Where each colour lies on the body, told column by column of what is left of the picture. */
function placesOf({ width, height, of }: Told, colours: number): Sum[] {
  const sums = Array.from({ length: colours }, (): Sum => ({ count: 0, down: 0, out: 0 }));
  const spans: { x: number; top: number; bottom: number }[] = [];
  for (let x = 0; x < width; x++) {
    let [top, bottom] = [-1, -1];
    for (let y = 0; y < height; y++) {
      if (of[y * width + x]! < 0) continue;
      if (top < 0) top = y;
      bottom = y;
    }
    if (top >= 0) spans.push({ x, top, bottom });
  }
  const [left, right] = [spans[0]?.x ?? 0, spans.at(-1)?.x ?? 0];
  for (const { x, top, bottom } of spans)
    for (let y = top; y <= bottom; y++) {
      const k = of[y * width + x]!;
      if (k < 0) continue;
      const sum = sums[k]!;
      sum.count++;
      sum.down += (y - top + 0.5) / (bottom - top + 1);
      sum.out += Math.abs((2 * (x - left + 0.5)) / (right - left + 1) - 1);
    }
  return sums;
}

/** A colour spread evenly lies half-way down and half-way out; so far off that on the mean it sits somewhere. */
const [EVEN, SITS_FROM, WHOLLY] = [0.5, 0.1, 0.28] as const;

function sitsOf({ count, down, out }: Sum): Pick<PlacedColour, "sits" | "keeps"> {
  const [low, far] = [down / count - EVEN, out / count - EVEN];
  const [sits, by] = ((): readonly [LiesOn, number] => {
    if (far > Math.abs(low)) return ["ends", far];
    return low < 0 ? ["back", -low] : ["belly", low];
  })();
  if (by < SITS_FROM) return { sits: "anywhere", keeps: 0 };
  return { sits, keeps: Math.round((clamp(by / WHOLLY, 0, 1) * 100) / 5) * 5 };
}

/** Colours that the ground behind a beast is looked for in, the beast's own among them. */
const WITH_GROUND = 10;
/** Smaller shares are single hairs and specks of light. */
const LEAST_SHARE = 0.02;

const centresOf = (picture: BeastPicture, count: number, random: Random): Triple[] =>
  mainColours(picture.rgba, count, picture.neutral, random).map(({ colour }) => hexToLab(colour));

/** The picture with all that lies behind the beast cleared. */
function beastAlone(picture: BeastPicture, random: Random): BeastPicture {
  const centres = centresOf(picture, WITH_GROUND, random);
  const cells = told(picture, centres);
  withoutGround(cells, centres.length);
  const rgba = picture.rgba.slice();
  cells.of.forEach((own, at) => {
    if (own < 0) rgba[at * 4 + 3] = 0;
  });
  return { ...picture, rgba };
}

/**
 * Reads a beast's coat from a picture: its main colours, how much of it each has, and where on the body it lies.
 * @param most colours wanted at most, 1…16
 * @returns largest share first; shares in % that sum to 100; empty where nothing is left of the picture
 */
export function placedColours(picture: BeastPicture, most: number, random: Random): PlacedColour[] {
  const small = smaller(picture);
  const beast = picture.shown === "before-ground" ? beastAlone(small, random) : small;
  const centres = centresOf(beast, most, random);
  const sums = placesOf(told(beast, centres), centres.length);
  const whole = sums.reduce((all, { count }) => all + count, 0);
  const large = sums
    .map((sum, k) => ({ sum, colour: labToHex(centres[k]!) }))
    .filter(({ sum }) => sum.count > 0 && sum.count >= LEAST_SHARE * whole)
    .sort((a, b) => b.sum.count - a.sum.count);
  const rest = large.reduce((all, { sum }) => all + sum.count, 0);
  return large.map(({ colour, sum }) => ({
    colour,
    share: Math.round((1000 * sum.count) / rest) / 10,
    ...sitsOf(sum),
  }));
}
