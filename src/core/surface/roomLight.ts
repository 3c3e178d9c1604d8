import type { Lamp } from "../job";
import type { SpacePoint } from "./forms/form";
import type { ShedLight } from "./shedLight";

/** A coarse lattice over a piece laid flat. Row-major, y downwards. */
export interface LightLattice {
  readonly columns: number;
  readonly rows: number;
  /** Distance of its points, and where the first lies on the flat, mm. */
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
}

/** The light of a figure's room on one of its pieces. */
export interface RoomLight extends LightLattice {
  /**
   * Four numbers to a point: the unit vector to the lamp as the place has it without its relief, to the right and down
   * the flat, and out of it; 0…1 how much of the lamp the rest of the figure and the piece's own bend let through.
   */
  readonly values: Float32Array;
  /**
   * One number to a point, 0…1: which share of the open room the rest of the figure and the piece's own bend leave,
   * weighted by its cosine. No lamp changes it; worked out when first asked for.
   */
  readonly open: () => Float32Array;
  /** Unit vector to the lamp in the form's own space. */
  readonly lampInForm: SpacePoint;
  /** Unit vector in the form's own space to where the piece has its back: above where it lies, behind where it stands. */
  readonly backInForm: SpacePoint;
  /** Unit vector straight up in the form's own space. */
  readonly upInForm: SpacePoint;
  /** Unit vector in the form's own space to where its figure looks. */
  readonly aheadInForm: SpacePoint;
}

/** A painted light of the figure as one of its surfaces has it. */
export interface ShedSource {
  readonly id: string;
  /** Equal for equal light on the surface. */
  readonly key: string;
  /** Null where the light sits on nothing that is there. Worked out when first asked for. */
  readonly of: () => ShedLight | null;
}

/** The light a surface stands in. */
export interface SurfaceLight {
  /** Equal for equal light, painted lights and all. */
  readonly key: string;
  /** Equal for equal light of lamp and room. */
  readonly roomKey: string;
  readonly lamp: Lamp;
  /** Painted lights that could reach it. */
  readonly sheds: readonly ShedSource[];
  /** Null where the surface lies aside: it is then lit as if it faced you upright. Worked out when first asked for. */
  readonly room: () => RoomLight | null;
}

/** A surface that lies aside under a lamp. */
export const asideUnder = (lamp: Lamp): SurfaceLight => ({
  key: JSON.stringify(lamp),
  roomKey: JSON.stringify(lamp),
  lamp,
  sheds: [],
  room: () => null,
});

/** Cells that a field of the lattice is spread over. */
export interface LitCells {
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
}

/** Numbers to a point of the lattice that tell of the lamp. */
export const PER_POINT = 4;

/** Told a cell and the light there. */
export type LightVisit = (at: number, x: number, y: number, z: number, free: number) => void;

/** Told a cell, and where its values begin in two rows of the lattice blended into one: the point before, and how far on. */
type LineVisit = (at: number, line: Float32Array, before: number, share: number) => void;

/** Values of a lattice between two of its rows. */
function blendRows(values: Float32Array, from: number, share: number, out: Float32Array): void {
  for (let at = 0; at < out.length; at++)
    out[at] = values[from + at]! * (1 - share) + values[from + out.length + at]! * share;
}

/** Visits every so many-th cell of a grid with the points of a lattice it lies between. */
export function eachBetween(
  { columns, rows, pitchMm, originX, originY }: LightLattice,
  values: Float32Array,
  cells: LitCells,
  step: number,
  visit: LineVisit,
): void {
  const per = values.length / (columns * rows);
  const [width, height] = [Math.ceil(cells.width / step), Math.ceil(cells.height / step)];
  const line = new Float32Array(columns * per);
  const stepShare = (step * cells.pitchMm) / pitchMm;
  for (let row = 0, at = 0; row < height; row++) {
    const v = (cells.originY - originY) / pitchMm + row * stepShare;
    const y = Math.min(rows - 2, Math.max(0, Math.floor(v)));
    blendRows(values, y * line.length, Math.min(1, Math.max(0, v - y)), line);
    let u = (cells.originX - originX) / pitchMm;
    for (let column = 0; column < width; column++, at++, u += stepShare) {
      const x = Math.min(columns - 2, Math.max(0, Math.floor(u)));
      visit(at, line, x * per, Math.min(1, Math.max(0, u - x)));
    }
  }
}

/** Visits every so many-th cell of a grid with the lamp's light there, by straight lines between the lattice's points. */
export function eachLight(light: RoomLight, cells: LitCells, step: number, visit: LightVisit): void {
  eachBetween(light, light.values, cells, step, (at, line, a, share) => {
    const b = a + PER_POINT;
    visit(
      at,
      line[a]! + (line[b]! - line[a]!) * share,
      line[a + 1]! + (line[b + 1]! - line[a + 1]!) * share,
      line[a + 2]! + (line[b + 2]! - line[a + 2]!) * share,
      line[a + 3]! + (line[b + 3]! - line[a + 3]!) * share,
    );
  });
}

/** Share of the open room each cell of a grid has, 0…1, without its relief. */
export function openOn(light: RoomLight, cells: LitCells): Float32Array {
  const out = new Float32Array(cells.width * cells.height);
  eachBetween(light, light.open(), cells, 1, (at, line, a, share) => {
    out[at] = line[a]! + (line[a + 1]! - line[a]!) * share;
  });
  return out;
}
