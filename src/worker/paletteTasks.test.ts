import { describe, expect, it } from "vitest";
import { bother } from "../core/colour/bother";
import { tryAllMixes } from "../core/colour/search";
import { hexToLab } from "../core/colour/spaces";
import { primerSpectrum } from "../core/colour/appearance";
import { hexToSpectrum } from "../core/colour/spectrum";
import { schemes } from "../core/schemes";
import { planStart } from "../core/schemes/start";
import { ferrySergeant } from "../data/demo/ferrySergeant";
import { demoShelf } from "../data/demo/shelf";
import { answerGlazes, answerMixes, answerStart } from "./paletteTasks";

const job = ferrySergeant();
const always = () => Promise.resolve(true);
const owned = demoShelf.filter((paint) => paint.state === "have" && paint.kind === "paint").slice(0, 8);

describe("the answer to a scheme", () => {
  const asked = {
    job,
    paints: demoShelf,
    surfaceId: "coat-skirt",
    schemeId: "velvet",
    answers: { age: "used", look: "plain", colour: "#4c3f63" },
  } as const;

  it("is what the scheme comes to, and tells tone by tone how far it is", async () => {
    const told: [number, number][] = [];
    const plan = await answerStart(asked, (done, total) => {
      told.push([done, total]);
      return Promise.resolve(true);
    });
    expect(plan).toEqual(planStart(job, job.surfaces[0]!, schemes.velvet, asked.answers, demoShelf));
    expect(told).toEqual(plan!.tones.map((_, at) => [at, plan!.tones.length]));
  });

  it("is none once it is no longer wanted, and nothing more is searched", async () => {
    let told = 0;
    const plan = await answerStart(asked, () => Promise.resolve(++told < 2));
    expect(plan).toBeNull();
    expect(told).toBe(2);
  });

  it("names the surface that is not there", async () => {
    await expect(answerStart({ ...asked, surfaceId: "left boot" }, always)).rejects.toThrow(/"left boot"/);
  });
});

describe("the answer to a colour", () => {
  it("is the same as trying every mix of up to three pots, best first", async () => {
    const goal = hexToLab("#7a6a4a");
    const answer = (await answerMixes({ paints: owned, goal }, always))!;
    const all = tryAllMixes(owned, goal, { mostParts: 6, pots: 3, keep: 6 });
    expect(answer.mixes.map((mix) => mix.difference)).toEqual(
      all.map((mix) => expect.closeTo(mix.difference, 3) as number),
    );
    expect(answer).toMatchObject({ pots: owned.length, inThrees: owned.length });
    for (const four of answer.four) {
      expect(new Set(four.parts.map((part) => part.paintId)).size).toBe(4);
      expect(four.difference).toBeLessThan(answer.mixes[0]!.difference);
    }
  });

  it("names beside them what a painter would mix: never nearer, never more bother", async () => {
    for (const hex of ["#7a6a4a", "#8d9a86", "#2f4a3a", "#c8b0a0"]) {
      const goal = hexToLab(hex);
      const inUse = [owned[0]!.id, owned[1]!.id];
      const { mixes, simple } = (await answerMixes({ paints: owned, goal, inUse }, always))!;
      const palette = { paints: owned, goal, inUse: new Set(inUse) };
      const cost = (mix: (typeof mixes)[number]) => mix.difference + bother(mix, palette);
      expect(simple).toHaveLength(mixes.length);
      expect(Math.min(...simple.map(cost))).toBeLessThanOrEqual(Math.min(...mixes.map(cost)));
      expect(bother(simple[0]!, palette)).toBeLessThanOrEqual(bother(mixes[0]!, palette));
      expect(simple.map(cost)).toEqual(simple.map(cost).sort((a, b) => a - b));
    }
  });

  it("differs through a thin film over a dark ground, where cover counts", async () => {
    const goal = hexToLab("#b9a06c");
    const ask = (seen?: { kind: "film"; ground: Float64Array; filmUm: number }) =>
      answerMixes({ paints: owned, goal, ...(seen ? { seen } : {}) }, always);
    const thick = (await ask())!.mixes[0]!;
    const thin = (await ask({ kind: "film", ground: primerSpectrum("black"), filmUm: 3 }))!.mixes[0]!;
    expect(thin.difference).toBeGreaterThan(thick.difference);
  });

  it("is none once it is no longer wanted", async () => {
    const goal = hexToLab("#123456");
    // Another shelf than before, so that no table is at hand.
    const paints = owned.slice(0, 5);
    expect(await answerMixes({ paints, goal }, () => Promise.resolve(false))).toBeNull();
  });
});

describe("the answer to three tones", () => {
  it("names glazes, nearest first, and stops when it is no longer wanted", async () => {
    const tones = [
      ["#5b4a40", "#3b2a20"],
      ["#a58a70", "#7c5a3c"],
      ["#d9c2a4", "#b08a5e"],
    ].map(([ground, goal]) => ({ ground: hexToSpectrum(ground!), goal: hexToLab(goal!) }));
    const clear = demoShelf.filter((paint) => paint.kind === "clear").slice(0, 4);
    const ask = (wanted: () => Promise<boolean>) => answerGlazes({ paints: clear, tones }, wanted);
    const glazes = (await ask(always))!;
    expect(glazes.length).toBeGreaterThan(1);
    const off = glazes.map((glaze) => Math.hypot(...glaze.differences));
    expect([...off].sort((a, b) => a - b)).toEqual(off);
    for (const glaze of glazes) expect(glaze.differences).toHaveLength(3);
    expect(await ask(() => Promise.resolve(false))).toBeNull();
  });
});
