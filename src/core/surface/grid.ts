import { USUAL_LAMP, type Lamp } from "../job";
import type { SurfaceForm } from "./forms/form";
import { blurMm } from "./blur";
import { depthInside } from "./forms/depth";

/** A form laid on square cells: what every technique and the compositor work on. Row-major, y downwards. */
export interface SurfaceGrid {
  readonly form: SurfaceForm;
  readonly width: number;
  readonly height: number;
  /** Edge of a cell, mm. */
  readonly pitchMm: number;
  /** Flat position of the first cell's centre, mm. */
  readonly originX: number;
  readonly originY: number;
  /** 1 inside the panel, 0 outside, between on the rim. */
  readonly inside: Float32Array;
  /** Degrees of turn and mm from the hem, per cell. */
  readonly turnDeg: Float32Array;
  readonly heightMm: Float32Array;
  /** Relief, mm. */
  readonly relief: Float32Array;
  /** How much a cell lies in a hollow, 0…1, over a reach of about a millimetre. */
  readonly hollow: Float32Array;
  /** Share of the lamp's light and open sky a cell gets; 1 is level ground. */
  readonly light: Float32Array;
  readonly lamp: LampVector;
  /** Light that the form's own bend lets a cell have, 0…1; null where only its relief counts. */
  readonly bend: Float32Array | null;
}

/** Unit vector towards the lamp: x right, y down, z up from the surface. */
export type LampVector = readonly [x: number, y: number, z: number];

/** The lamp as a unit vector: x to the right, y up, z towards the eye. */
export function lampVector({ fromDeg, heightDeg }: Lamp): LampVector {
  const [from, height] = [(fromDeg * Math.PI) / 180, (heightDeg * Math.PI) / 180];
  const flat = Math.cos(height);
  return [flat * Math.cos(from), -flat * Math.sin(from), Math.sin(height)];
}

/** Space left free round the development, mm, so that overspill and the rim can be seen. */
const MARGIN_MM = 0.6;
export const MAX_PIXELS = 2_000_000;

/**
 * The finest mark gets three cells; never more cells than memory allows.
 * @param mostCells fewer cells make a coarser picture that is there sooner
 */
export function choosePitch(
  form: SurfaceForm,
  finestMarkMm: number,
  mostCells = MAX_PIXELS,
): { pitchMm: number; reduced: boolean } {
  const wanted = Math.min(0.05, Math.max(0.02, finestMarkMm / 3));
  const { minX, maxX, minY, maxY } = form.bounds;
  const area = (maxX - minX + 2 * MARGIN_MM) * (maxY - minY + 2 * MARGIN_MM);
  const least = Math.sqrt(area / Math.min(MAX_PIXELS, mostCells));
  return { pitchMm: Math.max(wanted, least), reduced: least > wanted };
}

type BareGrid = Omit<SurfaceGrid, "hollow" | "light" | "bend">;

/** The form's facing is taken over this much, mm, so that relief does not count twice. */
const BEND_MM = 0.8;
/** Light that still reaches what faces away: from the sky and the room. */
const LEAST_BEND = 0.12;

/** How much the form itself faces the lamp, per cell. */
function bendOf(grid: BareGrid): Float32Array | null {
  const { form, lamp, width, pitchMm, originX, originY, inside } = grid;
  if (!form.turns) return null;
  const at3 = (x: number, y: number) => form.inSpace(form.place([x, y]));
  return inside.map((share, at) => {
    if (share === 0) return 1;
    const [x, y] = [originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm];
    const [left, right] = [at3(x - BEND_MM / 2, y), at3(x + BEND_MM / 2, y)];
    const [up, down] = [at3(x, y - BEND_MM / 2), at3(x, y + BEND_MM / 2)];
    const [ax, ay, az] = [right[0] - left[0], right[1] - left[1], right[2] - left[2]];
    const [bx, by, bz] = [up[0] - down[0], up[1] - down[1], up[2] - down[2]];
    const normal = [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx] as const;
    // In space y points up; the lamp's y points down the flat.
    const facing = normal[0] * lamp[0] - normal[1] * lamp[1] + normal[2] * lamp[2];
    return LEAST_BEND + (1 - LEAST_BEND) * Math.min(1, Math.max(0, facing / (Math.hypot(...normal) || 1)));
  });
}

function placeCells(form: SurfaceForm, grid: BareGrid): void {
  const { width, height, pitchMm, inside, turnDeg, heightMm, relief } = grid;
  // One point for all cells: a new one for each of a million would be most of the garbage of opening a surface.
  const point: [xMm: number, yMm: number] = [0, 0];
  for (let row = 0; row < height; row++) {
    point[1] = grid.originY + row * pitchMm;
    for (let column = 0; column < width; column++) {
      const at = row * width + column;
      point[0] = grid.originX + column * pitchMm;
      const place = form.place(point);
      turnDeg[at] = place.turnDeg;
      heightMm[at] = place.heightMm;
      relief[at] = form.relief(place);
      inside[at] = Math.min(1, Math.max(0, depthInside(form, place) / pitchMm + 0.5));
    }
  }
}

/** How wide the surroundings of a hollow are, mm (standard deviation). */
const HOLLOW_REACH_MM = 1.4;

/**
 * How far each cell lies below its surroundings, scaled to 0…1 by the deepest.
 */
function hollowness(grid: BareGrid): Float32Array {
  const { relief } = grid;
  const out = new Float32Array(relief.length);
  if (relief.every((value) => value === relief[0])) return out;
  const wide = blurMm(relief, grid, HOLLOW_REACH_MM);
  let deepest = 1e-6;
  for (let at = 0; at < out.length; at++) {
    const under = wide[at]! - relief[at]!;
    out[at] = under;
    if (under > deepest && grid.inside[at]! > 0) deepest = under;
  }
  // Below a hundredth of a millimetre there is nothing for paint to gather in.
  const scale = 1 / Math.max(deepest, 0.01);
  for (let at = 0; at < out.length; at++) out[at] = Math.min(1, Math.max(0, out[at]! * scale));
  return out;
}

/** Lambert's light of the lamp on the relief, with less open sky in hollows; level ground is 1. */
export function lightField(relief: Float32Array, grid: Omit<SurfaceGrid, "light">): Float32Array {
  const { width, height, pitchMm, hollow, lamp, bend } = grid;
  const out = new Float32Array(relief.length);
  const scale = 1 / (2 * pitchMm);
  for (let row = 0; row < height; row++) {
    const up = (row > 0 ? row - 1 : row) * width;
    const down = (row < height - 1 ? row + 1 : row) * width;
    for (let column = 0; column < width; column++) {
      const at = row * width + column;
      const left = column > 0 ? at - 1 : at;
      const right = column < width - 1 ? at + 1 : at;
      const sx = (relief[right]! - relief[left]!) * scale;
      const sy = (relief[down + column]! - relief[up + column]!) * scale;
      const facing = (-sx * lamp[0] - sy * lamp[1] + lamp[2]) / Math.sqrt(1 + sx * sx + sy * sy);
      const sky = 1 - 0.45 * hollow[at]!;
      const direct = Math.max(0, facing) / Math.max(0.25, lamp[2]);
      out[at] = sky * (0.35 + 0.65 * direct * (bend ? 1.25 * bend[at]! : 1));
    }
  }
  return out;
}

/**
 * Lays a form on square cells.
 * @param pitchMm edge of a cell, mm, above 0
 */
export function buildGrid(form: SurfaceForm, pitchMm: number, lamp: Lamp = USUAL_LAMP): SurfaceGrid {
  const { minX, maxX, minY, maxY } = form.bounds;
  const width = Math.ceil((maxX - minX + 2 * MARGIN_MM) / pitchMm);
  const height = Math.ceil((maxY - minY + 2 * MARGIN_MM) / pitchMm);
  const field = () => new Float32Array(width * height);
  const base = {
    form,
    width,
    height,
    pitchMm,
    originX: minX - MARGIN_MM + pitchMm / 2,
    originY: minY - MARGIN_MM + pitchMm / 2,
    inside: field(),
    turnDeg: field(),
    heightMm: field(),
    relief: field(),
    lamp: lampVector(lamp),
  };
  placeCells(form, base);
  return withFields(base);
}

function withFields(base: BareGrid): SurfaceGrid {
  const hollow = hollowness(base);
  const { relief } = base;
  const full = { ...base, hollow, bend: bendOf(base) };
  return { ...full, light: lightField(relief, full) };
}

/** The same panel with another relief, mm: what a paste has raised. */
export const withRelief = (grid: SurfaceGrid, relief: Float32Array): SurfaceGrid =>
  withFields({ ...grid, relief });
