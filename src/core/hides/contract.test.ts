import { readdirSync } from "node:fs";
import path from "node:path";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { InputError } from "../errors";
import { parseJob } from "../formats/job-json/jobSchema";
import { completeParams } from "../params";
import { fieldsOf } from "../surface/fields";
import { formIds } from "../surface/forms";
import { buildForm } from "../surface/forms/buildForm";
import { zoneWeights } from "../surface/zones";
import { hideIds, hides } from ".";
import { hideInUse, hideProblems } from "./inUse";
import { covered, gridsOf } from "./testing";

describe("the registry of hides", () => {
  it("has every folder, and nothing else", () => {
    const folders = readdirSync(path.resolve("src/core/hides"), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => entry.name)
      .sort();
    expect([...hideIds].sort()).toEqual(folders);
  });

  it("refuses what it does not know", () => {
    expect(() => hideInUse({ id: "feathers", version: 1, params: {} })).toThrow(/feathers.*locks/);
  });
});

describe.each(hideIds)("the hide %s", (id) => {
  const definition = hides[id];

  it("has usual sizes, in range, that can be, each its own", () => {
    expect(definition.id).toBe(id);
    expect(definition.kinds.length).toBeGreaterThan(1);
    expect(new Set(definition.kinds.map(({ params }) => JSON.stringify(params))).size).toBe(
      definition.kinds.length,
    );
    for (const { params } of [...definition.kinds, { params: {} }]) {
      expect(hideProblems({ id, version: 1, params })).toEqual([]);
      for (const [name, value] of Object.entries<number>(params)) {
        expect(definition.params[name], name).toBeDefined();
        expect(completeParams(definition.params, { [name]: value })[name]).toBe(value);
      }
    }
  });

  it("can be stored, and is refused out of range", () => {
    const { job } = covered(id, "trunk");
    expect(parseJob(job)).toEqual(job);
    const [name, spec] = Object.entries(definition.params)[0]!;
    const { job: wrong } = covered(id, "trunk", { sizes: { [name]: spec.range[1] + 1 } });
    expect(() => parseJob(wrong)).toThrow(/hide/);
  });

  it.each(formIds)(
    "lies on a %s: numbers everywhere, things over most of it, nothing beyond its outline",
    (formId) => {
      const piece = covered(id, formId);
      const { smooth, grid } = gridsOf(piece, 0.12);
      const hide = grid.hide!;
      let [inside, bare, wrong] = [0, 0, 0];
      for (let at = 0; at < grid.inside.length; at++) {
        const thing = hide.thing[at]!;
        // Counted, not expected one by one: there are many cells.
        if (!Number.isFinite(grid.relief[at]!) || grid.inside[at]! > smooth.inside[at]!) wrong++;
        if (thing >= hide.things.length) wrong++;
        if (grid.inside[at]! < 0.5) continue;
        inside++;
        if (thing < 0) bare++;
      }
      expect(wrong).toBe(0);
      expect(bare / inside).toBeLessThan(0.04);
      const fields = fieldsOf(grid);
      for (const field of [fields.low, fields.high, fields.edge, fields.lit])
        expect(field.every(Number.isFinite)).toBe(true);
      for (const zone of ["tips", "back", "crest", "flank", "belly"] as const)
        expect(zoneWeights(grid, [zone], 0).every((weight) => weight >= 0 && weight <= 1)).toBe(true);
    },
  );

  it("is the same again for its seed, another for another, and the same things on coarser cells", () => {
    const [a, b, other] = [5, 5, 6].map((seed) => gridsOf(covered(id, "sleeve", { seed }), 0.08).grid);
    expect(b!.relief).toEqual(a!.relief);
    expect(other!.relief).not.toEqual(a!.relief);
    const coarse = gridsOf(covered(id, "sleeve"), 0.16).grid;
    expect(coarse.hide!.things).toEqual(a!.hide!.things);
  });

  it("can be sculpted at any sizes within its ranges, or says what is allowed", () => {
    const sizes = Object.fromEntries(
      Object.entries(definition.params).map(([name, { range, step, unit }]) => [
        name,
        fc
          .integer({ min: 0, max: Math.round((range[1] - range[0]) / step) })
          .map((k) =>
            unit === "" ? range[0] + Math.round(k * step) : Math.min(range[1], range[0] + k * step),
          ),
      ]),
    );
    fc.assert(
      fc.property(fc.record(sizes), (some) => {
        const piece = covered(id, "panel", { sizes: some, of: { lengthMm: 9, widthMm: 7 } });
        const problems = hideProblems(piece.surface.hide!);
        if (problems.length > 0) {
          for (const { message, field } of problems) {
            expect(message).toMatch(/\d/);
            expect(Object.keys(definition.params)).toContain(field);
          }
          expect(() => buildForm(piece.surface)).toThrow(InputError);
          return;
        }
        const { grid } = gridsOf(piece, 0.1);
        expect(grid.relief.every(Number.isFinite)).toBe(true);
        expect(Math.max(...grid.hide!.upMm)).toBeLessThan(6);
      }),
      { numRuns: 40 },
    );
  });
});
