import type { SpacePoint } from "../surface/forms/form";
import { meshOf, SEEN_POINTS, type PieceMesh } from "./mesh";
import { everywhere, type OnPiece } from "./raster";
import { rimOf, type Rim } from "./rim";
import { LAMP_PX, lampViewOf, type LampView } from "./shade";
import { onPiece, type PieceGround } from "./skin";
import { lampInSpace, usualTilt } from "./stance";

/** The room a piece takes up, however it is turned round its upright. */
export interface PieceRoom {
  /** Its middle, and its greatest distance from the upright through it and from the level of it, mm. */
  readonly middle: SpacePoint;
  readonly aroundMm: number;
  readonly upMm: number;
  /** From how far above such a piece is usually looked at, degrees. */
  readonly tiltDeg: number;
}

/** A painted piece bent as its form stands, under its lamp: whatever does not depend on who looks. */
export interface Stood {
  readonly mesh: PieceMesh;
  readonly on: OnPiece;
  /** Its edges; null where it has none. */
  readonly rim: Rim | null;
  /** Unit vector to the lamp. */
  readonly lamp: SpacePoint;
  readonly lampView: LampView;
  readonly room: PieceRoom;
}

/** The box around the squares that hold something: its middle, and how far they lie from the upright through it and from its level. */
function roomOf({ points, holds, columns }: PieceMesh): Omit<PieceRoom, "tiltDeg"> {
  const [low, high] = [new Float64Array(3).fill(Infinity), new Float64Array(3).fill(-Infinity)];
  const each = (visit: (point: number) => void) => {
    for (let at = 0; at < holds.length; at++)
      if (holds[at]! > 0)
        for (let corner = 0; corner < 4; corner++) visit((at + (corner & 1) + (corner >> 1) * columns) * 3);
  };
  each((point) => {
    for (let axis = 0; axis < 3; axis++) {
      const value = points[point + axis]!;
      if (value < low[axis]!) low[axis] = value;
      if (value > high[axis]!) high[axis] = value;
    }
  });
  const [x, y, z] = [0, 1, 2].map((axis) => (low[axis]! + high[axis]!) / 2) as [number, number, number];
  let around = 0;
  each((point) => {
    const [dx, dz] = [points[point]! - x, points[point + 2]! - z];
    around = Math.max(around, dx * dx + dz * dz);
  });
  return { middle: [x, y, z], aroundMm: Math.sqrt(around), upMm: (high[1]! - low[1]!) / 2 };
}

const known = new WeakMap<PieceGround, Map<number, Stood>>();

/**
 * Stands a painted piece up under its lamp; kept as long as its ground is, so that turning it costs only looking.
 * @param mostPoints about how many points its mesh may have
 */
export function standUp(ground: PieceGround, mostPoints = SEEN_POINTS): Stood {
  const before = known.get(ground)?.get(mostPoints);
  if (before) return before;
  const stood = stand(ground, mostPoints);
  known.set(ground, (known.get(ground) ?? new Map<number, Stood>()).set(mostPoints, stood));
  return stood;
}

function stand({ grid, heights }: PieceGround, mostPoints: number): Stood {
  const mesh = meshOf(grid, heights, mostPoints);
  const on = onPiece(grid, mesh.step);
  // A piece on its figure stands as it does there: the lamp comes from another side.
  const lamp = grid.room()?.lampInForm ?? lampInSpace(grid.form, grid.lamp);
  const rim = rimOf(grid, mesh, on);
  const parts = [{ mesh, on }, ...(rim ? [{ mesh: rim.mesh, on: everywhere }] : [])];
  const lampView = lampViewOf(parts, lamp, Math.min(LAMP_PX, Math.max(grid.width, grid.height)));
  return { mesh, on, rim, lamp, lampView, room: { ...roomOf(mesh), tiltDeg: usualTilt(grid.form) } };
}
