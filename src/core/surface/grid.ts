import { USUAL_LAMP, type Lamp } from "../job";
import type { SurfaceForm } from "./forms/form";
import { depthInside } from "./forms/depth";
import type { GrowthField } from "./growthField";
import { asideUnder, type RoomLight, type ShedSource, type SurfaceLight } from "./roomLight";
import type { Sculpted } from "./sculpted";

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
  /** Relief, mm, with what is sculpted over the form. */
  readonly relief: Float32Array;
  /** What is sculpted over the form; null where it is smooth. */
  readonly hide: Sculpted | null;
  readonly lamp: LampVector;
  /** The light of the figure's room on it; null where it lies aside. Worked out when first asked for. */
  readonly room: () => RoomLight | null;
  /** Painted lights of its figure that could reach it. */
  readonly sheds: readonly ShedSource[];
  /** Which way things grow on it; null where nobody has said: then they lie down the piece. */
  readonly growth: () => GrowthField | null;
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

function placeCells(form: SurfaceForm, grid: SurfaceGrid): void {
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

/**
 * Lays a form on square cells.
 * @param pitchMm edge of a cell, mm, above 0
 * @param light where it stands, or the lamp alone for a piece that lies aside
 */
export function buildGrid(
  form: SurfaceForm,
  pitchMm: number,
  light: Lamp | SurfaceLight = USUAL_LAMP,
): SurfaceGrid {
  const { lamp, room, sheds } = "room" in light ? light : asideUnder(light);
  const { minX, maxX, minY, maxY } = form.bounds;
  const width = Math.ceil((maxX - minX + 2 * MARGIN_MM) / pitchMm);
  const height = Math.ceil((maxY - minY + 2 * MARGIN_MM) / pitchMm);
  const field = () => new Float32Array(width * height);
  const grid: SurfaceGrid = {
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
    hide: null,
    lamp: lampVector(lamp),
    room,
    sheds,
    growth: () => null,
  };
  placeCells(form, grid);
  return grid;
}

/** Lights in which a panel is kept; a lamp that is turned leaves many behind. */
const MOST_LIGHTS = 3;
const lit = new WeakMap<Float32Array, { readonly key: string; readonly grid: SurfaceGrid }[]>();

/** The same panel in another light: what follows from its relief alone is not worked out again. */
export function inLight(grid: SurfaceGrid, light: SurfaceLight): SurfaceGrid {
  const before = lit.get(grid.relief) ?? [];
  const known = before.find(({ key }) => key === light.key);
  if (known) return known.grid;
  const made = { ...grid, lamp: lampVector(light.lamp), room: light.room, sheds: light.sheds };
  lit.set(grid.relief, [{ key: light.key, grid: made }, ...before].slice(0, MOST_LIGHTS));
  return made;
}

/** The same panel with another relief, mm: what a paste has raised. */
export const withRelief = (grid: SurfaceGrid, relief: Float32Array): SurfaceGrid => ({ ...grid, relief });
