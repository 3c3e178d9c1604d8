import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoJobs } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { parseJob } from "../formats/job-json/jobSchema";
import type { Coat, Job, Surface } from "../job";
import { deriveCoats } from "../patterns/derive";
import { createRandom, type Random } from "../random";
import { isTechniqueId, techniqueIds, techniques, type TechniqueId } from "../techniques";
import { checkJob } from ".";
import { applyRemedy } from "./applyRemedy";

/** Jobs tried; `CRENNA_JOBS=500` for the long run. */
const JOBS = Number(process.env.CRENNA_JOBS ?? 5);

const among = <T>(random: Random, list: readonly T[]): T =>
  list[Math.min(list.length - 1, Math.floor(random.range(0, list.length)))]!;
const chance = (random: Random, share: number): boolean => random.next() < share;

/** Settings of a technique, some of them anywhere in their range, on a step. */
function anySettings(random: Random, id: TechniqueId): Record<string, number> {
  const wild = Object.entries(techniques[id].params).filter(() => chance(random, 0.35));
  return Object.fromEntries(
    wild.map(([key, { range, step }]) => {
      const steps = Math.floor((range[1] - range[0]) / step);
      return [key, Math.min(range[1], range[0] + step * Math.floor(random.range(0, steps + 1)))];
    }),
  );
}

/** A coat as someone might leave it: another mix, far too thin, many passes, odd settings, held back. */
function anyCoat(random: Random, job: Job, coat: Coat, free: boolean): Coat {
  const fields = techniqueIds.filter((id) => techniques[id].lays.includes("field"));
  const id = free ? among(random, fields) : coat.technique.id;
  const params = isTechniqueId(id) ? anySettings(random, id) : {};
  return {
    ...coat,
    ...(free ? { role: null, place: (isTechniqueId(id) && techniques[id].startPlace) || coat.place } : {}),
    technique: { id, version: 1, params: chance(random, 0.5) ? params : free ? {} : coat.technique.params },
    mixId: chance(random, 0.4) ? among(random, job.mixes).id : coat.mixId,
    water: chance(random, 0.5) ? among(random, [0, 0.5, 1, 2, 4, 8, 16]) : coat.water,
    passes: chance(random, 0.4) ? 1 + Math.floor(random.range(0, 6)) : coat.passes,
    held: chance(random, 0.06),
    seed: Math.floor(random.range(0, 1e6)),
  };
}

function anySurface(random: Random, job: Job, surface: Surface): Surface {
  if (surface.pattern && chance(random, 0.6))
    return { ...surface, coats: surface.coats.map((coat) => anyCoat(random, job, coat, false)) };
  const count = 1 + Math.floor(random.range(0, 7));
  const coats = Array.from({ length: count }, (_, at) => ({
    ...anyCoat(random, job, among(random, surface.coats), true),
    id: `any-${at}`,
    name: `Any ${at}`,
  }));
  const everywhere = { kind: "everywhere" } as const;
  return {
    ...surface,
    pattern: null,
    parked: [],
    variants: [],
    coats: coats.map((coat) => (chance(random, 0.3) ? { ...coat, place: everywhere } : coat)),
  };
}

/** One or two surfaces of a demo job, painted by someone who tries everything. */
function anyJob(seed: number): Job {
  const random = createRandom(seed);
  const start = among(random, demoJobs());
  const first = among(random, start.surfaces);
  const second = start.surfaces.find((one) => one !== first && one.figureId === first.figureId);
  const kept = [first, ...(second && chance(random, 0.3) ? [second] : [])];
  const job: Job = {
    ...start,
    surfaces: kept.map((surface) => anySurface(random, start, surface)),
    touching: kept.length === 2 ? [[kept[0]!.id, kept[1]!.id]] : [],
  };
  return deriveCoats(job, demoShelf, job);
}

describe("remedies", () => {
  it(
    "cure what they are offered for in any job, and leave a job that can be kept",
    () => {
      let offered = 0;
      fc.assert(
        fc.property(fc.integer({ min: 1, max: 2 ** 30 }), (seed) => {
          const job = anyJob(seed);
          parseJob(job);
          for (const finding of checkJob(job, demoShelf))
            for (const remedy of finding.remedies) {
              offered++;
              const mended = deriveCoats(applyRemedy(job, remedy), demoShelf, job);
              parseJob(mended);
              const left = checkJob(mended, demoShelf).map(({ id }) => id);
              expect(left, `${finding.id}: ${remedy.label}`).not.toContain(finding.id);
            }
        }),
        { numRuns: JOBS, endOnFailure: true },
      );
      expect(offered).toBeGreaterThan(0);
    },
    JOBS * 30_000,
  );
});
