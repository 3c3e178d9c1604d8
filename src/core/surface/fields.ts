import { blurMm } from "./blur";
import type { LampVector, SurfaceGrid } from "./grid";
import { litFrom, openSky } from "./lit";

/** Scales at which hollows are looked for, mm: a crease, a fold's side, a whole fold. */
export const HOLLOW_SCALES_MM = [0.1, 0.3, 0.9] as const;
export type HollowScale = 0 | 1 | 2;

/** What follows from the relief, made when first asked for and kept with the grid. */
export interface SurfaceFields {
  /** (mean height around − height) / scale, per cell; above 0 in hollows, below on raised ground. */
  hollow(scale: HollowScale): Float32Array;
  /** 0…1: how sharply the ground bends outwards within 0.12 mm; the panel's own rim counts too. */
  readonly edge: Float32Array;
  /** 0…1: light of the job's lamp, cast shade counted; level open ground is 1. */
  readonly lit: Float32Array;
  /** 0…1: the same from any side. */
  litFrom(from: LampVector): Float32Array;
  /** 0…1: share of the open sky seen; level open ground is 1. */
  readonly sky: Float32Array;
  /** Along the piece from its middle and up from its hem, mm: the directions a brush follows. */
  readonly along: Float32Array;
  readonly up: Float32Array;
  /** Which piece between seams a cell lies on; null where the panel is one piece. */
  readonly piece: Uint8Array | null;
}

const EDGE_MM = 0.12;
/** Outward bend that counts as a full edge: a rise of this share of the scale above its surroundings. */
const FULL_EDGE = 0.22;
const RIM_MM = 0.15;

/** Distance to the panel's outline where it has one, mm; a closed band has none at its closing seam. */
export function rimMm(grid: SurfaceGrid, at: number): number {
  const { form } = grid;
  const height = grid.heightMm[at]!;
  if (form.rim) return form.rim({ turnDeg: grid.turnDeg[at]!, heightMm: height });
  const ends = Math.min(height, form.slantMm - height);
  if (form.closed) return ends;
  const mmPerDeg = form.lengthAt(height) / form.turnDeg;
  const turn = grid.turnDeg[at]!;
  return Math.min(ends, turn * mmPerDeg, (form.turnDeg - turn) * mmPerDeg);
}

/** Distance to the nearest seam, mm; Infinity where there is none. */
export function seamMm(grid: SurfaceGrid, at: number): number {
  const { form } = grid;
  const mmPerDeg = form.lengthAt(grid.heightMm[at]!) / form.turnDeg;
  const turn = grid.turnDeg[at]!;
  let nearest = Infinity;
  for (const seam of form.seamsDeg) {
    nearest = Math.min(nearest, Math.abs(turn - seam));
    if (form.closed) nearest = Math.min(nearest, Math.abs(turn - seam - form.turnDeg));
  }
  return nearest * mmPerDeg;
}

function edgeField(grid: SurfaceGrid, relief: Float32Array): Float32Array {
  const around = blurMm(relief, grid, EDGE_MM);
  const out = new Float32Array(relief.length);
  for (let at = 0; at < out.length; at++) {
    if (grid.inside[at] === 0) continue;
    const bend = (relief[at]! - around[at]!) / EDGE_MM / FULL_EDGE;
    const rim = Math.exp(-((Math.max(0, rimMm(grid, at)) / RIM_MM) ** 2));
    out[at] = Math.min(1, Math.max(0, bend, rim));
  }
  return out;
}

function alongField(grid: SurfaceGrid): Float32Array {
  const { form, turnDeg, heightMm, width, originX, pitchMm } = grid;
  if (form.round) return turnDeg.map((_, at) => originX + (at % width) * pitchMm);
  return turnDeg.map((turn, at) => (turn / form.turnDeg - 0.5) * form.lengthAt(heightMm[at]!));
}

function upField({ form, heightMm, width, originY, pitchMm }: SurfaceGrid): Float32Array {
  if (!form.round) return heightMm;
  return heightMm.map((_, at) => -originY - Math.floor(at / width) * pitchMm);
}

/** Pieces of cloth between the seams. */
function pieces(grid: SurfaceGrid): Uint8Array | null {
  const seams = grid.form.seamsDeg.filter((deg) => deg > 0 && deg < grid.form.turnDeg);
  if (seams.length === 0) return null;
  return Uint8Array.from(grid.turnDeg, (turn) => seams.filter((deg) => turn >= deg).length);
}

const known = new WeakMap<SurfaceGrid, SurfaceFields>();

/** Something worked out when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** Light from a side, kept for the few sides that are asked for again. */
function lightsOf(grid: SurfaceGrid): (from: LampVector) => Float32Array {
  const lights = new Map<string, Float32Array>();
  return (from) => {
    const key = from.map((part) => part.toFixed(3)).join();
    const made = lights.get(key) ?? litFrom(grid, from);
    if (lights.size > 3) lights.clear();
    lights.set(key, made);
    return made;
  };
}

/** The fields of a grid; each is computed once. */
export function fieldsOf(grid: SurfaceGrid): SurfaceFields {
  const remembered = known.get(grid);
  if (remembered) return remembered;
  const { relief } = grid;
  const hollows = HOLLOW_SCALES_MM.map((mm) =>
    once(() => blurMm(relief, grid, mm).map((mean, at) => (mean - relief[at]!) / mm)),
  );
  const [edge, sky] = [once(() => edgeField(grid, relief)), once(() => openSky(grid))];
  const [along, up] = [once(() => alongField(grid)), once(() => upField(grid))];
  const piece = once(() => pieces(grid));
  const lights = lightsOf(grid);
  const fields: SurfaceFields = {
    hollow: (scale) => hollows[scale]!(),
    get edge() {
      return edge();
    },
    get lit() {
      return lights(grid.lamp);
    },
    litFrom: lights,
    get sky() {
      return sky();
    },
    get along() {
      return along();
    },
    get up() {
      return up();
    },
    get piece() {
      return piece();
    },
  };
  known.set(grid, fields);
  return fields;
}
