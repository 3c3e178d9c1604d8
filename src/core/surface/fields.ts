import { blurMm } from "./blur";
import type { LampVector, SurfaceGrid } from "./grid";
import { bendOf } from "./bend";
import { lowerEnvelope } from "./parabola";
import { litFrom, openSky, pictureLight } from "./lit";
import { openOn, type RoomLight } from "./roomLight";
import { roomLit, roomPictureLight, roomSky } from "./roomLit";
import { smoothstep } from "../units";

/** Scales at which hollows are looked for, mm: a crease, a fold's side, a whole fold. */
export const HOLLOW_SCALES_MM = [0.1, 0.3, 0.9] as const;
export type HollowScale = 0 | 1 | 2;

/** What follows from the relief alone, made when first asked for and kept with it, whatever light it stands in. */
interface GroundFields {
  /** (mean height around − height) / scale, per cell; above 0 in hollows, below on raised ground. */
  hollow(scale: HollowScale): Float32Array;
  /**
   * 0…1: how much a cell lies in a hollow: 0 on level and raised ground, 1 where it lies clearly below what is around it
   * over the two wider scales. What "hollow" means everywhere: to places, washes, glazes and pictures.
   */
  readonly low: Float32Array;
  /** 0…1: how much it stands out, by the same measure. */
  readonly high: Float32Array;
  /** 0…1: how sharply the ground bends outwards within 0.12 mm; the panel's own rim counts too. */
  readonly edge: Float32Array;
  /** 0…1: how near a cell lies to the crest of an edge, sharp or blunt: what the side of a brush touches. */
  readonly crest: Float32Array;
  /** 0…1: how much an edge looks up the piece: upper rims of stones, straps, scales and folds. */
  readonly upperEdge: Float32Array;
  /** 0…1: light from any side. */
  litFrom(from: LampVector): Float32Array;
  /** 0…1: share of the open sky seen past the relief; level open ground is 1. */
  readonly openSky: Float32Array;
  /** Along the piece from its middle and up from its hem, mm: the directions a brush follows. */
  readonly along: Float32Array;
  readonly up: Float32Array;
  /** Which piece between seams a cell lies on; null where the panel is one piece. */
  readonly piece: Uint8Array | null;
}

/** What follows from the relief and from the light it stands in. */
export interface SurfaceFields extends GroundFields {
  /**
   * 0…1: light of the job's lamp, cast shade and the form's own bend counted. Of a piece on its figure it is Lambert's
   * cosine in the figure's room, shade of the other parts counted; of one that lies aside, open ground that faces the
   * lamp most is 1.
   */
  readonly lit: Float32Array;
  /** The same against what the lamp lights most of this surface: where a painter puts its lights and shadows, 0…1. */
  readonly litShare: Float32Array;
  /** Light as a picture shows it on the bare relief; level ground is 1. */
  readonly light: Float32Array;
  /** The same on another relief of this panel, mm: with the paint that lies on it. */
  lightOn(relief: Float32Array): Float32Array;
  /** 0…1: share of the open sky seen, past the rest of the figure too; level open ground is 1. */
  readonly sky: Float32Array;
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

/** Sum of the two wider scales, as a share of the scale, from which ground counts as clearly hollow or raised. */
const CLEAR = 0.1;

/** Of ground that lies below its surroundings (or above, by the sign), how clearly. */
function clearly(middle: Float32Array, wide: Float32Array, sign: 1 | -1): Float32Array {
  return middle.map((share, at) => smoothstep(0, CLEAR, sign * (share + wide[at]!)));
}

/** An edge hides a blunter one beside it within about this, mm. */
const CREST_MM = 0.35;
/** Sharpness at which an edge begins to be one, and from which it surely is. */
const [LEAST_EDGE, SURE_EDGE] = [0.06, 0.2] as const;

/** Edges against the sharpest within reach, so that blunt ones have a crest as well. */
function crests(grid: SurfaceGrid, edge: Float32Array): Float32Array {
  const bend = (grid.pitchMm / CREST_MM) ** 2;
  const sharpest = lowerEnvelope(
    edge.map((share) => -share),
    grid.width,
    grid.height,
    bend,
  );
  return edge.map((share, at) => {
    const most = -sharpest[at]!;
    return most > LEAST_EDGE ? (share / most) * smoothstep(LEAST_EDGE, SURE_EDGE, most) : 0;
  });
}

/** Slope, as a rise per mm, from which an edge looks fully up. */
const FULL_SLOPE = 0.25;

/** Edges behind which the ground falls towards the top of the piece: they catch what comes from above. */
function upperEdges(grid: SurfaceGrid, edge: Float32Array, up: Float32Array): Float32Array {
  const { width, height, pitchMm } = grid;
  const smooth = blurMm(grid.relief, grid, EDGE_MM);
  const out = new Float32Array(edge.length);
  for (let row = 1; row < height - 1; row++) {
    for (let at = row * width + 1; at < (row + 1) * width - 1; at++) {
      if (edge[at]! <= 0) continue;
      const [ux, uy] = [up[at + 1]! - up[at - 1]!, up[at + width]! - up[at - width]!];
      const [sx, sy] = [smooth[at + 1]! - smooth[at - 1]!, smooth[at + width]! - smooth[at - width]!];
      const falls = -(sx * ux + sy * uy) / (Math.hypot(ux, uy) || 1) / (2 * pitchMm);
      out[at] = edge[at]! * smoothstep(0, FULL_SLOPE, falls);
    }
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

/** Share of the cells that are brighter than what counts as the brightest; a surface darker than the least is in shade as a whole. */
const [BRIGHTER, LEAST_BRIGHT] = [0.02, 0.25] as const;
/** So many cells are enough to tell which light is the brightest. */
const LOOKED_AT = 4000;

/** A surface's light against its own brightest: lights are painted on what stands in shade too, unless all of it does. */
function againstBrightest(lit: Float32Array, { inside }: SurfaceGrid): Float32Array {
  const step = Math.max(1, Math.floor(lit.length / LOOKED_AT));
  const seen = lit.filter((_, at) => at % step === 0 && inside[at]! > 0).sort();
  const most = seen[Math.floor((1 - BRIGHTER) * (seen.length - 1))] ?? 1;
  const scale = 1 / Math.max(LEAST_BRIGHT, most);
  return lit.map((light) => Math.min(1, light * scale));
}

type Makers = Readonly<Record<string, () => unknown>>;
type Made<M extends Makers> = { readonly [K in keyof M]: ReturnType<M[K]> };

/** Properties that are each worked out when they are first asked for, and kept. */
function onDemand<M extends Makers>(makers: M): Made<M>;
/** @param over an object whose properties it has as well */
function onDemand<M extends Makers, O extends object>(makers: M, over: O): Made<M> & O;
function onDemand(makers: Makers, over: object | null = null): object {
  const made = Object.create(over) as object;
  for (const [name, make] of Object.entries(makers)) {
    const get = () => {
      const value = make();
      Object.defineProperty(made, name, { value, enumerable: true });
      return value;
    };
    Object.defineProperty(made, name, { get, enumerable: true, configurable: true });
  }
  return made;
}

/** Light from a side, kept for the few sides that are asked for again. */
function lightsOf(grid: SurfaceGrid): (from: LampVector) => Float32Array {
  const lights = new Map<string, Float32Array>();
  return (from) => {
    const key = from.map((part) => part.toFixed(3)).join();
    const made = lights.get(key) ?? litFrom(grid, from, bendOf(grid, from));
    if (lights.size > 3) lights.clear();
    lights.set(key, made);
    return made;
  };
}

function makeGround(grid: SurfaceGrid): GroundFields {
  const { relief } = grid;
  const around = (mm: number) => blurMm(relief, grid, mm).map((mean, at) => (mean - relief[at]!) / mm);
  const [fine, middle, wide] = HOLLOW_SCALES_MM;
  const hollows = onDemand({ 0: () => around(fine), 1: () => around(middle), 2: () => around(wide) });
  const fields: GroundFields = onDemand({
    hollow: () => (scale: HollowScale) => hollows[scale],
    low: () => clearly(hollows[1], hollows[2], 1),
    high: () => clearly(hollows[1], hollows[2], -1),
    edge: () => edgeField(grid, relief),
    crest: () => crests(grid, fields.edge),
    upperEdge: () => upperEdges(grid, fields.edge, fields.up),
    litFrom: () => lightsOf(grid),
    openSky: () => openSky(grid),
    along: () => alongField(grid),
    up: () => upField(grid),
    piece: () => pieces(grid),
  });
  return fields;
}

function makeFields(grid: SurfaceGrid, ground: GroundFields): SurfaceFields {
  const bend = onDemand({ own: () => bendOf(grid, grid.lamp) });
  const room = onDemand({
    light: () => grid.room(),
    open: () => room.light && openOn(room.light, grid),
  }) as { readonly light: RoomLight | null; readonly open: Float32Array | null };
  const fields: SurfaceFields = onDemand(
    {
      lit: () => (room.light ? roomLit(grid, room.light) : ground.litFrom(grid.lamp)),
      litShare: () => (room.light ? againstBrightest(fields.lit, grid) : fields.lit),
      lightOn: () => (heights: Float32Array) =>
        room.light && room.open
          ? roomPictureLight(heights, grid, ground.low, room.light, room.open)
          : pictureLight(heights, grid, ground.low, bend.own),
      light: () => fields.lightOn(grid.relief),
      sky: () => (room.open ? roomSky(ground.openSky, room.open) : ground.openSky),
    },
    ground,
  );
  return fields;
}

/** By relief: the same panel in another light has another grid. */
const grounds = new WeakMap<Float32Array, GroundFields>();
const known = new WeakMap<SurfaceGrid, SurfaceFields>();

function groundOf(grid: SurfaceGrid): GroundFields {
  const remembered = grounds.get(grid.relief);
  if (remembered) return remembered;
  const made = makeGround(grid);
  grounds.set(grid.relief, made);
  return made;
}

/** The fields of a grid; each is computed once. */
export function fieldsOf(grid: SurfaceGrid): SurfaceFields {
  const remembered = known.get(grid);
  if (remembered) return remembered;
  const made = makeFields(grid, groundOf(grid));
  known.set(grid, made);
  return made;
}
