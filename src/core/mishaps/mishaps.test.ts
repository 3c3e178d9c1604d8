import { readdirSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { ferryWatch, wholeSergeant } from "../../data/demo/company";
import { mudDrake } from "../../data/demo/mudDrake";
import { demoShelf } from "../../data/demo/shelf";
import { InputError } from "../errors";
import { parseJob } from "../formats/job-json/jobSchema";
import { activeCoats, type Job, type MishapId, type Surface } from "../job";
import { defaultPainter } from "../painter";
import { cardsOf } from "../plan/cards";
import type { FilmState } from "../plan/clocks";
import { figuresOf } from "../plan/progress";
import { tasksOf } from "../plan/schedule/tasksOf";
import { schemeOf } from "../edits/ownSchemes";
import { withSurface } from "../edits/surfaces";
import { mishapIds, mishaps } from ".";
import { mendingOf, mishapContext, outOfReach, type Mending, type MendInput } from "./mend";

/** A demo job with one of its pieces: the others need not be painted for it. */
const only = (job: Job, surfaceId: string): Job => ({
  ...job,
  touching: [],
  surfaces: job.surfaces.filter(({ id, name }) => id === surfaceId || name.toLowerCase() === surfaceId),
});
const sergeant = only(wholeSergeant(), "satchel");
const watch = only(ferryWatch(), "trousers");

/** One coat of the demo that a mishap can happen to, and how many coats are painted by then. */
interface Case {
  readonly job: Job;
  readonly surfaceId: string;
  readonly coat: number;
  readonly painted: number;
}
const satchel: Case = { job: sergeant, surfaceId: "satchel", coat: 4, painted: 5 };
const CASES: Readonly<Record<MishapId, Case>> = {
  pool: satchel,
  overspill: satchel,
  lumps: satchel,
  "too-bright": { ...satchel, coat: 3, painted: 4 },
  "shadows-lost": satchel,
  "all-dark": { job: watch, surfaceId: "trousers", coat: -1, painted: -1 },
  even: { job: only(mudDrake(), "neck"), surfaceId: "neck", coat: -1, painted: -1 },
  "wrong-mix": satchel,
  forgotten: { ...satchel, coat: 1, painted: 4 },
};

const surfaceOf = ({ job, surfaceId }: Case): Surface =>
  job.surfaces.find(({ id, name }) => id === surfaceId || name.toLowerCase() === surfaceId)!;

/** The case as the painter tells it. */
function asked(kind: MishapId, state: FilmState, change: Partial<MendInput["told"]> = {}): MendInput {
  const given = CASES[kind];
  const { job } = given;
  const surface = surfaceOf(given);
  const coats = activeCoats(surface);
  const all = new Set(coats.map(({ id }) => id));
  const at =
    given.coat >= 0
      ? given.coat
      : coats.findIndex((coat) => mishaps[kind].suits({ job, surface, coat, painted: all }));
  const painted = coats
    .slice(0, given.painted >= 0 ? given.painted : at + 1)
    .map(({ id }) => id)
    .filter((id) => kind !== "forgotten" || id !== coats[at]!.id);
  const coat = coats[at]!;
  const mixId = job.mixes.find(({ id }) => id !== coat.mixId)!.id;
  const told = { kind, coatId: coat.id, along: 0.4, up: 0.55, amount: mishaps[kind].asks.amount?.usual ?? 0 };
  return {
    ...{ job, paints: demoShelf, painter: defaultPainter, surfaceId: surface.id, painted, state },
    told: { ...told, mixId, ...change },
  };
}

const answers = new Map<string, Mending>();
function mended(kind: MishapId, state: FilmState): Mending {
  const key = `${kind}/${state}`;
  const known = answers.get(key) ?? mendingOf(asked(kind, state));
  answers.set(key, known);
  return known;
}

describe("the registry of mishaps", () => {
  it("has one file a mishap, each registered under its id", () => {
    const files = readdirSync(path.resolve("src/core/mishaps/kinds"));
    expect(files).toHaveLength(mishapIds.length);
    for (const id of mishapIds) expect(mishaps[id].id).toBe(id);
  });
});

describe.each(mishapIds)("%s", (kind) => {
  const input = asked(kind, "touch dry");
  const surface = input.job.surfaces.find(({ id }) => id === input.surfaceId)!;

  it("is taken into the picture as it happened: what is there is not what was planned", () => {
    const { happened, goOn } = mended(kind, "touch dry");
    expect(happened).not.toEqual(surface);
    expect(goOn.distance.far).toBeGreaterThan(0.05);
    expect(() =>
      parseJob(JSON.parse(JSON.stringify(withSurface(input.job, surface.id, () => happened)))),
    ).not.toThrow();
  });

  it("leads on at least as near to the plan as going on, and tells what is out of reach", () => {
    for (const state of ["workable", "touch dry"] as const) {
      const { ways, goOn, areaMm2 } = mended(kind, state);
      const [best] = ways;
      expect(best!.distance.far).toBeLessThanOrEqual(goOn.distance.far);
      expect(ways).toContain(goOn);
      for (const way of ways) {
        const { apartMm2 } = way.distance;
        expect(apartMm2).toBeLessThanOrEqual(areaMm2 * 1.0001);
        expect(outOfReach(way, areaMm2)).toMatch(
          apartMm2 < 0.002 * areaMm2 ? /^It comes out as planned/ : /^Out of reach: \d+ % of the piece/,
        );
      }
    }
  });

  it("is mended while it is wet only where the film can be worked, and not at all by hand while it sets", () => {
    const wetOf = (state: FilmState) => mended(kind, state).ways.filter(({ wet }) => wet).length;
    const { wet } = mishaps[kind].repairs({
      ...{ ...input, surface, painted: new Set(input.painted), looks: [] },
      coat: surface.coats.find(({ id }) => id === input.told.coatId)!,
      form: null as never,
    });
    expect(wetOf("workable") > 0).toBe(wet.length > 0);
    expect(wetOf("touch dry")).toBe(0);
  });

  it("is no part of a scheme that is made of the surface: the next piece is painted as it was planned", () => {
    const { ways, goOn } = mended(kind, "touch dry");
    const scheme = (of: Surface) =>
      schemeOf(input.job, of, { id: "own", name: "Own", at: "2026-05-01T09:30:00Z" }).coats;
    // What of the rest is planned anew stays planned so, and a coat that was forgotten stays out of it.
    const kept = ways.filter(({ replanned }) => replanned.length === 0 && kind !== "forgotten");
    for (const way of kept) expect(scheme(way.surface)).toEqual(scheme(surface));
    expect(scheme(goOn.surface).every(({ mishap, mends }) => !mishap && !mends)).toBe(true);
  });

  it("adds cards for what is painted, none for what lies there, and every way is a job that can be kept", () => {
    for (const { surface: next, added, minutes } of mended(kind, "touch dry").ways) {
      const job = withSurface(input.job, surface.id, () => next);
      expect(parseJob(JSON.parse(JSON.stringify(job)))).toEqual(job);
      const cards = cardsOf(job, demoShelf, defaultPainter).filter((card) => card.surface.id === surface.id);
      const ids = cards.map(({ coat }) => coat.id);
      for (const coat of next.coats)
        expect(ids.includes(coat.id), coat.name).toBe(!coat.held && !coat.mishap);
      for (const id of added) expect(ids).toContain(id);
      expect(minutes > 0).toBe(added.length > 0);
    }
  });
});

describe("what is told of a mishap", () => {
  it("is refused where it cannot be, with what is allowed", () => {
    const far = asked("pool", "workable", { amount: 50 });
    expect(() => mendingOf(far)).toThrow(InputError);
    expect(() => mendingOf(far)).toThrow(/0.4 to 8 mm, got 50/);
    expect(() => mendingOf(asked("pool", "workable", { coatId: "gone" }))).toThrow(/not part of the job/);
    const first = surfaceOf(satchel).coats[0]!;
    expect(() => mendingOf(asked("shadows-lost", "workable", { coatId: first.id }))).toThrow(
      /cannot have happened/,
    );
  });

  it("counts: a larger spot and a wider line are further from the plan", () => {
    const far = (kind: MishapId, amount: number) =>
      mendingOf(asked(kind, "touch dry", { amount })).goOn.distance.apartMm2;
    expect(far("pool", 3)).toBeGreaterThan(far("pool", 1));
    expect(far("overspill", 0.6)).toBeGreaterThan(far("overspill", 0.2));
  });

  it("lies where it was pressed", () => {
    const spots = [0.2, 0.8].map((along) => {
      const happened = mishaps.pool.happened(mishapContext(asked("pool", "touch dry", { along })));
      const place = happened.coats.find(({ mishap }) => mishap === "pool")!.place;
      return place.kind === "zones" ? place.outline!.points.filter((_, at) => at % 2 === 0) : [];
    });
    spots.forEach((points, at) => {
      const middle = points.reduce((sum, one) => sum + one, 0) / points.length;
      expect(middle).toBeCloseTo([0.2, 0.8][at]!, 1);
    });
  });
});

describe("a mishap on all figures of a unit", () => {
  it("is one of the coat itself, as where no figure is named", () => {
    const { count } = watch.figures.find(({ id }) => id === watch.surfaces[0]!.figureId)!;
    const figures = Array.from({ length: count }, (_, at) => at + 1);
    const named = mishapContext(asked("all-dark", "touch dry", { figures }));
    expect(named.told).toEqual(mishapContext(asked("all-dark", "touch dry")).told);
  });
});

describe("a mishap on one figure of a unit", () => {
  const input = asked("all-dark", "touch dry", { figures: [2] });
  const { ways } = mendingOf(input);
  const way = ways.find(({ added }) => added.length > 0)!;
  const job = withSurface(watch, input.surfaceId, () => way.surface);

  it("is mended on that figure alone: its cards, its tasks, its paint", () => {
    const before = cardsOf(watch, demoShelf, defaultPainter);
    const cards = cardsOf(job, demoShelf, defaultPainter);
    const repairs = cards.filter(({ coat }) => way.added.includes(coat.id));
    expect(repairs.length).toBeGreaterThan(0);
    for (const card of repairs) {
      expect(card.figures).toBe(1);
      expect(figuresOf(card)).toEqual([2]);
    }
    const others = cards.filter(({ coat }) => !way.added.includes(coat.id));
    expect(others.map(({ id, figures }) => [id, figures])).toEqual(
      before.map(({ id, figures }) => [id, figures]),
    );
    const tasks = tasksOf({
      ...{ cards, paints: demoShelf, log: [], unit: "figures", painter: defaultPainter },
      inMinutes: () => 0,
    });
    const own = tasks.filter(({ cardIds }) => cardIds.some((id) => repairs.some((card) => card.id === id)));
    expect(own.flatMap(({ goes }) => goes.map(({ line }) => line))).toEqual(
      repairs.map(() => `${input.surfaceId}/2`).slice(0, own.length),
    );
  });
});
