import { brushedPassUm } from "../colour/mix";
import { InputError } from "../errors";
import { median } from "../learning/robust";
import { DOTS, LINES, MARKS, SOLID, STROKES, THINNED, type PlatePoint } from "./layout";
import { homographyOf } from "./homography";
import { findMarks, isClockwise, type PhotoPoint } from "./marks";
import { seenIn, type Photo, type Seen } from "./photo";

/** What a painted plate tells of the hand; null where a row was not painted. */
export interface PlateReading {
  /** Middles of the marks, from the one with the dot on clockwise, pixels of the photo. */
  readonly marks: readonly PhotoPoint[];
  readonly lines: {
    /** Lines that were painted. */
    readonly count: number;
    /** Width of a line over its length, mean of the lines, mm. */
    readonly widthMm: number;
    /** How far its middle strays from straight, root mean square, mm. */
    readonly wobbleMm: number;
  } | null;
  readonly dots: { readonly count: number; readonly acrossMm: number } | null;
  readonly strokes: {
    readonly count: number;
    readonly lengthMm: number;
    /** How far strokes stand off an even row, root mean square, mm. */
    readonly offMm: number;
  } | null;
  readonly thinning: {
    readonly boxes: number;
    /** The paint was as thin as it should be with so many times of the water that was named. */
    readonly times: number;
  } | null;
}

/** Share of a place that is covered with paint, by what the paint takes from the paper's light in each band. */
type Cover = (at: PlatePoint) => number;

/** The solid box must be darker or more coloured than paper by this much. */
const LEAST_CONTRAST = 0.12;

function coverBy(seen: Seen): Cover {
  const { x, topY, sizeMm } = SOLID;
  const inner = [0.3, 0.4, 0.5, 0.6, 0.7].map((share) => share * sizeMm);
  const lights = inner.flatMap((dx) => inner.map((dy) => seen([x + dx, topY + dy])));
  const taken = [0, 1, 2].map((band) => 1 - median(lights.map((light) => light[band]!))) as [
    number,
    number,
    number,
  ];
  const strength = taken.reduce((sum, one) => sum + one * one, 0);
  if (strength < LEAST_CONTRAST ** 2)
    throw new InputError([
      {
        field: "photo",
        message:
          "The solid box looks like bare paper. Paint it solid with the paint of the other rows, a dark or a strong one.",
      },
    ]);
  return (at) => {
    const light = seen(at);
    return taken.reduce((sum, one, band) => sum + one * (1 - light[band]!), 0) / strength;
  };
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
const rms = (values: readonly number[]): number => Math.sqrt(mean(values.map((value) => value * value)));

/** What is left of values at even steps when the straight line nearest to them is taken away. */
export function offStraight(values: readonly number[]): number[] {
  const middle = (values.length - 1) / 2;
  const average = mean(values);
  const slope =
    values.reduce((sum, value, at) => sum + (at - middle) * (value - average), 0) /
    values.reduce((sum, _, at) => sum + (at - middle) ** 2, 0);
  return values.map((value, at) => value - average - slope * (at - middle));
}

/** Steps across a mark and along it, mm. */
const ACROSS_MM = 0.03;
const ALONG_MM = 0.1;

/** Sum of paint across a place, mm, and the middle of it from there, mm. */
function section(
  cover: Cover,
  x: number,
  y: number,
  fromMm: number,
  toMm: number,
): { wide: number; at: number } {
  let [wide, moment] = [0, 0];
  for (let off = fromMm; off <= toMm + 1e-9; off += ACROSS_MM) {
    // Below this it is the grain of paper and photo.
    const here = Math.max(0, cover([x, y + off]) - 0.06);
    wide += here;
    moment += here * off;
  }
  return { wide: (wide * ACROSS_MM) / 0.94, at: wide > 0 ? moment / wide : 0 };
}

/** A line of less paint than this across, on the mean, was not painted, mm. */
const BARE_LINE_MM = 0.025;
/** Looked for so far to both sides of its guide, mm, and then followed this close. */
const STRAYS_MM = 1.2;
const CLOSE_MM = 0.55;

/** Beyond this from the middle of a line there is paper, mm. */
const PAPER_MM = 0.38;

/** A line across at one place, the paper beside it taken for bare: its width, and how far its middle is off its guide, mm. */
function closeTo(cover: Cover, x: number, middle: number, guide: number): { wide: number; at: number } {
  const across: { off: number; here: number }[] = [];
  for (let off = -CLOSE_MM; off <= CLOSE_MM + 1e-9; off += ACROSS_MM)
    across.push({ off, here: cover([x, middle + off]) });
  const bare = mean(across.flatMap(({ off, here }) => (Math.abs(off) >= PAPER_MM ? [here] : [])));
  const line = across.filter(({ off }) => Math.abs(off) < PAPER_MM);
  const wide = line.reduce((sum, { here }) => sum + here - bare, 0);
  const moment = line.reduce((sum, { off, here }) => sum + off * (here - bare), 0);
  return { wide: wide * ACROSS_MM, at: middle - guide + (wide > 0 ? moment / wide : 0) };
}

function lineAt(cover: Cover, y: number): { widthMm: number; wobbleMm: number } | null {
  const steps = Math.round(LINES.lengthMm / ALONG_MM);
  // Where the brush is set down and lifted it is no line yet.
  const xs = Array.from({ length: steps - 20 }, (_, at) => LINES.fromX + (at + 10.5) * ALONG_MM);
  const first = xs.map((x) => section(cover, x, y, -STRAYS_MM, STRAYS_MM));
  if (median(first.map(({ wide }) => wide)) < BARE_LINE_MM) return null;
  const near = xs.map((x, at) => {
    const around = first.slice(Math.max(0, at - 4), at + 5);
    return closeTo(cover, x, y + median(around.map((one) => one.at)), y);
  });
  return {
    widthMm: mean(near.map(({ wide }) => wide)),
    wobbleMm: rms(offStraight(near.map(({ at }) => at))),
  };
}

function readLines(cover: Cover): PlateReading["lines"] {
  const lines = LINES.ys.flatMap((y) => lineAt(cover, y) ?? []);
  if (lines.length === 0) return null;
  return {
    count: lines.length,
    widthMm: mean(lines.map(({ widthMm }) => widthMm)),
    wobbleMm: rms(lines.map(({ wobbleMm }) => wobbleMm)),
  };
}

const DOT_STEP_MM = 0.05;
const DOT_REACH_MM = 1.25;
/** A spot of less paint than this is no dot, mm². */
const BARE_DOT_MM2 = 0.012;

function readDots(cover: Cover): PlateReading["dots"] {
  const areas = DOTS.map(([x, y]) => {
    let area = 0;
    for (let dy = -DOT_REACH_MM; dy <= DOT_REACH_MM; dy += DOT_STEP_MM)
      for (let dx = -DOT_REACH_MM; dx <= DOT_REACH_MM; dx += DOT_STEP_MM)
        if (Math.hypot(dx, dy) <= DOT_REACH_MM) area += Math.max(0, cover([x + dx, y + dy]) - 0.06) / 0.94;
    return area * DOT_STEP_MM ** 2;
  }).filter((area) => area >= BARE_DOT_MM2);
  if (areas.length === 0) return null;
  return { count: areas.length, acrossMm: mean(areas.map((area) => 2 * Math.sqrt(area / Math.PI))) };
}

/** Strokes are looked for this far to both sides, and over and under the row, mm. */
const BESIDE_MM = STROKES.pitchMm / 2;
const OVER_MM = 1.6;

function strokeAt(cover: Cover, x: number): { lengthMm: number; at: number } | null {
  const rows: number[] = [];
  let [all, moment] = [0, 0];
  for (let y = -OVER_MM; y <= STROKES.lengthMm + OVER_MM; y += ALONG_MM) {
    let across = 0;
    for (let off = -BESIDE_MM; off <= BESIDE_MM; off += ACROSS_MM) {
      const here = Math.max(0, cover([x + off, STROKES.topY + y]) - 0.06);
      across += here;
      moment += here * off;
    }
    all += across;
    rows.push(across * ACROSS_MM);
  }
  const full = rows.toSorted((a, b) => b - a)[Math.floor(rows.length / 4)]!;
  if (full < BARE_LINE_MM) return null;
  return { lengthMm: rows.filter((row) => row > full / 2).length * ALONG_MM, at: moment / all };
}

function readStrokes(cover: Cover): PlateReading["strokes"] {
  const strokes = Array.from({ length: STROKES.count }, (_, at) =>
    strokeAt(cover, STROKES.fromX + at * STROKES.pitchMm),
  );
  const painted = strokes.filter((stroke) => stroke !== null);
  if (painted.length < 3) return null;
  return {
    count: painted.length,
    lengthMm: mean(painted.map(({ lengthMm }) => lengthMm)),
    offMm: rms(offStraight(painted.map(({ at }) => at))),
  };
}

/** A pass through which the bar shows less than this, or more, tells nothing. */
const SHOWS = [0.02, 0.93] as const;
/** Thinning scales that are looked through. */
const TIMES = Array.from({ length: 281 }, (_, at) => 0.3 * Math.exp((at / 280) * Math.log(4 / 0.3)));

/** How much of the printed bar still shows in a box, 0…1. */
function barShows(seen: Seen, x: number): number {
  const { topY, sizeMm, barMm } = THINNED;
  const middle = x + sizeMm / 2;
  const light = (from: number, to: number): number => {
    const values: number[] = [];
    for (let at = from; at <= to; at += 0.15)
      for (let y = topY + 1.5; y <= topY + sizeMm - 1.5; y += 0.25) {
        const [r, g, b] = seen([at, y]);
        values.push(0.21 * r + 0.72 * g + 0.07 * b);
      }
    return median(values);
  };
  const bar = light(middle - barMm / 2 + 0.5, middle + barMm / 2 - 0.5);
  const beside =
    (light(x + 0.8, middle - barMm / 2 - 0.5) + light(middle + barMm / 2 + 0.5, x + sizeMm - 0.8)) / 2;
  return beside - bar;
}

/** Light that printed black sends back, share of the paper's. */
const INK_LIGHT = 0.05;

/**
 * The bar shows through a film as e^(−k d): of all thinning scales the one whose films d, k being whatever it must be,
 * come nearest to what shows in the boxes.
 */
function readThinning(seen: Seen): PlateReading["thinning"] {
  const shown = THINNED.boxes.flatMap(({ x, water }) => {
    const share = barShows(seen, x) / (1 - INK_LIGHT);
    return share > SHOWS[0] && share < SHOWS[1] ? [{ water, taken: -Math.log(share), share }] : [];
  });
  if (shown.length < 3) return null;
  const missed = (times: number): number => {
    const films = shown.map(({ water }) => brushedPassUm(water / times));
    // What shows is read with one error for all boxes: its logarithm with one that grows as it shows less.
    const weigh = shown.map(({ share }) => share * share);
    const k =
      films.reduce((sum, film, at) => sum + weigh[at]! * film * shown[at]!.taken, 0) /
      films.reduce((sum, film, at) => sum + weigh[at]! * film * film, 0);
    return films.reduce((sum, film, at) => sum + weigh[at]! * (shown[at]!.taken - k * film) ** 2, 0);
  };
  const best = TIMES.reduce((one, other) => (missed(other) < missed(one) ? other : one));
  return { boxes: shown.length, times: best };
}

/**
 * Reads a painted plate from its photo.
 * @param points middles of the marks from the one with the dot on clockwise, where they were pointed at; null to find them
 * @throws InputError that says what is missing in the photo
 */
export function readPlate(photo: Photo, points: readonly PhotoPoint[] | null = null): PlateReading {
  const marks = points ?? findMarks(photo);
  if (!isClockwise(marks))
    throw new InputError([
      {
        field: "marks",
        message: "The four points must go round clockwise, beginning with the mark that has a dot.",
      },
    ]);
  const seen = seenIn(photo, homographyOf(MARKS, marks));
  const cover = coverBy(seen);
  return {
    ...{ marks, lines: readLines(cover), dots: readDots(cover) },
    ...{ strokes: readStrokes(cover), thinning: readThinning(seen) },
  };
}
