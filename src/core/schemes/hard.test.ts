import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import type { Job } from "../job";
import { newPlainSurface } from "../newJob";
import { startKernel } from "../simulate/compositor";
import { filmAt } from "../simulate/planes";
import { Simulator } from "../simulate/simulator";
import type { FormId } from "../surface/forms";
import { valuePlan } from "../surface/volumes/valuePlan";
import { schemes, type SchemeId } from ".";
import { LOOKS, type Look } from "./scheme";
import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { masstone } from "../colour/film";
import { hexToLab, spectrumToLab } from "../colour/spaces";
import { labAt, lightness } from "./testing";
import { planStart, startSurface } from "./start";

const demo = ferrySergeant();
const kernel = startKernel();

async function painted(id: SchemeId, formId: FormId, look: Look, params: Record<string, number> = {}) {
  const plain = newPlainSurface("piece", "Piece", formId, []);
  const surface = { ...plain, form: { ...plain.form, params: { ...plain.form.params, ...params } } };
  const bare: Job = { ...demo, mixes: [], surfaces: [surface] };
  const answers = { age: "new", look, colour: schemes[id].startColour } as const;
  const job = startSurface(bare, "piece", planStart(bare, surface, schemes[id], answers, demoShelf));
  const request = { job, paints: demoShelf, surfaceId: "piece", upTo: null, lit: false };
  const simulator = new Simulator(await kernel);
  const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
  return { job, laid, rgba: simulator.picture(request, laid).rgba, coats: job.surfaces[0]!.coats };
}

const TURNS = 8;
/** Where a layer is half laid it covers the root of a half. */
const HALF_LAID = 255 * Math.SQRT1_2;

describe("horn in zones", () => {
  it("has its borders where they belong, the same at eight turns", async () => {
    const { laid, coats } = await painted("horn-zones", "horn", "plain", { bendDeg: 0, rings: 0 });
    const { grid } = laid;
    const { form, inside, turnDeg, heightMm, pitchMm } = grid;
    for (const { coat, film } of laid.coats) {
      if (!/^piece-zone-\d/.test(coat.id) || coat.place.kind !== "zones") continue;
      const from = coat.place.span!.from * form.slantMm;
      const all: number[] = [];
      for (let turn = 0; turn < TURNS; turn++) {
        // Cells that are painted too low and those that are bare too high shift the border by their area over its width.
        let cells = 0;
        for (let at = 0; at < inside.length; at++) {
          if (inside[at]! < 0.5 || Math.floor((turnDeg[at]! / form.turnDeg) * TURNS) !== turn) continue;
          const isPainted = film.cover[at]! >= HALF_LAID;
          if (heightMm[at]! > from && !isPainted) cells++;
          if (heightMm[at]! <= from && isPainted) cells--;
        }
        all.push((cells * pitchMm * pitchMm) / (form.lengthAt(from) / TURNS) / form.slantMm);
      }
      const mean = all.reduce((sum, off) => sum + off, 0) / TURNS;
      expect(Math.abs(mean), `${coat.name} on average`).toBeLessThan(0.01);
      for (const off of all) expect(Math.abs(off - mean), `${coat.name} at a turn`).toBeLessThan(0.03);
    }
    expect(coats.filter(({ id }) => /^piece-zone-\d/.test(id))).toHaveLength(4);
  });

  it("goes from a pale root to a dark tip without a step back", async () => {
    const { laid, rgba } = await painted("horn-zones", "horn", "striking");
    const { form, inside, heightMm } = laid.grid;
    const bands = Array.from({ length: 6 }, () => [0, 0] as [sum: number, count: number]);
    for (let at = 0; at < inside.length; at++) {
      if (inside[at]! < 1) continue;
      const band = bands[Math.min(5, Math.floor((heightMm[at]! / form.slantMm) * 6))]!;
      band[0] += lightness(rgba, at);
      band[1]++;
    }
    const means = bands.map(([sum, count]) => sum / count);
    for (let band = 1; band < means.length; band++) expect(means[band]).toBeLessThan(means[band - 1]!);
    expect(means[0]! - means[5]!).toBeGreaterThan(35);
  });

  it("has at each border a mix that is half-way to the eye between the zones there", () => {
    for (const look of LOOKS) {
      const surface = newPlainSurface("piece", "Piece", "horn", []);
      const bare: Job = { ...demo, mixes: [], surfaces: [surface] };
      const answers = { age: "new", look, colour: schemes["horn-zones"].startColour } as const;
      const { tones, coats } = planStart(bare, surface, schemes["horn-zones"], answers, demoShelf);
      const labOf = (key: string) =>
        spectrumToLab(
          masstone(opticsOfMix({ parts: tones.find((one) => one.key === key)!.parts }, demoShelf)),
        );
      const borders = tones.filter(({ key }) => key.startsWith("border-"));
      expect(borders).toHaveLength(tones.filter(({ key }) => key.startsWith("zone-")).length - 1);
      for (const { key } of borders) {
        const zone = Number(key.slice("border-".length));
        const [before, own, after] = [labOf(`zone-${zone - 1}`), labOf(key), labOf(`zone-${zone}`)];
        const [one, other] = [ciede2000(before, own), ciede2000(own, after)];
        // As near as whole parts of these pots come; two zones may have come out in one mix.
        expect(Math.abs(one - other), `${look}, ${key}`).toBeLessThan(3);
        expect(own[0]).toBeLessThanOrEqual(before[0]);
        expect(own[0]).toBeGreaterThanOrEqual(after[0]);
        const order = coats.map((coat) => coat.key);
        expect(order.indexOf(key)).toBe(order.indexOf(`zone-${zone}`) + 1);
      }
    }
  });

  it("takes two washes that run out into each other, over all of it together", async () => {
    const { laid } = await painted("horn-zones", "horn", "plain", { bendDeg: 0, rings: 0 });
    const { form, inside, heightMm } = laid.grid;
    const BANDS = 10;
    /** Mean film of each tenth of the length, from the root on, against the most of any. */
    const along = (id: string): number[] => {
      const { film } = laid.coats.find(({ coat }) => coat.id === id)!;
      const sums = Array.from({ length: BANDS }, () => [0, 0] as [sum: number, cells: number]);
      for (let at = 0; at < inside.length; at++) {
        if (inside[at]! < 1) continue;
        const band = sums[Math.min(BANDS - 1, Math.floor((heightMm[at]! / form.slantMm) * BANDS))]!;
        band[0] += filmAt(film, at);
        band[1]++;
      }
      const means = sums.map(([sum, cells]) => sum / cells);
      return means.map((um) => um / Math.max(...means));
    };
    const [root, tip] = [along("piece-wash"), along("piece-tip-wash")];
    for (const [own, other] of [
      [root[0]!, tip[0]!],
      [tip[9]!, root[9]!],
    ] as const) {
      expect(own).toBeGreaterThan(0.7);
      expect(other).toBeLessThan(0.05);
    }
    const both = root.filter((um, band) => um > 0.1 && tip[band]! > 0.1);
    expect(both.length).toBeGreaterThanOrEqual(1);
    root.forEach((um, band) => {
      expect(um + tip[band]!).toBeGreaterThan(0.5);
    });
  });
});

describe("a smooth shell", () => {
  it("has a light and a dark side, and no step between them that is seen over two millimetres", async () => {
    const { laid, rgba, job } = await painted("shell-layered", "dome", "plain");
    const { grid } = laid;
    const plan = valuePlan(grid, job.surfaces[0]!.volumes);
    const { inside, width, height, pitchMm } = grid;
    const light = Float32Array.from(inside, (share, at) => (share < 1 ? NaN : lightness(rgba, at)));
    const ofPlan = (from: number, to: number) => {
      const found: number[] = [];
      for (let at = 0; at < plan.length; at++)
        if (inside[at]! === 1 && plan[at]! >= from && plan[at]! < to) found.push(light[at]!);
      return found.reduce((sum, one) => sum + one, 0) / found.length;
    };
    expect(ofPlan(0.85, 1.01) - ofPlan(0, 0.15)).toBeGreaterThan(20);
    // What is left of the lightness over two millimetres once it rises evenly across them.
    const half = Math.round(1 / pitchMm);
    const spreads: number[] = [];
    for (let row = half; row < height - half; row += half)
      for (let column = half; column < width - half; column += half) {
        const values: [number, number, number][] = [];
        for (let dy = -half; dy <= half; dy += 2)
          for (let dx = -half; dx <= half; dx += 2) {
            const one = light[(row + dy) * width + column + dx]!;
            if (!Number.isNaN(one)) values.push([dx, dy, one]);
          }
        if (values.length < (half + 1) ** 2) continue;
        const mean = (of: (value: [number, number, number]) => number) =>
          values.reduce((sum, value) => sum + of(value), 0) / values.length;
        const [middle, xx, yy] = [mean(([, , l]) => l), mean(([x]) => x * x), mean(([, y]) => y * y)];
        const [bx, by] = [mean(([x, , l]) => x * l) / xx, mean(([, y, l]) => y * l) / yy];
        spreads.push(Math.sqrt(mean(([x, y, l]) => (l - middle - bx * x - by * y) ** 2)));
      }
    spreads.sort((a, b) => a - b);
    expect(spreads.length).toBeGreaterThan(20);
    // Beside the rim, where edges are lined, it is more.
    expect(spreads[Math.floor(0.8 * spreads.length)]).toBeLessThan(1.5);
  });

  it.each(["quiet", "plain", "striking"] as const)(
    "is of the hue that was asked for in its lights, where the look is %s",
    async (look) => {
      const { laid, rgba, job } = await painted("shell-layered", "dome", look);
      const plan = valuePlan(laid.grid, job.surfaces[0]!.volumes);
      const cells = [...plan.keys()].filter((at) => laid.grid.inside[at] === 1 && plan[at]! >= 0.75);
      const mean = (axis: 1 | 2) => cells.reduce((sum, at) => sum + labAt(rgba, at)[axis], 0) / cells.length;
      const [, a, b] = hexToLab(schemes["shell-layered"].startColour);
      const offDeg = ((Math.atan2(mean(2), mean(1)) - Math.atan2(b, a)) * 180) / Math.PI;
      expect(Math.abs(offDeg)).toBeLessThan(9);
    },
  );
});

describe("sponged metal", () => {
  it.each(["plate", "sleeve"] as const)(
    "is light where the light falls and dark where it does not, on a %s",
    async (form) => {
      const { laid, job, rgba } = await painted("metal-sponged", form, "plain");
      const { inside } = laid.grid;
      const plan = valuePlan(laid.grid, job.surfaces[0]!.volumes);
      const meanOf = (holds: (place: number) => boolean) => {
        let [sum, area] = [0, 0];
        for (let at = 0; at < plan.length; at++) {
          if (!holds(plan[at]!)) continue;
          sum += lightness(rgba, at) * inside[at]!;
          area += inside[at]!;
        }
        return sum / area;
      };
      expect(meanOf((place) => place > 0.75) - meanOf((place) => place < 0.25)).toBeGreaterThan(10);
    },
  );

  it("has each tone on less ground than the one before", async () => {
    const { laid } = await painted("metal-sponged", "plate", "plain");
    const dabs = laid.coats
      .filter(({ coat }) => /-dab-\d$/.test(coat.id))
      .map(({ film }) => film.coveredShare);
    expect(dabs).toHaveLength(4);
    for (let at = 1; at < dabs.length; at++) expect(dabs[at]!).toBeLessThan(0.75 * dabs[at - 1]!);
  });
});
