import { describe, expect, it } from "vitest";
import { mudflatBases } from "../../../data/demo/mudflatBases";
import { wholeSergeant } from "../../../data/demo/company";
import { parseJob } from "./jobSchema";
import { upgradeJob } from "./upgrade";

type Json = Record<string, unknown>;

describe("a job of an earlier version", () => {
  it("6 has no pairs: what it seats is one piece", () => {
    const today = JSON.parse(JSON.stringify(wholeSergeant())) as { surfaces: Json[] };
    const before = {
      ...today,
      version: 6,
      surfaces: today.surfaces.map((surface) => {
        const { both, ...seat } = surface.seat as Json;
        expect(both).toBeDefined();
        return { ...surface, seat };
      }),
    };
    const job = parseJob(upgradeJob(before));
    expect(job.surfaces.map(({ seat }) => seat!.both)).toEqual(today.surfaces.map(() => false));
  });

  it("7 knows neither growth nor budgets: hair lies down the piece, and every mark is painted", () => {
    const today = JSON.parse(JSON.stringify(wholeSergeant())) as { surfaces: Json[] };
    const before = {
      ...today,
      version: 7,
      surfaces: today.surfaces.map(({ growth, effort, ...surface }) => {
        expect([growth, effort]).toEqual([null, null]);
        return surface;
      }),
    };
    expect(parseJob(upgradeJob(before))).toEqual(wholeSergeant());
  });

  it("8 knows no hides: every form is smooth", () => {
    const today = JSON.parse(JSON.stringify(wholeSergeant())) as { surfaces: Json[] };
    const before = {
      ...today,
      version: 8,
      surfaces: today.surfaces.map(({ hide, ...surface }) => {
        expect(hide).toBeNull();
        return surface;
      }),
    };
    expect(parseJob(upgradeJob(before))).toEqual(wholeSergeant());
  });

  it("9 knows no time: its coats stand for nothing that happened", () => {
    const now = wholeSergeant();
    const surfaces = now.surfaces.map((surface) => ({
      ...surface,
      coats: surface.coats.map((coat) => ({ ...coat, event: null })),
    }));
    const today = JSON.parse(JSON.stringify({ ...now, surfaces })) as { surfaces: { coats: Json[] }[] };
    const before = {
      ...today,
      version: 9,
      surfaces: today.surfaces.map((surface) => ({
        ...surface,
        coats: surface.coats.map(({ event: _event, ...coat }) => coat),
      })),
    };
    expect(parseJob(upgradeJob(before))).toEqual({ ...now, surfaces });
  });

  it("11 knows no bases that are built, and its paste climbs nothing", () => {
    const now = mudflatBases();
    const [base] = now.surfaces;
    const flat = { ...now, surfaces: [{ ...base!, groundwork: null }] };
    const today = JSON.parse(JSON.stringify(flat)) as { surfaces: { coats: Json[] }[] };
    const before = {
      ...today,
      version: 11,
      surfaces: today.surfaces.map(({ groundwork: _none, ...surface }: Json) => ({
        ...surface,
        coats: (surface.coats as { technique: { params: Json } }[]).map((coat) => {
          const { climb: _climb, ...params } = coat.technique.params;
          return { ...coat, technique: { ...coat.technique, params } };
        }),
      })),
    };
    const read = parseJob(upgradeJob(before));
    expect(read.surfaces[0]!.groundwork).toBeNull();
    const paste = read.surfaces[0]!.coats.find(({ technique }) => technique.id === "texture-paste")!;
    expect(paste.technique).toMatchObject({ version: 2, params: { climb: 0, depth: 0.18 } });
  });

  it("12 has no plan for the bench: no sittings, no wishes, and a unit as it saves most", () => {
    const { bench, ...today } = JSON.parse(JSON.stringify(wholeSergeant())) as Json;
    expect(parseJob(upgradeJob({ ...today, version: 12 })).bench).toEqual(bench);
    expect(bench).toEqual({ unit: "mixed", sittings: [], wishes: [] });
  });

  it("13 knows no mishaps: it is read as it stands", () => {
    const before = { ...(JSON.parse(JSON.stringify(wholeSergeant())) as Json), version: 13 };
    expect(parseJob(upgradeJob(before))).toEqual(wholeSergeant());
  });
});
