import { checkJob } from "../src/core/checks";
import { putPattern, withParams } from "../src/core/edits/patterns";
import { withSurface } from "../src/core/edits/surfaces";
import type { Job } from "../src/core/job";
import { defaultPainter } from "../src/core/painter";
import { newPlainSurface } from "../src/core/newJob";
import { patternOf } from "../src/core/patterns/bind";
import { presets, startFrom } from "../src/core/patterns/camouflage/presets";
import type { CamouflageParams } from "../src/core/patterns/camouflage/params";
import { deriveCoats } from "../src/core/patterns/derive";
import { patternFacts } from "../src/core/patterns/facts";
import { cardsOf } from "../src/core/plan/cards";
import { layCoat, marksOf } from "../src/core/simulate/layCoat";
import { createFilmBuffer } from "../src/core/techniques/technique";
import { buildForm } from "../src/core/surface/forms/buildForm";
import { buildGrid } from "../src/core/surface/grid";
import { ferrySergeant } from "../src/data/demo/ferrySergeant";
import { demoShelf } from "../src/data/demo/shelf";
import { type Line } from "./measure";
import { middleAtPace } from "./pace";

/** A cloak of about a megapixel in blotch and dot. */
function blotched(): Job {
  const plain = newPlainSurface("cloak", "Cloak", "cloak", []);
  const sizes = { hemMm: 34, neckMm: 12, lengthMm: 22, folds: 7, foldMm: 1.2, seams: 3 };
  const surface = { ...plain, form: { ...plain.form, params: { ...plain.form.params, ...sizes } } };
  const job = { ...ferrySergeant(), surfaces: [surface] };
  const put = putPattern(job, "cloak", "camouflage", demoShelf);
  const params = startFrom(presets[1]!, job.figures[0]!, 0.12, 5);
  return deriveCoats(
    withSurface(put, "cloak", (now) => withParams(now, () => params)),
    demoShelf,
    put,
  );
}

/** The same job with other objects: nothing that was laid out before is known. */
const anew = (job: Job, seed: number): Job =>
  withSurface(structuredClone(job), "cloak", (now) =>
    withParams(now, (params) => ({ ...(params as CamouflageParams), seed })),
  );

/** A job of 100 coats and more: ten surfaces in two families. */
function hundredCoats(): Job {
  const skirt = ferrySergeant();
  const cloak = blotched();
  const copies = <T extends { readonly id: string }>(one: T, count: number): T[] =>
    Array.from({ length: count }, (_, at) => ({ ...one, id: `${one.id}-${at}` }));
  return {
    ...skirt,
    mixes: [...skirt.mixes, ...cloak.mixes.filter((mix) => !skirt.mixes.some((own) => own.id === mix.id))],
    surfaces: [...copies(skirt.surfaces[0]!, 6), ...copies(cloak.surfaces[0]!, 4)],
  };
}

/** Patterns laid out, their films, and what is thought about a large job. */
export async function patternLines(): Promise<Line[]> {
  const job = blotched();
  const surface = job.surfaces[0]!;
  const form = buildForm(surface);
  const grid = buildGrid(form, 0.028);
  const inside = grid.inside.reduce((sum, share) => sum + share, 0);
  const buffer = createFilmBuffer(grid.inside.length);
  const lines: Line[] = [];
  let seed = 1;
  const layout = await middleAtPace(5, () => {
    const own = anew(job, seed++).surfaces[0]!;
    return patternFacts({ ...job, surfaces: [own] }, demoShelf);
  });
  lines.push({ name: "A camouflage laid out anew and judged, cloak of 34 x 22 mm", ...layout, budget: 250 });
  patternOf(job, surface, form);
  for (const role of ["layer:green", "layer:brown", "layer:darkdots", "lights:green"]) {
    const coat = surface.coats.find((one) => one.role === role)!;
    const film = await middleAtPace(3, () =>
      layCoat(
        marksOf(job, surface, form, coat, () => grid),
        coat,
        job.hand,
        { grid, films: [], near: null },
        buffer,
        inside,
      ),
    );
    lines.push({
      name: `Film of ${role}, ${(grid.inside.length / 1e6).toFixed(1)} megapixels`,
      ...film,
      budget: 250,
    });
  }
  const large = hundredCoats();
  const coats = large.surfaces.reduce((sum, one) => sum + one.coats.length, 0);
  // One surface is edited; the worker keeps what it laid out for all others.
  const judged = await middleAtPace(5, () => {
    const edited = {
      ...large,
      surfaces: large.surfaces.map((one, at) => (at === 0 ? { ...one, coats: [...one.coats] } : one)),
    };
    return [
      cardsOf(edited, demoShelf, defaultPainter),
      checkJob(edited, demoShelf),
      patternFacts(edited, demoShelf),
    ];
  });
  lines.push({
    name: `Findings, cards and facts of a job of ${coats} coats after an edit`,
    ...judged,
    budget: 150,
  });
  return lines;
}
