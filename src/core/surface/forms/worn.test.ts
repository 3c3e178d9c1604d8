import { describe, expect, it } from "vitest";
import { lengthOf, minus } from "../vector";
import { buildGrid } from "../grid";
import type { Place, SpacePoint, SurfaceForm } from "./form";
import { along, build, peaks } from "./testing";

/** A place without the form's relief. */
function plainAt(form: SurfaceForm, place: Place): SpacePoint {
  const [x, y, z] = form.inSpace(place);
  const [nx, ny, nz] = form.facing!(place);
  const up = form.relief(place);
  return [x - up * nx, y - up * ny, z - up * nz];
}

/** Length once round a height in space, mm. */
function roundMm(form: SurfaceForm, heightMm: number): number {
  const steps = 360;
  const at = (step: number) => plainAt(form, { turnDeg: (step / steps) * form.turnDeg, heightMm });
  let sum = 0;
  for (let step = 0; step < steps; step++) sum += lengthOf(minus(at(step + 1), at(step)));
  return sum;
}

const sides = (form: SurfaceForm, heightMm: number) => {
  const [left, right] = [90, 270].map((turnDeg) => plainAt(form, { turnDeg, heightMm }));
  const [back, front] = [0, 180].map((turnDeg) => plainAt(form, { turnDeg, heightMm }));
  return { wide: lengthOf(minus(left!, right!)), deep: lengthOf(minus(front!, back!)) };
};

describe("a body that is not round", () => {
  it.each([60, 75, 130])(
    "is %i hundredths as deep as it is wide, and as far round as measured",
    (deepPct) => {
      const form = build("trunk", { deepPct, lowerMm: 24, middleMm: 24, upperMm: 24, bendDeg: 0 });
      const { wide, deep } = sides(form, 7);
      expect(deep / wide).toBeCloseTo(deepPct / 100, 2);
      expect(roundMm(form, 7)).toBeCloseTo(24, 1);
    },
  );
});

describe("a boot", () => {
  const form = build("boot", { soleMm: 0, capMm: 0, creases: 0, turnedMm: 0 });
  const foot = 5;

  it("is as far round shaft and ball as measured", () => {
    expect(roundMm(form, form.slantMm)).toBeCloseTo(10, 1);
    // Underneath it is pressed flat on the ground, which takes a little.
    expect(roundMm(form, 3)).toBeGreaterThan(8.2);
    expect(roundMm(form, 3)).toBeLessThan(8.8);
  });

  it("stands level on the ground from the toes to the heel, its shaft upright", () => {
    const low = [1.6, 2.4, 3, 4, 0.94 * foot].map((heightMm) => plainAt(form, { turnDeg: 0, heightMm })[1]);
    expect(Math.max(...low) - Math.min(...low)).toBeLessThan(0.12);
    const shaft = [1.9 * foot, form.slantMm].map((heightMm) => {
      const [front, back] = [180, 0].map((turnDeg) => plainAt(form, { turnDeg, heightMm }));
      return (front![2] + back![2]) / 2;
    });
    expect(shaft[1]! - shaft[0]!).toBeCloseTo(0, 1);
    // Toes point to the front.
    expect(plainAt(form, { turnDeg: 180, heightMm: 0.5 })[2]).toBeGreaterThan(shaft[1]! + 2);
  });

  it("has a sole that stands out all round the foot by as much as asked, and no higher than a sole", () => {
    const shod = build("boot", { soleMm: 0.2, capMm: 0, creases: 0, turnedMm: 0 });
    const ground = plainAt(shod, { turnDeg: 0, heightMm: 3 })[1];
    for (const heightMm of [2.5, 3, 3.3]) {
      for (let turnDeg = 0; turnDeg < 360; turnDeg += 4) {
        const up = plainAt(shod, { turnDeg, heightMm })[1] - ground;
        const proud = shod.relief({ turnDeg, heightMm }) - form.relief({ turnDeg, heightMm });
        if (up < 0.2) expect(proud).toBeCloseTo(0.2, 1);
        if (up > 0.9) expect(Math.abs(proud)).toBeLessThan(0.01);
      }
    }
  });

  it("has as many creases over the instep as asked, none on the heel", () => {
    const creased = build("boot", { creases: 4, creaseMm: 0.3, soleMm: 0, capMm: 0 });
    const smooth = build("boot", { creases: 0, soleMm: 0, capMm: 0 });
    const spread = (of: SurfaceForm, turnDeg: number) => {
      const heights = along(of, [turnDeg, 0.8 * foot], [turnDeg, 1.6 * foot]);
      return Math.max(...heights) - Math.min(...heights);
    };
    expect(spread(creased, 180)).toBeGreaterThan(0.2);
    expect(spread(creased, 180)).toBeGreaterThan(3 * spread(smooth, 180));
    expect(spread(creased, 5)).toBeLessThan(0.15);
  });
});

describe("a hand", () => {
  it.each([1, 3, 4])("has %i fingers side by side on its back", (fingers) => {
    const form = build("hand", { fingers, thumbMm: 0, knuckleMm: 0.25 });
    const heights = along(form, [95, 0.55 * form.slantMm], [265, 0.55 * form.slantMm]);
    expect(peaks(heights, 0.12).length).toBe(fingers);
  });

  it("closes: curled further, the fingertips come nearer to the wrist", () => {
    const reach = (curlDeg: number) => {
      const form = build("hand", { curlDeg });
      const middle = (heightMm: number) => {
        const [front, back] = [180, 0].map((turnDeg) => plainAt(form, { turnDeg, heightMm }));
        return front!.map((mm, axis) => (mm + back![axis]!) / 2) as unknown as SpacePoint;
      };
      return lengthOf(minus(middle(0.97 * form.slantMm), middle(1.7)));
    };
    expect(reach(60)).toBeLessThan(reach(0) - 0.1);
    expect(reach(120)).toBeLessThan(reach(60) - 0.1);
    // Over the palm, which lies behind.
    const form = build("hand", { curlDeg: 90 });
    expect(plainAt(form, { turnDeg: 180, heightMm: form.slantMm })[2]).toBeLessThan(-0.5);
  });

  it("has a thumb on one side that stands out as far as asked", () => {
    const [with_, without] = [0.5, 0].map((thumbMm) => build("hand", { thumbMm }));
    let [most, where] = [0, 0];
    for (let turnDeg = 0; turnDeg < 360; turnDeg += 2) {
      for (let share = 0.25; share < 0.8; share += 0.01) {
        const place = { turnDeg, heightMm: share * with_!.slantMm };
        const up = with_!.relief(place) - without!.relief(place);
        if (up > most) [most, where] = [up, turnDeg];
      }
    }
    expect(most).toBeGreaterThan(0.45);
    expect(most).toBeLessThan(0.6);
    expect(Math.abs(where - 270)).toBeLessThan(25);
  });
});

describe("a cloak over shoulders", () => {
  const sizes = { folds: 0, foldMm: 0, torn: 0, borderMm: 0, yokeMm: 0, wrinkles: 0, neckMm: 12, hemMm: 36 };
  const [flat, cone] = [60, 100].map((deepPct) => build("cloak", { ...sizes, deepPct }));

  it("is broader and flatter over them than a cone, and lies as long along every thread", () => {
    const wide = (form: SurfaceForm, down: number) =>
      Math.abs(plainAt(form, { turnDeg: 40, heightMm: form.slantMm - down })[0]);
    expect(wide(flat!, 6)).toBeGreaterThan(1.08 * wide(cone!, 6));
    const deep = (form: SurfaceForm) => plainAt(form, { turnDeg: 180, heightMm: form.slantMm - 6 })[2];
    expect(deep(flat!)).toBeLessThan(0.9 * deep(cone!));
    for (const turnDeg of [20, 90, 180, 300]) {
      let long = 0;
      for (let step = 0; step < 200; step++) {
        const at = (k: number) => plainAt(flat!, { turnDeg, heightMm: (k / 200) * flat!.slantMm });
        long += lengthOf(minus(at(step + 1), at(step)));
      }
      expect(Math.abs(long / flat!.slantMm - 1)).toBeLessThan(0.02);
    }
  });

  it("says how much a length can differ from that of the flat cut", () => {
    expect(cone!.distortion ?? 1).toBe(1);
    expect(flat!.distortion).toBeGreaterThan(1.001);
    expect(flat!.distortion).toBeLessThan(1.2);
  });
});

describe("a pipe", () => {
  it("stands out in as many ribs as it has, and in none where it is smooth", () => {
    const ribbed = build("pipe", { ribs: 20, ribMm: 0.3, joints: 0, dents: 0, lengthMm: 20 });
    expect(peaks(along(ribbed, [180, 0.01], [180, 19.99]), 0.2)).toHaveLength(20);
    const smooth = build("pipe", { ribs: 0, joints: 0, dents: 0, lengthMm: 20 });
    expect(peaks(along(smooth, [180, 0], [180, 20]), 0.01)).toHaveLength(0);
  });

  it("has its flanges at both ends and between, its bolts on them, each as many as told", () => {
    const form = build("pipe", { joints: 3, jointMm: 1.2, bolts: 6, ribs: 0, lengthMm: 20, proudMm: 0.4 });
    for (const heightMm of [0.3, 10, 19.7])
      expect(form.relief({ turnDeg: 0, heightMm })).toBeGreaterThan(0.35);
    expect(form.relief({ turnDeg: 0, heightMm: 5 })).toBeLessThan(0.1);
    const round = along(form, [0, 10], [360, 10]);
    expect(peaks(round, 0.08)).toHaveLength(6);
    const iron = Array.from({ length: 720 }, (_, at) => form.fitting!({ turnDeg: at / 2, heightMm: 10 }));
    expect(iron.filter((here, at) => here === 1 && iron[(at + 719) % 720] === 0)).toHaveLength(6);
  });

  it("is as far round as measured, and as long along its outer curve when it is bent", () => {
    const form = build("pipe", { joints: 0, dents: 0, bendDeg: 90, roundMm: 8, lengthMm: 24 });
    expect(roundMm(form, 12)).toBeCloseTo(8, 1);
  });
});

describe("a barrel", () => {
  const form = build("barrel", { hoops: 0, grainMm: 0, endMm: 26, middleMm: 32, lengthMm: 13 });

  it("is as far round rim and belly as measured", () => {
    expect(roundMm(form, 0.01)).toBeCloseTo(26, 1);
    expect(roundMm(form, 6.5)).toBeCloseTo(32, 1);
  });

  it("has as many staves as told, and as many hoops of iron, their rims over the staves", () => {
    expect(peaks(along(form, [0, 6.5], [360, 6.5], 20000), 0.02)).toHaveLength(18);
    const hooped = build("barrel", { hoops: 4, hoopMm: 0.9, grainMm: 0 });
    const iron = Array.from({ length: 1300 }, (_, at) =>
      hooped.fitting!({ turnDeg: 200, heightMm: (at + 0.5) / 100 }),
    );
    expect(iron.filter((here, at) => here === 1 && (iron[at - 1] ?? 0) === 0)).toHaveLength(4);
    const share = iron.reduce((sum, here) => sum + here, 0) / 100;
    expect(share).toBeCloseTo(4 * 0.9, 0);
  });

  it("of sheet metal has no staves, and none of its ribs is a fitting", () => {
    const drum = build("barrel", { staves: 0, hoops: 3, grainMm: 0, proudMm: 0.3 });
    expect(peaks(along(drum, [10, 4], [350, 4]), 0.01)).toHaveLength(0);
    expect(peaks(along(drum, [180, -1], [180, 14]), 0.15)).toHaveLength(3);
    expect(drum.fitting!({ turnDeg: 20, heightMm: 6.5 })).toBe(0);
  });
});

describe("a crate", () => {
  const form = build("crate", { widthMm: 16, depthMm: 10, heightMm: 11, boards: 4, grainMm: 0 });

  it("is as wide and as deep as measured, its sides straight", () => {
    const { wide, deep } = sides(form, 5);
    expect(wide).toBeCloseTo(16, 1);
    expect(deep).toBeCloseTo(10, 1);
    const front = [160, 180, 200].map((turnDeg) => plainAt(form, { turnDeg, heightMm: 5 })[2]);
    expect(Math.max(...front) - Math.min(...front)).toBeLessThan(0.05);
    expect(form.areaMm2).toBeCloseTo(2 * (16 + 10) * 11, 6);
  });

  it("has its boards on every side, and battens with a nail in each board at its corners", () => {
    for (const turnDeg of [0.5, 90, 180, 270])
      expect(peaks(along(form, [turnDeg, 0], [turnDeg, 11]), 0.04)).toHaveLength(4);
    // Two battens on either of the two wide sides and the two narrow ones, four boards: 32 nails.
    const grid = buildGrid(form, 0.05);
    let nails = 0;
    grid.inside.forEach((inside, at) => {
      const place = { turnDeg: grid.turnDeg[at]!, heightMm: grid.heightMm[at]! };
      if (inside > 0.5) nails += form.fitting!(place);
    });
    expect((nails * 0.05 ** 2) / (Math.PI * 0.17 ** 2)).toBeGreaterThan(30);
    expect((nails * 0.05 ** 2) / (Math.PI * 0.17 ** 2)).toBeLessThan(34);
  });
});

describe("a blade", () => {
  it("is highest along its ridge and runs out to its edges; a knife has its back on the left", () => {
    const sword = build("blade", { nicks: 0, fullerMm: 0, thickMm: 0.5 });
    const across = (form: SurfaceForm) =>
      [0.02, 0.25, 0.5, 0.75, 0.98].map((t) => form.relief({ turnDeg: t * 360, heightMm: 4 }));
    const [left, , middle, , right] = across(sword);
    expect(middle!).toBeGreaterThan(0.42);
    expect(Math.max(left!, right!)).toBeLessThan(0.1);
    const knife = across(build("blade", { edges: 1, nicks: 0, fullerMm: 0 }));
    expect(knife[0]!).toBeGreaterThan(0.42);
    expect(knife[4]!).toBeLessThan(0.15);
    const grooved = build("blade", { nicks: 0, fullerMm: 1 });
    expect(grooved.relief({ turnDeg: 180, heightMm: 4 })).toBeLessThan(
      grooved.relief({ turnDeg: 250, heightMm: 4 }),
    );
  });

  it.each([1, 2])("with %i edges ends in a point, and has the area that its picture has", (edges) => {
    const form = build("blade", { edges });
    const grid = buildGrid(form, 0.04);
    const mm2 = grid.inside.reduce((sum, share) => sum + share, 0) * 0.04 ** 2;
    expect(Math.abs(mm2 / form.areaMm2 - 1)).toBeLessThan(0.015);
    const wideAt = (heightMm: number) => {
      let cells = 0;
      for (let at = 0; at < 400; at++) if (form.rim!({ turnDeg: (at + 0.5) * 0.9, heightMm }) > 0) cells++;
      return (cells / 400) * 3.2;
    };
    expect(wideAt(1)).toBeGreaterThan(3.1);
    expect(wideAt(19.6)).toBeLessThan(0.7);
  });
});

describe("the rim of a base", () => {
  it.each([
    ["a round one", { lengthMm: 32, widthMm: 32 }, Math.PI * 32],
    ["a square one", { lengthMm: 30, widthMm: 30, corners: 100 }, 120],
    ["one with rounded corners", { lengthMm: 40, widthMm: 30, corners: 50 }, 140 - (8 - 2 * Math.PI) * 7.5],
  ])("is as far round as %s, and wider below", (_name, sizes, wanted) => {
    const form = build("base-rim", { ...sizes, heightMm: 4, outMm: 1 });
    expect(Math.abs(form.lengthAt(4) / wanted - 1)).toBeLessThan(0.005);
    expect(form.lengthAt(0) - form.lengthAt(4)).toBeCloseTo(2 * Math.PI, 2);
    const { wide, deep } = sides(form, 3.99);
    expect(wide).toBeCloseTo(sizes.lengthMm, 0);
    expect(deep).toBeCloseTo(sizes.widthMm, 0);
  });
});
