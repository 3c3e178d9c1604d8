import { InputError } from "../errors";
import type { Photo } from "./photo";

/** A point of the photo, pixels. */
export type PhotoPoint = readonly [x: number, y: number];

/** A spot darker than this share of what is around it is ink. */
const DARK = 0.62;
/** What is around: a square with sides of this share of the photo's. */
const AROUND = 0.16;
/** A mark is this much of the photo's longer side across, at least and at most. */
const ACROSS = [0.018, 0.2] as const;
/** Marks of one plate differ less than this in area, near and far ones. */
const ALIKE = 3.5;

const grey = ({ rgba, width, height }: Photo): Float32Array =>
  Float32Array.from(
    { length: width * height },
    (_, at) => 0.3 * rgba[at * 4]! + 0.59 * rgba[at * 4 + 1]! + 0.11 * rgba[at * 4 + 2]!,
  );

/** Sums of all above and left of each corner of a pixel. */
function summed(values: Float32Array, width: number, height: number): Float64Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += values[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  return sums;
}

/** Which pixels are ink: darker than what is around them, however the light falls. */
function inkIn(photo: Photo): Uint8Array {
  const { width, height } = photo;
  const values = grey(photo);
  const sums = summed(values, width, height);
  const half = Math.round((AROUND * Math.max(width, height)) / 2);
  const ink = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - half), Math.min(height, y + half + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - half), Math.min(width, x + half + 1)];
      const at = (row: number, column: number) => sums[row * (width + 1) + column]!;
      const mean =
        (at(bottom, right) - at(top, right) - at(bottom, left) + at(top, left)) /
        ((bottom - top) * (right - left));
      if (values[y * width + x]! < DARK * mean) ink[y * width + x] = 1;
    }
  }
  return ink;
}

interface Blot {
  readonly area: number;
  readonly middle: PhotoPoint;
  readonly wide: number;
  readonly high: number;
}

/** Ink that hangs together. */
function blotsOf(ink: Uint8Array, width: number, height: number): Blot[] {
  const left = ink.slice();
  const stack = new Int32Array(width * height);
  const blots: Blot[] = [];
  for (let start = 0; start < left.length; start++) {
    if (left[start] === 0) continue;
    let depth = 0;
    let [area, sumX, sumY, minX, maxX, minY, maxY] = [0, 0, 0, width, 0, height, 0];
    stack[depth++] = start;
    left[start] = 0;
    while (depth > 0) {
      const at = stack[--depth]!;
      const [x, y] = [at % width, Math.floor(at / width)];
      area++;
      sumX += x;
      sumY += y;
      [minX, maxX] = [Math.min(minX, x), Math.max(maxX, x)];
      [minY, maxY] = [Math.min(minY, y), Math.max(maxY, y)];
      const near = [x > 0 ? at - 1 : -1, x + 1 < width ? at + 1 : -1, at - width, at + width];
      for (const next of near) {
        if (next < 0 || next >= left.length || left[next] === 0) continue;
        left[next] = 0;
        stack[depth++] = next;
      }
    }
    const middle = [sumX / area + 0.5, sumY / area + 0.5] as const;
    blots.push({ area, middle, wide: maxX - minX + 1, high: maxY - minY + 1 });
  }
  return blots;
}

/** Share of the way from the middle of a ring to its outer edge at which it is ink, and at which it is not. */
const INK_AT = 0.76;
const BARE_AT = 0.42;
const DIRECTIONS = Array.from({ length: 16 }, (_, at) => (at * Math.PI) / 8);

/** Whether a blot is a ring: ink all around its middle, and bare paper inside. */
function isRing({ middle: [x, y], wide, high, area }: Blot, ink: Uint8Array, width: number): boolean {
  const at = (turn: number, share: number) =>
    ink[
      Math.floor(y + (share * high * Math.sin(turn)) / 2) * width +
        Math.floor(x + (share * wide * Math.cos(turn)) / 2)
    ] === 1;
  const inked = DIRECTIONS.filter((turn) => at(turn, INK_AT)).length;
  const bare = DIRECTIONS.filter((turn) => !at(turn, BARE_AT)).length;
  // Tilted, a ring is an ellipse aslant in its box: a few directions may miss.
  return inked >= 13 && bare >= 13 && area / (wide * high) > 0.25;
}

const cross = ([ax, ay]: PhotoPoint, [bx, by]: PhotoPoint, [cx, cy]: PhotoPoint): number =>
  (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/** Whether four points go round clockwise, none of them inside of the others. */
export const isClockwise = (points: readonly PhotoPoint[]): boolean =>
  points.every((point, at) => cross(point, points[(at + 1) % 4]!, points[(at + 2) % 4]!) > 0);

function clockwise(points: readonly PhotoPoint[], first: PhotoPoint): PhotoPoint[] {
  const x = points.reduce((sum, point) => sum + point[0], 0) / points.length;
  const y = points.reduce((sum, point) => sum + point[1], 0) / points.length;
  const turn = ([px, py]: PhotoPoint) => Math.atan2(py - y, px - x);
  const round = points.toSorted((a, b) => turn(a) - turn(b));
  const at = round.indexOf(first);
  return [...round.slice(at), ...round.slice(0, at)];
}

const refused = (message: string): InputError => new InputError([{ field: "photo", message }]);

/**
 * Middles of the four marks of a plate in a photo, from the one with the dot on clockwise, pixels.
 * @throws InputError that says which marks were not found
 */
export function findMarks(photo: Photo): PhotoPoint[] {
  const { width, height } = photo;
  const ink = inkIn(photo);
  const [least, most] = ACROSS.map((share) => share * Math.max(width, height)) as [number, number];
  const fits = ({ wide, high }: Blot) => Math.min(wide, high) >= least && Math.max(wide, high) <= most;
  const rings = blotsOf(ink, width, height)
    .filter((blot) => fits(blot) && isRing(blot, ink, width))
    .toSorted((a, b) => b.area - a.area);
  const marks = rings.slice(0, 4);
  if (marks.length < 4 || marks[0]!.area > ALIKE * marks[3]!.area)
    throw refused(
      `${Math.min(3, marks.length)} of the four ring marks were found. All four must be in the photo, whole, without glare on them; or point at their middles.`,
    );
  const isDotted = ({ middle: [x, y] }: Blot) => ink[Math.floor(y) * width + Math.floor(x)] === 1;
  const dotted = marks.filter(isDotted);
  if (dotted.length !== 1)
    throw refused(
      `${dotted.length} marks with a dot were found; one is needed to tell which way up the plate lies. Point at the middles of the marks.`,
    );
  const points = clockwise(
    marks.map(({ middle }) => middle),
    dotted[0]!.middle,
  );
  if (!isClockwise(points))
    throw refused("The marks do not lie as they do on a plate. Point at their middles.");
  return points;
}
