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
