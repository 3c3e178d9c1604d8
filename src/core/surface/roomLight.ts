import type { Lamp } from "../job";
import type { SpacePoint } from "./forms/form";

/** The light of a figure's room on one of its pieces, on a coarse lattice over the piece laid flat. Row-major, y downwards. */
export interface RoomLight {
  readonly columns: number;
  readonly rows: number;
  /** Distance of its points, and where the first lies on the flat, mm. */
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
  /**
   * Five numbers to a point: the unit vector to the lamp as the place has it without its relief, to the right and down
   * the flat, and out of it; 0…1 how much of the lamp the rest of the figure and the piece's own bend let through; 0…1
   * which share of the open room they leave, weighted by its cosine.
   */
  readonly values: Float32Array;
  /** Unit vector to the lamp in the form's own space. */
  readonly lampInForm: SpacePoint;
}

/** The light a surface stands in. */
export interface SurfaceLight {
  /** Equal for equal light. */
  readonly key: string;
  readonly lamp: Lamp;
  /** Null where the surface lies aside: it is then lit as if it faced you upright. Worked out when first asked for. */
  readonly room: () => RoomLight | null;
}

/** A surface that lies aside under a lamp. */
export const asideUnder = (lamp: Lamp): SurfaceLight => ({
  key: JSON.stringify(lamp),
  lamp,
  room: () => null,
});

/** Cells that a field of the lattice is spread over. */
interface Cells {
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
  readonly originX: number;
  readonly originY: number;
}

/** Numbers to a point of the lattice. */
export const PER_POINT = 5;

/** Told a cell and the light there. */
export type LightVisit = (at: number, x: number, y: number, z: number, free: number, sky: number) => void;

/** Values of a lattice between two of its rows. */
function blendRows({ values, columns }: RoomLight, row: number, share: number, out: Float32Array): void {
  const above = row * columns * PER_POINT;
  const below = above + columns * PER_POINT;
  for (let at = 0; at < out.length; at++)
    out[at] = values[above + at]! * (1 - share) + values[below + at]! * share;
}

/** Visits every so many-th cell of a grid with the light there, by straight lines between the lattice's points. */
export function eachLight(light: RoomLight, cells: Cells, step: number, visit: LightVisit): void {
  const [width, height] = [Math.ceil(cells.width / step), Math.ceil(cells.height / step)];
  const { columns, rows, pitchMm } = light;
  const line = new Float32Array(columns * PER_POINT);
  const stepShare = (step * cells.pitchMm) / pitchMm;
  for (let row = 0, at = 0; row < height; row++) {
    const v = (cells.originY - light.originY) / pitchMm + row * stepShare;
    const y = Math.min(rows - 2, Math.max(0, Math.floor(v)));
    blendRows(light, y, Math.min(1, Math.max(0, v - y)), line);
    let u = (cells.originX - light.originX) / pitchMm;
    for (let column = 0; column < width; column++, at++, u += stepShare) {
      const x = Math.min(columns - 2, Math.max(0, Math.floor(u)));
      const t = Math.min(1, Math.max(0, u - x));
      const a = x * PER_POINT;
      const b = a + PER_POINT;
      visit(
        at,
        line[a]! + (line[b]! - line[a]!) * t,
        line[a + 1]! + (line[b + 1]! - line[a + 1]!) * t,
        line[a + 2]! + (line[b + 2]! - line[a + 2]!) * t,
        line[a + 3]! + (line[b + 3]! - line[a + 3]!) * t,
        line[a + 4]! + (line[b + 4]! - line[a + 4]!) * t,
      );
    }
  }
}
