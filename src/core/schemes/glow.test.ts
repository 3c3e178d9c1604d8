import { liesBelow } from "../ageing/order";
import { describe, expect, it } from "vitest";
import "../figure/rooms";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { lightOf } from "../figure/light";
import { changeLight, newLight, withLight, withoutLight, withoutShed } from "../edits/paintedLights";
import { withoutSurface } from "../edits/surfaces";
import { parseJob } from "../formats/job-json/jobSchema";
import { GLASSES, LIT_GROUNDS, MOST_LIGHTS, STRENGTHS, type Job, type Surface } from "../job";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { glanceAt } from "../simulate/glance";
import { techniques } from "../techniques";
import { laidOn, layGlow, planGlow } from "./glow";
import { glassCoats, isShed, shedCoats, type GlowRoom } from "./glowCoats";

function withNewLight(job: Job, surface: Surface, name: string): { job: Job; lightId: string } {
  const light = newLight(job, surface, name);
  return { job: withLight(job, surface.figureId, light), lightId: light.id };
}

/** A dark plate with a light on it. */
function plated(): { job: Job; lightId: string } {
  const plain = newPlainSurface("piece", "Housing", "plate", []);
  const job: Job = {
    ...newJob("job", "Job", defaultPainter, demoShelf),
    surfaces: [{ ...plain, coats: [] }],
  };
  const added = withNewLight(job, job.surfaces[0]!, "Signal lamp");
  return { ...added, job: changeLight(added.job, added.lightId, { along: 0.75, up: 0.25, outMm: 2 }) };
}

describe("the coats of a painted light", () => {
  it("name each coat once, keep every setting in its range, and take in less the brighter they are", () => {
    const { job, lightId } = plated();
    const light = job.figures[0]!.lights.find(({ id }) => id === lightId)!;
    const wrong: string[] = [];
    for (const glass of GLASSES)
      for (const strength of STRENGTHS)
        for (const ground of LIT_GROUNDS)
          for (const lampDeg of [0, 133, 350]) {
            const own = { ...light, glass, strength, ground };
            const room: GlowRoom = { finestMm: 0.1, scale: 1, light: own, lampDeg, sizesMm: [22, 16] };
            const coats = [...shedCoats(room), ...glassCoats(room)];
            const keys = coats.map(({ key }) => key);
            if (new Set(keys).size < keys.length) wrong.push(`${keys.join()} twice`);
            for (const { key, technique, params = {} } of coats)
              for (const [name, value] of Object.entries(params)) {
                const range = techniques[technique].params[name]?.range ?? [Infinity, -Infinity];
                if (value < range[0] || value > range[1]) wrong.push(`${key}.${name} ${value}`);
              }
            const froms = coats.flatMap(({ place, technique }) =>
              technique === "layer" && place.kind === "zones" && place.shed ? [place.shed.from] : [],
            );
            if (froms.some((from, at) => at > 0 && from <= froms[at - 1]!)) wrong.push(froms.join());
          }
    expect(wrong).toEqual([]);
  });
});

describe("a screen", () => {
  const { job, lightId } = plated();
  const light = {
    ...job.figures[0]!.lights.find(({ id }) => id === lightId)!,
    glass: "screen",
    widthMm: 6,
  } as const;
  const coats = glassCoats({ finestMm: 0.1, scale: 1, light, lampDeg: 133, sizesMm: [22, 16] });

  it("has what lasts below what it shows for now, and what is gone in a moment on top", () => {
    const rank = { glowing: 0, shown: 1, mirrored: 2 } as Record<string, number>;
    const ranks = coats.flatMap(({ event }) => (event ? [rank[event]!] : []));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    expect(new Set(ranks)).toEqual(new Set([0, 1, 2]));
    expect(
      coats.every((coat, at) =>
        coats.slice(0, at).every(({ event }) => !coat.event || !event || !liesBelow(coat.event, event)),
      ),
    ).toBe(true);
  });

  it("keeps all of it on a screen as wide as the light and flatter than wide", () => {
    const [wide, tall] = [6 / 22 / 2, (0.72 * 6) / 16 / 2];
    const off = coats.flatMap(({ key, place }) => {
      const points = place.kind === "zones" ? place.outline!.points : [];
      const isOff = points.some((value, at) =>
        at % 2 === 0 ? Math.abs(value - light.along) > wide + 1e-3 : Math.abs(value - light.up) > tall + 1e-3,
      );
      return isOff || points.length < 8 ? [key] : [];
    });
    expect(off).toEqual([]);
  });
});

describe("a painted light laid over its figure", () => {
  it("is laid anew in its own place, and taken off again without a trace", () => {
    const { job, lightId } = plated();
    const once = layGlow(job, planGlow(job, lightId, demoShelf));
    expect(() => parseJob(JSON.parse(JSON.stringify(once)))).not.toThrow();
    expect(laidOn(once, lightId).map(({ id }) => id)).toEqual(["piece"]);
    const blue = changeLight(once, lightId, { colour: "#3f8ad0" });
    const again = layGlow(blue, planGlow(blue, lightId, demoShelf));
    const [first, second] = [once, again].map(({ surfaces }) => surfaces[0]!.coats);
    expect(second!.map(({ id }) => id)).toEqual(first!.map(({ id }) => id));
    expect(again.mixes).not.toEqual(once.mixes);
    expect(withoutShed(again, lightId)).toEqual(changeLight(job, lightId, { colour: "#3f8ad0" }));
    expect(withoutLight(again, lightId).figures[0]!.lights).toEqual([]);
  });

  it("goes with the surface it sits on, and there are so many at most", () => {
    let { job } = plated();
    for (let more = 0; more < MOST_LIGHTS + 3; more++) job = withNewLight(job, job.surfaces[0]!, "More").job;
    expect(job.figures[0]!.lights.length).toBe(MOST_LIGHTS);
    expect(new Set(job.figures[0]!.lights.map(({ id }) => id)).size).toBe(MOST_LIGHTS);
    expect(withoutSurface(job, "piece").figures[0]!.lights).toEqual([]);
  });

  it("follows its light: moved to the left its soft light is, and nothing else is laid anew", () => {
    const { job: plain, lightId } = plated();
    const job = changeLight(plain, lightId, { strength: "strong" });
    const laid = layGlow(job, planGlow(job, lightId, demoShelf));
    const softAlong = (on: Job): number => {
      const { grid, coats } = glanceAt(on, on.surfaces[0]!);
      const soft = coats.find(({ coat }) => coat.id === `piece-shed-${lightId}-soft`)!;
      let [sum, all] = [0, 0];
      soft.film.cover.forEach((cover, at) => {
        sum += cover * (at % grid.width);
        all += cover;
      });
      return sum / all / grid.width;
    };
    const moved = changeLight(laid, lightId, { along: 0.25 });
    expect(softAlong(laid)).toBeGreaterThan(0.6);
    expect(softAlong(moved)).toBeLessThan(0.4);
    // What follows the lamp alone does not hear of it.
    const [before, after] = [laid, moved].map((one) => lightOf(one, one.surfaces[0]!));
    expect(after!.roomKey).toBe(before!.roomKey);
    expect(after!.key).not.toBe(before!.key);
  });

  it("reaches other pieces of its figure, and two of two colours lie side by side", () => {
    const whole = wholeSergeant();
    const near3 = ["satchel", "coat-skirt"];
    const sergeant = { ...whole, surfaces: whole.surfaces.filter(({ id }) => near3.includes(id)) };
    const satchel = sergeant.surfaces.find(({ id }) => id === "satchel")!;
    const one = withNewLight(sergeant, satchel, "Lantern");
    const near = changeLight(one.job, one.lightId, { outMm: 5, reachMm: 8, strength: "strong" });
    const plan = planGlow(near, one.lightId, demoShelf);
    expect(plan.parts.map(({ surfaceId }) => surfaceId)).toContain("satchel");
    expect(plan.parts.length).toBeGreaterThan(1);
    const laid = layGlow(near, plan);
    const two = withNewLight(laid, satchel, "Second lantern");
    const both = layGlow(two.job, planGlow(two.job, two.lightId, demoShelf));
    const coats = both.surfaces.find(({ id }) => id === "satchel")!.coats;
    const count = (lightId: string) => coats.filter(({ id }) => isShed(lightId, "satchel", id)).length;
    expect(count(one.lightId)).toBe(
      plan.parts.find(({ surfaceId }) => surfaceId === "satchel")!.plan.coats.length,
    );
    expect(count(two.lightId)).toBeGreaterThan(3);
    expect(withoutLight(both, two.lightId).surfaces).toEqual(laid.surfaces);
  });

  it("takes nothing from another light while its own coats are held back", () => {
    const first = plated();
    const one = layGlow(first.job, planGlow(first.job, first.lightId, demoShelf));
    const two = withNewLight(one, one.surfaces[0]!, "Second lamp");
    const near = changeLight(two.job, two.lightId, { along: 0.6, up: 0.3, outMm: 2 });
    const both = layGlow(near, planGlow(near, two.lightId, demoShelf));
    const [piece] = both.surfaces;
    const held = {
      ...piece!,
      coats: piece!.coats.map((coat) =>
        isShed(first.lightId, "piece", coat.id) ? { ...coat, held: true } : coat,
      ),
    };
    const softOf = (surface: Surface) => {
      const { coats } = glanceAt({ ...both, surfaces: [surface] }, surface);
      const { film } = coats.find(({ coat }) => coat.id === `piece-shed-${two.lightId}-soft`)!;
      return film.cover.reduce((sum, cover) => sum + cover, 0);
    };
    expect(softOf(held)).toBeGreaterThan(1.05 * softOf(piece!));
  });
});
