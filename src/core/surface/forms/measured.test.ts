import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { buildGrid } from "../grid";
import { forms, type FormId } from ".";
import type { Place, SpacePoint, SurfaceForm } from "./form";

const build = (id: FormId, sizes: Record<string, number>): SurfaceForm => {
  const params = Object.fromEntries(
    Object.entries(forms[id].params).map(([name, spec]) => [name, spec.default]),
  );
  return forms[id].build({ ...params, ...sizes }, 3);
};

const apart = (a: SpacePoint, b: SpacePoint) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Length in space of a way along the form, in small steps. */
function wayMm(form: SurfaceForm, from: Place, to: Place, steps = 4000): number {
  let [sum, last] = [0, form.inSpace(from)];
  for (let step = 1; step <= steps; step++) {
    const t = step / steps;
    const here = form.inSpace({
      turnDeg: from.turnDeg + (to.turnDeg - from.turnDeg) * t,
      heightMm: from.heightMm + (to.heightMm - from.heightMm) * t,
    });
    sum += apart(last, here);
    last = here;
  }
  return sum;
}

/** Area of the picture of a form, mm². */
function pictureMm2(form: SurfaceForm, pitchMm: number): number {
  return buildGrid(form, pitchMm).inside.reduce((sum, share) => sum + share, 0) * pitchMm ** 2;
}

describe("sizes measured on the figure come back in space", () => {
  it("round a smooth limb: its way round and its length", () => {
    const form = build("limb", { roundMm: 21, lengthMm: 13, creases: 0, creaseMm: 0 });
    // The cloth swells by up to 0.05 mm, which lengthens a way round by a little.
    const round = wayMm(form, { turnDeg: 0, heightMm: 6 }, { turnDeg: 360, heightMm: 6 });
    expect(round).toBeGreaterThan(20.6);
    expect(round).toBeLessThan(21.5);
    const up = wayMm(form, { turnDeg: 90, heightMm: 0 }, { turnDeg: 90, heightMm: 13 });
    expect(up).toBeCloseTo(13, 1);
    // Closed: both ends of the flat are the same line.
    expect(
      apart(form.inSpace({ turnDeg: 0, heightMm: 5 }), form.inSpace({ turnDeg: 360, heightMm: 5 })),
    ).toBeLessThan(1e-6);
    expect(form.areaMm2).toBeCloseTo(21 * 13, 6);
  });

  it("of a helmet: the rim round, and the way over the crown", () => {
    const form = build("dome", { roundMm: 28, overMm: 8, collarMm: 0, collarUpMm: 0, ridges: 0 });
    const rim = wayMm(form, { turnDeg: 0, heightMm: 0 }, { turnDeg: 360, heightMm: 0 });
    expect(Math.abs(rim - 28) / 28).toBeLessThan(0.02);
    const over = wayMm(form, { turnDeg: 40, heightMm: 0 }, { turnDeg: 40, heightMm: 8 });
    expect(Math.abs(over - 8) / 8).toBeLessThan(0.02);
    // Area of a cap: 2πR²(1 − cos θ), with R and θ from rim and way over: sin θ / θ = r / s.
    const theta = capAngle(28, 8);
    const radius = 8 / theta;
    expect(form.areaMm2).toBeCloseTo(2 * Math.PI * radius ** 2 * (1 - Math.cos(theta)), 3);
  });

  it("of a cloak: hem, neck and length, and an area without rents by its ring", () => {
    const form = build("cloak", { hemMm: 36, neckMm: 10, lengthMm: 22, folds: 0, foldMm: 0, torn: 0 });
    expect(form.lengthAt(0)).toBeCloseTo(36, 9);
    expect(form.lengthAt(22)).toBeCloseTo(10, 9);
    expect(form.areaMm2).toBeCloseTo(((36 + 10) / 2) * 22, 6);
    const length = wayMm(form, { turnDeg: 180, heightMm: 0 }, { turnDeg: 180, heightMm: 22 });
    expect(Math.abs(length - 22) / 22).toBeLessThan(0.01);
    const torn = build("cloak", { hemMm: 36, neckMm: 10, lengthMm: 22, folds: 0, foldMm: 0, torn: 5 });
    expect(torn.areaMm2).toBeLessThan(form.areaMm2);
    expect(Math.abs(pictureMm2(torn, 0.06) / torn.areaMm2 - 1)).toBeLessThan(0.01);
  });

  it("of bases: a circle's, an ellipse's and a square's area, corners rounded as asked", () => {
    expect(build("base", { lengthMm: 40, widthMm: 40 }).areaMm2).toBeCloseTo(Math.PI * 400, 6);
    const oval = build("base", { lengthMm: 60, widthMm: 35 });
    expect(oval.areaMm2).toBeCloseTo((Math.PI * 60 * 35) / 4, 6);
    expect(Math.abs(pictureMm2(oval, 0.15) / oval.areaMm2 - 1)).toBeLessThan(0.01);
    expect(build("base", { lengthMm: 60, widthMm: 40, corners: 100 }).areaMm2).toBeCloseTo(2400, 6);
    const rounded = build("base", { lengthMm: 60, widthMm: 40, corners: 50 });
    expect(rounded.areaMm2).toBeCloseTo(2400 - (4 - Math.PI) * 100, 6);
    expect(Math.abs(pictureMm2(rounded, 0.15) / rounded.areaMm2 - 1)).toBeLessThan(0.01);
  });

  it("of sheets: length times width, laid straight", () => {
    const sheets: readonly (readonly [FormId, Record<string, number>, number, number])[] = [
      ["panel", { lengthMm: 20, heightMm: 11, widthMm: 11 }, 20, 11],
      ["strap", { lengthMm: 24, widthMm: 3 }, 24, 3],
      ["boards", { lengthMm: 26, heightMm: 15 }, 26, 15],
      ["plate", { lengthMm: 30, heightMm: 14 }, 30, 14],
      ["wall", { lengthMm: 60, heightMm: 25 }, 60, 25],
    ];
    for (const [id, sizes, lengthMm, upMm] of sheets) {
      const known = Object.keys(forms[id].params);
      const form = build(
        id,
        Object.fromEntries(Object.entries(sizes).filter(([name]) => known.includes(name))),
      );
      expect(form.lengthAt(0), id).toBeCloseTo(lengthMm, 9);
      expect(form.slantMm, id).toBeCloseTo(upMm, 9);
      expect(Math.abs(pictureMm2(form, 0.12) / (lengthMm * upMm) - 1), id).toBeLessThan(0.01);
    }
  });
});

describe("a development", () => {
  it("keeps lengths in every direction where the form allows it, to a tenth of a per cent", () => {
    const smooth: readonly (readonly [FormId, Record<string, number>])[] = [
      // Sewn on it stands what leans out with the form: taking it off level would leave some of it.
      ["cone-band", { waistMm: 26, hemMm: 48, slantMm: 12, pleats: 0, pleatDepthMm: 0, borderMm: 0 }],
      ["cloak", { folds: 0, foldMm: 0, torn: 0, borderMm: 0, yokeMm: 0, wrinkles: 0, deepPct: 100 }],
    ];
    for (const [id, sizes] of smooth) {
      const form = build(id, sizes);
      // The relief of the cloth itself is taken off: only the form's own bend counts.
      const plain = (place: Place): SpacePoint => {
        const [x, y, z] = form.inSpace(place);
        const out = Math.hypot(x, z);
        const share = out > 0 ? (out - form.relief(place)) / out : 1;
        return [x * share, y, z * share];
      };
      fc.assert(
        fc.property(
          fc.double({ min: 0.05, max: 0.9, noNaN: true }),
          fc.double({ min: 0.05, max: 0.9, noNaN: true }),
          fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
          (across, up, way) => {
            const from = { turnDeg: form.turnDeg * across, heightMm: form.slantMm * up };
            const to = {
              turnDeg: from.turnDeg + 0.02 * Math.cos(way),
              heightMm: from.heightMm + 0.002 * Math.sin(way),
            };
            const [a, b] = [form.flatten(from), form.flatten(to)];
            const flat = Math.hypot(a[0] - b[0], a[1] - b[1]);
            expect(Math.abs(apart(plain(from), plain(to)) / flat - 1)).toBeLessThan(
              0.001 + (id === "cloak" ? 0.004 : 0),
            );
          },
        ),
      );
    }
  });

  it("of a dome keeps areas, and says how much a length can differ", () => {
    const form = build("dome", { roundMm: 26, overMm: 7, collarMm: 0, collarUpMm: 0, ridges: 0 });
    const most = form.distortion!;
    expect(most).toBeGreaterThan(1);
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 355, noNaN: true }),
        fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        (turnDeg, share) => {
          const at = { turnDeg, heightMm: form.slantMm * share };
          const [right, up] = [
            { turnDeg: turnDeg + 0.01, heightMm: at.heightMm },
            { turnDeg, heightMm: at.heightMm + 0.001 },
          ];
          const flat = form.flatten(at);
          const [fx, fy] = [form.flatten(right), form.flatten(up)];
          const flatArea = Math.abs(
            (fx[0] - flat[0]) * (fy[1] - flat[1]) - (fx[1] - flat[1]) * (fy[0] - flat[0]),
          );
          const radius = 7 / capAngle(26, 7);
          const polar = (7 - at.heightMm) / radius;
          const ballArea = radius * Math.sin(polar) * 0.01 * (Math.PI / 180) * 0.001;
          expect(flatArea / ballArea).toBeCloseTo(1, 2);
          const stretch = Math.hypot(fy[0] - flat[0], fy[1] - flat[1]) / 0.001;
          expect(stretch).toBeGreaterThan(1 / most - 1e-6);
          expect(stretch).toBeLessThan(most + 1e-6);
        },
      ),
    );
  });
});

/** sin θ / θ = r / s by bisection, as a check of its own. */
function capAngle(roundMm: number, overMm: number): number {
  let [low, high] = [0.01, 3];
  while (high - low > 1e-12) {
    const middle = (low + high) / 2;
    if (Math.sin(middle) * overMm > (middle * roundMm) / (2 * Math.PI)) low = middle;
    else high = middle;
  }
  return low;
}
