import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { completeParams } from "../params";
import { formIds, forms, type FormId } from "../surface/forms";
import { buildGrid } from "../surface/grid";
import { dot } from "../surface/vector";
import { meshOf, SEEN_POINTS } from "./mesh";
import { THICK_MM } from "./rim";
import { bleed, packSlope, standPiece, unpackSlope } from "./standing";

const LAMP = { fromDeg: 30, heightDeg: 50 };
const stand = (id: FormId, values: Readonly<Record<string, number>> = {}, pitchMm = 0.06) => {
  const form = forms[id].build(completeParams(forms[id].params, values), 3);
  const grid = buildGrid(form, pitchMm, LAMP);
  return { form, grid, piece: standPiece({ grid, heights: grid.relief, gloss: null }) };
};

describe("a piece ready to be drawn from any side", () => {
  it.each(formIds)("%s: every corner has its place on the picture and lies where the form says", (id) => {
    const { form, grid, piece } = stand(id, {}, 0.1);
    expect(piece.triangles.length).toBeGreaterThan(600);
    const { columns, rows } = meshOf(grid, grid.relief, SEEN_POINTS);
    for (let at = 0; at < piece.triangles.length; at += 97) {
      const point = piece.triangles[at]!;
      const column = Math.round(piece.places[point * 2]! * grid.width - 0.5);
      const row = Math.round(piece.places[point * 2 + 1]! * grid.height - 0.5);
      const cell = row * grid.width + column;
      const heightMm = Math.min(form.round ? form.slantMm * 0.9999 : Infinity, grid.heightMm[cell]!);
      const where = form.inSpace({ turnDeg: grid.turnDeg[cell]!, heightMm });
      const off = where.map((mm, axis) => piece.points[point * 3 + axis]! - mm);
      // Edges have a thickness, and the paint of a cell a little within.
      const edge = point >= columns * rows;
      expect(Math.hypot(...off)).toBeLessThan(edge ? (form.edgeMm ?? THICK_MM) + 5 * grid.pitchMm : 0.0005);
    }
  });

  it.each(formIds)(
    "%s: triangles turn left round seen from the painted side, and vectors are unit ones",
    (id) => {
      const { piece } = stand(id, {}, 0.1);
      const vector = (values: Float32Array, at: number) =>
        [values[at * 3]!, values[at * 3 + 1]!, values[at * 3 + 2]!] as const;
      let [left, all] = [0, 0];
      for (let at = 0; at < piece.triangles.length; at += 3 * 41) {
        const [a, b, c] = [0, 1, 2].map((corner) => piece.triangles[at + corner]!) as [
          number,
          number,
          number,
        ];
        const [p, q, r] = [vector(piece.points, a), vector(piece.points, b), vector(piece.points, c)];
        const [u, v] = [
          [q[0] - p[0], q[1] - p[1], q[2] - p[2]] as const,
          [r[0] - p[0], r[1] - p[1], r[2] - p[2]] as const,
        ];
        const turns = [
          u[1] * v[2] - u[2] * v[1],
          u[2] * v[0] - u[0] * v[2],
          u[0] * v[1] - u[1] * v[0],
        ] as const;
        // Beside a pointed end corners lie together: what has no area turns no way.
        if (Math.hypot(...turns) < 1e-8) continue;
        all++;
        // An edge turns within a triangle: its corners together tell which side is the painted one.
        const out = [a, b, c].reduce((sum, corner) => sum + dot(turns, vector(piece.normals, corner)), 0);
        if (out > 0) left++;
        expect(dot(vector(piece.normals, a), vector(piece.normals, a))).toBeCloseTo(1, 4);
      }
      expect(all).toBeGreaterThan(80);
      expect(left / all).toBeGreaterThan(0.97);
    },
  );

  it("keeps all of it within its room, round its upright and up and down", () => {
    const { piece } = stand("cone-band");
    const [x, y, z] = piece.room.middle;
    let [around, up] = [0, 0];
    for (const point of piece.triangles) {
      const at = point * 3;
      around = Math.max(around, Math.hypot(piece.points[at]! - x, piece.points[at + 2]! - z));
      up = Math.max(up, Math.abs(piece.points[at + 1]! - y));
    }
    expect(piece.room.aroundMm).toBeCloseTo(around, 3);
    expect(piece.room.upMm).toBeCloseTo(up, 3);
  });

  it("tells the lamp's own view: what faces the lamp freely is the nearest there", () => {
    const { grid, piece } = stand("limb", { roundMm: 20, lengthMm: 8, creases: 0, creaseMm: 0 });
    const { sight, lamp } = piece;
    let [nearest, facing] = [0, 0];
    for (let at = 0; at < piece.points.length; at += 3 * 53) {
      const [across, down] = [piece.places[(at / 3) * 2]!, piece.places[(at / 3) * 2 + 1]!];
      const row = Math.round(down * grid.height - 0.5);
      if (grid.inside[row * grid.width + Math.round(across * grid.width - 0.5)]! < 1) continue;
      const point = [piece.points[at]!, piece.points[at + 1]!, piece.points[at + 2]!] as const;
      const normal = [piece.normals[at]!, piece.normals[at + 1]!, piece.normals[at + 2]!] as const;
      if (dot(normal, lamp) < 0.6) continue;
      const column = Math.floor((dot(point, sight.right) - sight.left) * sight.pxPerMm);
      const line = Math.floor((sight.top - dot(point, sight.up)) * sight.pxPerMm);
      facing++;
      if (Math.abs(sight.near[line * sight.width + column]! - dot(point, lamp)) < 0.1) nearest++;
    }
    expect(facing).toBeGreaterThan(20);
    expect(nearest / facing).toBeGreaterThan(0.9);
    expect(sight.near.every(Number.isFinite)).toBe(true);
  });
});

describe("slopes as bytes", () => {
  it("come back as they were, within half a step", () => {
    fc.assert(
      fc.property(fc.double({ min: -4, max: 4, noNaN: true }), (slope) => {
        const step = (1 + Math.abs(slope)) ** 2 / 127;
        expect(Math.abs(unpackSlope(packSlope(slope)) - slope)).toBeLessThanOrEqual(0.51 * step);
      }),
    );
  });
});

describe("colours beside the piece", () => {
  it("are a neighbour's, as far as two cells, and stay unseen", () => {
    const rgba = new Uint8ClampedArray(7 * 3 * 4);
    rgba.set([90, 60, 30, 255], (7 + 3) * 4);
    bleed(rgba, 7);
    const at = (x: number, y: number) => [...rgba.subarray((y * 7 + x) * 4, (y * 7 + x) * 4 + 4)];
    expect(at(3, 1)).toEqual([90, 60, 30, 255]);
    for (const [x, y] of [
      [2, 1],
      [1, 1],
      [4, 1],
      [5, 1],
      [3, 0],
      [3, 2],
    ] as const)
      expect(at(x, y)).toEqual([90, 60, 30, 0]);
    expect(at(0, 0)).toEqual([0, 0, 0, 0]);
  });
});
