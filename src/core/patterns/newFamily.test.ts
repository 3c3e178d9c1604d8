import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { checkSurface } from "../checks";
import { putPattern } from "../edits/patterns";
import { readJobFile, writeJobFile } from "../formats/job-json/jobFile";
import { FIRST_FIGURE } from "../job";
import { newJob, withNewPiece } from "../newJob";
import { defaultPainter } from "../painter";
import { cardFacts } from "../plan/cardText";
import { cardsOf } from "../plan/cards";
import { layCoat, marksOf } from "../simulate/layCoat";
import { createFilmBuffer } from "../techniques/technique";
import { buildForm } from "../surface/forms/buildForm";
import { buildGrid } from "../surface/grid";
import { families } from ".";
import type { PatternFamily } from "./family";
import { mapMixesOfFields, schemaOfFields, startOfFields, type FieldSpecs, type FieldValues } from "./fields";

/** A family as short as one can be: one broad stripe round the piece. */
const fields = {
  share: {
    kind: "number",
    label: "Stripe",
    unit: "%",
    range: [5, 90],
    step: 5,
    default: 40,
    about: "Of the height.",
  },
  mixId: { kind: "mix", label: "Stripe's mix", about: "What it is painted in.", startAt: 1 },
} as const satisfies FieldSpecs;
type Values = FieldValues<typeof fields>;
const to = { kind: "pattern", key: "stripe" } as const;
const technique = { id: "fill", version: 1, params: {} };
const stripe: PatternFamily<Values, { share: number; form: ReturnType<typeof buildForm> }> = {
  ...{ id: "stripe", version: 1, label: "One stripe", about: "A broad stripe.", fields, checks: [] },
  schema: schemaOfFields(fields),
  start: ({ mixes }) => startOfFields(fields, mixes),
  layout: ({ share }, { form }) => ({ share: share / 100, form }),
  coats: ({ params: { mixId } }) => [
    { role: "stripe", name: "Stripe", technique, place: to, mixId, water: 1, passes: 2 },
  ],
  places: () => [{ key: "stripe", label: "the stripe", lays: "regions", covers: true }],
  marks({ share, form }, key, grid) {
    if (key !== "stripe") return { kind: "strokes", strokes: [] };
    const { heightMm } = grid();
    const depthMm = heightMm.map((up) => (form.slantMm * share) / 2 - Math.abs(up - form.slantMm / 2));
    return { kind: "regions", regions: { number: new Int32Array(heightMm.length), depthMm } };
  },
  tones: () => [{ key: "stripe", label: "stripe" }],
  meets: () => true,
  work: ({ share, form }) => ({ areaMm2: share * form.areaMm2, count: 1, name: "stripe", rate: "pull" }),
  lookAt: () => ["Both edges level."],
  mapMixes: (params, change) => mapMixesOfFields(fields, params, change),
  filmParams: ({ share }) => share,
};

const registry = families as Record<string, PatternFamily>;

describe("a family of twenty lines", () => {
  beforeEach(() => {
    registry.stripe = stripe;
  });
  afterEach(() => {
    delete registry.stripe;
  });
  const bare = withNewPiece(newJob("own", "Own", defaultPainter, demoShelf), "cone-band", FIRST_FIGURE).job;

  it("is offered, simulated, checked, carded and exported without a line outside it", () => {
    expect(Object.values(families).map((family) => family.label)).toContain("One stripe");
    const job = putPattern(bare, "skirt", "stripe", demoShelf);
    const surface = job.surfaces[0]!;
    expect(surface.pattern).toEqual({ id: "stripe", version: 1, params: { share: 40, mixId: "dark" } });
    const coat = surface.coats[0]!;
    const grid = buildGrid(buildForm(surface), 0.1);
    const inside = grid.inside.reduce((sum, share) => sum + share, 0);
    const marks = marksOf(job, surface, grid.form, coat, () => grid);
    const film = layCoat(
      marks,
      coat,
      job.hand,
      { grid, films: [], near: null },
      createFilmBuffer(grid.inside.length),
      inside,
    );
    expect(film.cover.reduce((sum, share) => sum + share / 255, 0) / inside).toBeCloseTo(0.4, 1);
    // Two thin passes of a dark mix over grey primer are no finding of their own; a missing pot is.
    const missing = checkSurface(job, surface, []).map((finding) => finding.sentence);
    expect(missing.join()).toMatch(/names a pot that is not on the shelf/);
    const [card] = cardsOf(job, demoShelf, defaultPainter);
    expect(card!.lookAt).toContain("Both edges level.");
    expect(cardFacts(card!, demoShelf)).toContainEqual(["Strokes", "1 stripe in each of 2 passes"]);
    expect(readJobFile(writeJobFile(job, demoShelf)).job).toEqual(job);
  });

  it("has its settings checked wherever a job comes in", () => {
    const job = putPattern(bare, "skirt", "stripe", demoShelf);
    const text = writeJobFile(job, demoShelf).replace('"share": 40', '"share": 95');
    expect(() => readJobFile(text)).toThrow(/share must be less than or equal to 90/);
    delete registry.stripe;
    expect(() => readJobFile(writeJobFile(job, demoShelf))).toThrow(/pattern\.id/);
  });
});
