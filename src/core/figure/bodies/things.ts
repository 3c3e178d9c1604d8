import type { SeatId } from "../../job";
import type { SpacePoint } from "../../surface/forms/form";
import { frameAt } from "../frame";
import { box, drum, leantBox } from "../solids";
import { defineBody, type Seat } from "./body";
import { groundOf } from "./person";

const size = (label: string, usual: number, about: string, range: readonly [number, number] = [3, 400]) =>
  ({ label, unit: "mm", range, step: 0.5, default: usual, about }) as const;

const TURNED = {
  label: "Turned",
  unit: "°",
  range: [-180, 180],
  step: 15,
  default: -25,
  about: "Round its upright; 0 shows its front.",
} as const;

/** A seat on a face of something upright that is turned; `out` is told before it is turned. */
function seatOn(
  id: SeatId,
  origin: SpacePoint,
  up: SpacePoint,
  out: SpacePoint,
  outMm: number,
  turnDeg: number,
): Seat {
  const [sine, cosine] = [Math.sin((turnDeg * Math.PI) / 180), Math.cos((turnDeg * Math.PI) / 180)];
  const way = ([x, y, z]: SpacePoint): SpacePoint => [x * cosine + z * sine, y, z * cosine - x * sine];
  return { id, at: frameAt(way(origin), way(up), way(out)), outMm };
}

export const machine = defineBody({
  id: "machine",
  version: 1,
  label: "Machine",
  about: "A hull with a drum on top, as an engine or a vehicle has.",
  params: {
    widthMm: size("Width", 26, "From side to side, as you look at its front."),
    heightMm: size("Height", 22, "From the ground to the top of the hull."),
    depthMm: size("Depth", 22, "From front to back."),
    turnDeg: TURNED,
  },
  build({ widthMm, heightMm, depthMm, turnDeg }) {
    const half: SpacePoint = [widthMm / 2, heightMm / 2, depthMm / 2];
    const least = Math.min(widthMm, depthMm);
    const on = (id: SeatId, origin: SpacePoint, up: SpacePoint, out: SpacePoint, outMm: number) =>
      seatOn(id, origin, up, out, outMm, turnDeg);
    return {
      solids: [
        box([], [0, half[1], 0], half, turnDeg),
        drum([], [0, heightMm, 0], [0, heightMm * 1.3, 0], least * 0.26, least * 0.24),
        groundOf(1, 0.72 * Math.max(widthMm, depthMm)).solid,
      ],
      seats: [
        on("hull", [0, half[1], 0], [0, 1, 0], [0, 0, 1], half[2]),
        on("left-flank", [0, half[1], 0], [0, 1, 0], [1, 0, 0], half[0]),
        on("right-flank", [0, half[1], 0], [0, 1, 0], [-1, 0, 0], half[0]),
        on("back", [0, half[1], 0], [0, 1, 0], [0, 0, -1], half[2]),
        on("roof", [0, heightMm, 0], [0, 0, -1], [0, 1, 0], 0),
        on("head", [0, heightMm * 1.3, 0], [0, 1, 0], [0, 0, 1], least * 0.24),
        groundOf(1).seat,
      ],
    };
  },
});

export const building = defineBody({
  id: "building",
  version: 1,
  label: "Building",
  about: "Four walls under a ridged roof.",
  params: {
    widthMm: size("Width", 52, "Of the wall that you look at."),
    heightMm: size("Wall height", 32, "From the ground to the eaves."),
    depthMm: size("Depth", 40, "From front to back."),
    roofDeg: {
      label: "Roof pitch",
      unit: "°",
      range: [0, 70],
      step: 5,
      default: 40,
      about: "Of both sides of the roof; 0 is flat.",
    },
    turnDeg: TURNED,
  },
  build({ widthMm, heightMm, depthMm, roofDeg, turnDeg }) {
    const pitch = (roofDeg * Math.PI) / 180;
    const [half, thick] = [depthMm / 2, 1.2];
    const slope = half / Math.max(0.2, Math.cos(pitch));
    const on = (id: SeatId, origin: SpacePoint, up: SpacePoint, out: SpacePoint, outMm: number) =>
      seatOn(id, origin, up, out, outMm, turnDeg);
    const side = (way: 1 | -1) => {
      const middle: SpacePoint = [0, heightMm + (half * Math.tan(pitch)) / 2, (way * half) / 2];
      const [up, out]: [SpacePoint, SpacePoint] = [
        [0, Math.sin(pitch), -way * Math.cos(pitch)],
        [0, Math.cos(pitch), way * Math.sin(pitch)],
      ];
      return { up, out, seat: on("roof", middle, up, out, thick) };
    };
    const [front, behind] = [side(1), side(-1)];
    const roofs = [front, behind].map(({ seat }) =>
      leantBox([], seat.at, [widthMm * 0.53, slope / 2 + Math.min(0.04 * slope, EAVES_MM), thick]),
    );
    return {
      solids: [
        box([], [0, heightMm / 2, 0], [widthMm / 2, heightMm / 2, half], turnDeg),
        ...(roofDeg > 0 ? gable(widthMm, heightMm, half, pitch, turnDeg) : []),
        ...roofs,
        groundOf(1, 0.66 * Math.hypot(widthMm, depthMm)).solid,
      ],
      seats: [
        on("wall", [0, 0, 0], [0, 1, 0], [0, 0, 1], half),
        on("left-flank", [0, 0, 0], [0, 1, 0], [1, 0, 0], widthMm / 2),
        on("right-flank", [0, 0, 0], [0, 1, 0], [-1, 0, 0], widthMm / 2),
        on("back", [0, 0, 0], [0, 1, 0], [0, 0, -1], half),
        front.seat,
        groundOf(1).seat,
      ],
    };
  },
});

/** How far a roof reaches over its walls at most, mm. */
const EAVES_MM = 1.5;

/** Levels of boxes that fill a gable below its roof. */
const GABLE_STEPS = 8;

function gable(widthMm: number, heightMm: number, half: number, pitch: number, turnDeg: number) {
  const tall = half * Math.tan(pitch);
  return Array.from({ length: GABLE_STEPS }, (_, step) => {
    const [from, to] = [step / GABLE_STEPS, (step + 1) / GABLE_STEPS];
    const middle: SpacePoint = [0, heightMm + (tall * (from + to)) / 2, 0];
    return box([], middle, [widthMm * 0.49, (tall * (to - from)) / 2, half * (1 - to)], turnDeg);
  });
}

export const bareBase = defineBody({
  id: "bare-base",
  version: 1,
  label: "Base alone",
  about: "Nothing stands on it: ground, a trial piece, a part painted apart.",
  params: {
    roundMm: size("Across", 32, "From rim to rim.", [10, 200]),
  },
  build({ roundMm }) {
    const ground = groundOf(1, roundMm / 2);
    const upright: Seat = { id: "hull", at: frameAt([0, 0, 0], [0, 1, 0], [0, 0, 1]), outMm: 0 };
    return { solids: [ground.solid], seats: [ground.seat, upright] };
  },
});
