import { describe, expect, it } from "vitest";
import { reedScout, wholeSergeant } from "../../data/demo/company";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { parseJob, parseOwnScheme } from "../formats/job-json/jobSchema";
import { FIRST_FIGURE } from "../job";
import { newJob, withNewPiece } from "../newJob";
import { defaultPainter } from "../painter";
import { paintByScheme, schemeOf } from "./ownSchemes";

const AT = "2026-05-01T09:30:00Z";
const sergeant = wholeSergeant();
const cloth = schemeOf(
  sergeant,
  sergeant.surfaces.find(({ id }) => id === "coat-skirt")!,
  { id: "cloth", name: "Cloth", at: AT },
);
const leather = schemeOf(
  sergeant,
  sergeant.surfaces.find(({ id }) => id === "satchel")!,
  { id: "old", name: "Old leather", at: AT },
);
const other = withNewPiece(
  newJob("other", "Other", defaultPainter, demoShelf),
  "cone-band",
  FIRST_FIGURE,
).job;
const partsOf = (job: typeof other, mixId: string) => job.mixes.find(({ id }) => id === mixId)!.parts;

describe("a scheme of one's own", () => {
  it("keeps coats, pattern and the mixes they name, and reads back as it was", () => {
    expect(cloth.coats.length).toBeGreaterThan(5);
    expect(cloth.pattern?.id).toBe("sett");
    const named = new Set(cloth.coats.map((coat) => coat.mixId));
    for (const mixId of named) expect(cloth.mixes.map(({ id }) => id)).toContain(mixId);
    expect(leather.mixes.length).toBeLessThan(sergeant.mixes.length);
    for (const scheme of [cloth, leather])
      expect(parseOwnScheme(JSON.parse(JSON.stringify(scheme)))).toEqual(scheme);
    expect(() => parseOwnScheme({ ...cloth, pattern: { ...cloth.pattern, params: {} } })).toThrow();
  });

  it("paints a piece of another job in the same coats and mixes, with seeds of its own", () => {
    for (const scheme of [cloth, leather]) {
      const painted = paintByScheme(other, "skirt", scheme, demoShelf);
      expect(parseJob(painted)).toEqual(painted);
      const { coats } = painted.surfaces[0]!;
      expect(coats.map(({ name }) => name)).toEqual(scheme.coats.map(({ name }) => name));
      expect(coats.map(({ technique, water, passes }) => ({ technique, water, passes }))).toEqual(
        scheme.coats.map(({ technique, water, passes }) => ({ technique, water, passes })),
      );
      coats.forEach((coat, at) =>
        expect(partsOf(painted, coat.mixId)).toEqual(
          scheme.mixes.find(({ id }) => id === scheme.coats[at]!.mixId)!.parts,
        ),
      );
      expect(new Set(coats.map(({ id }) => id)).size).toBe(coats.length);
      expect(coats.map(({ seed }) => seed)).not.toEqual(scheme.coats.map(({ seed }) => seed));
    }
  });

  it("takes mixes that are there already, and calls its own otherwise where a name is taken", () => {
    const again = paintByScheme(ferrySergeant(), "coat-skirt", cloth, demoShelf);
    expect(again.mixes.filter(({ name }) => name === "Straw")).toHaveLength(1);
    const taken = {
      ...other,
      mixes: other.mixes.map((mix, at) => ({ ...mix, id: ["straw", "rust"][at]! })),
      surfaces: other.surfaces.map((surface) => ({
        ...surface,
        coats: surface.coats.map((coat) => ({ ...coat, mixId: "straw" })),
      })),
    };
    const painted = paintByScheme(taken, "skirt", cloth, demoShelf);
    expect(painted.mixes.slice(0, 2)).toEqual(taken.mixes);
    const params = painted.surfaces[0]!.pattern!.params as { colours: Record<string, string> };
    expect(params.colours.S).toBe("straw-1");
    expect(partsOf(painted, "straw-1")).toEqual(partsOf(sergeant, "straw"));
  });

  it("keeps places beside earlier coats beside their copies", () => {
    for (const surface of [...sergeant.surfaces, ...reedScout().surfaces]) {
      const scheme = schemeOf(sergeant, surface, { id: "any", name: "Any", at: AT });
      const { coats } = paintByScheme(other, "skirt", scheme, demoShelf).surfaces[0]!;
      coats.forEach((coat, at) => {
        if (coat.place.kind !== "zones" || !coat.place.near) return;
        const nearId = coat.place.near.coatId;
        const before = coats.findIndex(({ id }) => id === nearId);
        expect(before).toBeGreaterThanOrEqual(0);
        expect(before).toBeLessThan(at);
      });
    }
  });
});
