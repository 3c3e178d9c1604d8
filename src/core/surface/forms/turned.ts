import { hash01 } from "../../random";
import { modulo } from "../../units";
import { raised, type FlatPoint, type Place, type SpacePoint, type SurfaceForm } from "./form";
import type { Section } from "./section";
import { mostStretched, normalsFrom } from "./stretch";

/** How a form lies in space without its relief. */
type Plain = (place: Place) => SpacePoint;

interface TurnedOptions {
  readonly id: string;
  /** Along the surface from the lower end to the upper one, mm. */
  readonly lengthMm: number;
  /** Way round at a height along the surface, mm; smooth. */
  readonly roundAt: (heightMm: number) => number;
  /** Height above the plain form, mm. @param plain how the form lies in space without it */
  readonly relief: (place: Place, plain: Plain) => number;
  /** 0…1: whether iron fixed to it lies at a place; left out where there is none. */
  readonly fitting?: (place: Place) => number;
  /** How far the middle line bends, degrees. */
  readonly bendDeg?: number;
  /** Which way; to the right where left out. */
  readonly bendsTo?: "right" | "front";
  /** The upper end stands upright and the lower one leans by the bend; else the other way round. */
  readonly upperUpright?: boolean;
  /** Height of the joint it bends at, mm; evenly over its length where left out. */
  readonly jointMm?: number;
  /** Degrees of turn of seams that part it; one behind where left out. */
  readonly seamsDeg?: readonly number[];
  /** Its outline across the middle line; round where left out. */
  readonly section?: Section;
  /** A place that stands on level ground: nothing of the plain form lies lower. */
  readonly standsOn?: Place;
  /** How far the outline lies to the front of the middle line at a height, mm; 0 where left out. */
  readonly aheadMm?: (heightMm: number) => number;
}

const TO_RAD = Math.PI / 180;
/** What lies beside the flat piece is told as no further round than this, degrees. */
const MOST_BESIDE_DEG = 30;

/** A turn within once round as it is; one beside it comes less and less further. */
function settled(turnDeg: number): number {
  const beside = (deg: number) => MOST_BESIDE_DEG * (1 - Math.exp(-deg / MOST_BESIDE_DEG));
  if (turnDeg > 360) return 360 + beside(turnDeg - 360);
  return turnDeg < 0 ? -beside(-turnDeg) : turnDeg;
}
const STEPS = 256;
/** A form leans no farther than this from its middle line, as the sine of the angle. */
const MOST_LEAN = 0.97;
/** No way round is shorter than this, mm: a point has no direction. */
const LEAST_ROUND_MM = 0.05;

/** Something by height along the form, kept in steps. */
function tabled(lengthMm: number, of: (heightMm: number) => number): (heightMm: number) => number {
  const values = Float64Array.from({ length: STEPS + 2 }, (_, at) =>
    of((Math.min(at, STEPS) / STEPS) * lengthMm),
  );
  return (heightMm) => {
    const at = Math.min(STEPS, Math.max(0, (heightMm / lengthMm) * STEPS));
    const step = Math.floor(at);
    return values[step]! + (values[step + 1]! - values[step]!) * (at - step);
  };
}

/** Radius, lean and place of the middle line of a turned form, by height along its surface. */
function profileOf(lengthMm: number, roundAt: (heightMm: number) => number) {
  const radius = (heightMm: number) =>
    Math.max(LEAST_ROUND_MM, roundAt(Math.min(lengthMm, Math.max(0, heightMm)))) / (2 * Math.PI);
  const step = lengthMm / STEPS;
  const lean = (heightMm: number) => {
    const [from, to] = [Math.max(0, heightMm - step), Math.min(lengthMm, heightMm + step)];
    return Math.min(MOST_LEAN, Math.max(-MOST_LEAN, (radius(to) - radius(from)) / (to - from)));
  };
  const along = new Float64Array(STEPS + 1);
  for (let at = 1; at <= STEPS; at++)
    along[at] = along[at - 1]! + step * Math.sqrt(1 - lean((at - 0.5) * step) ** 2);
  return {
    radius: tabled(lengthMm, radius),
    lean: tabled(lengthMm, lean),
    middle: tabled(lengthMm, (heightMm) => along[Math.round((heightMm / lengthMm) * STEPS)]!),
    middleMm: along[STEPS]!,
  };
}

/** The most that a turned form is stretched when it is laid flat: its rows slide on each other where it tapers. */
function distortionOf(lengthMm: number, profile: ReturnType<typeof profileOf>, bend: Bend): number {
  let most = 1;
  for (let at = 0; at <= STEPS; at++) {
    const heightMm = (at / STEPS) * lengthMm;
    const slide = Math.PI * Math.abs(profile.lean(heightMm));
    const stretched = (slide + Math.sqrt(slide * slide + 4)) / 2;
    most = Math.max(
      most,
      stretched * (1 + bend.tightAt(profile.middle(heightMm)) * profile.radius(heightMm)),
    );
  }
  return most;
}

/** A middle line that goes straight up, round in an arc to the right, and straight on; by the way along it, mm. */
interface Bend {
  /** How far it has turned, radians. */
  turnedAt(mm: number): number;
  pointAt(mm: number): readonly [x: number, y: number];
  /** One over the radius of the arc, 1/mm; 0 where it is straight. */
  tightAt(mm: number): number;
}

/** An arc is this much wider than the form is thick at least: its inner side does not fold. */
const ROOM_INSIDE = 1.25;

/** The length an arc round a joint needs so that it is wide enough everywhere on it, mm. @param roomAt what the form needs at a height */
function arcLength(jointMm: number, mostMm: number, roomAt: (heightMm: number) => number): number {
  let wide = Math.max(1e-3, roomAt(jointMm));
  for (let turn = 0; turn < 4; turn++)
    for (let at = -4; at <= 4; at++) wide = Math.max(wide, roomAt(jointMm + (at / 8) * wide));
  return Math.min(mostMm, wide);
}

function bendOf(
  { radius, middle, middleMm }: ReturnType<typeof profileOf>,
  { bendDeg = 0, jointMm, upperUpright = false }: TurnedOptions,
): Bend {
  const all = bendDeg * TO_RAD;
  const start = upperUpright ? -all : 0;
  const wide =
    jointMm === undefined
      ? middleMm
      : arcLength(jointMm, middleMm, (mm) => ROOM_INSIDE * Math.abs(all) * radius(mm));
  // Near an end it begins there: the whole bend is on the piece.
  const joint = jointMm === undefined ? middleMm / 2 : middle(jointMm);
  const from = Math.min(middleMm - wide, Math.max(0, joint - wide / 2));
  const tight = all / wide;
  const within = (mm: number) => Math.min(wide, Math.max(0, mm - from));
  const turnedAt = (mm: number) => start + tight * within(mm);
  return {
    turnedAt,
    tightAt: (mm) => (mm < from || mm > from + wide ? 0 : Math.abs(tight)),
    pointAt(mm) {
      const turned = turnedAt(mm);
      const [before, after] = [Math.min(mm, from), Math.max(0, mm - from - wide)];
      const straight = Math.abs(tight) < 1e-9;
      const x = straight ? 0 : (Math.cos(start) - Math.cos(turned)) / tight;
      const y = straight ? within(mm) : (Math.sin(turned) - Math.sin(start)) / tight;
      return [
        before * Math.sin(start) + x + after * Math.sin(turned),
        before * Math.cos(start) + y + after * Math.cos(turned),
      ];
    },
  };
}

/** A point beside the middle line, sideways and to the front, on a line that bends by an angle there. */
function beside(
  bendsTo: "right" | "front",
  [across, up]: readonly [number, number],
  bent: number,
  aside: number,
  front: number,
): SpacePoint {
  if (bendsTo === "right") return [across + aside * Math.cos(bent), up - aside * Math.sin(bent), front];
  return [aside, up - front * Math.sin(bent), across + front * Math.cos(bent)];
}

/** How a turned form lies in space, without its relief. */
function plainOf(options: TurnedOptions, profile: ReturnType<typeof profileOf>, bend: Bend): Plain {
  const { lengthMm, bendsTo = "right", section, aheadMm } = options;
  return ({ turnDeg, heightMm }) => {
    const [turn, radius] = [(turnDeg - 180) * TO_RAD, profile.radius(heightMm)];
    // What lies beyond an end goes on straight.
    const beyond = heightMm - Math.min(lengthMm, Math.max(0, heightMm));
    const middle = profile.middle(heightMm) + beyond;
    const [aside, front] = section ? section.at(turnDeg, heightMm) : [Math.sin(turn), Math.cos(turn)];
    const ahead = aheadMm ? aheadMm(heightMm) : 0;
    return beside(
      bendsTo,
      bend.pointAt(middle),
      bend.turnedAt(middle),
      radius * aside,
      radius * front + ahead,
    );
  };
}

/** Presses what would lie lower than a place flat on the ground it stands on. */
function standing(plain: Plain, on: Place | undefined): Plain {
  if (!on) return plain;
  const ground = plain(on)[1];
  return (place) => {
    const [x, y, z] = plain(place);
    return [x, Math.max(ground, y), z];
  };
}

/** Unit normals of a round one. */
function roundFacing(options: TurnedOptions, profile: ReturnType<typeof profileOf>, bend: Bend): Plain {
  const { bendsTo = "right" } = options;
  return ({ turnDeg, heightMm }) => {
    const [turn, lean] = [(turnDeg - 180) * TO_RAD, profile.lean(heightMm)];
    const level = Math.sqrt(1 - lean * lean);
    const bent = bend.turnedAt(profile.middle(heightMm));
    const [aside, front] = [Math.sin(turn) * level, Math.cos(turn) * level];
    const along: readonly [number, number] = [-lean * Math.sin(bent), -lean * Math.cos(bent)];
    return beside(bendsTo, along, bent, aside, front);
  };
}

/**
 * A closed form turned round a middle line that may bend: sleeve, horn, trunk. Laid flat row by row, each as long as the
 * way round there and with its middle on one line (the sinusoidal projection, Sanson 1650): areas and ways round are true
 * on a straight one, rows slide on each other where it tapers. The middle of the flat is the front; the seam lies behind.
 */
export function buildTurned(options: TurnedOptions): SurfaceForm {
  const { id, lengthMm, seamsDeg = [0], section } = options;
  const profile = profileOf(lengthMm, options.roundAt);
  const bend = bendOf(profile, options);
  const plain = standing(plainOf(options, profile, bend), options.standsOn);
  const relief = (at: Place) => options.relief(at, plain);
  const facing = section ? normalsFrom(plain, lengthMm) : roundFacing(options, profile, bend);
  const lengthAt = (heightMm: number) => 2 * Math.PI * profile.radius(heightMm);
  const widest = Math.max(...Array.from({ length: STEPS + 1 }, (_, at) => lengthAt((at / STEPS) * lengthMm)));
  const flatten = ({ turnDeg, heightMm }: Place): FlatPoint => [
    (turnDeg / 360 - 0.5) * lengthAt(heightMm),
    -heightMm,
  ];
  return {
    id,
    closed: true,
    turnDeg: 360,
    slantMm: lengthMm,
    areaMm2: areaOf(lengthMm, lengthAt),
    seamsDeg,
    bounds: { minX: -widest / 2, maxX: widest / 2, minY: -lengthMm, maxY: 0 },
    lengthAt,
    apexMm: Infinity,
    flatPerTurn: 0,
    distortion: section
      ? mostStretched({ plain, flatten, turnDeg: 360, lengthMm })
      : distortionOf(lengthMm, profile, bend),
    flatten,
    // Beside a pointed end a step on the flat would go round many times.
    place: ([x, y]) => ({ turnDeg: settled((x / lengthAt(-y) + 0.5) * 360), heightMm: -y }),
    inSpace: (at) => raised(plain(at), facing(at), relief(at)),
    facing,
    ...(options.fitting && { fitting: options.fitting }),
    relief,
  };
}

function areaOf(lengthMm: number, lengthAt: (heightMm: number) => number): number {
  let area = 0;
  for (let at = 0; at < STEPS; at++) area += (lengthAt(((at + 0.5) / STEPS) * lengthMm) * lengthMm) / STEPS;
  return area;
}

/** Rows of noise before it comes again: more than any piece has. */
const NOISE_ROWS = 256;

/**
 * Smooth noise round a closed form, −1…1, that meets itself: so many features once round, each so high.
 * @param around whole number of features, from 1
 */
export function roundNoise(seed: number, around: number, highMm: number): (place: Place) => number {
  const values = Float64Array.from({ length: around * NOISE_ROWS }, (_, at) =>
    hash01(seed, at % around, Math.floor(at / around)),
  );
  return ({ turnDeg, heightMm }) => {
    const u = (turnDeg / 360) * around;
    const v = heightMm / highMm;
    const i = Math.floor(u);
    const j = Math.floor(v);
    const s = (u - i) * (u - i) * (3 - 2 * (u - i));
    const t = (v - j) * (v - j) * (3 - 2 * (v - j));
    const left = modulo(i, around);
    const right = left + 1 === around ? 0 : left + 1;
    const row = (j & (NOISE_ROWS - 1)) * around;
    const next = ((j + 1) & (NOISE_ROWS - 1)) * around;
    const low = values[row + left]! * (1 - s) + values[row + right]! * s;
    const high = values[next + left]! * (1 - s) + values[next + right]! * s;
    return 2 * (low * (1 - t) + high * t) - 1;
  };
}

/** Between sizes at heights that rise, smoothly: as a sculptor draws from one measured girth to the next (monotone cubic, Fritsch and Carlson 1980). */
export function girths(points: readonly (readonly [heightMm: number, roundMm: number])[]) {
  const rises = points
    .slice(1)
    .map(([height, round], at) => (round - points[at]![1]) / (height - points[at]![0]));
  const slopes = points.map((_, at) => {
    const [before, after] = [rises[at - 1] ?? rises[at]!, rises[at] ?? rises[at - 1]!];
    return before * after <= 0 ? 0 : (2 * before * after) / (before + after);
  });
  return (heightMm: number): number => {
    let at = 0;
    while (at < points.length - 2 && heightMm > points[at + 1]![0]) at++;
    const [[h0, r0], [h1, r1]] = [points[at]!, points[at + 1]!];
    const t = Math.min(1, Math.max(0, (heightMm - h0) / (h1 - h0)));
    const wide = h1 - h0;
    return (
      r0 * (1 + 2 * t) * (1 - t) ** 2 +
      slopes[at]! * wide * t * (1 - t) ** 2 +
      r1 * t * t * (3 - 2 * t) +
      slopes[at + 1]! * wide * t * t * (t - 1)
    );
  };
}
