import type { Groundwork, LaidPiece } from "../job";
import { groundPieces } from "./pieces";
import type { PieceShape } from "./pieces/piece";
import { restingPlane, type Plane } from "./support";

/** Height of something at a place, mm from the middle of the base: to the right and away; mm. */
export type HeightAt = (xMm: number, yMm: number) => number;

/** A piece where it came to lie. */
export interface SetPiece {
  readonly piece: LaidPiece;
  readonly shape: PieceShape;
  /** Its underside, over its own middle. */
  readonly plane: Plane;
  /** Paste that fills what is left open below it, mm³ (that is µl). */
  readonly bedMm3: number;
  /** The widest gap below it, mm. */
  readonly gapMm: number;
  /** Strewn: it rolls off what stands there. */
  readonly loose: boolean;
  /** It touches the ground alone, and no other piece. */
  readonly onGround: boolean;
  /** Top of it at a place of the base over what lies there, mm; −Infinity beside it. */
  topAt(xMm: number, yMm: number, belowMm: number): number;
}

/** What is built on a ground. */
export interface Settled {
  readonly pieces: readonly SetPiece[];
  /** Number of the piece that is seen from above at a place, in the order they are laid; −1 for the ground. */
  seenAt(xMm: number, yMm: number): { readonly piece: number; readonly heightMm: number };
}

/** Points that are felt below a piece, along its longest side. */
const FELT = 56;
/** A support that is so near to its underside carries a piece, mm. */
export const TOUCHES_MM = 0.02;

const RAD = Math.PI / 180;

/** Where a place of the base lies on a piece: along it and across. */
const onto = ({ xMm, yMm, turnDeg }: LaidPiece) => {
  const [cos, sin] = [Math.cos(turnDeg * RAD), Math.sin(turnDeg * RAD)];
  return (x: number, y: number): readonly [number, number] => [
    (x - xMm) * cos + (y - yMm) * sin,
    (y - yMm) * cos - (x - xMm) * sin,
  ];
};

const heightOn = ({ slopeX, slopeY, atMm }: Plane, x: number, y: number) => slopeX * x + slopeY * y + atMm;

interface Felt {
  /** Places under it, from its middle, and how high what is below stands there. */
  readonly points: Float64Array;
  readonly touched: readonly number[];
  readonly centre: readonly [number, number];
  readonly cellMm2: number;
}

/** What lies under a piece. */
function feel(piece: LaidPiece, shape: PieceShape, below: Settled["seenAt"]): Felt {
  const place = onto(piece);
  const step = (2 * shape.reachMm) / FELT;
  const found: number[] = [];
  const touched: number[] = [];
  let [mass, mx, my] = [0, 0, 0];
  for (let row = 0; row <= FELT; row++)
    for (let column = 0; column <= FELT; column++) {
      const [x, y] = [(column - FELT / 2) * step, (row - FELT / 2) * step];
      const top = shape.top(...place(piece.xMm + x, piece.yMm + y));
      if (top < 0) continue;
      const under = below(piece.xMm + x, piece.yMm + y);
      found.push(x, y, under.heightMm);
      touched.push(under.piece);
      [mass, mx, my] = [mass + top, mx + top * x, my + top * y];
    }
  const centre = mass > 0 ? ([mx / mass, my / mass] as const) : ([0, 0] as const);
  return { points: Float64Array.from(found), touched, centre, cellMm2: step * step };
}

/** How it leans where a bed of paste holds it: its high side looks the way it is told. */
function beddedPlane({ tiltDeg, tiltToDeg }: LaidPiece, points: Float64Array): Plane {
  const rise = Math.tan(tiltDeg * RAD);
  const [slopeX, slopeY] = [rise * Math.cos(tiltToDeg * RAD), rise * Math.sin(tiltToDeg * RAD)];
  let atMm = -Infinity;
  for (let at = 0; at < points.length; at += 3)
    atMm = Math.max(atMm, points[at + 2]! - slopeX * points[at]! - slopeY * points[at + 1]!);
  return { slopeX, slopeY, atMm };
}

function restedPlane(points: Float64Array, [cx, cy]: Felt["centre"]): Plane {
  const from = points.slice();
  for (let at = 0; at < from.length; at += 3) {
    from[at]! -= cx;
    from[at + 1]! -= cy;
  }
  const { slopeX, slopeY, atMm } = restingPlane(from);
  return { slopeX, slopeY, atMm: atMm - slopeX * cx - slopeY * cy };
}

/** Open room below an underside: its volume, mm³, and where it is widest, mm. */
function roomBelow({ points, cellMm2 }: Felt, plane: Plane) {
  let [volume, widest] = [0, 0];
  for (let at = 0; at < points.length; at += 3) {
    const gap = Math.max(0, heightOn(plane, points[at]!, points[at + 1]!) - points[at + 2]!);
    volume += gap * cellMm2;
    widest = Math.max(widest, gap);
  }
  return { bedMm3: volume, gapMm: widest };
}

const FLAT: Plane = { slopeX: 0, slopeY: 0, atMm: 0 };

function setRigid(piece: LaidPiece, shape: PieceShape, below: Settled["seenAt"]): SetPiece {
  const felt = feel(piece, shape, below);
  const lies =
    felt.points.length === 0
      ? FLAT
      : piece.bedding === "rests"
        ? restedPlane(felt.points, felt.centre)
        : beddedPlane(piece, felt.points);
  const onGround = felt.touched.every((other, at) => {
    const [x, y, h] = [felt.points[at * 3]!, felt.points[at * 3 + 1]!, felt.points[at * 3 + 2]!];
    return other < 0 || heightOn(lies, x, y) - h > TOUCHES_MM;
  });
  // Only ground gives way; and no deeper than another piece lets it.
  const room = felt.touched.reduce((least, other, at) => {
    if (other < 0) return least;
    const [x, y, h] = [felt.points[at * 3]!, felt.points[at * 3 + 1]!, felt.points[at * 3 + 2]!];
    return Math.min(least, heightOn(lies, x, y) - h);
  }, Infinity);
  const plane = { ...lies, atMm: lies.atMm - (onGround ? Math.min(piece.sunkMm, room) : 0) };
  const place = onto(piece);
  return {
    ...{ piece, shape, plane, onGround, loose: false },
    ...roomBelow(felt, plane),
    topAt(x, y) {
      const top = shape.top(...place(x, y));
      return top < 0 ? -Infinity : heightOn(plane, x - piece.xMm, y - piece.yMm) + top;
    },
  };
}

/** What is loose follows what it lies on. */
function strew(piece: LaidPiece, shape: PieceShape): SetPiece {
  const place = onto(piece);
  return {
    ...{ piece, shape, plane: FLAT, onGround: true, loose: true, bedMm3: 0, gapMm: 0 },
    topAt(x, y, belowMm) {
      const top = shape.top(...place(x, y));
      return top < 0 ? -Infinity : belowMm + top - piece.sunkMm;
    },
  };
}

/** Whether a piece cannot stay on what lies there: what is strewn lies on the ground and on what else is strewn. */
export const rollsOff = (pieces: readonly SetPiece[], number: number, onto: number): boolean =>
  pieces[number]!.loose && onto >= 0 && !pieces[onto]!.loose;

/** What is seen of a ground and the pieces on it. */
const seen =
  (ground: HeightAt, pieces: readonly SetPiece[]): Settled["seenAt"] =>
  (x, y) => {
    let [piece, heightMm] = [-1, ground(x, y)];
    for (let at = 0; at < pieces.length; at++) {
      if (rollsOff(pieces, at, piece)) continue;
      const top = pieces[at]!.topAt(x, y, heightMm);
      if (top > heightMm) [piece, heightMm] = [at, top];
    }
    return { piece, heightMm };
  };

/**
 * Lays the pieces one after the other, each on what is there: a resting one comes to lie on three points round its centre
 * of mass, a bedded one leans as told and paste fills what is open below it.
 * @param ground heights of the bare ground, mm
 */
export function settle(ground: HeightAt, { pieces }: Pick<Groundwork, "pieces">): Settled {
  const set: SetPiece[] = [];
  for (const piece of pieces) {
    const kind = groundPieces[piece.kind];
    const shape = kind.shape(piece, piece.seed);
    const below = seen(ground, set.slice());
    set.push(kind.loose ? strew(piece, shape) : setRigid(piece, shape, below));
  }
  return { pieces: set, seenAt: seen(ground, set) };
}

/** Turn at which a piece shows its best side to the front, degrees; as it is where all sides are alike. */
export function bestFaceForward(piece: LaidPiece): number {
  const { faces } = groundPieces[piece.kind].shape(piece, piece.seed);
  if (faces.length === 0) return piece.turnDeg;
  const best = faces.reduce((most, face) => (face.showsMm > most.showsMm ? face : most));
  const turn = -90 - best.wayDeg;
  return Math.round(turn - 360 * Math.round(turn / 360));
}
