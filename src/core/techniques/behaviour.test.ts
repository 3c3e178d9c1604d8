import { describe, expect, it } from "vitest";
import { inZones, type Hand } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { createFilmBuffer } from "./technique";
import { forms } from "../surface/forms";
import type { SurfaceForm } from "../surface/forms/form";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { techniques, type TechniqueId } from ".";
import { bristleEnvelope } from "./envelope";
import { scatter } from "./scatter";
import { settle } from "./settle";
import type { Marks } from "./technique";
import { onGround } from "./testing";

const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
const flat = forms.panel.build({ lengthMm: 16, widthMm: 8, dents: 0 }, 3);

/** Grooves across the piece: three depths of one width, then three widths of one depth. */
const GROOVES = [
  { at: 1.5, width: 0.5, deep: 0.03 },
  { at: 4, width: 0.5, deep: 0.09 },
  { at: 6.5, width: 0.5, deep: 0.25 },
  { at: 9, width: 0.2, deep: 0.12 },
  { at: 11.5, width: 0.6, deep: 0.12 },
  { at: 14, width: 1.2, deep: 0.12 },
];
const alongOf = (turnDeg: number) => (turnDeg / 360) * 16;
const grooved: SurfaceForm = {
  ...flat,
  relief: ({ turnDeg }) => {
    const x = alongOf(turnDeg);
    const groove = GROOVES.find((one) => Math.abs(x - one.at) < one.width / 2);
    if (!groove) return 0;
    const t = Math.abs(x - groove.at) / (groove.width / 2);
    return -groove.deep * Math.min(1, (1 - t) * 3);
  },
};
const grid = buildGrid(grooved, 0.05);
const plain = buildGrid(flat, 0.05);
const EVERYWHERE: Marks = { kind: "field", hollowsOnly: false };

function lay(
  id: TechniqueId,
  params: Record<string, number> = {},
  on: SurfaceGrid = grid,
  marks = EVERYWHERE,
) {
  const film = createFilmBuffer(on.inside.length);
  const technique = techniques[id];
  technique.lay(
    film,
    onGround({ grid: on, marks, passUm: 9, passes: 1, water: 2, hand }),
    completeParams(technique.params, params),
    createRandom(4),
  );
  return film;
}

/** Mean of a plane over the middle of a groove, or over the high ground beside it, away from the rim. */
function meanAt(plane: Float32Array, from: number, to: number, on = grid): number {
  let [sum, count] = [0, 0];
  plane.forEach((value, at) => {
    const x = alongOf(on.turnDeg[at]!);
    const y = on.heightMm[at]!;
    if (on.inside[at]! < 1 || x < from || x > to || y < 2 || y > 6) return;
    sum += value;
    count++;
  });
  return sum / count;
}
const inGroove = (plane: Float32Array, groove: number) => {
  const { at, width } = GROOVES[groove]!;
  return meanAt(plane, at - width / 5, at + width / 5);
};
const onLand = (plane: Float32Array) => meanAt(plane, 2.6, 3.1);
const total = (plane: Float32Array) => plane.reduce((sum, value) => sum + value, 0);

describe("a wash", () => {
  it("loses and makes no paint as it settles", () => {
    for (const [given, cling] of [
      [20, 5],
      [60, 10],
      [140, 0],
      [15, 40],
    ] as const) {
      const laid = grid.inside.map((share) => share * given);
      expect(total(settle(grid, grid.relief, laid, cling)) / total(laid)).toBeCloseTo(1, 2);
    }
    const [even, rough] = [plain, grid].map((on) => total(lay("wash", { unevenness: 0 }, on).volumeUm));
    expect(rough! / even!).toBeGreaterThan(0.99);
    expect(rough! / even!).toBeLessThan(1.01);
  });

  it("fills grooves by their depth: a deeper one holds more, high ground little", () => {
    const { volumeUm } = lay("wash", { wet: 70, cling: 6, unevenness: 0 });
    const [shallow, middle, deep] = [0, 1, 2].map((groove) => inGroove(volumeUm, groove)) as [
      number,
      number,
      number,
    ];
    expect(middle).toBeGreaterThan(1.3 * shallow);
    expect(deep).toBeGreaterThan(1.35 * middle);
    expect(deep).toBeGreaterThan(4 * onLand(volumeUm));
  });

  it("fills grooves of one depth by their room, which a mask of curvature would not know", () => {
    const { volumeUm } = lay("wash", { wet: 40, cling: 6, unevenness: 0 });
    const held = (groove: number) => {
      const { at, width } = GROOVES[groove]!;
      return meanAt(volumeUm, at - width / 2, at + width / 2) * width;
    };
    expect(held(4)).toBeGreaterThan(1.5 * held(3));
    expect(held(5)).toBeGreaterThan(held(4));
  });

  it("lies level in a flooded groove: ground plus liquid is flatter than the ground", () => {
    const laid = grid.inside.map((share) => share * 120);
    const depth = settle(grid, grid.relief, laid, 4);
    const { at, width } = GROOVES[2]!;
    const rows = [...depth.keys()].filter(
      (cell) =>
        Math.abs(alongOf(grid.turnDeg[cell]!) - at) < width / 2.2 &&
        Math.abs(grid.heightMm[cell]! - 4) < 0.03,
    );
    // What still stands out of the liquid keeps its slope.
    const wet = rows.filter((cell) => depth[cell]! > 12);
    const spread = (of: (cell: number) => number) => {
      const values = wet.map(of);
      return Math.max(...values) - Math.min(...values);
    };
    const ground = spread((cell) => grid.relief[cell]! * 1000);
    const surface = spread((cell) => grid.relief[cell]! * 1000 + depth[cell]!);
    expect(ground).toBeGreaterThan(40);
    expect(surface).toBeLessThan(ground * 0.45);
  });

  it("spread out with the brush leaves less in the grooves", () => {
    const pooled = inGroove(lay("wash", { wet: 50, cling: 4, unevenness: 0 }).volumeUm, 2);
    const spread = inGroove(lay("wash", { wet: 20, cling: 12, unevenness: 0 }).volumeUm, 2);
    expect(spread).toBeLessThan(pooled / 2);
  });
});

describe("a dry brush", () => {
  it("is the reverse: paint on high ground, none below its reach", () => {
    const { volumeUm } = lay("dry-brush", { reach: 20, radius: 1.5, load: 60 });
    expect(onLand(volumeUm)).toBeGreaterThan(0.3);
    expect(inGroove(volumeUm, 2)).toBe(0);
    expect(inGroove(volumeUm, 0)).toBeLessThan(onLand(volumeUm));
  });

  it("dips into a hollow wider than the tuft, and bridges a narrow one", () => {
    const soft = lay("dry-brush", { reach: 30, radius: 0.2, load: 60 }).volumeUm;
    const stiff = lay("dry-brush", { reach: 30, radius: 3, load: 60 }).volumeUm;
    expect(inGroove(soft, 5)).toBeGreaterThan(inGroove(stiff, 5));
    expect(inGroove(soft, 5)).toBeGreaterThan(inGroove(soft, 3));
  });

  it("touches by an envelope that is nowhere below the ground and equal to it on level ground", () => {
    const { relief, width, height, pitchMm } = grid;
    const envelope = bristleEnvelope(relief, width, height, pitchMm, 1);
    let below = 0;
    for (let at = 0; at < relief.length; at++) if (envelope[at]! < relief[at]! - 1e-5) below++;
    expect(below).toBe(0);
    const level = bristleEnvelope(new Float32Array(400).fill(0.3), 20, 20, 0.05, 1);
    for (const value of level) expect(value).toBeCloseTo(0.3, 5);
    // A single dip, brute force: the parabola rests on the rims of the dip.
    const dip = new Float32Array(81).fill(0);
    for (let k = 38; k <= 42; k++) dip[k] = -1;
    const rests = bristleEnvelope(dip, 81, 1, 0.1, 2);
    const bend = 0.01 / 4;
    const raised = Array.from({ length: 81 }, (_, centre) =>
      Math.max(...Array.from(dip, (value, k) => value - bend * (k - centre) ** 2)),
    );
    for (let q = 0; q < 81; q++) {
      const expected = Math.min(...raised.map((value, centre) => value + bend * (q - centre) ** 2));
      expect(rests[q]!).toBeCloseTo(expected, 5);
    }
  });
});

describe("single marks", () => {
  const ones = plain.inside.map((share) => (share > 0 ? 1 : 0));

  it("come in the number asked for, and no more even or clustered than chance", () => {
    const spots = scatter(plain, ones, 3, createRandom(9));
    const expected = 3 * 16 * 8;
    expect(Math.abs(spots.length - expected)).toBeLessThan(4 * Math.sqrt(expected));
    // Clark and Evans 1954: mean distance to the nearest neighbour over that of chance, 1/(2√λ); 1 for chance.
    const inner = spots.filter((one) => Math.abs(one.xMm) < 7 && one.yMm > -7 && one.yMm < -1);
    const nearest = inner.map((one) =>
      Math.min(
        ...spots
          .filter((other) => other !== one)
          .map((other) => Math.hypot(one.xMm - other.xMm, one.yMm - other.yMm)),
      ),
    );
    const ratio = (nearest.reduce((a, b) => a + b, 0) / nearest.length) * 2 * Math.sqrt(3);
    expect(ratio).toBeGreaterThan(0.9);
    expect(ratio).toBeLessThan(1.1);
  });

  it("lie at the same places on a coarse and on a fine grid", () => {
    const coarse = buildGrid(flat, 0.2);
    const [a, b] = [coarse, plain].map((on) =>
      scatter(
        on,
        on.inside.map((share) => (share > 0 ? 1 : 0)),
        1,
        createRandom(6),
      ).map((one) => [one.xMm, one.yMm]),
    ) as [number[][], number[][]];
    expect(Math.abs(a.length - b.length)).toBeLessThan(8);
    const same = a.filter((one) => b.some((other) => other[0] === one[0] && other[1] === one[1]));
    expect(same.length).toBeGreaterThan(a.length * 0.95);
  });

  it("of a stipple cover the area that number and size give", () => {
    const settings = { density: 1, size: 0.3, spread: 0 };
    const { cover } = lay("stipple", settings, plain);
    const covered = (total(cover) * plain.pitchMm ** 2) / (16 * 8);
    // Dots at random overlap: 1 − exp(−λ a).
    const wanted = 1 - Math.exp(-1 * Math.PI * 0.15 ** 2);
    expect(covered / wanted).toBeGreaterThan(0.85);
    expect(covered / wanted).toBeLessThan(1.15);
    expect(techniques.stipple.marksOn!(128, completeParams(techniques.stipple.params, settings)).count).toBe(
      128,
    );
  });

  it("of scratches run in the direction asked, more than across it", () => {
    const along = (angle: number) => {
      const { cover } = lay(
        "scratch",
        { density: 1, length: 1.5, lengthSpread: 20, angle, angleSpread: 5 },
        plain,
      );
      let [gx, gy] = [0, 0];
      for (let at = plain.width; at < cover.length - plain.width; at++) {
        gx += Math.abs(cover[at + 1]! - cover[at - 1]!);
        gy += Math.abs(cover[at + plain.width]! - cover[at - plain.width]!);
      }
      return gy / gx;
    };
    // Strokes along x change mostly from row to row.
    expect(along(0)).toBeGreaterThan(2);
    expect(along(90)).toBeLessThan(0.5);
  });

  it("keep to their zones", () => {
    const marks: Marks = { kind: "field", hollowsOnly: false, place: inZones(["hem"], 0) };
    for (const id of ["stipple", "scratch", "base-coat", "dry-brush"] as const) {
      const { volumeUm } = lay(id, {}, plain, marks);
      let [near, far] = [0, 0];
      volumeUm.forEach((um, at) =>
        plain.heightMm[at]! < 2.5 ? (near += um) : plain.heightMm[at]! > 4 ? (far += um) : 0,
      );
      expect(near).toBeGreaterThan(0);
      expect(far).toBe(0);
    }
  });
});

describe("an airbrush and an edge line", () => {
  const plain = { lengthMm: 14, widthMm: 4, thicknessMm: 0.8, strands: 1, bends: 0 };
  const strap = buildGrid(forms.strap.build({ ...plain, stitchMm: 0, holes: 0 }, 2), 0.05);
  const side = (plane: Float32Array, wanted: (y: number) => boolean) => {
    let [sum, count] = [0, 0];
    plane.forEach((um, at) => {
      if (strap.inside[at]! < 1 || !wanted(strap.heightMm[at]!)) return;
      sum += um;
      count++;
    });
    return sum / count;
  };

  it("the mist lands on what faces the lamp, not in its lee", () => {
    const { volumeUm } = lay("airbrush", { lee: 0, grain: 0 }, strap);
    expect(side(volumeUm, (y) => y > 3.6)).toBeGreaterThan(2 * side(volumeUm, (y) => y < 0.35));
  });

  it("the line follows the rims and leaves the middle", () => {
    const { volumeUm } = lay("edge-line", { broken: 0 }, strap);
    expect(side(volumeUm, (y) => y > 3.8 || y < 0.2)).toBeGreaterThan(1);
    expect(side(volumeUm, (y) => y > 1.5 && y < 2.5)).toBeLessThan(0.25);
  });
});

describe("a glaze", () => {
  it("drawn into the folds is moved, not made: its mean stays what was laid", () => {
    const cells = total(grid.inside);
    const mean = (pull: number) => total(lay("glaze", { pull, unevenness: 0 }).volumeUm) / cells;
    expect(mean(0)).toBeCloseTo(9, 1);
    for (const pull of [40, 80, 100]) expect(mean(pull) / mean(0)).toBeCloseTo(1, 2);
    const { volumeUm } = lay("glaze", { pull: 80, unevenness: 0 });
    expect(inGroove(volumeUm, 2)).toBeGreaterThan(3 * onLand(volumeUm));
    const even = lay("glaze", { pull: 0, unevenness: 0 }).volumeUm;
    expect(inGroove(even, 2) / onLand(even)).toBeCloseTo(1, 2);
  });
});

describe("an edge line", () => {
  it("follows edges of the relief on a flat piece, not its rim alone", () => {
    const block: SurfaceForm = {
      ...flat,
      relief: ({ turnDeg, heightMm }) =>
        0.15 * (0.5 + 0.5 * Math.tanh((1.2 - Math.hypot(alongOf(turnDeg) - 8, heightMm - 4)) / 0.08)),
    };
    const on = buildGrid(block, 0.05);
    const { cover } = lay("edge-line", { broken: 0 }, on);
    const ring = (from: number, to: number) => {
      let [sum, count] = [0, 0];
      cover.forEach((share, at) => {
        const off = Math.hypot(alongOf(on.turnDeg[at]!) - 8, on.heightMm[at]! - 4);
        if (off < from || off > to) return;
        sum += share;
        count++;
      });
      return sum / count;
    };
    expect(ring(1.05, 1.25)).toBeGreaterThan(0.3);
    expect(ring(0, 0.7)).toBe(0);
    expect(ring(1.8, 2.6)).toBe(0);
  });
});
