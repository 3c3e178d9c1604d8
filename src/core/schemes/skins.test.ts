import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { checkSurface } from "../checks";
import { opticsOfMix } from "../colour/appearance";
import { ciede2000 } from "../colour/difference";
import { masstone } from "../colour/film";
import { hexToLab, spectrumToLab, type Triple } from "../colour/spaces";
import type { Job } from "../job";
import { newPlainSurface } from "../newJob";
import { startKernel } from "../simulate/compositor";
import { Simulator } from "../simulate/simulator";
import type { FormId } from "../surface/forms";
import { schemes } from ".";
import type { SchemeAnswers } from "./scheme";
import { planStart, startSurface, type StartPlan } from "./start";

const demo = ferrySergeant();
const kernel = startKernel();
const display = demo.figures.map((figure) => ({ ...figure, standard: "display" as const }));

function jobOf(formId: FormId): Job {
  const plain = newPlainSurface("piece", "Piece", formId, []);
  return { ...demo, figures: display, mixes: [], surfaces: [plain], touching: [] };
}
function planOf(job: Job, id: "skin-dead" | "skin-living", answers: Partial<SchemeAnswers> = {}): StartPlan {
  const scheme = schemes[id];
  const all = { age: "used", look: "plain", colour: scheme.startColour, ...answers } as const;
  return planStart(job, job.surfaces[0]!, scheme, all, demoShelf);
}
const seen = (plan: StartPlan, key: string): Triple => {
  const { parts } = plan.tones.find((one) => one.key === key)!;
  return spectrumToLab(masstone(opticsOfMix({ parts }, demoShelf)));
};

async function laid(job: Job) {
  const request = { job, paints: demoShelf, surfaceId: "piece", upTo: null, lit: false };
  return (await new Simulator(await kernel).lay(request, true, () => Promise.resolve(true)))!;
}

describe("dead skin", () => {
  const job = jobOf("trunk");
  const plan = planOf(job, "skin-dead", { look: "striking" });

  it("moves from the shadow's hue to the flesh in steps even to the eye, or as near as whole parts come", () => {
    const steps = ["step-0", "step-1", "step-2", "step-3", "step-4"].map((key) => seen(plan, key));
    const whole = ciede2000(steps[0]!, steps[4]!);
    // The middle lies as far from one end as from the other; so do the quarters.
    for (const [a, b, c] of [
      [0, 2, 4],
      [0, 1, 2],
      [2, 3, 4],
    ] as const) {
      const [one, other] = [ciede2000(steps[a]!, steps[b]!), ciede2000(steps[b]!, steps[c]!)];
      // Whole parts of few pots come within a few units of where a step should lie.
      expect(Math.abs(one - other), `${a}, ${b}, ${c}`).toBeLessThan(0.1 * whole + 2);
    }
    for (let at = 1; at < steps.length; at++)
      expect(steps[at]![0], `step ${at}`).toBeGreaterThan(steps[at - 1]![0]);
  });

  it("keeps the shadow's green below and turns to flesh: hue falls step by step", () => {
    const hue = ([, a, b]: Triple) => (Math.atan2(b, a) * 180) / Math.PI;
    const hues = ["step-0", "step-2", "step-4"].map((key) => hue(seen(plan, key)));
    expect(hues[0]!).toBeGreaterThan(hues[1]!);
    expect(hues[1]!).toBeGreaterThan(hues[2]!);
    expect(hues[0]! - hues[2]!).toBeGreaterThan(25);
  });

  it("lays each step over less of the piece, on its light side", async () => {
    const { coats } = await laid(startSurface(job, "piece", plan));
    const shares = coats
      .filter(({ coat }) => coat.id.startsWith("piece-layer-"))
      .map(({ film }) => film.coveredShare);
    expect(shares).toHaveLength(6);
    for (let at = 1; at < shares.length; at++) expect(shares[at]!).toBeLessThan(shares[at - 1]!);
  });

  it("rings its torn places: lip, dark ring, raw flesh and fat lie each within the one before", async () => {
    const { coats } = await laid(startSurface(job, "piece", plan));
    const cover = (key: string) => coats.find(({ coat }) => coat.id === `piece-${key}`)!.film.cover;
    const share = (key: string) => cover(key).reduce((sum, one) => sum + one, 0);
    const [lip, hole, raw, fat] = ["torn", "hole", "raw", "fat-2"].map(share);
    expect(lip!).toBeGreaterThan(0);
    expect(hole!).toBeLessThan(lip!);
    expect(raw!).toBeLessThan(hole!);
    expect(fat!).toBeLessThan(raw!);
    // What lies in the hole lies within the lip.
    const torn = cover("torn");
    let [within, all] = [0, 0];
    cover("hole").forEach((one, at) => {
      all += one;
      if (torn[at]! > 0) within += one;
    });
    expect(within / all).toBeGreaterThan(0.97);
    // The halo reaches beyond the lip on all sides.
    expect(share("halo")).toBeGreaterThan(share("torn"));
  });

  it("shines where it is wet: the glossiest varnish that is owned, as it is", () => {
    const wet = plan.tones.find(({ key }) => key === "wet")!;
    expect(wet.parts).toHaveLength(1);
    const pot = demoShelf.find(({ id }) => id === wet.parts[0]!.paintId)!;
    expect(pot).toMatchObject({ kind: "varnish", finish: "gloss" });
    const none = demoShelf.filter(({ kind }) => kind !== "varnish");
    const without = planStart(
      job,
      job.surfaces[0]!,
      schemes["skin-dead"],
      { age: "used", look: "plain", colour: "#a98872" },
      none,
    );
    expect(without.tones.find(({ key }) => key === "wet")!.parts).toEqual([]);
  });
});

describe("living skin", () => {
  it.each(["#d9b093", "#a98a5e", "#7c5238", "#4a3026"])(
    "reads as %s asked for, and as skin",
    async (colour) => {
      const job = jobOf("dome");
      const started = startSurface(job, "piece", planOf(job, "skin-living", { colour }));
      const request = { job: started, paints: demoShelf, surfaceId: "piece", upTo: null, lit: false };
      const simulator = new Simulator(await kernel);
      const own = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
      const { rgba } = simulator.picture(request, own);
      const sum = [0, 0, 0];
      let count = 0;
      for (let at = 0; at < rgba.length; at += 4) {
        if (rgba[at + 3]! < 255) continue;
        const hex = [0, 1, 2].map((k) => rgba[at + k]!.toString(16).padStart(2, "0")).join("");
        hexToLab(`#${hex}`).forEach((value, axis) => (sum[axis]! += value));
        count++;
      }
      const mean = sum.map((value) => value / count) as unknown as Triple;
      expect(ciede2000(mean, hexToLab(colour)), mean.map(Math.round).join()).toBeLessThan(9);
    },
  );

  it("is warm where it turns: its blush lies in the half-lights alone", async () => {
    const job = jobOf("trunk");
    const plan = planOf(job, "skin-living");
    const blush = plan.coats.find(({ key }) => key === "blush")!;
    expect(blush.place).toMatchObject({ values: { from: 0.28, to: 0.62 } });
    const { coats } = await laid(startSurface(job, "piece", plan));
    const { coveredShare } = coats.find(({ coat }) => coat.id === "piece-blush")!.film;
    expect(coveredShare).toBeGreaterThan(0.1);
    expect(coveredShare).toBeLessThan(0.75);
  });

  it("is in order: nothing that must be mended is found on it, in any of its ages", () => {
    for (const age of ["new", "used", "old"] as const) {
      const job = jobOf("trunk");
      const started = startSurface(job, "piece", planOf(job, "skin-living", { age }));
      const must = checkSurface(started, started.surfaces[0]!, demoShelf).filter(
        ({ gravity }) => gravity === "must",
      );
      expect(must, age).toEqual([]);
    }
  });
});
