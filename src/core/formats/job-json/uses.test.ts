import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ValidationError } from "yup";
import { demoJobs } from "../../../data/demo/company";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import type { Coat, Job, Surface } from "../../job";
import type { ParamSpec } from "../../params";
import { formIds, forms } from "../../surface/forms";
import { techniqueIds, techniques } from "../../techniques";
import { parseJob, parseStoredJob } from "./jobSchema";

const demo = ferrySergeant();
const [skirt] = demo.surfaces as [Surface];
const withSurface = (part: Partial<Surface>): Job => ({ ...demo, surfaces: [{ ...skirt, ...part }] });
const withTechnique = (technique: Coat["technique"]): Job =>
  withSurface({ coats: [{ ...skirt.coats[0]!, technique }] });

function problems(job: unknown): string[] {
  try {
    parseJob(job);
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return [...error.errors];
  }
}

/** Every setting of every technique and form. */
const SETTINGS = [
  ...techniqueIds.flatMap((id) =>
    Object.entries<ParamSpec>(techniques[id].params).map(([name, spec]) => ({
      name,
      spec,
      at: "surfaces[0].coats[0].technique",
      job: (value: number) => withTechnique({ id, version: 1, params: { [name]: value } }),
    })),
  ),
  ...formIds.flatMap((id) =>
    Object.entries<ParamSpec>(forms[id].params).map(([name, spec]) => ({
      name,
      spec,
      at: "surfaces[0].form",
      job: (value: number) =>
        withSurface({ pattern: null, coats: [], form: { id, version: 1, params: { [name]: value } } }),
    })),
  ),
];

describe("techniques and forms in a job that comes in", () => {
  it("keep every setting within its own range, and say which is not and what is allowed", () => {
    for (const { name, spec, at, job } of SETTINGS) {
      const [least, most] = spec.range;
      expect(problems(job(least)), name).toEqual([]);
      expect(problems(job(most)), name).toEqual([]);
      for (const value of [least - spec.step, most + spec.step])
        expect(problems(job(value))).toEqual([
          `${at}.params.${name} must be ${least} to ${most}, got ${value}`,
        ]);
    }
  });

  it("are known, in a version that is known", () => {
    expect(problems(withTechnique({ id: "spatter", version: 1, params: {} }))).toEqual([
      "surfaces[0].coats[0].technique.id is no technique that is known here",
    ]);
    expect(problems(withTechnique({ id: "constructor", version: 1, params: {} }))).toHaveLength(1);
    expect(problems(withTechnique({ id: "glaze", version: 99, params: {} }))).toHaveLength(1);
    expect(problems(withSurface({ form: { id: "teapot", version: 1, params: {} } }))).toEqual([
      "surfaces[0].form.id is no form that is known here",
    ]);
  });

  it("are looked at wherever a coat is kept: parked and in variants too", () => {
    const coat = {
      ...skirt.coats[0]!,
      technique: { id: "dry-brush", version: 1, params: { radius: 999_999 } },
    };
    expect(problems(withSurface({ parked: [coat] }))[0]).toMatch(/^surfaces\[0\]\.parked\[0\]/);
    const variants = [{ id: "one", name: "One", pattern: null, coats: [coat] }];
    expect(problems(withSurface({ variants }))[0]).toMatch(/^surfaces\[0\]\.variants\[0\]\.coats\[0\]/);
  });
});

describe("a job that is stored already", () => {
  it("is read with what lies beyond a range held at its end, so that nobody is shut out of their own work", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SETTINGS),
        fc.integer({ min: -900_000, max: 900_000 }),
        ({ name, spec, job }, value) => {
          const { surfaces } = parseStoredJob(job(value));
          const use = surfaces[0]!.coats[0]?.technique ?? surfaces[0]!.form;
          expect(use.params[name]).toBe(Math.min(spec.range[1], Math.max(spec.range[0], value)));
        },
      ),
    );
  });

  it("is the same job where nothing does", () => {
    for (const job of demoJobs()) expect(parseStoredJob(job)).toEqual(job);
  });
});
