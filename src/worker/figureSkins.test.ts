import { describe, expect, it } from "vitest";
import { figureOf } from "../core/job";
import type { StillWanted } from "../core/simulate/simulator";
import type { PieceSkin } from "../core/piece/skin";
import { stepCount, stepShares } from "../core/surface/volumes/valuePlan";
import { wholeSergeant } from "../data/demo/company";
import { demoShelf } from "../data/demo/shelf";
import { FIGURE_AS, seatedSurfaces, skinsOn } from "./figureSkins";
import type { Helper } from "./helpers";
import { questions } from "./questions";
import type { SkinInput } from "./questions/skin";
import { simulator } from "./simulation";

const job = wholeSergeant();
const shown = { job, paints: demoShelf, figureId: job.figures[0]!.id, step: null };
const ask = async (as: (typeof FIGURE_AS)[number], changed: Partial<typeof shown> = {}) =>
  (await skinsOn(await simulator, { ...shown, ...changed, as }, false, () => Promise.resolve(true)))!;

/** How many cells wholly on the piece have each colour. */
function coloursOf({ rgba, grid }: PieceSkin): Map<number, number> {
  const found = new Map<number, number>();
  for (let at = 0; at < grid.inside.length; at++) {
    if (grid.inside[at]! < 1) continue;
    const colour = (rgba[at * 4]! << 16) | (rgba[at * 4 + 1]! << 8) | rgba[at * 4 + 2]!;
    found.set(colour, (found.get(colour) ?? 0) + 1);
  }
  return found;
}

describe("what a figure's pieces wear", () => {
  it("in the steps of its value plan is each step in a grey of its own, of the share it has, in no other light", async () => {
    const skins = await ask("values");
    for (const surface of seatedSurfaces(job, shown.figureId)) {
      const skin = skins.get(surface.id)!;
      expect(skin.lit).toBe(false);
      const found = [...coloursOf(skin)].sort(([a], [b]) => a - b);
      const count = stepCount(surface.volumes, figureOf(job, surface).standard);
      expect(found.map(([colour]) => colour % 0x10101)).toEqual(Array(count).fill(0));
      const all = found.reduce((sum, [, cells]) => sum + cells, 0);
      const shares = stepShares(surface.volumes, count);
      found.forEach(([, cells], step) => expect(Math.abs(cells / all - shares[step]!)).toBeLessThan(0.03));
    }
  });

  it("primed is one colour under the lamp, and painted is what its coats are", async () => {
    const [primed, painted] = [await ask("primer"), await ask("paint")];
    for (const [id, skin] of primed) {
      expect(skin.lit).toBe(true);
      expect(coloursOf(skin).size).toBe(1);
      expect(coloursOf(painted.get(id)!).size).toBeGreaterThan(10);
    }
    expect(primed.size).toBe(5);
  });

  it("primed black and sprayed white from above is grey under the lamp, brighter where it faces up", async () => {
    const sprayed = await ask("sprayed");
    for (const skin of sprayed.values()) {
      expect(skin.lit).toBe(true);
      const greys = [...coloursOf(skin).keys()];
      expect(greys.every((colour) => colour % 0x10101 === 0)).toBe(true);
      expect(Math.max(...greys) - Math.min(...greys)).toBeGreaterThan(60 * 0x10101);
    }
  });

  it("bare is kept while coats are edited, and lays none of them", async () => {
    const [primed, planned] = [await ask("primer"), await ask("values")];
    // A coat of a mix that is not there could not be laid.
    const coats = job.surfaces[0]!.coats.map((coat) => ({ ...coat, mixId: "gone", seed: coat.seed + 1 }));
    const edited = { ...job, surfaces: job.surfaces.map((surface) => ({ ...surface, coats })) };
    expect([...(await ask("primer", { job: edited })).values()]).toEqual([...primed.values()]);
    for (const [id, skin] of await ask("values", { job: edited })) expect(skin).toBe(planned.get(id));
  });
});

describe("how finely a figure is painted", () => {
  it("follows what was asked for, up to what a whole figure needs", async () => {
    const one = { ...job, surfaces: job.surfaces.filter(({ id }) => id === "coat-skirt"), touching: [] };
    const cells = async (mostCells?: number) => {
      const asked = {
        ...shown,
        job: one,
        as: "primer",
        ...(mostCells !== undefined && { mostCells }),
      } as const;
      const skins = await skinsOn(await simulator, asked, true, () => Promise.resolve(true));
      return skins!.get("coat-skirt")!.grid.inside.length;
    };
    const [quick, whole] = [await cells(60_000), await cells()];
    expect(quick).toBeGreaterThan(40_000);
    expect(quick).toBeLessThan(70_000);
    expect(whole).toBeGreaterThan(3 * quick);
    expect(await cells(2_000_000)).toBe(whole);
  });
});

/** A helper in this very thread, by the real question, that writes down what it was given. */
function helperHere(paint?: Helper["paint"]): Helper & { readonly given: string[] } {
  const given: string[] = [];
  return {
    given,
    ready: () => true,
    started: Promise.resolve(),
    paint: async (input: SkinInput, wanted) => {
      given.push(input.surfaceId);
      questions.skin.schema.validateSync(input);
      if (paint) return paint(input, wanted);
      return questions.skin.run(input, { wanted, part: () => undefined });
    },
  };
}

describe("a figure painted by several workers", () => {
  const always = () => Promise.resolve(true);
  /** Another seed is another paint: nothing of it is remembered. */
  const anew = (seed: number) => ({
    ...job,
    surfaces: job.surfaces.map((surface) => ({
      ...surface,
      coats: surface.coats.map((coat) => ({ ...coat, seed: coat.seed + seed })),
    })),
  });
  const paint = async (seed: number, helpers: readonly Helper[], wanted: StillWanted = always) =>
    skinsOn(await simulator, { ...shown, job: anew(seed), as: "paint" }, false, wanted, helpers);
  /** A helper that is not done with its first before so many others are painted. */
  function busyHelper() {
    let free = () => {};
    const helper = helperHere(async (input, wanted) => {
      await new Promise<void>((done) => (free = done));
      return questions.skin.run(input, { wanted, part: () => undefined });
    });
    const until = (count: number) => (done: number) => {
      if (done >= count) free();
      return Promise.resolve(true);
    };
    return { helper, until };
  }
  const bytes = (skins: Map<string, PieceSkin> | null) =>
    [...skins!].map(([id, { rgba, heights, gloss, grid, lit }]) => [
      ...[id, lit, grid.width, grid.height, Buffer.from(rgba).toString("base64")],
      ...[Buffer.from(heights.buffer, heights.byteOffset, heights.byteLength).toString("base64"), gloss],
    ]);

  it("is the same to the byte, each worker painting some of it, and the same ones again", async () => {
    // It does not come to a second one before all others are painted here.
    const { helper, until } = busyHelper();
    const together = await paint(1, [helper], until(3));
    expect(helper.given.length).toBe(1);
    await paint(2, [helper], until(3));
    expect(helper.given).toEqual([helper.given[0], helper.given[0]]);
    // Without the helper all of it is painted here, and comes out as it did.
    const same = { ...shown, job: anew(1), as: "paint" as const };
    const alone = await skinsOn(
      await simulator,
      { ...same, paints: [...demoShelf].reverse() },
      false,
      always,
    );
    expect(bytes(alone)).toEqual(bytes(together));
  });

  it("is shared out anew where one has long to do: who is free takes what would wait", async () => {
    const { helper, until } = busyHelper();
    await paint(11, [helper], until(3));
    const quick = helperHere();
    await paint(12, [quick]);
    expect(quick.given.length).toBeGreaterThan(1);
    expect(quick.given.length).toBeLessThan(5);
  });

  it("is whole where a helper fails, and it is not asked again", async () => {
    const helper = helperHere(() => Promise.reject(new Error("gone")));
    const skins = await paint(3, [helper]);
    expect([...skins!.keys()]).toEqual(seatedSurfaces(job, shown.figureId).map(({ id }) => id));
    expect(helper.given.length).toBe(1);
  });

  it("waits for none that has not started, and lets it join as soon as it has", async () => {
    const never = { ...helperHere(), ready: () => false, started: new Promise<void>(() => undefined) };
    expect((await paint(4, [never]))!.size).toBe(5);
    expect(never.given).toEqual([]);
    let start = () => {};
    const late = { ...helperHere(), ready: () => false, started: new Promise<void>((go) => (start = go)) };
    const skins = await paint(6, [late], (done) => {
      if (done >= 2) start();
      return Promise.resolve(true);
    });
    expect(skins!.size).toBe(5);
    expect(late.given.length).toBeGreaterThan(0);
    expect(late.given.length).toBeLessThan(4);
  });

  it("paints nothing more once it is not wanted", async () => {
    let asked = 0;
    expect(await paint(5, [helperHere()], () => Promise.resolve(++asked < 4))).toBeNull();
  });
});
