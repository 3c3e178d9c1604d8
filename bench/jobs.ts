import { inZones, type Job } from "../src/core/job";
import { deriveCoats } from "../src/core/patterns/derive";
import { settParams } from "../src/core/patterns/sett/testing";
import { reedScout, wholeSergeant } from "../src/data/demo/company";
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

/** A figure of eight surfaces and a hundred coats: the sergeant, dressed in the scout's pieces as well. */
export function largestFigure(): Job {
  const [sergeant, scout] = [wholeSergeant(), reedScout()];
  const ofScout = (id: string) => `scout-${id}`;
  const pieces = scout.surfaces.map((surface) => ({
    ...surface,
    id: ofScout(surface.id),
    coats: surface.coats.map((coat) => ({ ...coat, mixId: ofScout(coat.mixId) })),
    pattern: null,
  }));
  const surfaces = [
    ...sergeant.surfaces,
    ...pieces.map((surface) => ({
      ...surface,
      // Coats that went by the pattern go by the light.
      coats: surface.coats.map((coat) =>
        coat.place.kind === "pattern"
          ? {
              ...coat,
              role: null,
              place: inZones(["raised"], 0.1),
              technique: { id: "stipple", version: 1, params: {} },
            }
          : coat,
      ),
    })),
  ];
  const missing = 100 - surfaces.reduce((sum, { coats }) => sum + coats.length, 0);
  return {
    ...sergeant,
    name: "Eight surfaces",
    mixes: [...sergeant.mixes, ...scout.mixes.map((mix) => ({ ...mix, id: ofScout(mix.id) }))],
    surfaces: surfaces.map((surface, at) => ({
      ...surface,
      coats: [
        ...surface.coats,
        ...Array.from({ length: Math.max(0, Math.ceil((missing - at) / surfaces.length)) }, (_, more) => ({
          ...surface.coats[0]!,
          id: `${surface.id}-more-${more}`,
          name: `More ${more}`,
          role: null,
          seed: more,
          passes: 1,
          technique: { id: more % 2 === 0 ? "glaze" : "touch", version: 1, params: {} },
        })),
      ],
    })),
  };
}
