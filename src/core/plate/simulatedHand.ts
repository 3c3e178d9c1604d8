import { brushedPassUm } from "../colour/mix";
import { createRandom, type Random } from "../random";
import { DOTS, LINES, MARK_MM, MARKS, PLATE_MM, SOLID, STROKES, THINNED, type PlatePoint } from "./layout";
import type { Rgb } from "./photo";
import { offStraight } from "./reading";

/** A hand that does not exist, and what it does. */
export interface SimulatedHand {
  /** Width of its finest line, mm. */
  readonly lineMm: number;
  /** How far its lines stray from straight, root mean square, mm. */
  readonly wobbleMm: number;
  readonly dotMm: number;
  /** How far its strokes stand off an even row, root mean square, mm. */
  readonly strokesOffMm: number;
  /** Its paint wants so many times of the water that is named. */
  readonly waterTimes: number;
  readonly seed: number;
}

/** Light that paper, printer's ink, guides and the paint send back, linear, 0…1. */
const PAPER: Rgb = [0.83, 0.82, 0.79];
const INK = 0.05;
const GUIDE = 0.72;
const PAINT: Rgb = [0.09, 0.05, 0.045];
/** A solid coat of the paint hides so much of what is below per µm: e to the minus of this. */
const HIDES_PER_UM = 0.19;
export const TABLE: Rgb = [0.16, 0.13, 0.11];

/** Something that wanders: waves of many lengths with phases of their own. */
function wanderer(random: Random, lengthMm: number): (at: number) => number {
  const waves = Array.from({ length: 9 }, (_, at) => ({
    turn: (2 * Math.PI) / (lengthMm * 0.45 * 1.38 ** at),
    phase: random.range(0, 2 * Math.PI),
    size: random.range(0.5, 1),
  }));
  return (at) => waves.reduce((sum, { turn, phase, size }) => sum + size * Math.sin(turn * at + phase), 0);
}

/** A wanderer that is, over a stretch, off straight by a root mean square of 1. */
function evenWanderer(random: Random, lengthMm: number, stretchMm: number): (at: number) => number {
  const wander = wanderer(random, lengthMm);
  const values = Array.from({ length: 200 }, (_, at) => wander((at / 199) * stretchMm));
  const off = offStraight(values);
  const rms = Math.sqrt(off.reduce((sum, value) => sum + value * value, 0) / off.length);
  return (at) => wander(at) / rms;
}

interface PaintedLine {
  readonly y: number;
  middle(x: number): number;
  half(x: number): number;
}

function linesOf(hand: SimulatedHand, random: Random): PaintedLine[] {
  return LINES.ys.map((y) => {
    const stray = evenWanderer(random, 2.2, LINES.lengthMm);
    const press = evenWanderer(random, 3.1, LINES.lengthMm);
    const landed = 0.12 * random.normal();
    return {
      y,
      middle: (x) => y + landed + hand.wobbleMm * stray(x - LINES.fromX),
      half: (x) => (hand.lineMm / 2) * (1 + 0.09 * press(x - LINES.fromX)),
    };
  });
}

/** Covered where it is this far inside of an edge, half covered on it. */
const SOFT_MM = 0.03;
const inside = (byMm: number): number => Math.min(1, Math.max(0, 0.5 + byMm / (2 * SOFT_MM)));

const within = (value: number, from: number, length: number): boolean =>
  value >= from && value <= from + length;

/** Guides that tell where to paint, pale, beside what is painted and never under it. */
function isGuide([x, y]: PlatePoint): boolean {
  const thin = 0.07;
  const line = LINES.ys.some(
    (at) =>
      Math.abs(y - at) < thin &&
      (within(x, LINES.fromX - 1.6, 1.1) || within(x, LINES.fromX + LINES.lengthMm + 0.5, 1.1)),
  );
  const boxed = [...THINNED.boxes, SOLID].some(({ x: left }) => {
    const [dx, dy] = [x - left, y - THINNED.topY];
    const size = THINNED.sizeMm;
    const out = Math.max(-dx, dx - size, -dy, dy - size);
    return Math.abs(out - 0.3) < thin;
  });
  return line || boxed;
}

const markAt = ([x, y]: PlatePoint): number =>
  MARKS.findIndex((one) => Math.hypot(x - one[0], y - one[1]) <= MARK_MM.outer / 2);

/** Above and below these lie the marks, mm. */
const MARKS_END = [11, PLATE_MM.height - 11] as const;
/** Between these no guide is printed, mm. */
const NO_GUIDES = [26, 33] as const;

function printed(at: PlatePoint): Rgb {
  const [x, y] = at;
  if (within(y, NO_GUIDES[0], NO_GUIDES[1] - NO_GUIDES[0])) return PAPER;
  const mark = within(y, MARKS_END[0], MARKS_END[1] - MARKS_END[0]) ? -1 : markAt(at);
  if (mark >= 0) {
    const away = Math.hypot(x - MARKS[mark]![0], y - MARKS[mark]![1]);
    const dark = away > MARK_MM.inner / 2 || (mark === 0 && away < MARK_MM.dot / 2);
    return dark ? [INK * PAPER[0], INK * PAPER[1], INK * PAPER[2]] : PAPER;
  }
  const { topY, sizeMm, barMm, boxes } = THINNED;
  const bar = boxes.some((box) => within(y, topY, sizeMm) && Math.abs(x - box.x - sizeMm / 2) <= barMm / 2);
  if (bar) return [INK * PAPER[0], INK * PAPER[1], INK * PAPER[2]];
  return isGuide(at) ? [GUIDE * PAPER[0], GUIDE * PAPER[1], GUIDE * PAPER[2]] : PAPER;
}

/** A film over a ground: less of the ground the thicker it is. */
function filmed(ground: Rgb, um: number): Rgb {
  const left = Math.exp(-HIDES_PER_UM * um);
  return [0, 1, 2].map((band) => ground[band]! * left + PAINT[band]! * (1 - left)) as never;
}

const mixed = (ground: Rgb, cover: number): Rgb =>
  cover <= 0
    ? ground
    : ([0, 1, 2].map((band) => ground[band]! * (1 - cover) + PAINT[band]! * cover) as never);

/** What is painted in the rows: how much of a place is covered. */
function rowsOf(hand: SimulatedHand, random: Random): (at: PlatePoint) => number {
  const lines = linesOf(hand, random.fork("lines"));
  const set = random.fork("dots");
  const dots = DOTS.map(([x, y]) => ({
    ...{ x: x + 0.12 * set.normal(), y: y + 0.12 * set.normal() },
    half: (hand.dotMm / 2) * (1 + 0.1 * set.normal()),
  }));
  const pulled = random.fork("strokes");
  const strokes = Array.from({ length: STROKES.count }, (_, at) => ({
    x: STROKES.fromX + at * STROKES.pitchMm + hand.strokesOffMm * pulled.normal(),
    top: STROKES.topY + 0.15 * pulled.normal(),
    bottom: STROKES.topY + STROKES.lengthMm + 0.15 * pulled.normal(),
  }));
  const line = ([x, y]: PlatePoint): number => {
    const near = lines.find((one) => Math.abs(y - one.y) < 1.4);
    return near ? inside(near.half(x) - Math.abs(y - near.middle(x))) : 0;
  };
  const dot = ([x, y]: PlatePoint): number => {
    const near = dots.find((one) => Math.abs(x - one.x) < 1.6 && Math.abs(y - one.y) < 1.6);
    return near ? inside(near.half - Math.hypot(x - near.x, y - near.y)) : 0;
  };
  const stroke = ([x, y]: PlatePoint): number => {
    const near = strokes.find((one) => Math.abs(x - one.x) < 0.8);
    return near && y > near.top && y < near.bottom ? inside(hand.lineMm * 0.7 - Math.abs(x - near.x)) : 0;
  };
  const [firstDot, lastDot] = [DOTS[0]!, DOTS.at(-1)!];
  return (at) => {
    const [x, y] = at;
    if (x <= LINES.fromX + LINES.lengthMm) return x >= LINES.fromX && y < LINES.ys.at(-1)! + 2 ? line(at) : 0;
    if (x < firstDot[0] - 2) return 0;
    return y < lastDot[1] + 2 ? dot(at) : stroke(at);
  };
}

/** What a painted plate sends back at a place of it, linear light. */
export function paintedPlate(hand: SimulatedHand): (at: PlatePoint) => Rgb {
  const random = createRandom(hand.seed);
  const rows = rowsOf(hand, random);
  const patchy = wanderer(random.fork("boxes"), 1.5);
  return (at) => {
    const [x, y] = at;
    const ground = printed(at);
    if (y < THINNED.topY - 2) return mixed(ground, rows(at));
    if (!within(y, THINNED.topY, THINNED.sizeMm)) return ground;
    if (within(x, SOLID.x, SOLID.sizeMm)) return PAINT;
    const box = THINNED.boxes.find((one) => within(x, one.x, THINNED.sizeMm));
    const uneven = 1 + 0.012 * patchy(x + 3 * y);
    return box ? filmed(ground, brushedPassUm(box.water / hand.waterTimes) * uneven) : ground;
  };
}

/** A plate as a picture, linear light. */
export interface PlatePicture {
  readonly light: Float32Array;
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
}

/** Around the plate so much of the table is in the picture, mm. */
export const TABLE_MM = 14;
/** Fine enough that a photo of it shows what the hand did rather than its cells. */
const PX_PER_MM = 18;

/** The painted plate on its table. */
export function plateOf(hand: SimulatedHand): PlatePicture {
  const plate = paintedPlate(hand);
  const width = (PLATE_MM.width + 2 * TABLE_MM) * PX_PER_MM;
  const height = (PLATE_MM.height + 2 * TABLE_MM) * PX_PER_MM;
  const light = new Float32Array(width * height * 3);
  const edge = TABLE_MM * PX_PER_MM;
  for (let at = 0; at < light.length; at++) light[at] = TABLE[at % 3]!;
  for (let y = edge; y < height - edge; y++)
    for (let x = edge; x < width - edge; x++)
      light.set(
        plate([(x + 0.5) / PX_PER_MM - TABLE_MM, (y + 0.5) / PX_PER_MM - TABLE_MM]),
        (y * width + x) * 3,
      );
  return { light, width, height, pxPerMm: PX_PER_MM };
}
