import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import { checkSurface } from "../../checks";
import { applyRemedy } from "../../checks/applyRemedy";
import { withParams } from "../../edits/patterns";
import { withSurface } from "../../edits/surfaces";
import type { Coat, Job } from "../../job";
import { layCoat, marksOf } from "../../simulate/layCoat";
import { createFilmBuffer } from "../../techniques/technique";
import { buildForm } from "../../surface/forms/buildForm";
import { pieceAt } from "../../surface/forms/depth";
import { buildGrid } from "../../surface/grid";
import { deriveCoats } from "../derive";
import { layerKey } from "./keys";
import { BASE, usualLayer, type CamouflageParams } from "./params";
import { presets } from "./presets";
import { CLOAK, formOf, jobWith, lay, sleeve, started } from "./testing";

/** Share of the panel that shows each coat of a list in the end, as the films of a fine picture have it. */
function shownShares(job: Job, coats: readonly Coat[], pitchMm: number): number[] {
  const surface = job.surfaces[0]!;
  const grid = buildGrid(buildForm(surface), pitchMm);
  const inside = grid.inside.reduce((sum, share) => sum + share, 0);
  const buffer = createFilmBuffer(grid.inside.length);
  const films = coats.map((coat) => {
    const marks = marksOf(job, surface, grid.form, coat, () => grid);
    return layCoat(marks, coat, job.hand, { grid, films: [], near: null }, buffer, inside).cover;
  });
  return films.map((cover, k) => {
    let sum = 0;
    cover.forEach((share, at) => {
      let shown = share / 255;
      for (const over of films.slice(k + 1)) shown *= 1 - over[at]! / 255;
      sum += shown;
    });
    return sum / inside;
  });
}

describe("shares of the colours", () => {
  it("are those asked for, as a fine picture shows them, for every preset on cloak and sleeve", () => {
    for (const [preset] of presets.entries()) {
      for (const formId of ["cloak", "limb"] as const) {
        const job = jobWith(
          demoShelf,
          started(preset),
          formId,
          formId === "cloak" ? CLOAK : { roundMm: 15, lengthMm: 13 },
        );
        const params = job.surfaces[0]!.pattern!.params as CamouflageParams;
        const coats = params.layers.map((layer) =>
          job.surfaces[0]!.coats.find(({ role }) => role === layerKey(layer.id))!,
        );
        const shown = shownShares(job, coats, 0.04);
        params.layers.forEach((layer, k) => {
          if (layer.kind === "edge") return;
          expect(
            Math.abs(shown[k]! - layer.share / 100),
            `${presets[preset]!.id} ${formId} ${layer.id}: ${shown[k]}`,
          ).toBeLessThan(0.005);
        });
      }
    }
  });

  it("hold to half a percent up to 60 % in sum, also for patches nearly as large as the panel", () => {
    const panel = formOf("panel", { lengthMm: 20, widthMm: 14 });
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 3, max: 19 }),
        fc.double({ min: 0.8, max: 15, noNaN: true }),
        fc.integer({ min: 0, max: 9999 }),
        (one, other, sizeMm, seed) => {
          const layers = [
            usualLayer({ id: "one", name: "One", kind: "patch", colour: "#445533", share: one, sizeMm }),
            usualLayer({
              id: "other",
              name: "Other",
              kind: "patch",
              colour: "#553322",
              share: other,
              sizeMm: sizeMm / 2,
              over: [BASE, "one"],
            }),
          ];
          const { layers: laid, baseShown } = lay({ ...started(0), layers, seed }, panel);
          expect(laid[0]!.reached).toBeCloseTo(one / 100, 2);
          expect(Math.abs(laid[0]!.reached - one / 100)).toBeLessThan(0.005);
          expect(Math.abs(laid[1]!.reached - other / 100)).toBeLessThan(0.005);
          expect(baseShown).toBeCloseTo(1 - (one + other) / 100, 2);
        },
      ),
      { numRuns: 25 },
    );
  });

  it("that cannot be reached are told, with what there is room for", () => {
    const layers = [
      usualLayer({ id: "one", name: "One", kind: "patch", colour: "#445533", share: 20, sizeMm: 3 }),
      usualLayer({
        id: "other",
        name: "Other",
        kind: "patch",
        colour: "#553322",
        share: 30,
        over: ["one"],
        gapMm: 1.5,
      }),
    ];
    const job = jobWith(demoShelf, { ...started(0), layers });
    const finding = checkSurface(job, job.surfaces[0]!, demoShelf).find(({ id }) =>
      id.includes("pattern-shares"),
    )!;
    expect(finding.sentence).toMatch(/Other shows on \d+\.\d.% *, not on the 30\.0/);
    const mended = deriveCoats(applyRemedy(job, finding.remedies[0]!), demoShelf, job);
    expect(checkSurface(mended, mended.surfaces[0]!, demoShelf).some(({ id }) => id === finding.id)).toBe(
      false,
    );
  });
});

describe("where layers go", () => {
  it("is only over what they may cover: dots stay on their ground", () => {
    const { panel, layers } = lay(started(1));
    const [green, brown, pale, dark] = layers;
    for (const at of panel.cells) {
      const on = brown!.paintedMm[at]! > 0 || green!.paintedMm[at]! > 0;
      if (pale!.paintedMm[at]! > 0) expect(on).toBe(true);
      if (dark!.paintedMm[at]! > 0) expect(on).toBe(false);
    }
    expect(pale!.marks.length).toBeGreaterThan(20);
    expect(dark!.marks.length).toBeGreaterThan(20);
  });

  it("is along part of another's border for an edge, on both sides of it", () => {
    const { panel, layers } = lay(started(3));
    const [grey, line] = layers;
    let [lined, inside, border] = [0, 0, 0];
    for (const at of panel.cells) {
      const near = Math.abs(grey!.paintedMm[at]!) < 0.1;
      if (near) border++;
      if (line!.paintedMm[at]! <= 0) continue;
      lined++;
      if (grey!.paintedMm[at]! > 0) inside++;
      expect(Math.abs(grey!.paintedMm[at]!)).toBeLessThan(0.4);
    }
    expect(lined).toBeGreaterThan(100);
    expect(inside / lined).toBeGreaterThan(0.3);
    expect(inside / lined).toBeLessThan(0.7);
    // 45 % of the border were asked for.
    expect(lined / border).toBeGreaterThan(0.2);
    expect(lined / border).toBeLessThan(0.7);
  });

  it("ends at seams where cloth was cut before it was sewn, and runs on where it is small", () => {
    const sewn = formOf("cloak", { ...CLOAK, seams: 4 });
    const across = (params: CamouflageParams) => {
      const { panel, layers } = lay(params, sewn);
      let [crossing, all] = [0, 0];
      for (const { mark, paintedMm } of layers) {
        const pieces = new Map<number, Set<number>>();
        for (const at of panel.cells) {
          if (paintedMm[at]! <= 0) continue;
          const x = panel.originX + (at % panel.width) * panel.pitchMm;
          const y = panel.originY + Math.floor(at / panel.width) * panel.pitchMm;
          const own = pieces.get(mark[at]!) ?? new Set<number>();
          pieces.set(mark[at]!, own.add(pieceAt(sewn, sewn.place([x, y]).turnDeg)));
        }
        all += pieces.size;
        crossing += [...pieces.values()].filter((own) => own.size > 1).length;
      }
      return { crossing, all };
    };
    expect(across({ ...started(0), seams: "cut" }).crossing).toBe(0);
    expect(across({ ...started(0), seams: "over" }).crossing).toBeGreaterThan(3);
  });

  it("meets itself where a piece closes and no seam parts it", () => {
    const { panel, layers } = lay({ ...started(0), seams: "over" }, sleeve);
    const row = (at: number) => Math.floor(at / panel.width);
    const ends = (left: boolean) => {
      const found = new Map<number, string>();
      for (const at of panel.cells) {
        const before = found.has(row(at));
        if (left ? before : false) continue;
        found.set(row(at), layers.map(({ paintedMm }) => (paintedMm[at]! > 0 ? 1 : 0)).join(""));
      }
      return found;
    };
    const [left, right] = [ends(true), ends(false)];
    const same = [...left].filter(([at, colours]) => right.get(at) === colours).length;
    expect(same / left.size).toBeGreaterThan(0.8);
  });

  it("is the same for a seed, and another for another", () => {
    const marks = (seed: number) => lay(started(0, seed)).layers.map((layer) => layer.marks);
    expect(marks(3)).toEqual(marks(3));
    expect(marks(3)).not.toEqual(marks(4));
  });
});

describe("colours", () => {
  it("get a mix each from the shelf, near to what was asked, and a lighter one for their light", () => {
    const job = jobWith(demoShelf, started(0));
    const params = job.surfaces[0]!.pattern!.params as CamouflageParams;
    expect(params.layers.every((layer) => job.mixes.some((mix) => mix.id === layer.mixId))).toBe(true);
    expect(params.lights.map((light) => light.id)).toEqual([BASE, "green", "brown", "dark"]);
    for (const mix of job.mixes.filter((one) => one.id.startsWith("piece-"))) {
      expect(mix.parts.length).toBeGreaterThan(0);
      expect(mix.parts.length).toBeLessThanOrEqual(2);
      expect(mix.parts.reduce((sum, part) => sum + part.parts, 0)).toBeLessThanOrEqual(6);
    }
  });

  it("are told apart from their ground: dots stand above what the eye can see, from the hand", () => {
    const job = jobWith(demoShelf, started(1));
    const found = checkSurface(job, job.surfaces[0]!, demoShelf).filter(({ id }) =>
      id.includes("pattern-loudness"),
    );
    expect(found.filter(({ gravity }) => gravity !== "note")).toEqual([]);
    const params = job.surfaces[0]!.pattern!.params as CamouflageParams;
    const base = params.baseMixId;
    const hidden = {
      ...params,
      layers: params.layers.map((layer) => (layer.id === "darkdots" ? { ...layer, mixId: base } : layer)),
    };
    const dull = deriveCoats(
      withSurface(job, "piece", (now) => withParams(now, () => hidden)),
      demoShelf,
      job,
    );
    expect(
      checkSurface(dull, dull.surfaces[0]!, demoShelf)
        .map(({ sentence }) => sentence)
        .join(),
    ).toMatch(/Dark dots cannot be seen/);
  });

  it("of no shading ask for no wash and no lights", () => {
    const roles = (shading: CamouflageParams["shading"]) =>
      jobWith(demoShelf, { ...started(0), shading }).surfaces[0]!.coats.map((coat) => coat.role);
    expect(roles("none")).toEqual(["base", "layer:green", "layer:brown", "layer:dark"]);
    expect(roles("before")).toContain("wash-before");
    expect(roles("before")).not.toContain("wash-after");
    expect(roles("both").filter((role) => role?.startsWith("lights:"))).toHaveLength(4);
  });
});
