import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf, paintIdOf } from "../../data/demo/shelf";
import { hexToLab } from "../colour/spaces";
import type { Coat, Job } from "../job";
import { newPlainSurface } from "../newJob";
import { startKernel } from "./compositor";
import { Simulator } from "./simulator";

const kernel = startKernel();
const plain = newPlainSurface("panel", "Panel", "panel", []);
const mixOf = (id: string, name: string) => ({
  id,
  name,
  parts: [{ paintId: paintIdOf(name), parts: 1 }],
  water: 0,
  goal: null,
});
const coat = (id: string, technique: string, mixId: string): Coat => ({
  ...plain.coats[0]!,
  id,
  technique: { id: technique, version: 1, params: {} },
  mixId,
  water: 0,
  passes: 1,
});
const dark = { ...coat("dark", "base-coat", "dark"), passes: 4 };
const jobWith = (coats: readonly Coat[], dents = 0): Job => ({
  ...ferrySergeant(),
  mixes: [
    mixOf("dark", "Fen Brown"),
    mixOf("gloss", "Wharf Gloss"),
    mixOf("matt", "Wharf Matt"),
    mixOf("lode", "Lode Grey"),
  ],
  surfaces: [{ ...plain, form: { ...plain.form, params: { ...plain.form.params, dents } }, coats }],
});

async function shown(coats: readonly Coat[], lit = false) {
  const request = {
    job: jobWith(coats, lit ? 0.4 : 0),
    paints: demoShelf,
    surfaceId: "panel",
    upTo: null,
    lit,
  };
  const simulator = new Simulator(await kernel);
  const laid = (await simulator.lay(request, true, () => Promise.resolve(true)))!;
  return simulator.picture(request, laid).rgba;
}

/** Mean colour of the picture's middle, L*a*b*. */
function meanOf(rgba: Uint8ClampedArray) {
  const sums = [0, 0, 0];
  let count = 0;
  for (let at = 0; at < rgba.length; at += 4) {
    if (rgba[at + 3]! < 255) continue;
    for (let k = 0; k < 3; k++) sums[k]! += rgba[at + k]!;
    count++;
  }
  return hexToLab(
    `#${sums
      .map((sum) =>
        Math.round(sum / count)
          .toString(16)
          .padStart(2, "0"),
      )
      .join("")}`,
  );
}

describe("varnish over dark matt paint", () => {
  it("deepens it and raises its chroma where it is glossy, and not where it is matt", async () => {
    const bare = meanOf(await shown([dark]));
    const gloss = meanOf(await shown([dark, coat("gloss", "varnish", "gloss")]));
    const matt = meanOf(await shown([dark, coat("matt", "varnish", "matt")]));
    expect(gloss[0]).toBeLessThan(bare[0] - 1);
    expect(Math.hypot(gloss[1], gloss[2])).toBeGreaterThan(Math.hypot(bare[1], bare[2]));
    expect(Math.abs(matt[0] - bare[0])).toBeLessThan(2);
    // Matted again, it is as light as it was.
    const both = meanOf(
      await shown([dark, coat("gloss", "varnish", "gloss"), coat("matt", "varnish", "matt")]),
    );
    expect(both[0]).toBeGreaterThan(gloss[0] + 0.8);
  });

  it("mirrors the lamp where the ground turns to it, when lit", async () => {
    const brightest = async (coats: readonly Coat[]) => {
      const rgba = await shown(coats, true);
      let most = 0;
      for (let at = 0; at < rgba.length; at += 4)
        most = Math.max(most, rgba[at]! + rgba[at + 1]! + rgba[at + 2]!);
      return most;
    };
    expect(await brightest([dark, coat("gloss", "varnish", "gloss")])).toBeGreaterThan(
      (await brightest([dark])) + 60,
    );
  });
});

describe("metal", () => {
  const metal = { ...coat("lode", "base-coat", "lode"), passes: 4 };
  const spread = (rgba: Uint8ClampedArray) => {
    const light: number[] = [];
    for (let at = 0; at < rgba.length; at += 4) if (rgba[at + 3] === 255) light.push(rgba[at + 1]!);
    light.sort((a, b) => a - b);
    return light[Math.floor(0.98 * light.length)]! / light[Math.floor(0.02 * light.length)]!;
  };

  it("spans more light and dark on the same dents than plain paint does, and none of it under paint", async () => {
    const [plain, bare] = [spread(await shown([dark], true)), spread(await shown([metal], true))];
    expect(bare).toBeGreaterThan(1.3 * plain);
    expect(await shown([metal, { ...dark, passes: 6 }], true)).not.toEqual(await shown([metal], true));
    expect(spread(await shown([metal, { ...dark, passes: 6 }], true))).toBeLessThan(1.15 * plain);
  });

  it("looks as its pot does where no light is asked for", async () => {
    const lode = demoShelf.find(({ name }) => name === "Lode Grey")!;
    expect(Math.abs(meanOf(await shown([metal]))[0] - hexToLab(lode.thick)[0])).toBeLessThan(4);
  });
});
