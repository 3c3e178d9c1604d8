import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { coatsAt, timesOf } from "../ageing/asItWas";
import { EVENTS, TIMES } from "../ageing/events";
import { liesBelow } from "../ageing/order";
import { CHIPPED_BY, GROUNDS, HANDLED, MADE, STUFFS, USUAL_TOLD, WEATHERS, type Told } from "../ageing/told";
import { parseJob } from "../formats/job-json/jobSchema";
import type { Job, Paint } from "../job";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { FilmLayer } from "../simulate/filmLayer";
import { GridShelf } from "../simulate/gridShelf";
import { techniques } from "../techniques";
import { completeParams } from "../params";
import { schemes } from ".";
import { historyCoats } from "./historyCoats";
import type { HistoryRoom } from "./historyTones";
import { isTold, layHistory, planHistory, takeHistoryOff } from "./history";
import { planStart, startSurface } from "./start";

const room = (told: Partial<Told>, more: Partial<HistoryRoom> = {}): HistoryRoom => ({
  ...{ finestMm: 0.1, scale: 1, narrow: false, hasPowder: true, fittings: 0, ownL: 50 },
  told: { ...USUAL_TOLD, ...told },
  ...more,
});

/** Every history that can be told, on small and large figures. */
const all = STUFFS.flatMap((stuff) =>
  MADE.flatMap((made) =>
    HANDLED.flatMap((handled) =>
      WEATHERS.flatMap((weather) =>
        GROUNDS.flatMap((ground) =>
          [0.7, 1.8].flatMap((scale) =>
            [true, false].flatMap((hasPowder) =>
              CHIPPED_BY.map((chippedBy) =>
                room(
                  { stuff, made, handled, weather, ground, chippedBy },
                  { scale, hasPowder, fittings: scale > 1 ? 0.02 : 0.2 },
                ),
              ),
            ),
          ),
        ),
      ),
    ),
  ),
);

describe("every history that can be told", () => {
  it("names each coat once, keeps every setting in its range, and asks for earlier coats only", () => {
    const wrong: string[] = [];
    for (const one of all) {
      const coats = historyCoats(one);
      const keys = coats.map(({ key }) => key);
      if (new Set(keys).size < keys.length) wrong.push(`${keys.join()} twice`);
      coats.forEach(({ key, technique, params = {}, marksOf, place }, at) => {
        const earlier = keys.slice(0, at);
        if (marksOf !== undefined && !earlier.includes(marksOf)) wrong.push(`${key} after ${marksOf}`);
        if (place.kind === "zones" && place.near && !earlier.includes(place.near.coatId))
          wrong.push(`${key} near ${place.near.coatId}`);
        for (const [name, value] of Object.entries(params)) {
          const range = techniques[technique].params[name]?.range ?? [Infinity, -Infinity];
          if (value < range[0] || value > range[1]) wrong.push(`${key}.${name} ${value}`);
        }
      });
    }
    expect([...new Set(wrong)]).toEqual([]);
  });

  it("lays older below newer, and every coat stands for something that happened", () => {
    const wrong: string[] = [];
    for (const one of all) {
      const coats = historyCoats(one);
      const events = coats.map(({ event }) => event!);
      events.forEach((event, at) => {
        // Iron is painted when the piece is: only it belongs to its making.
        const made = coats[at]!.key === "told-fittings" ? "made" : null;
        const { time } = EVENTS[event];
        if (time === null || (time === "made" && made === null)) wrong.push(event);
        for (const before of events.slice(0, at))
          if (liesBelow(event, before)) wrong.push(`${before}, ${event}`);
      });
    }
    expect([...new Set(wrong)]).toEqual([]);
  });

  it("tells of what cannot have happened nothing: no rust indoors or on stone, no dust on clean floors, no moss on dry ground", () => {
    const events = (told: Partial<Told>) => historyCoats(room(told)).map(({ event }) => event);
    expect(events({ weather: "sea" })).toContain("rusted");
    for (const told of [{ weather: "indoors" }, { stuff: "stone", weather: "sea" }] as const)
      expect(events(told)).not.toContain("rusted");
    expect(events({ ground: "clean" })).not.toContain("dusted");
    expect(events({ ground: "mud" })).toContain("dusted");
    const wood = { stuff: "wood", made: "long", weather: "rain" } as const;
    expect(events({ ...wood, ground: "wet" })).toContain("grown");
    expect(events({ ...wood, ground: "dry" })).not.toContain("grown");
  });

  it("of bare metal chips no paint: it rusts where water stands and is worn bright again where it is used", () => {
    const of = (told: Partial<Told>) => historyCoats(room({ stuff: "armour", weather: "sea", ...told }));
    const events = (told: Partial<Told>) => of(told).map(({ event }) => event);
    expect(events({})).not.toContain("chipped");
    expect(events({}).indexOf("worn-again")).toBeGreaterThan(events({}).lastIndexOf("rusted"));
    expect(events({ handled: "hardly" })).not.toContain("worn-again");
    expect(events({ weather: "indoors" })).not.toContain("rusted");
  });

  it("paints iron on wood dark or bright, whichever stands out, lets it rust and run, and shines where it is handled", () => {
    const of = (more: Partial<HistoryRoom>, told: Partial<Told> = {}) =>
      historyCoats(
        room({ stuff: "wood", made: "long", weather: "sea", ...told }, { fittings: 0.02, ...more }),
      );
    const ironOf = (ownL: number) => of({ ownL }).find(({ key }) => key === "told-fittings")!.tone;
    expect([ironOf(60), ironOf(25)]).toEqual(["dark-fitting", "pale-fitting"]);
    const events = of({}).map(({ event }) => event);
    expect(events.indexOf("painted")).toBe(0);
    expect(events.lastIndexOf("run")).toBeGreaterThan(events.indexOf("rusted"));
    const keys = (coats: readonly { readonly key: string }[]) => coats.map(({ key }) => key);
    expect(keys(of({}))).toContain("told-iron-runs");
    expect(keys(of({}, { weather: "indoors" }))).not.toContain("told-iron-runs");
    expect(keys(of({}, { handled: "hardly" }))).not.toContain("told-fittings-bright");
    expect(keys(of({ fittings: 0 }))).not.toContain("told-fittings");
    // Each of many heads has a run of its own; a hoop has a few.
    const density = (fittings: number) =>
      of({ fittings }).find(({ key }) => key === "told-iron-runs")!.params!.density!;
    expect(density(0.02)).toBeGreaterThan(5 * density(0.3));
  });

  it("dents metal that is knocked about, each dent light on its lower side", () => {
    const of = (told: Partial<Told>) => historyCoats(room({ handled: "everywhere", ...told }));
    const dents = of({}).filter(({ event }) => event === "dented");
    expect(dents.map(({ tone }) => tone)).toEqual(["dent-dark", "dent-light"]);
    expect(dents[1]!.marksOf).toBe(dents[0]!.key);
    expect(dents[1]!.params!.lower).toBeGreaterThan(0.1);
    expect(of({ stuff: "wood" }).some(({ event }) => event === "dented")).toBe(false);
    expect(of({ handled: "hardly" }).some(({ event }) => event === "dented")).toBe(false);
  });

  it("has the more of everything the longer ago, the rougher its use and the wetter its weather", () => {
    const coverage = (key: string, told: Partial<Told>) =>
      historyCoats(room(told)).find((coat) => coat.key === `told-${key}`)!.params!.coverage!;
    const rising = (values: readonly number[]) =>
      values.every((value, at) => at === 0 || value > values[at - 1]!);
    expect(rising(MADE.map((made) => coverage("rims", { made })))).toBe(true);
    expect(rising(HANDLED.map((handled) => coverage("rims", { handled })))).toBe(true);
    expect(rising(["rain", "sea"].map((weather) => coverage("rust-1", { weather: weather as "sea" })))).toBe(
      true,
    );
  });
});

describe("a history on a plate", () => {
  const plate = { ...newPlainSurface("piece", "Housing", "plate", []), coats: [] };
  const bare = { ...newJob("told", "Told", defaultPainter, demoShelf), mixes: [], surfaces: [plate] };
  const scheme = schemes["metal-sponged"];
  const answers = { age: "new", look: "plain", colour: scheme.startColour } as const;
  const made = startSurface(bare, "piece", planStart(bare, plate, scheme, answers, demoShelf));
  const told: Told = { ...USUAL_TOLD, made: "long", handled: "everywhere", weather: "sea", ground: "mud" };
  const plan = planHistory(made, "piece", told, demoShelf);
  const done = layHistory(made, "piece", plan);
  const surface = done.surfaces[0]!;

  it("takes bare metal from a pot of metal where one is owned that comes near, else mixes it of paints", () => {
    const flakes = (shelf: readonly Paint[]) => {
      const { parts } = planHistory(made, "piece", told, shelf).tones.find(
        ({ key }) => key === "told-metal",
      )!;
      expect(parts.length).toBeGreaterThan(0);
      return parts.filter(({ paintId }) => shelf.find(({ id }) => id === paintId)?.kind === "metal").length;
    };
    const gold = (pot: Paint): Paint => (pot.kind === "metal" ? { ...pot, thick: "#b8860b" } : pot);
    const wanted = (pot: Paint): Paint => (pot.kind === "metal" ? { ...pot, state: "wanted" } : pot);
    expect([demoShelf, demoShelf.map(gold), demoShelf.map(wanted)].map(flakes)).toEqual([1, 0, 0]);
  });

  /** Films of all coats of a history, by their keys. */
  function filmsOf(job: Job) {
    const [piece] = job.surfaces;
    const { grid } = new GridShelf().of(job, piece!, { preview: true, previewCells: 60_000 });
    const laying = new FilmLayer(1e9).lay(job, piece!, grid);
    let step = laying.next();
    while (!step.done) step = laying.next();
    return new Map(step.value.map(({ coat, film }) => [coat.id.replace("piece-told-", ""), film]));
  }

  /** How much of one film lies beside another, 0…1. */
  function outside(films: ReturnType<typeof filmsOf>, inner: string, outer: string): number {
    const [a, b] = [films.get(inner)!, films.get(outer)!];
    let [out, sum] = [0, 0];
    for (let at = 0; at < a.cover.length; at++) {
      out += Math.max(0, a.cover[at]! - b.cover[at]!);
      sum += a.cover[at]!;
    }
    return out / sum;
  }

  it("lies over what it was made with, can be stored, told anew, and taken off without a trace on the coats", () => {
    expect(parseJob(done)).toEqual(done);
    expect(surface.coats.slice(0, made.surfaces[0]!.coats.length)).toEqual(made.surfaces[0]!.coats);
    expect(surface.coats.filter(({ id }) => isTold("piece", id))).toHaveLength(plan.coats.length);
    expect(timesOf(surface)).toEqual([...TIMES]);
    expect(coatsAt(surface, "made")).toEqual(made.surfaces[0]!.coats);
    expect(takeHistoryOff(done, "piece").surfaces).toEqual(made.surfaces);
    // Told anew, nothing is mixed twice.
    expect(layHistory(done, "piece", planHistory(done, "piece", told, demoShelf))).toEqual(done);
  });

  it("lays all of it, each stage of rust and each part of a chip on less ground than the one below and within it", () => {
    const films = filmsOf(done);
    for (const [key, film] of films) expect(film.coveredShare, key).toBeGreaterThan(0.0005);
    for (const [inner, outer] of [
      ["inside", "rims"],
      ["bright", "inside"],
      ["rust-2", "rust-1"],
      ["rust-3", "rust-2"],
    ] as const) {
      expect(films.get(inner)!.coveredShare, inner).toBeLessThan(0.85 * films.get(outer)!.coveredShare);
      expect(outside(films, inner, outer), inner).toBeLessThan(0.06);
    }
    const chips = surface.coats.find(({ id }) => id === "piece-told-rims")!;
    const { coverage } = completeParams(techniques.chip.params, chips.technique.params);
    expect(Math.abs(films.get("rims")!.coveredShare / (coverage! / 100) - 1)).toBeLessThan(0.02);
  });

  it("is chipped with a sponge by who prefers that, each part of a chip within the one below", () => {
    const sponged = { ...told, chippedBy: "sponge" } as const;
    const films = filmsOf(layHistory(made, "piece", planHistory(made, "piece", sponged, demoShelf)));
    for (const [inner, outer] of [
      ["inside", "rims"],
      ["bright", "inside"],
    ] as const) {
      expect(films.get(inner)!.coveredShare, inner).toBeLessThan(0.85 * films.get(outer)!.coveredShare);
      expect(outside(films, inner, outer), inner).toBeLessThan(0.06);
    }
  });
});
