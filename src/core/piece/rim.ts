import type { SpacePoint } from "../surface/forms/form";
import type { SurfaceGrid } from "../surface/grid";
import { add, cross, dot, lengthOf, minus, times, unit, write } from "../surface/vector";
import type { PieceMesh } from "./mesh";
import type { OnPiece } from "./raster";

/** What a caster makes leather as thick as, mm: an edge is no sheet of paper. */
export const THICK_MM = 0.3;
/** How far an edge stands out, against its thickness: so much that the sheet's own edge is not seen, as a piece is as large as asked for. */
const OUT = 0.04;
/** Points across an edge, from the painted side to the inner one. */
const ROWS = 5;
/** The edge lies between a point on the piece and one beside it: halved so often to find it. */
const HALVINGS = 6;
/** How often its points are brought nearer to between their neighbours. */
const SMOOTHINGS = 4;
/** Paint of an edge is that of the cell so far within, cells. */
const WITHIN = 1.3;
/** Ends of a closed band nearer to each other than this lie together, mm and cells. */
const TOGETHER_MM = 0.35;
const TOGETHER_CELLS = 6;

/** A closed piece that is no wider round than this ends in a point, not in an edge, mm. */
const SHUT_MM = 0.6;

/** The edges of a piece as rounded strips: a mesh of its own whose columns run along them and whose rows run across. */
export interface Rim {
  readonly mesh: PieceMesh;
  /** The cell of the piece's grid whose paint each column has: x and y, two numbers to a column. */
  readonly places: Float32Array<ArrayBuffer>;
}

/** A point of an edge. */
interface EdgePoint {
  /** On the mesh of the piece, in points. */
  readonly column: number;
  readonly row: number;
  /** The way from the piece to what lies beside it, in points. */
  readonly aside: readonly [column: number, row: number];
}

/** Where a piece ends within the squares of its mesh, by the sides of squares; and which of these points follow each other. */
interface Ends {
  readonly points: ReadonlyMap<number, EdgePoint>;
  readonly links: ReadonlyMap<number, readonly number[]>;
}

/** The two ends of a side of a square: sides lie right of and below a point, and are named by it. */
function sideOf(side: number, columns: number): readonly [from: number, to: number] {
  const point = side >> 1;
  return [point, side & 1 ? point + columns : point + 1];
}

/** Where the piece ends on a side of which one end lies on it. */
function crossing(
  on: OnPiece,
  columns: number,
  [from, to]: readonly [number, number],
  fromIn: boolean,
): EdgePoint {
  const [inner, outer] = fromIn ? [from, to] : [to, from];
  const at = (point: number) => [point % columns, Math.floor(point / columns)] as const;
  const [[c, r], [oc, or]] = [at(inner), at(outer)];
  const aside = [oc - c, or - r] as const;
  let [least, most] = [0, 1];
  for (let turn = 0; turn < HALVINGS; turn++) {
    const middle = (least + most) / 2;
    if (on(c + aside[0] * middle, r + aside[1] * middle)) least = middle;
    else most = middle;
  }
  return { column: c + aside[0] * least, row: r + aside[1] * least, aside };
}

function endsOf({ columns, rows, holds }: PieceMesh, on: OnPiece): Ends {
  const points = new Map<number, EdgePoint>();
  const links = new Map<number, number[]>();
  const link = (one: number, other: number) => {
    links.set(one, [...(links.get(one) ?? []), other]);
    links.set(other, [...(links.get(other) ?? []), one]);
  };
  for (let at = 0; at < columns * (rows - 1); at++) {
    if (holds[at] !== 1 || at % columns === columns - 1) continue;
    // Sides above, left, below and right of the square.
    const crossed = [at * 2, at * 2 + 1, (at + columns) * 2, (at + 1) * 2 + 1].filter((side) => {
      if (points.has(side)) return true;
      const ends = sideOf(side, columns);
      const [a, b] = ends.map((point) => on(point % columns, Math.floor(point / columns)));
      if (a === b) return false;
      points.set(side, crossing(on, columns, ends, a!));
      return true;
    });
    for (let pair = 0; pair + 1 < crossed.length; pair += 2) link(crossed[pair]!, crossed[pair + 1]!);
  }
  return { points, links };
}

/** Sides one after another along each edge; an edge that comes back to where it began has its first side once more at its end. */
function chainsOf({ links }: Ends): number[][] {
  const left = new Set(links.keys());
  const chains: number[][] = [];
  const walk = (start: number) => {
    const chain = [start];
    left.delete(start);
    for (let now = start; ;) {
      const next = links.get(now)!.find((side) => left.has(side));
      if (next === undefined) break;
      left.delete(next);
      chain.push(next);
      now = next;
    }
    if (chain.length > 2 && links.get(chain.at(-1)!)!.includes(start)) chain.push(start);
    chains.push(chain);
  };
  // Edges with an end are walked from there.
  for (const [side, next] of links) if (next.length === 1 && left.has(side)) walk(side);
  for (const side of links.keys()) if (left.has(side)) walk(side);
  return chains.filter((chain) => chain.length > 2);
}

/** What lies between four points of a mesh. */
function between(
  values: Float32Array,
  { columns, rows }: PieceMesh,
  column: number,
  row: number,
): SpacePoint {
  const [c, r] = [Math.min(columns - 2, Math.floor(column)), Math.min(rows - 2, Math.floor(row))];
  const [tx, ty] = [column - c, row - r];
  const at = (dc: number, dr: number): SpacePoint => {
    const from = ((r + dr) * columns + c + dc) * 3;
    return [values[from]!, values[from + 1]!, values[from + 2]!];
  };
  const mix = (a: SpacePoint, b: SpacePoint, share: number) => add(times(a, 1 - share), b, share);
  return mix(mix(at(0, 0), at(1, 0), tx), mix(at(0, 1), at(1, 1), tx), ty);
}

/** A point of an edge in space. */
interface Spot {
  readonly point: SpacePoint;
  readonly normal: SpacePoint;
  readonly aside: SpacePoint;
  readonly place: readonly [x: number, y: number];
}

function spotOf(mesh: PieceMesh, { column, row, aside }: EdgePoint): Spot {
  const point = between(mesh.points, mesh, column, row);
  const beside = between(mesh.points, mesh, column + 0.5 * aside[0], row + 0.5 * aside[1]);
  return {
    point,
    normal: unit(between(mesh.normals, mesh, column, row)),
    aside: minus(beside, point),
    place: [column * mesh.step - WITHIN * aside[0], row * mesh.step - WITHIN * aside[1]],
  };
}

/** Where the two ends of a band that closes lie on each other, and where it closes to a point, there is no edge. */
function isSeam(
  { form, turnDeg, heightMm, width, height, pitchMm }: SurfaceGrid,
  [x, y]: readonly [number, number],
): boolean {
  if (!form.closed) return false;
  const at = Math.min(height - 1, Math.round(y)) * width + Math.min(width - 1, Math.round(x));
  const round = form.lengthAt(heightMm[at]!);
  if (round < SHUT_MM) return true;
  const mmPerDeg = round / form.turnDeg;
  const fromEnd = Math.min(turnDeg[at]!, form.turnDeg - turnDeg[at]!) * mmPerDeg;
  // Where an end is shut there is nothing but the seam.
  const from = (end: number, mm: number) => (form.lengthAt(end) < SHUT_MM ? Infinity : mm);
  const fromHem = Math.min(from(0, heightMm[at]!), from(form.slantMm, form.slantMm - heightMm[at]!));
  return fromEnd < Math.max(TOGETHER_MM, TOGETHER_CELLS * pitchMm) && fromEnd < fromHem;
}

/** An edge that comes back to where it began, begun at a seam if it meets one. */
function fromSeam(grid: SurfaceGrid, spots: readonly Spot[]): readonly Spot[] {
  if (spots[0] !== spots.at(-1)) return spots;
  const seam = spots.findIndex(({ place }) => isSeam(grid, place));
  return seam < 0 ? spots : [...spots.slice(seam), ...spots.slice(1, seam + 1)];
}

/** Stretches of an edge between seams; where its ends meet there, as on a hem, it is closed. */
function partsOf(grid: SurfaceGrid, spots: readonly Spot[]): Spot[][] {
  const parts: Spot[][] = [[]];
  for (const spot of fromSeam(grid, spots)) {
    if (isSeam(grid, spot.place)) parts.push([]);
    else parts.at(-1)!.push(spot);
  }
  return parts
    .filter((part) => part.length > 2)
    .map((part) => {
      const apart = lengthOf(minus(part[0]!.point, part.at(-1)!.point));
      if (!grid.form.closed || apart === 0 || apart > 4 * TOGETHER_MM) return part;
      // On the flat its ends lie far from each other: the last bit has the paint of one of them.
      return [...part, { ...part[0]!, place: part.at(-1)!.place }];
    });
}

/** Cells are square, edges are not: each point comes nearer to between its neighbours. */
function smoothed(spots: readonly Spot[]): Spot[] {
  const closed = spots[0]!.point === spots.at(-1)!.point;
  const last = spots.length - 1;
  const out = spots.map((spot, at): Spot => {
    const before = spots[closed && at === 0 ? last - 1 : at - 1];
    const after = spots[closed && at === last ? 1 : at + 1];
    if (!before || !after) return spot;
    const mean = (part: "point" | "normal") =>
      times(add(add(before[part], spot[part], 2), after[part]), 0.25);
    return { ...spot, point: mean("point"), normal: unit(mean("normal")) };
  });
  if (closed) out[last] = { ...out[0]!, place: spots[last]!.place };
  return out;
}

/** The strip along an edge; its columns run so that it looks outwards. */
function stripOf(part: readonly Spot[]): Spot[] {
  let spots = part;
  for (let time = 0; time < SMOOTHINGS; time++) spots = smoothed(spots);
  const sense = spots.slice(1).reduce((sum, { point, normal, aside }, at) => {
    const along = minus(point, spots[at]!.point);
    return sum + dot(cross(along, normal), aside);
  }, 0);
  const run = sense < 0 ? [...spots].reverse() : spots;
  return run.map((spot, at) => {
    const along = minus(run[Math.min(run.length - 1, at + 1)]!.point, run[Math.max(0, at - 1)]!.point);
    return { ...spot, aside: unit(cross(along, spot.normal)) };
  });
}

/**
 * Puts the points across an edge, from the painted side to the inner one. They lie nearly
 * level but turn as if the edge were round: that is how light falls on it.
 */
function across(
  { point, normal, aside }: Spot,
  column: number,
  { columns, points, normals }: PieceMesh,
  thickMm: number,
): void {
  for (let row = 0; row < ROWS; row++) {
    const angle = (row / (ROWS - 1)) * Math.PI;
    const [out, up] = [Math.sin(angle), Math.cos(angle)];
    const to = (row * columns + column) * 3;
    const inner = add(point, normal, -(thickMm / 2) * (1 - up));
    write(points, to, add(inner, aside, OUT * thickMm * out));
    write(normals, to, add(times(normal, up), aside, out));
  }
}

const known = new WeakMap<Float32Array, Map<number, readonly (readonly EdgePoint[])[]>>();

/** Where the edges of a piece run on its mesh, whatever lies on it; kept with its outline. */
function edgesOf({ inside }: SurfaceGrid, mesh: PieceMesh, on: OnPiece): readonly (readonly EdgePoint[])[] {
  const before = known.get(inside)?.get(mesh.step);
  if (before) return before;
  const ends = endsOf(mesh, on);
  const edges = chainsOf(ends).map((chain) => chain.map((side) => ends.points.get(side)!));
  known.set(inside, (known.get(inside) ?? new Map<number, typeof edges>()).set(mesh.step, edges));
  return edges;
}

/** An edge in space; one that comes back to where it began ends with the very spot it begins with. */
function spotsOf(mesh: PieceMesh, edge: readonly EdgePoint[]): Spot[] {
  const spots = edge.map((point) => spotOf(mesh, point));
  if (edge[0] === edge.at(-1)) spots[spots.length - 1] = spots[0]!;
  return spots;
}

/** The edges of a piece, as thick as a caster makes them; null where it has none. @param mesh of the piece, with its paint */
export function rimOf(grid: SurfaceGrid, mesh: PieceMesh, on: OnPiece): Rim | null {
  const strips = edgesOf(grid, mesh, on).flatMap((edge) => partsOf(grid, spotsOf(mesh, edge)).map(stripOf));
  const columns = strips.reduce((sum, strip) => sum + strip.length, 0);
  if (columns === 0) return null;
  const size = { columns, rows: ROWS, step: 1 };
  const [points, normals] = [new Float32Array(columns * ROWS * 3), new Float32Array(columns * ROWS * 3)];
  const rim: PieceMesh = { ...size, points, normals, holds: new Uint8Array(columns * ROWS) };
  const places = new Float32Array(columns * 2);
  let column = 0;
  for (const strip of strips)
    strip.forEach((spot, at) => {
      across(spot, column, rim, grid.form.edgeMm ?? THICK_MM);
      places.set(spot.place, column * 2);
      // Between one strip and the next there is nothing.
      if (at + 1 < strip.length)
        for (let row = 0; row + 1 < ROWS; row++) rim.holds[row * columns + column] = 2;
      column++;
    });
  return { mesh: rim, places };
}
