import type { Job } from "../src/core/job";
import { deriveCoats } from "../src/core/patterns/derive";
import { settParams } from "../src/core/patterns/sett/testing";
import { ferrySergeant } from "../src/data/demo/ferrySergeant";
import { demoShelf } from "../src/data/demo/shelf";

/** A surface of two megapixels with 24 coats: the most that a page has to hold. */
export function largestSurface(): Job {
  const skirt = megapixelSkirt();
  const surface = skirt.surfaces[0]!;
  const base = surface.coats.find((coat) => coat.role === "base")!;
  const sizes = { ...surface.form.params, waistMm: 62, hemMm: 106, slantMm: 21 };
  const more = Array.from({ length: 24 - surface.coats.length }, (_, at) => ({
    ...base,
    id: `more-${at}`,
    name: `More ${at}`,
    role: null,
    seed: at,
    technique: { id: at % 2 === 0 ? "stipple" : "glaze", version: 1, params: {} },
    passes: 1,
  }));
  return {
    ...skirt,
    surfaces: [{ ...surface, form: { ...surface.form, params: sizes }, coats: [...surface.coats, ...more] }],
  };
}

/** As many mixes as a job may have. */
export function largestPalette(): Job {
  const demo = ferrySergeant();
  const pots = demoShelf.filter(({ kind }) => kind === "paint");
  const more = Array.from({ length: 200 - demo.mixes.length }, (_, at) => ({
    ...demo.mixes[at % demo.mixes.length]!,
    id: `more-${at}`,
    name: `More ${at}`,
    parts: [
      { paintId: pots[at % pots.length]!.id, parts: 1 + (at % 4) },
      { paintId: pots[(at + 5) % pots.length]!.id, parts: 2 },
    ],
  }));
  return { ...demo, mixes: [...demo.mixes, ...more] };
}

/** Forty surfaces of 25 coats each, of ten techniques, each surface with strokes of its own. */
export function longestPlan(): Job {
  const demo = ferrySergeant();
  const base = demo.surfaces[0]!.coats[0]!;
  const ids = [
    ...["base-coat", "layer", "glaze", "wash", "dry-brush"],
    ...["stipple", "hatch", "scratch", "edge-line", "sponge"],
  ];
  const surfaces = Array.from({ length: 40 }, (_, at) => ({
    ...demo.surfaces[at % demo.surfaces.length]!,
    id: `piece-${at}`,
    name: `Piece ${at}`,
    pattern: null,
    variants: [],
    parked: [],
    coats: Array.from({ length: 25 }, (_, coat) => ({
      ...base,
      id: `coat-${coat}`,
      name: `Coat ${coat}`,
      role: null,
      seed: 100 * at + coat,
      technique: { id: ids[coat % ids.length]!, version: 1, params: {} },
      passes: 1,
    })),
  }));
  return { ...demo, surfaces, touching: [] };
}

/** The demo skirt of a larger figure with as many more repeats: about a megapixel at the demo's finest line. */
export function megapixelSkirt(): Job {
  const demo = ferrySergeant();
  const larger = { waistMm: 44, hemMm: 75, slantMm: 14.4, pleats: 13 };
  const surfaces = demo.surfaces.map((surface) => ({
    ...surface,
    form: { ...surface.form, params: { ...surface.form.params, ...larger } },
    pattern: { ...surface.pattern!, params: { ...settParams(surface), periods: 13 } },
  }));
  return deriveCoats({ ...demo, surfaces }, demoShelf, demo);
}
