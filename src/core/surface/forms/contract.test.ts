import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { InputError } from "../../errors";
import { cross, dot, minus } from "../vector";
import { formIds, forms } from ".";
import type { FlatPoint, SpacePoint, SurfaceForm } from "./form";
import { mirrored } from "./mirrored";
import { buildGrid, choosePitch } from "../grid";
import { fieldsOf } from "../fields";
import { ZONES } from "../zoneNames";
import { zoneWeights } from "../zones";

const defaults = (id: (typeof formIds)[number]) =>
  Object.fromEntries(Object.entries(forms[id].params).map(([name, spec]) => [name, spec.default]));

describe.each(formIds)("the form %s", (id) => {
  const definition = forms[id];
  const form = definition.build(defaults(id), 5);

  it("says what it is and how each size is taken", () => {
    expect(definition.id).toBe(id);
    expect(form.id).toBe(id);
    expect(definition.problems(defaults(id))).toEqual([]);
    for (const spec of Object.values(definition.params)) {
      expect(spec.default).toBeGreaterThanOrEqual(spec.range[0]);
      expect(spec.default).toBeLessThanOrEqual(spec.range[1]);
      expect(spec.about.length).toBeGreaterThan(15);
    }
  });

  it("refuses sizes that cannot be, naming the field", () => {
    const [field, spec] = Object.entries(definition.params)[0]!;
    for (const bad of [NaN, -1, spec.range[1] * 10]) {
      const values = { ...defaults(id), [field]: bad };
      expect(definition.problems(values).map((problem) => problem.field)).toContain(field);
      expect(() => definition.build(values, 1)).toThrow(InputError);
    }
  });

  it("mirrored, is what a mirror shows, its outside still outside and its flat still its own", () => {
    const other = mirrored(form);
    const aside = ([x, y, z]: SpacePoint): SpacePoint => [-x, y, z];
    const near = (one: SpacePoint, two: SpacePoint) => {
      for (const axis of [0, 1, 2] as const) expect(one[axis]).toBeCloseTo(two[axis], 9);
    };
    /** Which side of a form its flat's right and down go round. */
    const side = (of: SurfaceForm, [x, y]: FlatPoint) => {
      const at = (dx: number, dy: number) => of.inSpace(of.place([x + dx, y + dy]));
      const out = of.facing?.(of.place([x, y])) ?? ([0, 0, 1] as const);
      return dot(cross(minus(at(0.01, 0), at(-0.01, 0)), minus(at(0, 0.01), at(0, -0.01))), out);
    };
    for (const [t, h] of [
      [0.2, 0.3],
      [0.55, 0.6],
      [0.9, 0.15],
    ] as const) {
      const here = { turnDeg: t * form.turnDeg, heightMm: h * form.slantMm };
      const there = { ...here, turnDeg: form.turnDeg - here.turnDeg };
      near(other.inSpace(there), aside(form.inSpace(here)));
      if (form.facing) near(other.facing!(there), aside(form.facing(here)));
      expect(other.relief(there)).toBe(form.relief(here));
      expect(other.rim?.(there)).toBe(form.rim?.(here));
      const flat = other.flatten(there);
      expect(flat[0]).toBeCloseTo(-form.flatten(here)[0], 9);
      expect(other.place(flat).turnDeg).toBeCloseTo(there.turnDeg, 6);
      expect(Math.sign(side(other, flat))).toBe(Math.sign(side(form, form.flatten(here))));
    }
    expect(other.bounds.minX).toBeCloseTo(-form.bounds.maxX, 9);
    expect(other.seamsDeg[0]).toBe(0);
    expect(other.seamsDeg).toHaveLength(form.seamsDeg.length);
    const twice = mirrored(other);
    const place = { turnDeg: 0.37 * form.turnDeg, heightMm: 0.4 * form.slantMm };
    near(twice.inSpace(place), form.inSpace(place));
  });

  it("unrolls without stretching: places come back, and its area is that of its picture", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        fc.double({ min: 0, max: 0.99, noNaN: true }),
        (t, h) => {
          const place = { turnDeg: form.turnDeg * t, heightMm: form.slantMm * h };
          const back = form.place(form.flatten(place));
          expect(back.turnDeg).toBeCloseTo(place.turnDeg, 6);
          expect(back.heightMm).toBeCloseTo(place.heightMm, 6);
          const [x, y] = form.flatten(place);
          const { minX, maxX, minY, maxY } = form.bounds;
          expect(x > minX - 1e-6 && x < maxX + 1e-6 && y > minY - 1e-6 && y < maxY + 1e-6).toBe(true);
        },
      ),
    );
    const grid = buildGrid(form, 0.08);
    const cells = grid.inside.reduce((sum, share) => sum + share, 0);
    expect((cells * 0.08 * 0.08) / form.areaMm2).toBeGreaterThan(0.98);
    expect((cells * 0.08 * 0.08) / form.areaMm2).toBeLessThan(1.02);
  });

  it("has lengths on the flat that equal those in space where there is no relief", () => {
    const along = (turn: number, height: number) => {
      const place = { turnDeg: turn, heightMm: height };
      return { flat: form.flatten(place), space: form.inSpace(place), up: form.relief(place) };
    };
    const [a, b] = [along(40, form.slantMm / 2), along(40, form.slantMm / 2 + 0.01)];
    const flat = Math.hypot(b.flat[0] - a.flat[0], b.flat[1] - a.flat[1]);
    // A form that cannot be laid flat without stretching says by how much.
    const most = form.distortion ?? 1;
    expect(flat).toBeGreaterThan(0.01 / most - 1e-6);
    expect(flat).toBeLessThan(0.01 * most + 1e-6);
    expect(a.space.every(Number.isFinite)).toBe(true);
  });

  it("is the same again for its seed, and fields on it are numbers", () => {
    const again = definition.build(defaults(id), 5);
    const place = { turnDeg: 33, heightMm: form.slantMm * 0.4 };
    expect(again.relief(place)).toBe(form.relief(place));
    const grid = buildGrid(form, Math.max(0.1, choosePitch(form, 0.12).pitchMm));
    const fields = fieldsOf(grid);
    expect(fieldsOf(grid)).toBe(fields);
    for (const field of [fields.edge, fields.lit, fields.hollow(0), fields.hollow(1), fields.hollow(2)])
      expect(field.every(Number.isFinite)).toBe(true);
    for (const zone of ZONES) {
      const weights = zoneWeights(grid, [zone], 0);
      expect(weights.every((weight) => weight >= 0 && weight <= 1)).toBe(true);
      expect(
        zoneWeights(grid, [zone], 1).every((weight, at) =>
          grid.inside[at]! > 0 ? weight === 1 : weight === 0,
        ),
      ).toBe(true);
    }
  });
});

describe("zones", () => {
  const strap = forms.strap.build(defaults("strap"), 2);
  const grid = buildGrid(strap, 0.05);

  it("lit and shaded share the surface between them", () => {
    const [lit, shaded] = [zoneWeights(grid, ["lit"], 0), zoneWeights(grid, ["shaded"], 0)];
    for (let at = 0; at < lit.length; at++)
      if (grid.inside[at]! > 0) expect(lit[at]! + shaded[at]!).toBeCloseTo(1, 5);
  });

  it("edges lie along the rounded rims, hollows in the creases", () => {
    const mean = (weights: Float32Array, wanted: (heightMm: number) => boolean) => {
      let [sum, count] = [0, 0];
      weights.forEach((weight, at) => {
        if (grid.inside[at]! < 1 || !wanted(grid.heightMm[at]!)) return;
        sum += weight;
        count++;
      });
      return sum / count;
    };
    const edges = zoneWeights(grid, ["edges"], 0);
    expect(mean(edges, (h) => h < 0.2 || h > strap.slantMm - 0.2)).toBeGreaterThan(
      4 * mean(edges, (h) => h > 1 && h < 2.2),
    );
    const both = zoneWeights(grid, ["edges", "hem"], 0);
    expect(mean(both, (h) => h > strap.slantMm - 0.2)).toBeLessThan(0.2);
  });
});
