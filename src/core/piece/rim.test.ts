import { describe, expect, it } from "vitest";
import { completeParams } from "../params";
import { formIds, forms, type FormId } from "../surface/forms";
import type { SpacePoint } from "../surface/forms/form";
import { buildGrid } from "../surface/grid";
import { dot, lengthOf, minus } from "../surface/vector";
import { meshOf } from "./mesh";
import { rimOf, THICK_MM, type Rim } from "./rim";
import { onPiece } from "./skin";

function edged(id: FormId, values: Readonly<Record<string, number>> = {}) {
  const form = forms[id].build(completeParams(forms[id].params, values), 3);
  const grid = buildGrid(form, 0.08);
  const mesh = meshOf(grid, grid.relief, 60_000);
  return { grid, rim: rimOf(grid, mesh, onPiece(grid, mesh.step))! };
}

const pointOf = (values: Float32Array, at: number): SpacePoint => [
  values[at * 3]!,
  values[at * 3 + 1]!,
  values[at * 3 + 2]!,
];

/** Length of all edges, along one row of their strips, mm. */
function lengthAlong({ mesh: { columns, points, holds } }: Rim, row: number): number {
  let sum = 0;
  for (let at = row * columns; at < (row + 1) * columns; at++)
    if (holds[at % columns] === 2) sum += lengthOf(minus(pointOf(points, at + 1), pointOf(points, at)));
  return sum;
}

describe("the edges of a piece", () => {
  it("run round a flat piece once, its four sides", () => {
    const { grid, rim } = edged("panel", { lengthMm: 20, widthMm: 14 });
    const { minX, maxX, minY, maxY } = grid.form.bounds;
    const round = 2 * (maxX - minX + maxY - minY);
    // Corners are rounded a little.
    expect(lengthAlong(rim, 0) / round).toBeGreaterThan(0.97);
    expect(lengthAlong(rim, 0) / round).toBeLessThan(1.02);
  });

  it("run round both ends of a tube and close there, with nothing along its seam", () => {
    const { grid, rim } = edged("limb", { lengthMm: 9, roundMm: 18 });
    const { columns, holds, points } = rim.mesh;
    const ways = grid.form.lengthAt(0) + grid.form.lengthAt(grid.form.slantMm);
    expect(lengthAlong(rim, 0) / ways).toBeGreaterThan(0.95);
    expect(lengthAlong(rim, 0) / ways).toBeLessThan(1.05);
    // Each strip ends where it began.
    const ends = Array.from({ length: columns }, (_, at) => at).filter((at) => holds[at] === 0);
    expect(ends).toHaveLength(2);
    let from = 0;
    for (const end of ends) {
      expect(lengthOf(minus(pointOf(points, end), pointOf(points, from)))).toBeLessThan(1e-4);
      from = end + 1;
    }
  });

  it.each(formIds)(
    "%s: are as thick as a caster makes them, and round from the painted side to the inner one",
    (id) => {
      const { grid, rim } = edged(id);
      const { columns, rows, points, normals } = rim.mesh;
      expect(columns).toBeGreaterThan(40);
      // Its paint goes on from column to column, also where a hem closes that is cut on the flat.
      for (let column = 0; column < columns; column++) {
        if (rim.mesh.holds[column] !== 2) continue;
        const [x, y] = [0, 1].map(
          (axis) => rim.places[column * 2 + 2 + axis]! - rim.places[column * 2 + axis]!,
        );
        expect(Math.hypot(x!, y!)).toBeLessThan(12);
      }
      for (let column = 0; column < columns; column += 7) {
        const [outer, inner] = [column, (rows - 1) * columns + column];
        expect(lengthOf(minus(pointOf(points, outer), pointOf(points, inner)))).toBeCloseTo(
          grid.form.edgeMm ?? THICK_MM,
          3,
        );
        expect(dot(pointOf(normals, outer), pointOf(normals, inner))).toBeCloseTo(-1, 3);
        for (let row = 0; row < rows; row++)
          expect(lengthOf(pointOf(normals, row * columns + column))).toBeCloseTo(1, 3);
        // Its paint is that of a cell on the piece.
        const [x, y] = [Math.round(rim.places[column * 2]!), Math.round(rim.places[column * 2 + 1]!)];
        expect(grid.inside[y * grid.width + x]).toBeGreaterThan(0);
      }
    },
  );

  it("are thicker on plate than on cloth, and as thick as a strap is", () => {
    const [cloak, helmet] = [edged("cloak"), edged("helmet")].map(({ grid }) => grid.form.edgeMm!);
    expect(helmet!).toBeGreaterThan(1.5 * cloak!);
    expect(edged("strap", { thicknessMm: 0.5 }).grid.form.edgeMm).toBe(0.5);
  });

  it("run round the slits of a visor too", () => {
    const slits = lengthAlong(edged("helmet").rim, 0);
    expect(slits).toBeGreaterThan(1.5 * lengthAlong(edged("dome").rim, 0));
  });
});
