import type { SeatId } from "../../job";
import type { ParamValues } from "../../params";
import type { SpacePoint } from "../../surface/forms/form";
import { frameAt, turned } from "../frame";
import { add, minus, unit } from "../../surface/vector";
import { ball, limb, type Solid } from "../solids";
import { defineBody, type Body, type Seat } from "./body";
import { groundOf } from "./person";

const params = {
  shoulderMm: {
    label: "Ground to shoulder",
    unit: "mm",
    range: [3, 200],
    step: 0.5,
    default: 13,
    about: "To the top of the back above the forelegs.",
  },
  lengthMm: {
    label: "Chest to rump",
    unit: "mm",
    range: [4, 300],
    step: 0.5,
    default: 16,
    about: "Along the back, without neck and tail.",
  },
  headDeg: {
    label: "Head lifted",
    unit: "°",
    range: [-50, 80],
    step: 5,
    default: 35,
    about: "The neck above level (0 stretches it ahead).",
  },
  strideDeg: {
    label: "Stride",
    unit: "°",
    range: [0, 70],
    step: 5,
    default: 24,
    about: "Between the legs of a pair, as seen from the side.",
  },
  turnDeg: {
    label: "Turned",
    unit: "°",
    range: [-180, 180],
    step: 15,
    default: -60,
    about: "Round its upright: 0 looks at you, −90 shows its left flank.",
  },
} as const;

type Sizes = ParamValues<typeof params>;

interface Build {
  /** Greatest half width of the trunk, and of neck and legs, as shares of the shoulder's height. */
  readonly trunk: number;
  readonly neck: number;
  readonly leg: number;
  /** Lengths of neck, head and tail as shares of the trunk's. */
  readonly neckLong: number;
  readonly headLong: number;
  readonly tailLong: number;
  readonly tailThick: number;
}

const HOUND: Build = {
  ...{ trunk: 0.24, neck: 0.13, leg: 0.07, neckLong: 0.34, headLong: 0.34, tailLong: 0.55, tailThick: 0.05 },
};
const LONG: Build = {
  ...{ trunk: 0.34, neck: 0.2, leg: 0.11, neckLong: 0.45, headLong: 0.42, tailLong: 1.25, tailThick: 0.24 },
};

/** Neck, head and tail grow with the trunk up to this many times the height of its shoulders. */
const MOST_LONG = 2.4;

/** The lines a beast is built along, in the figure's room, mm. */
interface Lines {
  readonly build: Build;
  readonly tall: number;
  readonly long: number;
  readonly girth: number;
  /** Unit vectors: where it looks, and out of its left flank. */
  readonly ahead: SpacePoint;
  readonly left: SpacePoint;
  readonly chest: SpacePoint;
  readonly rump: SpacePoint;
  readonly middle: SpacePoint;
  readonly neckWay: SpacePoint;
  readonly poll: SpacePoint;
  readonly muzzleWay: SpacePoint;
  readonly muzzle: SpacePoint;
  readonly tail: SpacePoint;
  readonly tailWay: SpacePoint;
  readonly tailTip: SpacePoint;
}

const back = (way: SpacePoint): SpacePoint => minus([0, 0, 0], way);

/** Trunk, neck, head and tail of a beast that is turned round its upright. */
function linesOf(sizes: Sizes, build: Build): Lines {
  const { shoulderMm: tall, lengthMm: long, turnDeg, headDeg } = sizes;
  const [ahead, left] = [turned([0, 0, 1], UP, turnDeg), turned([1, 0, 0], UP, turnDeg)];
  const girth = build.trunk * tall;
  const spot = (along: number, up: number): SpacePoint => add([0, up, 0], ahead, along * long);
  const [chest, rump] = [spot(0.36, tall - girth), spot(-0.4, (tall - girth) * 0.99)];
  // A very long beast has no longer neck, head or tail for it: they would lie in the ground.
  const most = Math.min(long, MOST_LONG * tall);
  const above = (point: SpacePoint, thick: number): SpacePoint => [
    point[0],
    Math.max(thick * tall, point[1]),
    point[2],
  ];
  const neckWay = turned(ahead, back(left), headDeg);
  const poll = above(add(add(chest, UP, 0.3 * girth), neckWay, build.neckLong * most), 1.15 * build.neck);
  const muzzleWay = unit(add(ahead, UP, -0.35));
  const tailWay = unit(add(back(ahead), UP, -0.35));
  const tail = add(rump, ahead, -0.6 * girth);
  return {
    ...{ build, tall, long, girth, ahead, left, chest, rump, middle: spot(0, (tall - girth) * 1.01) },
    ...{
      neckWay,
      poll,
      muzzleWay,
      muzzle: above(add(poll, muzzleWay, build.headLong * most), 0.6 * build.neck),
    },
    ...{ tail, tailWay, tailTip: above(add(tail, tailWay, build.tailLong * most), 0.03) },
  };
}

const UP: SpacePoint = [0, 1, 0];

/** Where the legs of a pair leave the trunk, as shares of its length from its middle. */
const PAIRS = [
  { along: 0.32, bend: 0.03, thick: 1.5 },
  { along: -0.38, bend: -0.05, thick: 1.9 },
] as const;

const hipOf = ({ ahead, left, tall, long, girth }: Lines, along: number, x: number): SpacePoint =>
  add(add([0, tall - 1.25 * girth, 0], ahead, along * long), left, x * girth * 0.62);

interface Leg {
  readonly seat: SeatId;
  readonly thick: number;
  readonly hip: SpacePoint;
  readonly knee: SpacePoint;
  readonly paw: SpacePoint;
}

/** All four legs in their stride. */
function legsOf(lines: Lines, strideDeg: number): Leg[] {
  const { tall, build, ahead } = lines;
  const thick = build.leg * tall;
  return PAIRS.flatMap((pair, number) =>
    ([1, -1] as const).map((x): Leg => {
      const swing = Math.tan(((strideDeg / 2) * Math.PI) / 180) * (x > 0 === (number === 0) ? 1 : -1);
      const hip = hipOf(lines, pair.along, x);
      const paw = add([hip[0], 0.8 * thick, hip[2]], ahead, swing * hip[1]);
      // Forelegs bend ahead, hind legs back.
      const knee = add(add(hip, minus(paw, hip), 0.52), ahead, pair.bend * tall);
      const seat: SeatId = `${x > 0 ? "left" : "right"}-${number === 0 ? "leg" : "hind-leg"}`;
      return { seat, thick: pair.thick, hip, knee, paw };
    }),
  );
}

function legSolids(lines: Lines, strideDeg: number): Solid[] {
  const { tall, build, ahead } = lines;
  const thick = build.leg * tall;
  return legsOf(lines, strideDeg).flatMap(({ seat, thick: above, hip, knee, paw }) => [
    limb([seat], hip, knee, thick * above, thick),
    limb([seat], knee, paw, thick, thick * 0.75),
    ball([seat], add(paw, ahead, 0.03 * tall), [thick * 1.1, 0.75 * thick, thick * 1.3]),
  ]);
}

function trunkSolids({ build, tall, girth, ...at }: Lines): Solid[] {
  const trunk: SeatId[] = ["back", "left-flank", "right-flank", "belly"];
  const neck = build.neck * tall;
  return [
    limb(trunk, at.chest, at.middle, girth, girth * 0.92),
    limb(trunk, at.middle, at.rump, girth * 0.92, girth * 0.9),
    limb(["neck"], at.chest, at.poll, girth * 0.75, neck),
    limb(["head"], at.poll, at.muzzle, neck * 1.1, neck * 0.55),
    limb(["tail"], at.tail, at.tailTip, build.tailThick * tall, 0.02 * tall),
  ];
}

/** Seats of a beast: pieces of its trunk run along it, from rump to chest. */
function seatsOf(lines: Lines, strideDeg: number): Seat[] {
  const { chest, poll, muzzleWay, tail, tailTip, neckWay, ahead, left, girth, tall, build } = lines;
  const middle: SpacePoint = [0, tall - girth, 0];
  const flank = girth * 0.94;
  // What is worn on a leg runs along it, however far it strides.
  const legs = legsOf(lines, strideDeg).map(({ seat, hip, paw }): Seat => {
    const out = seat.startsWith("left") ? left : back(left);
    return { id: seat, at: frameAt(hip, unit(minus(hip, paw)), out), outMm: build.leg * tall };
  });
  return [
    { id: "head", at: frameAt(add(poll, muzzleWay, -0.02 * tall), UP, ahead), outMm: build.neck * tall },
    { id: "neck", at: frameAt(add(chest, neckWay, 0.3 * tall), neckWay, UP), outMm: girth * 0.5 },
    { id: "chest", at: frameAt(chest, UP, ahead), outMm: girth },
    // A beast's own body, and cloths over it, run along its back.
    { id: "back", at: frameAt(add(chest, ahead, 0.1 * girth), ahead, UP), outMm: girth },
    { id: "left-flank", at: frameAt(middle, UP, left), outMm: flank },
    { id: "right-flank", at: frameAt(middle, UP, back(left)), outMm: flank },
    { id: "belly", at: frameAt(middle, ahead, back(UP)), outMm: flank },
    // A long tail bends over the ground it would lie in.
    { id: "tail", at: frameAt(tail, unit(minus(tail, tailTip)), UP), outMm: build.tailThick * tall },
    ...legs,
    groundOf(tall).seat,
  ];
}

function beastOf(sizes: Sizes, build: Build): Body {
  const lines = linesOf(sizes, build);
  const ground = groundOf(lines.tall, (0.62 * lines.long) / lines.tall);
  return {
    solids: [...trunkSolids(lines), ...legSolids(lines, sizes.strideDeg), ground.solid],
    seats: seatsOf(lines, sizes.strideDeg),
  };
}

export const beast = defineBody({
  id: "beast",
  version: 1,
  label: "Four-legged beast",
  about: "A hound, a horse, a cat: legs below the trunk, a thin tail.",
  params,
  startAt: ({ eyeHeightMm }) => ({
    shoulderMm: Math.round(eyeHeightMm * 0.9) / 2,
    lengthMm: Math.round(eyeHeightMm * 1.1) / 2,
  }),
  build: (values) => beastOf(values, HOUND),
});

export const longBeast = defineBody({
  id: "long-beast",
  version: 1,
  label: "Long beast with a tail",
  about: "A drake, a lizard: a heavy trunk low above the ground, a long thick tail.",
  params,
  startAt: ({ eyeHeightMm }) => ({
    shoulderMm: Math.round(eyeHeightMm) / 2,
    lengthMm: Math.round(eyeHeightMm * 2) / 2,
    headDeg: 20,
  }),
  build: (values) => beastOf(values, LONG),
});
