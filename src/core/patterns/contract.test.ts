import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { checkSteps } from "../checks";
import type { Finding } from "../checks/finding";
import { putPattern, takePatternOff } from "../edits/patterns";
import { withSurface } from "../edits/surfaces";
import { parseJob } from "../formats/job-json/jobSchema";
import type { Coat, Job } from "../job";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { cardsOf } from "../plan/cards";
import { filmKey, layCoat, marksOf } from "../simulate/layCoat";
import { createFilmBuffer, placeWeights, type Marks } from "../techniques/technique";
import { formIds, type FormId } from "../surface/forms";
import { buildForm } from "../surface/forms/buildForm";
import { buildGrid, type SurfaceGrid } from "../surface/grid";
import { isTechniqueId, techniques } from "../techniques";
import { families } from ".";
import { mixesIn, renamedMixes } from "./mixes";
import { patternOf } from "./bind";
import { placeOf, type Pattern } from "./pattern";

const ids = Object.keys(families);
const FOLDER = path.resolve("src/core/patterns");

/** A job of one surface of a form, with a pattern as it starts. */
function jobWith(family: string, formId: FormId): Job {
  const bare = newJob("trial", "Trial", defaultPainter, demoShelf);
  const surface = newPlainSurface("piece", "Piece", formId, bare.mixes);
  return putPattern({ ...bare, surfaces: [surface] }, "piece", family, demoShelf);
}

/** What every check finds, before any remedy is tried. */
function looked(job: Job): readonly Finding[] {
  for (const found of checkSteps(job, demoShelf)) if (found) return found;
  throw new Error("nothing was looked at");
}

const surfaceOf = (job: Job) => job.surfaces[0]!;
const laid = (job: Job): Pattern => patternOf(job, surfaceOf(job), buildForm(surfaceOf(job)))!;

function film(job: Job, coat: Coat, grid: SurfaceGrid) {
  const surface = surfaceOf(job);
  const inside = grid.inside.reduce((sum, share) => sum + share, 0);
  const marks = marksOf(job, surface, grid.form, coat, () => grid);
  const buffer = createFilmBuffer(grid.inside.length);
  return layCoat(marks, coat, job.hand, { grid, films: [], near: null }, buffer, inside);
}

/** What a place comes to on a grid, so that two can be compared: of a field how much each cell belongs to it. */
function comesTo(marks: Marks, grid: SurfaceGrid): unknown {
  if (marks.kind !== "field") return marks;
  return Array.from(placeWeights({ grid, marks, nearCover: null }), (weight) => Math.round(weight * 1e4));
}

/** Area a coat covers, mm². */
function covered(job: Job, coat: Coat, pitchMm: number): number {
  const grid = buildGrid(buildForm(surfaceOf(job)), pitchMm);
  const { cover } = film(job, coat, grid);
  return cover.reduce((sum, share) => sum + share / 255, 0) * pitchMm * pitchMm;
}

/** Area of a coat's place, mm²: what belongs to it by half counts half. */
function weighed(job: Job, coat: Coat, pitchMm: number): number {
  const surface = surfaceOf(job);
  const grid = buildGrid(buildForm(surface), pitchMm);
  const marks = marksOf(job, surface, grid.form, coat, () => grid);
  const weights = placeWeights({ grid, marks, nearCover: null });
  return weights.reduce((sum, weight, at) => sum + weight * grid.inside[at]!, 0) * pitchMm * pitchMm;
}

const patternCoats = (job: Job) => surfaceOf(job).coats.filter((coat) => coat.place.kind === "pattern");

describe("the registry of pattern families", () => {
  it("has one folder a family, each registered under its id", () => {
    const folders = readdirSync(FOLDER, { withFileTypes: true }).filter((entry) => entry.isDirectory());
    expect(folders.map((folder) => folder.name).sort()).toEqual([...ids].sort());
    for (const [id, family] of Object.entries(families)) expect(family.id).toBe(id);
  });

  it("is all that names a family: nothing outside their folders imports from one or asks for one by id", () => {
    const allowed = [
      /^src\/core\/patterns\/(index\.ts|[^/]+\/)/,
      /^src\/islands\/job\/coats\/setters\/(index\.ts|[^/]+\/)/,
      // Data names the families it uses.
      /^src\/data\/demo\//,
      /\.test\.tsx?$/,
    ];
    const files = readdirSync(path.resolve("src"), { recursive: true, encoding: "utf8" })
      .map((name) => `src/${name}`)
      .filter((name) => /\.tsx?$/.test(name) && !allowed.some((one) => one.test(name)));
    expect(files.length).toBeGreaterThan(150);
    for (const file of files) {
      const text = readFileSync(path.resolve(file), "utf8");
      for (const id of ids) {
        expect(text.includes(`patterns/${id}/`), `${file} imports from ${id}`).toBe(false);
        expect(text.includes(`"${id}"`), `${file} asks for ${id}`).toBe(false);
      }
    }
  });
});

describe.each(ids)("the family %s", (id) => {
  const family = families[id]!;
  // Judging takes most of the time: every form is judged with one of the families, every family on its share of the forms.
  const isJudged = (formId: FormId) => formIds.indexOf(formId) % ids.length === ids.indexOf(id);

  it.each(formIds)("can be put on a %s, checked, carded, saved and taken off", (formId) => {
    const job = jobWith(id, formId);
    const surface = surfaceOf(job);
    expect(surface.pattern).toMatchObject({ id, version: family.version });
    expect(surface.coats.length).toBeGreaterThan(1);
    const roles = surface.coats.map((coat) => coat.role);
    expect(new Set(roles).size).toBe(roles.length);
    for (const coat of surface.coats) {
      expect(isTechniqueId(coat.technique.id), coat.technique.id).toBe(true);
      expect(
        job.mixes.some((mix) => mix.id === coat.mixId),
        coat.name,
      ).toBe(true);
    }
    expect(parseJob(JSON.parse(JSON.stringify(job)))).toEqual(job);
    if (isJudged(formId))
      expect(looked(job).filter(({ id: found }) => found.endsWith("/unusable"))).toEqual([]);
    const cards = cardsOf(job, demoShelf, defaultPainter);
    expect(cards).toHaveLength(surface.coats.length);
    for (const card of cards) {
      expect(Number.isFinite(card.handMinutes) && card.handMinutes > 0, card.title).toBe(true);
      expect(Number.isFinite(card.work.areaMm2)).toBe(true);
    }
    const off = takePatternOff(surface);
    expect(off).toMatchObject({ pattern: null, coats: [] });
    const again = putPattern(
      withSurface(job, "piece", () => off),
      "piece",
      id,
      demoShelf,
    );
    expect(surfaceOf(again).coats.map((coat) => coat.role)).toEqual(roles);
  });

  const job = jobWith(id, "limb");
  const pattern = laid(job);

  it("names every place once, in words, and every coat of its own goes to one that its technique can lay", () => {
    const places = family.places(pattern.layout);
    expect(new Set(places.map((place) => place.key)).size).toBe(places.length);
    expect(new Set(places.map((place) => place.label)).size).toBe(places.length);
    for (const coat of patternCoats(job)) {
      const place = placeOf(pattern, coat);
      expect(place, coat.name).not.toBeNull();
      const { id: technique } = coat.technique;
      expect(isTechniqueId(technique) && techniques[technique].lays.includes(place!.lays)).toBe(true);
    }
  });

  it("asks to count only what there is, at places that it has", () => {
    const { family, layout } = laid(jobWith(id, "cone-band"));
    const countings = family.places(layout).flatMap(({ key }) => family.counts?.(layout, key) ?? []);
    const odd = countings.filter(
      ({ what, count, within }) =>
        what === "" || !Number.isInteger(count) || count < 1 || within < 0 || within >= count,
    );
    expect(odd).toEqual([]);
    expect(family.counts?.(layout, "no-such-place") ?? []).toEqual([]);
  });

  it("has tones, each met by something, and no place that meets none", () => {
    const tones = family.tones(pattern.layout);
    expect(tones.length).toBeGreaterThan(0);
    for (const place of family.places(pattern.layout))
      expect(
        tones.some((tone) => family.meets(pattern.layout, place.key, tone.key)),
        place.key,
      ).toBe(true);
  });

  it("lays the area its work tells, and nearly the same at every pitch", () => {
    const cards = cardsOf(job, demoShelf, defaultPainter);
    for (const coat of patternCoats(job)) {
      const { work } = cards.find((card) => card.coat.id === coat.id)!;
      if (placeOf(pattern, coat)!.lays === "field") {
        // Single marks cover a part of their place: how many there are on it is told by how it weighs, at any pitch.
        const [fine, coarse] = [0.05, 0.09].map((pitchMm) => weighed(job, coat, pitchMm)) as [number, number];
        // The smallest places are counted on few cells: right to a part of the whole surface.
        const { areaMm2 } = buildForm(surfaceOf(job));
        const off = Math.abs(fine - work.areaMm2);
        expect(off, `${coat.name}: ${fine} of ${work.areaMm2}`).toBeLessThan(
          0.06 * work.areaMm2 + 0.001 * areaMm2,
        );
        expect(Math.abs(fine - coarse), coat.name).toBeLessThan(0.06 * fine + 0.001 * areaMm2);
        // On less than a few tenths of a square millimetre chance may set no mark at all.
        if (fine > 0.5) expect(covered(job, coat, 0.05), coat.name).toBeGreaterThan(0.05 * fine);
        continue;
      }
      const [fine, coarse] = [covered(job, coat, 0.05), covered(job, coat, 0.09)];
      if (work.areaMm2 === 0) {
        expect(fine, coat.name).toBe(0);
        continue;
      }
      // Strokes run off the piece and cross each other, so that they cover less than they are long and wide.
      const least = placeOf(pattern, coat)!.lays === "regions" ? 0.85 : 0.6;
      expect(fine / work.areaMm2, `${coat.name}: ${fine} of ${work.areaMm2}`).toBeGreaterThan(least);
      expect(fine / work.areaMm2, `${coat.name}: ${fine} of ${work.areaMm2}`).toBeLessThan(1.4);
      expect(Math.abs(fine - coarse) / fine, coat.name).toBeLessThan(0.06);
    }
  });

  it("gives the same marks for the same settings, laid out anew, and what a film depends on says so", () => {
    const surface = surfaceOf(job);
    const form = buildForm(surface);
    const grid = buildGrid(form, 0.1);
    // Laid out by the family itself: a layout that is kept would be the same one.
    const params: unknown = JSON.parse(JSON.stringify(pattern.params));
    const again = family.layout(params, { form, hand: job.hand, seed: surface.seed });
    const other = family.layout(params, {
      form,
      hand: { ...job.hand, finestLineMm: 0.4 },
      seed: surface.seed + 1,
    });
    for (const { key } of family.places(pattern.layout)) {
      const laidAnew = family.marks(again, key, () => grid);
      const before = family.marks(pattern.layout, key, () => grid);
      expect(comesTo(laidAnew, grid), key).toEqual(comesTo(before, grid));
      expect(JSON.stringify(family.filmParams(params, key))).toBe(
        JSON.stringify(family.filmParams(pattern.params, key)),
      );
    }
    const differs = family.places(pattern.layout).some(
      ({ key }) =>
        JSON.stringify(
          comesTo(
            family.marks(other, key, () => grid),
            grid,
          ),
        ) !==
        JSON.stringify(
          comesTo(
            family.marks(again, key, () => grid),
            grid,
          ),
        ),
    );
    expect(differs).toBe(true);
    const twin = jobWith(id, "limb");
    for (const coat of patternCoats(job)) {
      const same = surfaceOf(twin).coats.find((one) => one.role === coat.role)!;
      expect(filmKey(twin, surfaceOf(twin), same, 0.1)).toBe(filmKey(job, surface, coat, 0.1));
    }
  });

  it("lies elsewhere in another light only where it says so", () => {
    const form = buildForm(surfaceOf(job));
    const [one, other] = [30, 200].map((fromDeg) => buildGrid(form, 0.1, { fromDeg, heightDeg: 35 })) as [
      SurfaceGrid,
      SurfaceGrid,
    ];
    for (const { key } of family.places(pattern.layout)) {
      const [here, there] = [one, other].map((grid) =>
        JSON.stringify(
          comesTo(
            family.marks(pattern.layout, key, () => grid),
            grid,
          ),
        ),
      );
      expect(here !== there, key).toBe(family.followsLight?.(key) ?? false);
    }
  });

  it("lies nowhere for a key it does not have, and never throws for one", () => {
    const grid = buildGrid(buildForm(surfaceOf(job)), 0.2);
    for (const key of ["", "nothing", "constructor", "__proto__", "a:b:c"]) {
      expect(family.marks(pattern.layout, key, () => grid)).toEqual({ kind: "strokes", strokes: [] });
      expect(family.lookAt(pattern.layout, key, 3)).toEqual([]);
    }
  });

  it("names the mixes its settings use, and refuses settings of another shape", () => {
    const use = surfaceOf(job).pattern!;
    const mixes = mixesIn(use);
    expect(renamedMixes(use, (mixId) => mixId)).toEqual(use);
    const renamed = renamedMixes(use, (mixId) => `${mixId}-else`);
    expect(mixesIn(renamed)).toEqual(mixes.map((mixId) => `${mixId}-else`));
    for (const coat of surfaceOf(job).coats) expect(mixes, coat.name).toContain(coat.mixId);
    for (const wrong of [null, 3, {}, { ...Object(pattern.params), more: 1 }])
      expect(family.schema.isValidSync(wrong)).toBe(false);
  });

  it("tells of guides with outlines and numbers that are finite, on every form", () => {
    for (const formId of formIds) {
      const own = laid(jobWith(id, formId));
      for (const piece of own.family.guides?.of(own.layout).pieces ?? []) {
        const numbers = [
          ...piece.outline.flat(),
          ...piece.ticks.flatMap((tick) => [...tick.from, ...tick.to]),
          ...piece.areas.flatMap((area) => [...area.at, ...area.rings.flat(2)]),
          piece.widthMm,
          piece.heightMm,
        ];
        expect(numbers.every(Number.isFinite), `${formId}: ${piece.title}`).toBe(true);
      }
    }
  });
});
