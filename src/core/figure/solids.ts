import type { PieceMesh } from "../piece/mesh";
import type { SeatId } from "../job";
import type { SpacePoint } from "../surface/forms/form";
import { frameAt, inRoom, type Frame } from "./frame";
import { add, lengthOf, minus, unit, write } from "../surface/vector";

/** A plain part of a body, in the figure's room, mm. */
export type Solid = {
  /** Seats whose pieces are worn over it: where one is, it keeps inside the piece. */
  readonly under: readonly SeatId[];
} & (
  | {
      /** Round at both ends. @property deep thickness from front to back as a share of its width */
      readonly kind: "limb";
      readonly from: SpacePoint;
      readonly to: SpacePoint;
      readonly fromMm: number;
      readonly toMm: number;
      readonly deep: number;
    }
  | { readonly kind: "ball"; readonly middle: SpacePoint; readonly radiiMm: SpacePoint }
  | { readonly kind: "box"; readonly at: Frame; readonly halfMm: SpacePoint }
  | {
      /** With level ends. */
      readonly kind: "drum";
      readonly from: SpacePoint;
      readonly to: SpacePoint;
      readonly fromMm: number;
      readonly toMm: number;
    }
);

export type SolidKind = Solid["kind"];

/** Points once round a solid (the last is the first again), on each of its round ends, and along its mantle. */
const [AROUND, ON_END, ON_MANTLE] = [33, 7, 10] as const;

/** One place of a solid's outside and the unit vector out of it. */
type Spot = readonly [point: SpacePoint, normal: SpacePoint];

/** A grid of points that lie left to right and top to bottom as one looks at the solid from outside. */
function gridMesh(columns: number, rows: number, at: (column: number, row: number) => Spot): PieceMesh {
  const points = new Float32Array(columns * rows * 3);
  const normals = new Float32Array(columns * rows * 3);
  const holds = new Uint8Array(columns * rows);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const index = row * columns + column;
      const [point, normal] = at(column, row);
      write(points, index * 3, point);
      write(normals, index * 3, normal);
      if (row < rows - 1 && column < columns - 1) holds[index] = 2;
    }
  }
  return { columns, rows, step: 1, points, normals, holds };
}

/** An outline turned round an upright: distance from it, height on it, and the outward normal's two parts. */
type Outline = readonly (readonly [radius: number, up: number, outwards: number, upwards: number])[];

/** What is turned round the upright of a frame, from top to bottom; `deep` narrows it from front to back. */
function turnedMesh(frame: Frame, outline: Outline, deep = 1): PieceMesh {
  return gridMesh(AROUND, outline.length, (column, row) => {
    const [radius, up, outwards, upwards] = outline[row]!;
    const angle = (column / (AROUND - 1) - 0.5) * 2 * Math.PI;
    const [sine, cosine] = [Math.sin(angle), Math.cos(angle)];
    const point = inRoom(frame, [radius * sine, up, radius * cosine * deep]);
    const level = inRoom({ ...frame, origin: [0, 0, 0] }, [
      outwards * sine,
      upwards,
      (outwards * cosine) / deep,
    ]);
    return [point, unit(level)];
  });
}

/** The frame that stands on `from` and looks up to `to`; its front is the room's as far as that goes. */
function standing(from: SpacePoint, to: SpacePoint): { readonly frame: Frame; readonly lengthMm: number } {
  const up = minus(to, from);
  const level = Math.abs(up[2]) > 0.95 * lengthOf(up);
  return {
    frame: frameAt(from, up, level ? [0, Math.sign(up[2]) || 1, 0] : [0, 0, 1]),
    lengthMm: lengthOf(up),
  };
}

function limbOutline(lengthMm: number, fromMm: number, toMm: number): Outline {
  // The two ends touch the mantle where its normal points: the mantle of a cone leans by this much.
  const lean = Math.max(-0.95, Math.min(0.95, (fromMm - toMm) / Math.max(lengthMm, 1e-6)));
  const tip = Math.asin(lean);
  const arc = (fromRad: number, toRad: number, radius: number, middle: number): Outline =>
    Array.from({ length: ON_END }, (_, step) => {
      const angle = fromRad + ((toRad - fromRad) * step) / (ON_END - 1);
      const [out, up] = [Math.cos(angle), Math.sin(angle)];
      return [radius * out, middle + radius * up, out, up] as const;
    });
  const [above, below] = [arc(Math.PI / 2, tip, toMm, lengthMm), arc(tip, -Math.PI / 2, fromMm, 0)];
  return [...above, ...between(above.at(-1)!, below[0]!), ...below];
}

/** Rings of a mantle between its ends: what is worn over it may press it in anywhere. */
function between(
  [topRadius, topUp, out, upwards]: Outline[number],
  [lowRadius, lowUp]: Outline[number],
): Outline {
  return Array.from({ length: ON_MANTLE }, (_, at) => {
    const share = (at + 1) / (ON_MANTLE + 1);
    return [
      topRadius + share * (lowRadius - topRadius),
      topUp + share * (lowUp - topUp),
      out,
      upwards,
    ] as const;
  });
}

const drumOutline = (lengthMm: number, fromMm: number, toMm: number): Outline => {
  const lean = (fromMm - toMm) / Math.hypot(lengthMm, fromMm - toMm);
  const out = Math.sqrt(1 - lean * lean);
  return [
    [0, lengthMm, 0, 1],
    [toMm, lengthMm, 0, 1],
    [toMm, lengthMm, out, lean],
    [fromMm, 0, out, lean],
    [fromMm, 0, 0, -1],
    [0, 0, 0, -1],
  ];
};

const BALL_ROWS = 17;

function ballMesh(middle: SpacePoint, [a, b, c]: SpacePoint): PieceMesh {
  return gridMesh(AROUND, BALL_ROWS, (column, row) => {
    const turn = (column / (AROUND - 1) - 0.5) * 2 * Math.PI;
    const up = (0.5 - row / (BALL_ROWS - 1)) * Math.PI;
    const [x, y, z] = [Math.cos(up) * Math.sin(turn), Math.sin(up), Math.cos(up) * Math.cos(turn)];
    return [add(middle, [a * x, b * y, c * z]), unit([x / a, y / b, z / c])];
  });
}

/** Corners of a box seen from above, each twice with the normals of its two sides; the first comes again at the end. */
const BOX_RING = [
  [-1, 1, 0, 1],
  [1, 1, 0, 1],
  [1, 1, 1, 0],
  [1, -1, 1, 0],
  [1, -1, 0, -1],
  [-1, -1, 0, -1],
  [-1, -1, -1, 0],
  [-1, 1, -1, 0],
] as const;

/** Rows of a box: middle and rim of its top, its sides, rim and middle of its bottom. */
const BOX_ROWS = [
  [0, 1, 1],
  [1, 1, 1],
  [1, 1, 0],
  [1, -1, 0],
  [1, -1, -1],
  [0, -1, -1],
] as const;

function boxMesh(at: Frame, [a, b, c]: SpacePoint): PieceMesh {
  const level = { ...at, origin: [0, 0, 0] as const };
  return gridMesh(BOX_RING.length + 1, BOX_ROWS.length, (column, row) => {
    const [x, z, nx, nz] = BOX_RING[column % BOX_RING.length]!;
    const [out, y, upwards] = BOX_ROWS[row]!;
    const normal: SpacePoint = upwards === 0 ? [nx, 0, nz] : [0, upwards, 0];
    return [inRoom(at, [a * x * out, b * y, c * z * out]), inRoom(level, normal)];
  });
}

/** The outside of a solid. */
export function solidMesh(solid: Solid): PieceMesh {
  if (solid.kind === "ball") return ballMesh(solid.middle, solid.radiiMm);
  if (solid.kind === "box") return boxMesh(solid.at, solid.halfMm);
  const { frame, lengthMm } = standing(solid.from, solid.to);
  return solid.kind === "limb"
    ? turnedMesh(frame, limbOutline(lengthMm, solid.fromMm, solid.toMm), solid.deep)
    : turnedMesh(frame, drumOutline(lengthMm, solid.fromMm, solid.toMm));
}

/** A round part between two places. */
export const limb = (
  under: readonly SeatId[],
  from: SpacePoint,
  to: SpacePoint,
  fromMm: number,
  toMm: number,
  deep = 1,
): Solid => ({ kind: "limb", under, from, to, fromMm, toMm, deep });

/** A ball or egg. @param radiiMm to the right, up and to the front */
export const ball = (under: readonly SeatId[], middle: SpacePoint, radiiMm: SpacePoint): Solid => ({
  kind: "ball",
  under,
  middle,
  radiiMm,
});

/** A drum or cut cone between two places. */
export const drum = (
  under: readonly SeatId[],
  from: SpacePoint,
  to: SpacePoint,
  fromMm: number,
  toMm = fromMm,
): Solid => ({ kind: "drum", under, from, to, fromMm, toMm });

/** An upright box. @param turnDeg round its upright */
export function box(under: readonly SeatId[], middle: SpacePoint, halfMm: SpacePoint, turnDeg = 0): Solid {
  const turn = (turnDeg * Math.PI) / 180;
  const at = frameAt(middle, [0, 1, 0], [Math.sin(turn), 0, Math.cos(turn)]);
  return { kind: "box", under, at, halfMm };
}

/** A box with its own upright. */
export const leantBox = (under: readonly SeatId[], at: Frame, halfMm: SpacePoint): Solid => ({
  kind: "box",
  under,
  at,
  halfMm,
});
