import type { SeatId } from "../../job";
import type { ParamValues } from "../../params";
import type { SpacePoint } from "../../surface/forms/form";
import { add, frameAt, minus, turned, unit } from "../frame";
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

/** A beast that looks along x before it is turned: its head ahead, its left flank towards −z… turned by `turnDeg`. */
function beastOf(sizes: Sizes, build: Build): Body {
  const { shoulderMm: tall, lengthMm: long, turnDeg } = sizes;
  const way = (vector: SpacePoint): SpacePoint => turned(vector, [0, 1, 0], turnDeg);
  const [ahead, left] = [way([0, 0, 1]), way([1, 0, 0])];
  const girth = build.trunk * tall;
  const backMm = tall - girth;
  const spot = (along: number, up: number, aside = 0): SpacePoint =>
    add(add([0, up, 0], ahead, along * long), left, aside);
  const [chest, rump] = [spot(0.36, backMm), spot(-0.4, backMm * 0.99)];
  const neckWay = unit(
    add([0, Math.sin((sizes.headDeg * Math.PI) / 180), 0], ahead, Math.cos((sizes.headDeg * Math.PI) / 180)),
  );
  // A very long beast has no longer neck, head or tail for it: they would lie in the ground.
  const most = Math.min(long, MOST_LONG * tall);
  const above = (point: SpacePoint): SpacePoint => [point[0], Math.max(0.12 * tall, point[1]), point[2]];
  const poll = above(add(add(chest, [0, 0.3 * girth, 0]), neckWay, build.neckLong * most));
  const muzzleWay = unit(add(ahead, [0, -0.35, 0]));
  const muzzle = above(add(poll, muzzleWay, build.headLong * most));
  const tailWay = unit(add(minus([0, 0, 0], ahead), [0, -0.35, 0]));
  const tail = add(rump, minus([0, 0, 0], ahead), 0.6 * girth);
  const trunk: SeatId[] = ["back", "left-flank", "right-flank", "belly"];
  const solids: Solid[] = [
    limb(trunk, chest, spot(0, backMm * 1.01), girth, girth * 0.92),
    limb(trunk, spot(0, backMm * 1.01), rump, girth * 0.92, girth * 0.9),
    limb(["neck"], chest, poll, girth * 0.75, build.neck * tall),
    limb(["head"], poll, muzzle, build.neck * tall * 1.1, build.neck * tall * 0.55),
    limb(
      ["tail"],
      tail,
      above(add(tail, tailWay, build.tailLong * most)),
      build.tailThick * tall,
      0.02 * tall,
    ),
    ...legSolids(tall, sizes.strideDeg, build, spot, ahead, girth),
  ];
  return {
    solids: [...solids, groundOf(tall, (0.62 * long) / tall).solid],
    seats: beastSeats({
      chest,
      rump,
      poll,
      muzzleWay,
      tail,
      tailWay,
      neckWay,
      ahead,
      left,
      girth,
      tall,
      spot,
      backMm,
      build,
    }),
  };
}

function legSolids(
  tall: number,
  strideDeg: number,
  build: Build,
  spot: (along: number, up: number, aside?: number) => SpacePoint,
  ahead: SpacePoint,
  girth: number,
): Solid[] {
  return [0.32, -0.38].flatMap((along, pair) =>
    [1, -1].flatMap((x) => {
      const seat: SeatId = x > 0 ? "left-leg" : "right-leg";
      const swing = Math.tan(((strideDeg / 2) * Math.PI) / 180) * (x > 0 === (pair === 0) ? 1 : -1);
      const hip = spot(along, tall - 1.25 * girth, x * girth * 0.62);
      const thick = build.leg * tall;
      const paw = add([hip[0], 0.8 * thick, hip[2]], ahead, swing * hip[1]);
      // Forelegs bend ahead, hind legs back.
      const bend = (pair === 0 ? 0.04 : -0.1) * tall;
      const knee = add(add(hip, minus(paw, hip), 0.52), ahead, bend);
      return [
        limb([seat], hip, knee, thick * (pair === 0 ? 1.5 : 1.9), thick),
        limb([seat], knee, paw, thick, thick * 0.75),
        ball([seat], add(paw, ahead, 0.03 * tall), [thick * 1.1, 0.75 * thick, thick * 1.3]),
      ];
    }),
  );
}

interface Beast {
  readonly chest: SpacePoint;
  readonly rump: SpacePoint;
  readonly poll: SpacePoint;
  readonly muzzleWay: SpacePoint;
  readonly tail: SpacePoint;
  readonly tailWay: SpacePoint;
  readonly neckWay: SpacePoint;
  readonly ahead: SpacePoint;
  readonly left: SpacePoint;
  readonly girth: number;
  readonly tall: number;
  readonly backMm: number;
  readonly build: Build;
  spot(along: number, up: number, aside?: number): SpacePoint;
}

/** Seats of a beast: pieces of its trunk run along it, from rump to chest. */
function beastSeats(beast: Beast): Seat[] {
  const {
    chest,
    rump,
    poll,
    muzzleWay,
    tail,
    tailWay,
    neckWay,
    ahead,
    left,
    girth,
    tall,
    spot,
    backMm,
    build,
  } = beast;
  const seat = (id: SeatId, origin: SpacePoint, up: SpacePoint, out: SpacePoint, outMm: number): Seat => ({
    id,
    at: frameAt(origin, up, out),
    outMm,
  });
  const right = minus([0, 0, 0], left);
  const legs = [1, -1].map((x) =>
    seat(
      x > 0 ? "left-leg" : "right-leg",
      spot(0.32, tall - 1.25 * girth, x * girth * 0.62),
      [0, 1, 0],
      x > 0 ? left : right,
      build.leg * tall,
    ),
  );
  return [
    seat("head", add(poll, muzzleWay, -0.02 * tall), [0, 1, 0], ahead, build.neck * tall),
    seat("neck", add(chest, neckWay, 0.3 * tall), neckWay, [0, 1, 0], girth * 0.5),
    seat("chest", chest, [0, 1, 0], ahead, girth),
    // A beast's own body, and cloths over it, run along its back.
    seat("back", add(chest, ahead, 0.1 * girth), ahead, [0, 1, 0], girth),
    seat("left-flank", spot(0, backMm), [0, 1, 0], left, girth * 0.94),
    seat("right-flank", spot(0, backMm), [0, 1, 0], right, girth * 0.94),
    seat("belly", spot(0, backMm), ahead, [0, -1, 0], girth * 0.94),
    seat("hull", add(chest, minus(rump, chest), 0), ahead, [0, 1, 0], girth),
    seat("tail", tail, minus([0, 0, 0], tailWay), [0, 1, 0], build.tailThick * tall),
    ...legs,
    groundOf(tall).seat,
  ];
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
