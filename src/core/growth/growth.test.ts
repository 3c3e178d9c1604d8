import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tideHound } from "../../data/demo/tideHound";
import { lampInRoom } from "../figure/light";
import { standingFigure } from "../figure/standingFigure";
import { growthSchema, type Growth, type GrowthHandle, type Job, type Surface } from "../job";
import { newPlainSurface } from "../newJob";
import { completeParams } from "../params";
import { formIds, forms } from "../surface/forms";
import { buildForm } from "../surface/forms/buildForm";
import { depthInside } from "../surface/forms/depth";
import type { FlatPoint, SpacePoint, SurfaceForm } from "../surface/forms/form";
import { growthAt, type GrowthField, type Lie } from "../surface/growthField";
import { add, cross, dot, lengthOf, minus, times, unit } from "../surface/vector";
import { angleFor, flatAxes, flatOfHandle, onFlat, wayOfHandle } from "./field";
import { growthOf } from "./growthOf";
import { carried, grownAt } from "./interpolate";
import { growthFrom, growthMapIds } from "./maps";
import { isOneHide } from "./oneHide";

const hound = tideHound();
const handle = (x: number, y: number, angleDeg: number, more: Partial<GrowthHandle> = {}): GrowthHandle => ({
  ...{ id: `h-${Math.round(1000 * x)}-${Math.round(1000 * y)}`, x, y, angleDeg, lengthPct: 100, liftDeg: 0 },
  ...more,
});
const growing = (...handles: GrowthHandle[]): Growth => ({ handles, pull: 0, sway: 0 });

/** A piece that lies aside, with what grows on it. */
function aside(formId: (typeof formIds)[number], growth: Growth | null): { job: Job; surface: Surface } {
  const surface = { ...newPlainSurface("piece", "Piece", formId, []), growth };
  return { job: { ...hound, surfaces: [surface], touching: [] }, surface };
}
const fieldOf = (formId: (typeof formIds)[number], growth: Growth): GrowthField => {
  const { job, surface } = aside(formId, growth);
  return growthOf(job, surface).field()!;
};
const lie = (): Lie => ({ x: 0, y: 0, length: 0, lift: 0 });
const degrees = (a: SpacePoint, b: SpacePoint): number =>
  (Math.acos(Math.min(1, Math.max(-1, dot(unit(a), unit(b))))) * 180) / Math.PI;
const none = (point: SpacePoint): SpacePoint => point;

/** The way it grows at a flat place, in space. */
function wayAt(form: SurfaceForm, field: GrowthField, at: FlatPoint, seating = none): SpacePoint {
  const { x, y } = growthAt(field, at[0], at[1], lie());
  const { right, down } = flatAxes(form, seating, at);
  return unit(add(times(right, x), down, y));
}

const direction = fc
  .tuple(fc.double({ min: -1, max: 1, noNaN: true }), fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }))
  .map(([z, turn]): SpacePoint => {
    const flat = Math.sqrt(1 - z * z);
    return [flat * Math.cos(turn), flat * Math.sin(turn), z];
  });

describe("a vector carried from one ground to another", () => {
  it("keeps its length and comes to lie in the new ground's level", () => {
    fc.assert(
      fc.property(direction, direction, direction, (from, to, any) => {
        fc.pre(dot(from, to) > -0.99 && lengthOf(cross(any, from)) > 1e-3);
        const way = unit(cross(any, from));
        const there = carried(way, from, to);
        expect(lengthOf(there)).toBeCloseTo(1, 6);
        expect(dot(there, to)).toBeCloseTo(0, 6);
      }),
    );
  });

  it("still runs round a limb where it ran round it before", () => {
    for (const turn of [0.4, 1.5, 2.8]) {
      const [out, there]: SpacePoint[] = [
        [0, 0, 1],
        [Math.sin(turn), 0, Math.cos(turn)],
      ];
      const round = carried([1, 0, 0], out!, there!);
      expect(degrees(round, [Math.cos(turn), 0, -Math.sin(turn)])).toBeLessThan(1e-3);
      expect(degrees(carried([0, 1, 0], out!, there!), [0, 1, 0])).toBeLessThan(1e-3);
    }
  });
});

describe("growth between handles", () => {
  it("points as a handle does where it stands, on every form", () => {
    for (const formId of formIds) {
      const own = handle(0.45, 0.5, 40, { lengthPct: 150, liftDeg: 30 });
      const { surface } = aside(formId, growing(own));
      const form = buildForm(surface);
      const at = flatOfHandle(form, own);
      const grown = growthAt(fieldOf(formId, growing(own)), at[0], at[1], lie());
      const [x, y] = wayOfHandle(form, own);
      // A boot bends within its instep more sharply than the lattice tells.
      const most = formId === "boot" ? 16 : 3;
      expect(grown.x * x + grown.y * y, formId).toBeGreaterThan(Math.cos((most * Math.PI) / 180));
      expect(grown.lift, formId).toBeCloseTo(Math.PI / 6, 2);
    }
  });

  it("lies half-way between two handles that point apart, and takes lengths between theirs", () => {
    const growth = growing(
      handle(0.2, 0.5, -60, { lengthPct: 60 }),
      handle(0.8, 0.5, 60, { lengthPct: 140 }),
    );
    const { surface } = aside("panel", growth);
    const form = buildForm(surface);
    const field = fieldOf("panel", growth);
    const middle = form.flatten({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm / 2 });
    const grown = growthAt(field, middle[0], middle[1], lie());
    expect(grown.x).toBeCloseTo(0, 2);
    expect(grown.y).toBeCloseTo(1, 2);
    expect(grown.length).toBeCloseTo(1, 2);
  });

  it("falls down the piece where no handle says otherwise", () => {
    const field = fieldOf("panel", growing());
    const grown = growthAt(field, 3, 3, lie());
    expect(grown.x).toBeCloseTo(0, 4);
    expect(grown.y).toBeCloseTo(1, 4);
  });

  it("goes on round a closed piece: both sides of its seam lie one way in space", () => {
    for (const formId of ["cone-band", "limb", "sleeve", "trunk"] as const) {
      const growth = growing(handle(0.06, 0.4, 70), handle(0.6, 0.7, -20), handle(0.9, 0.3, 30));
      const { surface } = aside(formId, growth);
      const form = buildForm(
        formId === "cone-band" ? { ...surface, form: { ...surface.form, params: { gapDeg: 0 } } } : surface,
      );
      if (!form.closed) throw new Error(`${formId} is not closed`);
      const field = fieldOf(formId, growth);
      for (const share of [0.25, 0.5, 0.75]) {
        const heightMm = share * form.slantMm;
        const ways = [0.3, 359.7].map((turnDeg) => wayAt(form, field, form.flatten({ turnDeg, heightMm })));
        expect(degrees(ways[0]!, ways[1]!), `${formId} at ${share}`).toBeLessThan(6);
      }
    }
  });

  it("hangs straight down where weight alone counts", () => {
    fc.assert(
      fc.property(direction, (out) => {
        fc.pre(Math.abs(out[1]) < 0.98);
        const fall = unit(cross(out, [0.3, 0.2, 0.9]));
        fc.pre(lengthOf(fall) > 0.5);
        const { way } = grownAt({ handles: [], pull: 1, sway: 0 }, { point: [0, 0, 0], out, fall });
        const level = unit(minus([0, -1, 0], times(out, -out[1])));
        expect(degrees(way, level)).toBeLessThan(0.1);
      }),
    );
  });

  it("strays no further than asked", () => {
    const place = { out: [0, 0, 1] as const, fall: [0, -1, 0] as const };
    const turns = Array.from({ length: 400 }, (_, at) => {
      const point = [0.37 * at, 0.21 * at, 0] as const;
      return degrees(grownAt({ handles: [], pull: 0, sway: 0.2 }, { ...place, point }).way, [0, -1, 0]);
    });
    expect(Math.max(...turns)).toBeLessThanOrEqual((0.2 * 180) / Math.PI + 1e-6);
    expect(Math.max(...turns)).toBeGreaterThan(6);
  });
});

describe("the flat of a tapering piece", () => {
  it("has a vector of space as the sum of its own two axes", () => {
    const form = forms.trunk.build(completeParams(forms.trunk.params, { lowerRound: 40, muscles: 0 }), 3);
    for (const share of [0.2, 0.35, 0.6])
      for (const turn of [0.1, 0.3, 0.5, 0.8]) {
        const at = form.flatten({ turnDeg: turn * 360, heightMm: share * form.slantMm });
        const axes = flatAxes(form, none, at);
        const out = unit(cross(axes.down, axes.right));
        const way = unit(cross(out, [0.2, 0.5, -0.4]));
        const [x, y] = onFlat(axes, way);
        expect(degrees(add(times(axes.right, x), axes.down, y), way)).toBeLessThan(0.01);
      }
  });

  it("gives a handle the angle that points a way, and back", () => {
    const form = forms["cone-band"].build(completeParams(forms["cone-band"].params, {}), 3);
    for (const angleDeg of [-170, -90, -12, 0, 45, 133]) {
      const own = handle(0.3, 0.6, angleDeg);
      expect(angleFor(form, flatOfHandle(form, own), wayOfHandle(form, own))).toBeCloseTo(angleDeg, 4);
    }
  });
});

describe("usual growth maps", () => {
  it("can be kept, and grow everywhere, on every form", () => {
    for (const formId of formIds)
      for (const mapId of growthMapIds) {
        const { job, surface } = aside(formId, null);
        const growth = growthFrom(job, surface, mapId);
        expect(growthSchema.isValidSync(growth), `${mapId} on ${formId}`).toBe(true);
        const wrong = fieldOf(formId, growth).values.filter((value) => !Number.isFinite(value)).length;
        expect(wrong, `${mapId} on ${formId}`).toBe(0);
      }
  });

  it("lay a hound's coat from its nose to its tail, wherever it looks", () => {
    const { figures, surfaces } = hound;
    const body = surfaces.find(({ id }) => id === "body")!;
    for (const turnDeg of [-70, 0, 120]) {
      const figure = {
        ...figures[0]!,
        body: { ...figures[0]!.body!, params: { ...figures[0]!.body!.params, turnDeg } },
      };
      const job: Job = { ...hound, figures: [figure], touching: [] };
      const grown = { ...body, growth: { ...growthFrom(job, body, "nose-to-tail"), sway: 0 } };
      const all = { ...job, surfaces: job.surfaces.map((one) => (one.id === "body" ? grown : one)) };
      const piece = standingFigure(all, figure)!.pieces.find(({ surface }) => surface.id === "body")!;
      const field = growthOf(all, grown).field()!;
      const turn = (turnDeg * Math.PI) / 180;
      const back: SpacePoint = [-Math.sin(turn), 0, -Math.cos(turn)];
      for (const x of [0.2, 0.5, 0.8]) {
        const at = piece.form.flatten({ turnDeg: x * 360, heightMm: piece.form.slantMm / 2 });
        const way = wayAt(piece.form, field, at, piece.seating);
        expect(dot(way, back), `${turnDeg}° at ${x}`).toBeGreaterThan(0.75);
        expect(way[1], `${turnDeg}° at ${x}`).toBeLessThan(0.1);
      }
    }
  });
});

describe("growth that goes on across a seam", () => {
  /** Two bands of one cylinder, one on top of the other. */
  function bands(joined: boolean) {
    const body = hound.figures[0]!;
    const band = (id: string, upMm: number, growth: Growth): Surface => ({
      ...newPlainSurface(id, id, "limb", []),
      ...{ seat: { ...hound.surfaces[0]!.seat!, upMm }, growth },
      form: { id: "limb", version: 1, params: { roundMm: 24, lengthMm: 8, creases: 0, creaseMm: 0 } },
    });
    const surfaces = [
      band("upper", 4, growing(handle(0.5, 0.5, 60))),
      band("lower", -4, growing(handle(0.5, 0.5, -60))),
    ];
    const touching: Job["touching"] = joined ? [["upper", "lower"]] : [];
    // On one seat they are joined whether anybody says that they touch or not.
    const apart = surfaces.map((one, at) => ({
      ...one,
      seat: { ...one.seat!, id: at === 0 ? ("back" as const) : ("belly" as const) },
    }));
    return { ...hound, figures: [body], surfaces: joined ? surfaces : apart, touching };
  }
  const heightOf = (id: string): number => (id === "upper" ? 0.02 : 7.98);

  function waysAtSeam(job: Job): SpacePoint[] {
    const standing = standingFigure(job, job.figures[0]!)!;
    return job.surfaces.map((surface) => {
      const { form, seating } = standing.pieces.find((piece) => piece.surface.id === surface.id)!;
      const at = form.flatten({ turnDeg: 180, heightMm: heightOf(surface.id) });
      return wayAt(form, growthOf(job, surface).field()!, at, seating);
    });
  }

  it("lies one way on both sides where pieces touch", () => {
    const [upper, lower] = waysAtSeam(bands(true));
    expect(degrees(upper!, lower!)).toBeLessThan(8);
  });

  it("is each piece's own where they do not", () => {
    const { surfaces } = bands(false);
    const [alone] = surfaces;
    expect(growthOf(bands(false), alone!).key).not.toContain("-60");
  });

  it("comes anew when a neighbour's handle is turned", () => {
    const job = bands(true);
    const [upper, lower] = job.surfaces;
    const turned = { ...job, surfaces: [upper!, { ...lower!, growth: growing(handle(0.5, 0.5, 10)) }] };
    expect(growthOf(turned, upper!).key).not.toBe(growthOf(job, upper!).key);
  });

  it("is of no lamp's doing", () => {
    const job = bands(true);
    const lamp = { fromDeg: 20, heightDeg: 70 };
    const lit = { ...job, figures: [{ ...job.figures[0]!, lamp }] };
    expect(lampInRoom(lit.figures[0]!)).not.toEqual(lampInRoom(job.figures[0]!));
    expect(growthOf(lit, job.surfaces[0]!).key).toBe(growthOf(job, job.surfaces[0]!).key);
  });
});

describe("one hide", () => {
  it("is what hair goes on over in mostly the same mixes", () => {
    const [body, legs] = ["body", "forelegs"].map((id) => hound.surfaces.find((one) => one.id === id)!);
    expect(isOneHide(body!, legs!)).toBe(true);
    expect(isOneHide(body!, { ...legs!, growth: null })).toBe(false);
    const other = { ...legs!, coats: legs!.coats.map((coat) => ({ ...coat, mixId: `${coat.mixId}-other` })) };
    expect(isOneHide(body!, other)).toBe(false);
  });

  it("lies inside its own outline: hairs have ground all over the demo's pieces", () => {
    for (const surface of hound.surfaces) {
      const form = buildForm(surface);
      const middle = form.flatten({ turnDeg: form.turnDeg / 2, heightMm: form.slantMm / 2 });
      expect(depthInside(form, form.place(middle)), surface.name).toBeGreaterThan(0);
    }
  });
});
