import type { SeatId } from "../../job";
import type { ParamValues } from "../../params";
import type { SpacePoint } from "../../surface/forms/form";
import { frameAt, turned } from "../frame";
import { add, minus, unit } from "../../surface/vector";
import { ball, drum, limb, type Solid } from "../solids";
import { defineBody, type Body, type BodyDefinition, type Seat } from "./body";

const degrees = (label: string, range: readonly [number, number], usual: number, about: string) =>
  ({ label, unit: "°", range, step: 5, default: usual, about }) as const;

const ARMS = {
  armsOutDeg: degrees("Arms out", [0, 100], 14, "From hanging down (0) to straight out to both sides (90)."),
  armsAheadDeg: degrees("Arms ahead", [-40, 120], 8, "From hanging down (0) to straight ahead (90)."),
  elbowDeg: degrees("Elbows bent", [0, 140], 30, "0 is a straight arm; 90 brings the forearm level."),
} as const;

const TRUNK = {
  stoopDeg: degrees("Stoop", [-20, 80], 2, "How far the trunk leans forward from upright."),
  headTurnDeg: degrees("Head turned", [-80, 80], 0, "To its left above 0; 0 looks straight ahead."),
} as const;

const STRIDE = {
  strideDeg: degrees("Stride", [0, 80], 44, "Between the two thighs, as seen from the side."),
} as const;

/** How the legs stand: each thigh lifted ahead, each knee bent, degrees; left, then right. */
interface Legs {
  readonly thighDeg: readonly [number, number];
  readonly kneeDeg: readonly [number, number];
}

/** Lengths and widths of a cast person as shares of the height of its eyes: hands and head a little larger than life. */
const OF_EYES = {
  ...{ thigh: 0.245, shin: 0.235, trunk: 0.345, neck: 0.05, head: 0.08 },
  ...{ upperArm: 0.175, forearm: 0.16, shoulder: 0.135, hip: 0.062, foot: 0.13 },
} as const;

const SIDES = [
  { side: "left", x: 1 },
  { side: "right", x: -1 },
] as const;

const seatOf = (id: SeatId, origin: SpacePoint, up: SpacePoint, out: SpacePoint, outMm: number): Seat => ({
  id,
  at: frameAt(origin, up, out),
  outMm,
});

/** A direction that hangs down, swung ahead and then out to one side. */
const swung = (aheadDeg: number, outDeg: number, x: 1 | -1): SpacePoint =>
  turned(turned([0, -1, 0], [1, 0, 0], -aheadDeg), [0, 0, 1], x * outDeg);

type Pose = ParamValues<typeof ARMS & typeof TRUNK>;

/** One leg from its hip joint; the knee bends back. */
function legOf(eyes: number, hip: SpacePoint, thighDeg: number, kneeDeg: number) {
  const [along, below] = [swung(thighDeg, 0, 1), swung(thighDeg - kneeDeg, 0, 1)];
  const knee = add(hip, along, OF_EYES.thigh * eyes);
  const ankle = add(knee, below, OF_EYES.shin * eyes);
  // A foot stands at right angles to an upright shin, and is stretched behind one that lies on the ground.
  const toes = turned(below, [1, 0, 0], -90 * Math.max(0, -below[1]));
  const heel = add(add(ankle, below, 0.02 * eyes), toes, -0.02 * eyes);
  return { hip, knee, ankle, below, heel, toes, tip: add(heel, toes, OF_EYES.foot * eyes) };
}

type Leg = ReturnType<typeof legOf>;

function legSolids(eyes: number, leg: Leg, side: "left" | "right"): Solid[] {
  const under: SeatId[] = [`${side}-leg`, "waist", "shoulders"];
  return [
    limb(under, leg.hip, leg.knee, 0.064 * eyes, 0.046 * eyes),
    limb(under, leg.knee, leg.ankle, 0.046 * eyes, 0.032 * eyes),
    limb([`${side}-foot`], leg.heel, leg.tip, 0.032 * eyes, 0.026 * eyes),
  ];
}

function legSeats(eyes: number, leg: Leg, side: "left" | "right"): Seat[] {
  const up = unit(minus(leg.hip, leg.ankle));
  return [
    // A trouser leg bends where the knee does, backwards: its right side looks back.
    seatOf(`${side}-leg`, leg.hip, up, turned([0, 0, 1], up, -90), 0.06 * eyes),
    seatOf(`${side}-foot`, leg.ankle, minus([0, 0, 0], leg.below), leg.toes, 0.035 * eyes),
  ];
}

interface Trunk {
  readonly hips: SpacePoint;
  readonly up: SpacePoint;
  readonly neck: SpacePoint;
  readonly ahead: SpacePoint;
}

/** One arm, its solids and its seats. */
function armOf(eyes: number, trunk: Trunk, pose: Pose, { side, x }: (typeof SIDES)[number]) {
  const top = add(trunk.neck, trunk.up, -0.05 * eyes);
  const shoulder = add(top, [x, 0, 0], OF_EYES.shoulder * eyes);
  const along = swung(pose.armsAheadDeg, pose.armsOutDeg, x);
  const below = swung(pose.armsAheadDeg + pose.elbowDeg, pose.armsOutDeg * 0.6, x);
  const elbow = add(shoulder, along, OF_EYES.upperArm * eyes);
  const wrist = add(elbow, below, OF_EYES.forearm * eyes);
  const hand = add(wrist, below, 0.05 * eyes);
  const solids = [
    limb([`${side}-arm`, "shoulders"], shoulder, elbow, 0.045 * eyes, 0.036 * eyes),
    limb([`${side}-arm`], elbow, wrist, 0.036 * eyes, 0.03 * eyes),
    limb([`${side}-hand`], wrist, hand, 0.03 * eyes, 0.036 * eyes, 0.7),
  ];
  const up = unit(minus(shoulder, wrist));
  const seats = [
    // A sleeve bends where the elbow does, ahead: its right side looks ahead.
    seatOf(`${side}-arm`, add(shoulder, up, 0.02 * eyes), up, turned([0, 0, 1], up, 90), 0.05 * eyes),
    // A hand's back looks outwards; its fingers are the upper end of a glove.
    seatOf(`${side}-hand`, add(wrist, below, -0.03 * eyes), below, [x, 0, 0.35], 0.045 * eyes),
  ];
  return { solids, seats };
}

function trunkSolids(eyes: number, { hips, up, neck, ahead }: Trunk): Solid[] {
  const at = (share: number, forward = 0) =>
    add(add(hips, up, share * OF_EYES.trunk * eyes), ahead, forward * eyes);
  const under: SeatId[] = ["waist", "shoulders", "chest", "back"];
  return [
    limb(under, at(-0.05), at(0.3), 0.1 * eyes, 0.088 * eyes, 0.74),
    limb(under, at(0.3), at(0.72, 0.006), 0.088 * eyes, 0.112 * eyes, 0.72),
    limb(["shoulders", "chest", "back"], at(0.84), at(1), 0.09 * eyes, 0.05 * eyes, 0.8),
    ...SIDES.map(({ side, x }) =>
      limb(
        [`${side}-arm`, "chest", "back"],
        at(0.87),
        add(at(0.86), [x, 0, 0], (OF_EYES.shoulder - 0.01) * eyes),
        0.06 * eyes,
        0.048 * eyes,
      ),
    ),
    limb(["neck", "shoulders"], neck, add(neck, up, OF_EYES.neck * eyes), 0.042 * eyes, 0.04 * eyes),
  ];
}

function trunkSeats(eyes: number, { hips, up, neck, ahead }: Trunk): Seat[] {
  const at = (share: number) => add(hips, up, share * OF_EYES.trunk * eyes);
  const back = minus([0, 0, 0], ahead);
  return [
    seatOf("neck", add(neck, up, 0.055 * eyes), up, ahead, 0.045 * eyes),
    seatOf("shoulders", add(neck, up, 0.01 * eyes), up, back, 0.06 * eyes),
    seatOf("chest", at(0.66), up, ahead, 0.122 * eyes),
    seatOf("back", at(0.62), up, back, 0.1 * eyes),
    seatOf("waist", at(0.3), up, ahead, 0.09 * eyes),
    ...SIDES.map(({ side, x }) => seatOf(`${side}-hip`, at(0.12), up, [x, 0, 0.55], 0.1 * eyes)),
  ];
}

function headOf(eyes: number, trunk: Trunk, headTurnDeg: number): { solid: Solid; seat: Seat } {
  const middle = add(trunk.neck, trunk.up, (OF_EYES.neck + OF_EYES.head) * eyes);
  const [wide, tall] = [OF_EYES.head * 0.82 * eyes, OF_EYES.head * 1.08 * eyes];
  const crown: SpacePoint = add(middle, [0, 1, 0], tall + 0.012 * eyes);
  const looks = turned(trunk.ahead, [0, 1, 0], headTurnDeg);
  return {
    solid: ball(["head"], middle, [wide, tall, wide * 1.1]),
    seat: seatOf("head", crown, [0, 1, 0], looks, wide * 1.1),
  };
}

/** How thick the disc is that a figure stands on, and how wide, mm and as a share of its eyes' height. */
const [DISC_MM, DISC] = [2.4, 0.48] as const;

/** What a figure stands on: a plain disc, and a seat on top of it. */
export function groundOf(eyes: number, share: number = DISC): { readonly solid: Solid; readonly seat: Seat } {
  const radius = share * eyes;
  return {
    solid: drum(["base"], [0, -DISC_MM, 0], [0, 0, 0], radius * 1.06, radius),
    seat: seatOf("base", [0, 0, 0], [0, 1, 0], [0, 0, 1], 0),
  };
}

/** A person in a pose, its lowest point on the ground. */
export function personOf(eyes: number, legs: Legs, pose: Pose): Body {
  const both = (hips: SpacePoint) =>
    SIDES.map(({ x }, at) =>
      legOf(eyes, add(hips, [x * OF_EYES.hip * eyes, 0, 0]), legs.thighDeg[at]!, legs.kneeDeg[at]!),
    );
  // A foot stands on its sole, a knee on its cap.
  const lowest = Math.min(
    ...both([0, 0, 0]).flatMap(({ knee, heel, tip }) => [
      heel[1] - 0.032 * eyes,
      knee[1] - 0.046 * eyes,
      tip[1] - 0.026 * eyes,
    ]),
  );
  const hips: SpacePoint = [0, -lowest, 0];
  const up = turned([0, 1, 0], [1, 0, 0], pose.stoopDeg);
  const ahead = turned([0, 0, 1], [1, 0, 0], pose.stoopDeg);
  const trunk: Trunk = { hips, up, ahead, neck: add(hips, up, OF_EYES.trunk * eyes) };
  const arms = SIDES.map((one) => armOf(eyes, trunk, pose, one));
  const standing = both(hips);
  const head = headOf(eyes, trunk, pose.headTurnDeg);
  const ground = groundOf(eyes);
  return {
    solids: [
      ...standing.flatMap((leg, at) => legSolids(eyes, leg, SIDES[at]!.side)),
      ...trunkSolids(eyes, trunk),
      ...arms.flatMap(({ solids }) => solids),
      head.solid,
      ground.solid,
    ],
    seats: [
      head.seat,
      ...trunkSeats(eyes, trunk),
      ...arms.flatMap(({ seats }) => seats),
      ...standing.flatMap((leg, at) => legSeats(eyes, leg, SIDES[at]!.side)),
      ground.seat,
    ],
  };
}

export const standingPerson = defineBody({
  id: "person-standing",
  version: 1,
  label: "Person, standing",
  about: "Both feet on the ground, weight on both.",
  params: { ...ARMS, ...TRUNK },
  build: (values, { eyeHeightMm }) => personOf(eyeHeightMm, { thighDeg: [3, -1], kneeDeg: [3, 2] }, values),
});

export const walkingPerson = defineBody({
  id: "person-walking",
  version: 1,
  label: "Person, walking",
  about: "The left foot ahead, the right one about to leave the ground.",
  params: { ...ARMS, ...TRUNK, ...STRIDE },
  build(values, { eyeHeightMm }) {
    const half = values.strideDeg / 2;
    return personOf(
      eyeHeightMm,
      { thighDeg: [half, -half * 0.7], kneeDeg: [half * 0.5, half * 0.8] },
      values,
    );
  },
});

export const kneelingPerson = defineBody({
  id: "person-kneeling",
  version: 1,
  label: "Person, kneeling",
  about: "On the right knee, the left foot ahead.",
  params: { ...ARMS, ...TRUNK },
  build: (values, { eyeHeightMm }) => personOf(eyeHeightMm, { thighDeg: [84, 4], kneeDeg: [88, 92] }, values),
});

const SEATED = { thighDeg: [84, 84], kneeDeg: [84, 84] } as const;

/** Half of a plain block to sit on, as shares of the eyes' height: across and from front to back. */
const [BLOCK_ACROSS, BLOCK_DEEP] = [0.15, 0.12] as const;

export const seatedPerson: BodyDefinition<typeof ARMS & typeof TRUNK> = defineBody({
  id: "person-seated",
  version: 1,
  label: "Person, seated",
  about: "On a block as high as its shins.",
  params: { ...ARMS, ...TRUNK },
  build(values, { eyeHeightMm: eyes }) {
    const body = personOf(eyes, SEATED, values);
    const topMm = body.seats.find(({ id }) => id === "left-leg")!.at.origin[1] - 0.085 * eyes;
    const block = drum(
      [],
      [0, 0, -0.03 * eyes],
      [0, topMm, -0.03 * eyes],
      BLOCK_ACROSS * eyes,
      BLOCK_DEEP * eyes,
    );
    return { ...body, solids: [...body.solids, block] };
  },
});

const BUST = { ...TRUNK } as const;

/** Height of a bust's foot as a share of what its eyes' height would be on a whole person. */
const FOOT = 0.1;

export const bust = defineBody({
  id: "bust",
  version: 1,
  label: "Bust",
  about: "Head, shoulders and upper arms on a foot.",
  params: BUST,
  build(values, { eyeHeightMm }) {
    // The eyes of a bust stand as high as the painter measured: the rest of the person is not there.
    const eyes = eyeHeightMm * 2;
    const whole = personOf(eyes, { thighDeg: [0, 0], kneeDeg: [0, 0] }, { ...values, ...HANGING });
    const cutMm = whole.seats.find(({ id }) => id === "waist")!.at.origin[1];
    const down = (point: SpacePoint): SpacePoint => [point[0], point[1] - cutMm + FOOT * eyes, point[2]];
    const kept = whole.solids.filter(
      (solid) => solid.under.some((seat) => HELD.includes(seat)) && lowestOf(solid) > cutMm - 0.02 * eyes,
    );
    const seats = whole.seats.filter(({ id }) => HELD.includes(id));
    const ground = groundOf(eyes, 0.2);
    const foot = drum([], [0, 0, 0], [0, FOOT * eyes, 0], 0.1 * eyes, 0.06 * eyes);
    return {
      solids: [...kept.map((solid) => movedSolid(solid, down)), foot, ground.solid],
      seats: [
        ...seats.map((seat) => ({ ...seat, at: { ...seat.at, origin: down(seat.at.origin) } })),
        ground.seat,
      ],
    };
  },
});

const HANGING = { armsOutDeg: 8, armsAheadDeg: 0, elbowDeg: 10 } as const;
/** Seats that a bust still has. */
const HELD: readonly SeatId[] = ["head", "neck", "shoulders", "chest", "back", "left-arm", "right-arm"];

const lowestOf = (solid: Solid): number => {
  if (solid.kind === "ball") return solid.middle[1] - solid.radiiMm[1];
  if (solid.kind === "box") return solid.at.origin[1] - solid.halfMm[1];
  return Math.min(solid.from[1], solid.to[1]);
};

/** A solid with its places moved. */
function movedSolid(solid: Solid, move: (point: SpacePoint) => SpacePoint): Solid {
  if (solid.kind === "ball") return { ...solid, middle: move(solid.middle) };
  if (solid.kind === "box") return { ...solid, at: { ...solid.at, origin: move(solid.at.origin) } };
  return { ...solid, from: move(solid.from), to: move(solid.to) };
}
