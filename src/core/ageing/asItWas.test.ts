import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { activeCoats, type Job } from "../job";
import { glanceAt } from "../simulate/glance";
import { asItWas, coatsAt, timeOf, timesOf } from "./asItWas";
import { EVENT_IDS, TIMES } from "./events";

const demo = wholeSergeant();
const on = (job: Job, id: string) => job.surfaces.find((one) => one.id === id)!;
/** The satchel with events spread over its coats, held ones among them. */
const told: Job = {
  ...demo,
  surfaces: demo.surfaces.map((surface) =>
    surface.id === "satchel"
      ? {
          ...surface,
          coats: surface.coats.map((coat, at) => ({
            ...coat,
            event: at % 5 === 4 ? null : EVENT_IDS[(at * 7) % EVENT_IDS.length]!,
            held: at === 3,
          })),
        }
      : surface,
  ),
};

describe("a surface as it was", () => {
  it.each(TIMES)("%s is the same as leaving out the coats of all that came later, to the byte", (time) => {
    const then = asItWas(told, "satchel", time);
    const kept = on(told, "satchel").coats.filter((coat) => {
      const own = timeOf(coat);
      return own === null || TIMES.indexOf(own) <= TIMES.indexOf(time);
    });
    expect(on(then, "satchel").coats).toEqual(kept);
    const leftOut: Job = {
      ...told,
      surfaces: told.surfaces.map((one) => (one.id === "satchel" ? { ...one, coats: kept } : one)),
    };
    const films = (job: Job) => glanceAt(job, on(job, "satchel")).coats.map(({ film }) => film.cover);
    expect(films(then)).toEqual(films(leftOut));
    expect(coatsAt(on(told, "satchel"), time)).toEqual(activeCoats(on(then, "satchel")));
    for (const { id } of told.surfaces) if (id !== "satchel") expect(on(then, id)).toBe(on(told, id));
  });

  it("is itself as it stands, and where nothing happened", () => {
    expect(asItWas(told, "satchel", "left")).toBe(told);
    expect(asItWas(demo, "coat-skirt", "made")).toBe(demo);
    expect(asItWas(demo, "nothing", "made")).toBe(demo);
  });

  it("tells the times that its painted coats have", () => {
    expect(timesOf(on(demo, "coat-skirt"))).toEqual([]);
    // Stippled leather is scratched, dented and rubbed in use.
    expect(timesOf(on(demo, "satchel"))).toEqual(["used"]);
    expect(timesOf(on(told, "satchel"))).toEqual(["made", "used", "left"]);
  });
});
