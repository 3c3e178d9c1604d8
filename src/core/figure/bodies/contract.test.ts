import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SEATS } from "../../job";
import { completeParams, type ParamSpecs } from "../../params";
import { lengthOf, minus, cross } from "../../surface/vector";
import { solidMesh } from "../solids";
import type { SpacePoint } from "../../surface/forms/form";
import type { PieceMesh } from "../../piece/mesh";
import { bodies, bodyIds, bodyOf, bodyUse } from ".";

const figure = { eyeHeightMm: 30 };

/** Settings anywhere in their ranges. */
const anySettings = (params: ParamSpecs) =>
  fc.record(
    Object.fromEntries(
      Object.entries(params).map(([name, { range }]) => [
        name,
        fc.double({ min: range[0], max: range[1], noNaN: true }),
      ]),
    ),
  );

const scalar = (a: SpacePoint, b: SpacePoint) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

const pointOf = ({ points }: Pick<PieceMesh, "points">, at: number): SpacePoint => [
  points[at * 3]!,
  points[at * 3 + 1]!,
  points[at * 3 + 2]!,
];

describe.each(bodyIds)("%s", (id) => {
  const definition = bodies[id];

  it("carries the id it is known by, and starts as a figure of its height does", () => {
    expect(definition.id).toBe(id);
    const start = bodyUse(id, figure);
    for (const [name, value] of Object.entries(start.params)) {
      const [least, most] = definition.params[name]!.range;
      expect(value).toBeGreaterThanOrEqual(least);
      expect(value).toBeLessThanOrEqual(most);
    }
  });

  it("stands on the ground in any pose, its seats upright and at right angles", () => {
    fc.assert(
      fc.property(anySettings(definition.params), (settings) => {
        const body = definition.build(completeParams(definition.params, settings), figure);
        expect(body.seats.length).toBeGreaterThan(1);
        for (const { id: seat, at, outMm } of body.seats) {
          expect(SEATS).toContain(seat);
          expect(outMm).toBeGreaterThanOrEqual(0);
          for (const axis of [at.right, at.up, at.out]) expect(lengthOf(axis)).toBeCloseTo(1, 6);
          expect(scalar(at.right, at.up)).toBeCloseTo(0, 6);
          expect(scalar(at.up, at.out)).toBeCloseTo(0, 6);
          // Right, up and out turn as a painter's own hand does.
          expect(lengthOf(minus(cross(at.right, at.up), at.out))).toBeCloseTo(0, 6);
        }
        const heights = body.solids.flatMap((solid) => {
          const { points } = solidMesh(solid);
          expect(points.every(Number.isFinite)).toBe(true);
          return Array.from({ length: points.length / 3 }, (_, at) => points[at * 3 + 1]!);
        });
        // The disc is 2.4 mm thick: nothing goes through it.
        expect(heights.reduce((low, y) => Math.min(low, y))).toBeGreaterThan(-2.5);
        expect(body.seats.some(({ id: seat }) => seat === "base")).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it("has solids that look outwards: squares turn left round seen from outside", () => {
    const body = bodyOf({ body: bodyUse(id, figure), ...figure })!;
    for (const solid of body.solids) {
      const mesh = solidMesh(solid);
      let [outwards, all] = [0, 0];
      for (let at = 0; at < mesh.holds.length; at++) {
        if (mesh.holds[at] === 0) continue;
        const a = pointOf(mesh, at);
        const face = cross(
          minus(pointOf(mesh, at + mesh.columns), a),
          minus(pointOf(mesh, at + mesh.columns + 1), a),
        );
        if (lengthOf(face) < 1e-7) continue;
        const normal = pointOf({ points: mesh.normals }, at);
        all++;
        if (scalar(face, normal) > 0) outwards++;
      }
      expect(all).toBeGreaterThan(1);
      expect(outwards / all).toBeGreaterThan(0.97);
    }
  });
});

describe("a person", () => {
  const seatHeight = (id: (typeof bodyIds)[number], seat: string) =>
    bodyOf({ body: bodyUse(id, figure), ...figure })!.seats.find((one) => one.id === seat)!.at.origin[1];

  it("has its eyes as high as was measured where it stands, and lower where it kneels or sits", () => {
    // The eyes lie in the middle of the head, a crown's height of 0.099 of the eyes' below the crown.
    const eyes = seatHeight("person-standing", "head") - 0.098 * figure.eyeHeightMm;
    expect(eyes / figure.eyeHeightMm).toBeGreaterThan(0.96);
    expect(eyes / figure.eyeHeightMm).toBeLessThan(1.06);
    for (const lower of ["person-kneeling", "person-seated"] as const)
      expect(seatHeight(lower, "head")).toBeLessThan(0.9 * seatHeight("person-standing", "head"));
  });

  it("stands on feet that reach the ground", () => {
    for (const id of ["person-standing", "person-walking", "person-seated", "person-kneeling"] as const) {
      const { solids } = bodyOf({ body: bodyUse(id, figure), ...figure })!;
      const low = solids
        .filter(({ under }) => !under.includes("base"))
        .flatMap((solid) => {
          const { points } = solidMesh(solid);
          return Array.from({ length: points.length / 3 }, (_, at) => points[at * 3 + 1]!);
        })
        .reduce((least, y) => Math.min(least, y));
      expect(Math.abs(low)).toBeLessThan(0.06 * figure.eyeHeightMm);
    }
  });

  it("moves what its pose is told to move", () => {
    const at = (params: Readonly<Record<string, number>>, seat: string) =>
      bodyOf({ body: { ...bodyUse("person-standing", figure), params }, ...figure })!.seats.find(
        ({ id }) => id === seat,
      )!.at;
    const [down, out] = [at({ armsOutDeg: 0 }, "left-hand"), at({ armsOutDeg: 90 }, "left-hand")];
    expect(out.origin[0]).toBeGreaterThan(down.origin[0] + 4);
    expect(at({ stoopDeg: 60 }, "head").origin[2]).toBeGreaterThan(at({ stoopDeg: 0 }, "head").origin[2] + 5);
    expect(at({ headTurnDeg: 60 }, "head").out[0]).toBeGreaterThan(0.8);
  });
});

describe("a beast", () => {
  it("has what is worn on its tail run along it, where a long one bends over the ground too", () => {
    for (const [id, params] of [
      ["beast", {}],
      ["long-beast", {}],
      ["long-beast", { shoulderMm: 15, lengthMm: 45 }],
    ] as const) {
      const use = bodyUse(id, figure);
      const { solids, seats } = bodyOf({
        body: { ...use, params: { ...use.params, ...params } },
        ...figure,
      })!;
      const { at } = seats.find((seat) => seat.id === "tail")!;
      const mesh = solidMesh(solids.find(({ under }) => under[0] === "tail")!);
      const points = Array.from({ length: mesh.points.length / 3 }, (_, index) => pointOf(mesh, index));
      const along = points.map((point) => -scalar(minus(point, at.origin), at.up));
      const tip = points[along.indexOf(Math.max(...along))]!;
      const way = minus(tip, at.origin);
      expect(-scalar(way, at.up) / lengthOf(way), id).toBeGreaterThan(0.995);
    }
  });
});
