import { readFileSync } from "node:fs";
import path from "node:path";
import { Ajv2020 } from "ajv/dist/2020.js";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../../data/demo/ferrySergeant";
import { ferryWatch, reedScout } from "../../../data/demo/company";
import { tideHound } from "../../../data/demo/tideHound";
import { demoShelf } from "../../../data/demo/shelf";
import { families } from "../../patterns";
import { InputError } from "../../errors";
import { FIRST_FIGURE, USUAL_LAMP } from "../../job";
import { newJob } from "../../newJob";
import { defaultPainter } from "../../painter";
import { patternOf } from "../../patterns/bind";
import { placeOf } from "../../patterns/pattern";
import { buildForm } from "../../surface/forms/buildForm";
import { readJobFile, writeJobFile } from "./jobFile";
import { jobFileSchema } from "./publishedSchema";
import { parseJob, parsePaint } from "./jobSchema";

const demo = ferrySergeant();
const schema = JSON.parse(
  readFileSync(path.resolve("public/schema/crenna-job-file-16.schema.json"), "utf8"),
) as object;
const validate = new Ajv2020({ allErrors: true }).compile(schema);

type Json = Record<string, unknown>;
/** The demo file with one value changed along a path. */
function damaged(place: readonly (string | number)[], value: unknown): string {
  const file = JSON.parse(writeJobFile(demo, demoShelf)) as Json;
  let node: Json = file;
  for (const key of place.slice(0, -1)) node = node[key] as Json;
  const last = place.at(-1)!;
  if (value === undefined) Reflect.deleteProperty(node, last);
  else node[last] = value;
  return JSON.stringify(file);
}

const problemsOf = (text: string): string => {
  try {
    readJobFile(text);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return "";
};

const LOG = [
  {
    id: "entry-1",
    cardId: "coat-skirt/base",
    cardTitle: "Base",
    doneAt: "2026-05-01T09:30:00.000Z",
    minutes: 12.5,
    note: "Ünruhige Hand",
    ...{ dryAfter: 14.5, water: 1.25, loads: 9, brush: "Old round" },
    readings: [{ at: "2026-05-01T10:30:00Z", by: "typed" as const, l: 61.5, a: -3, b: 28.25 }],
    recipe: [
      { paintId: "paint-straw", drops: 3 },
      { paintId: null, drops: 2 },
    ],
  },
];

const SITTINGS = [
  { id: "sitting-1", startedAt: "2026-05-01T17:00:00Z", endedAt: "2026-05-01T18:30:00Z", note: "Lamp low." },
  { id: "sitting-2", startedAt: "2026-05-02T17:00:00Z", endedAt: null, note: "" },
];

describe("the job file", () => {
  it("gives back the job and its pots without loss", () => {
    for (const job of [demo, newJob("own", "Own", defaultPainter, demoShelf)]) {
      const history = { log: LOG, wells: [], sittings: SITTINGS };
      const read = readJobFile(writeJobFile(job, demoShelf, [], history));
      expect(read.job).toEqual(job);
      expect(read.history).toEqual(history);
      const used = new Set(job.mixes.flatMap((mix) => mix.parts.map((part) => part.paintId)));
      const mixed = ["paint-straw"];
      expect(read.paints).toEqual(
        demoShelf.filter((paint) => used.has(paint.id) || mixed.includes(paint.id)),
      );
    }
  });

  it("keeps to the published schema, with every pattern there is", () => {
    for (const job of [reedScout(), ferryWatch(), tideHound()]) {
      const file: unknown = JSON.parse(writeJobFile(job, demoShelf));
      expect(validate(file), JSON.stringify(validate.errors)).toBe(true);
      expect(readJobFile(JSON.stringify(file)).job).toEqual(job);
    }
    const used = [demo, reedScout(), tideHound()].flatMap(({ surfaces }) =>
      surfaces.map(({ pattern }) => pattern?.id),
    );
    for (const id of Object.keys(families)) expect(used, `${id} is in no demo`).toContain(id);

    expect(
      validate(JSON.parse(writeJobFile(demo, demoShelf, [], { log: LOG, wells: [], sittings: SITTINGS }))),
    ).toBe(true);
  });

  it("is published as what the schemas that read it say", () => {
    expect(schema).toEqual(jobFileSchema());
  });

  it("carries wells, goals and reference pictures", () => {
    const id = "a".repeat(64);
    const well = {
      ...{ id: "well-1", name: "Straw", mixId: "straw", waterUl: 12 },
      added: [{ paintId: "paint-moss", drops: 2 }],
      content: [{ paintId: "paint-moss", ul: 61.5 }],
    };
    const job = {
      ...demo,
      references: [{ id: "ref-1", name: "Cloth", pictureId: id, width: 40, height: 30, neutral: null }],
    };
    const pictures = [{ id, type: "image/png", base64: "iVBORw0KGgo=" }];
    const text = writeJobFile(job, demoShelf, pictures, { log: [], wells: [well], sittings: [] });
    const read = readJobFile(text);
    expect(read.job).toEqual(job);
    expect(read.history).toEqual({ log: [], wells: [well], sittings: [] });
    expect(read.pictures).toEqual(pictures);
    expect(read.paints.map((paint) => paint.id)).toContain("paint-moss");
    expect(validate(JSON.parse(text))).toBe(true);
  });

  const BAD: readonly (readonly [string, readonly (string | number)[], unknown, RegExp])[] = [
    ["a foreign format", ["format"], "other", /no job file/],
    ["a later version", ["version"], 17, /Version 17/],
    ["no paints", ["paints"], undefined, /no list of paints/],
    ["a missing name", ["job", "name"], undefined, /name/],
    ["text for a number", ["job", "figures", 0, "eyeHeightMm"], "32", /eyeHeightMm/],
    ["a number out of range", ["job", "hand", "finestLineMm"], 9, /finestLineMm/],
    ["an unknown key", ["job", "colour"], "red", /unknown.*colour/],
    ["a place that is none", ["job", "surfaces", 0, "coats", 3, "place", "kind"], "sky", /place/],
    ["a broken colour", ["paints", 0, "thick"], "blue", /paints\[0\].*hexadecimal/],
    ["two mixes of one id", ["job", "mixes", 0, "id"], "rust", /different ids/],
    ["a surface of no figure", ["job", "surfaces", 0, "figureId"], "other", /figures/],
    [
      "a pattern setting out of range",
      ["job", "surfaces", 0, "pattern", "params", "periods"],
      0,
      /pattern\.params\.periods/,
    ],
    ["a pattern that is none", ["job", "surfaces", 0, "pattern", "id"], "polka", /pattern\.id/],
    ["no history", ["history"], undefined, /history/],
    ["a time that is none", ["history", "log"], [{ ...LOG[0], doneAt: "yesterday" }], /UTC time/],
    ["a well without content", ["history", "wells"], [{ id: "well-1" }], /wells/],
    ["a share above one", ["job", "goals", 0, "share"], 3, /share/],
    ["a picture that is none", ["pictures"], [{ id: "x", type: "text/plain", base64: "?" }], /pictures/],
    ["a finish that is none", ["paints", 0, "finish"], "fluffy", /finish/],
    ["an endless number of passes", ["job", "surfaces", 0, "coats", 0, "passes"], 1e9, /passes/],
  ];

  it.each(BAD)("is refused with %s, and says so", (_name, place, value, message) => {
    const text = damaged(place, value);
    expect(problemsOf(text)).toMatch(message);
  });

  it("and the published schema refuse the same damage", () => {
    // What a schema cannot say (ids that differ, or name each other) is left to the reader.
    const NOT_SAID = ["two mixes of one id", "a surface of no figure"];
    for (const [name, place, value] of BAD.filter(([one]) => !NOT_SAID.includes(one))) {
      expect(validate(JSON.parse(damaged(place, value))), name).toBe(false);
    }
  });

  it("never crashes on what is not a job file", () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        expect(() => readJobFile(text)).toThrow(InputError);
      }),
      { numRuns: 200 },
    );
    expect(problemsOf(writeJobFile(demo, demoShelf).slice(0, 900))).toMatch(/not whole JSON/);
  });
});

/** Files that earlier releases wrote, kept as they wrote them. */
const kept = (version: number) =>
  readFileSync(path.resolve(`tests/fixtures/job-file-${version}.json`), "utf8");

describe("a file of an earlier version", () => {
  const old = JSON.parse(kept(2)) as { job: Json };
  const coatsOf = (job: unknown): Json[] =>
    ((job as Json).surfaces as Json[]).flatMap((surface) => [
      ...(surface.coats as Json[]),
      ...(surface.parked as Json[]),
      ...(surface.variants as Json[]).flatMap((variant) => variant.coats as Json[]),
    ]);

  it("2 is read whole: every coat, parked ones and those of variants too, goes where it went", () => {
    const { job, history } = readJobFile(kept(2));
    const [before, after] = [coatsOf(old.job), coatsOf(job)];
    expect(after.length).toBe(before.length);
    expect(before.filter((coat) => (coat.target as Json).kind === "bands").length).toBeGreaterThan(3);
    before.forEach((coat, at) => {
      const { target, technique, ...rest } = coat;
      const now = after[at]!;
      expect(now).toMatchObject(rest);
      const { kind, column, row, along, code } = target as Record<string, string>;
      const key = {
        guides: "guides",
        boxes: `boxes:${column! < row! ? column : row}:${column! < row! ? row : column}`,
        bands: `${along}:${code}`,
        lines: `lines:${code}`,
        crossings: `dots:${code}`,
      }[kind!];
      // No zones kept to a value plan before there was one.
      const same = kind === "zones" ? { ...(target as Json), values: null, shed: null } : target;
      expect(now.place).toEqual(key === undefined ? same : { kind: "pattern", key });
      const { id, ...settings } = technique as Json;
      expect(now.technique).toEqual({ id: id === "box-fill" ? "fill" : id, ...settings });
    });
    for (const part of ["hand", "mixes", "touching"] as const) expect(job[part]).toEqual(old.job[part]);
    expect(job.goals).toEqual(old.job.targets);
    expect(job.figures).toEqual([
      { id: FIRST_FIGURE, name: "Figure", body: null, lights: [], ...(old.job.figure as Json) },
    ]);
    expect(history).toEqual({ log: old.job.log, wells: old.job.wells, sittings: [] });
    job.surfaces.forEach((surface, at) => {
      const before = (old.job.surfaces as Json[])[at]!;
      for (const part of ["id", "name", "form", "relief", "wear", "seed"] as const)
        expect(surface[part]).toEqual(before[part]);
      // Nothing is seated that the painter did not seat: its light stays as it was.
      expect(surface.seat).toBeNull();
      expect(surface.volumes).toEqual({ material: "dull-cloth", importance: "usual" });
      // Since then a cloth can say which of its stripes are lines; left to their width, as it was.
      const { version, params } = (before.pattern ?? { version: 1 }) as { version: number; params?: Json };
      expect(version).toBe(1);
      expect(surface.pattern).toEqual(
        params ? { id: "sett", version: 2, params: { ...params, painted: {} } } : null,
      );
    });
  });

  it("2 lays no coat nowhere: every place that a painted coat names is one of its pattern", () => {
    for (const surface of readJobFile(kept(2)).job.surfaces) {
      const pattern = patternOf(demo, surface, buildForm(surface));
      for (const coat of surface.coats)
        if (coat.place.kind === "pattern") expect(placeOf(pattern, coat), coat.name).not.toBeNull();
    }
  });

  it("1 is read as well as the same job of version 2, with what it did not know left empty", () => {
    const [one, two] = [readJobFile(kept(1)), readJobFile(kept(2))];
    expect(one.job).toEqual({
      ...two.job,
      mixes: two.job.mixes.map((mix) => ({ ...mix, goal: null })),
      figures: [{ ...two.job.figures[0]!, lamp: USUAL_LAMP }],
      references: [],
      goals: [],
      touching: [],
      surfaces: one.job.surfaces,
    });
    expect(one.history).toEqual({
      log: two.history.log.map((entry) => ({ ...entry, recipe: null })),
      wells: [],
      sittings: [],
    });
    // Places of version 1 were zones alone.
    expect(coatsOf(one.job).map((coat) => coat.id)).toEqual(coatsOf(two.job).map((coat) => coat.id));
    expect(one.paints.every((paint) => paint.fit === null)).toBe(true);
  });

  it("3 is read as what it was made from, the file of version 2", () => {
    const [two, three] = [readJobFile(kept(2)), readJobFile(kept(3))];
    expect(three).toEqual(two);
    expect(three.history.log.length).toBeGreaterThan(0);
    expect(three.history.wells.length).toBeGreaterThan(0);
  });

  it("comes out in today's version, keeps to its published schema and is read back the same", () => {
    for (const version of [1, 2, 3]) {
      const { job, history, paints, pictures } = readJobFile(kept(version));
      const text = writeJobFile(job, paints, pictures, history);
      expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).toBe(true);
      expect(readJobFile(text)).toEqual({ job, history, paints, pictures });
    }
  });

  it("without what it should have is refused, not filled up", () => {
    const { log, figure, ...bare } = old.job;
    expect(() => parseJob(bare)).toThrow(/figures/);
    expect(() => readJobFile(JSON.stringify({ ...old, job: { ...old.job, wells: 3 } }))).toThrow(/wells/);
  });
});

describe("the schemas", () => {
  it("pass every demo pot and refuse a pot without a name", () => {
    for (const paint of demoShelf) expect(parsePaint(paint)).toEqual(paint);
    expect(() => parsePaint({ ...demoShelf[0], name: " " })).toThrow();
  });
  it("refuse a job that is not an object", () => {
    for (const value of [null, 3, [], "job"]) expect(() => parseJob(value)).toThrow();
  });
});
