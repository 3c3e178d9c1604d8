import { describe, expect, it } from "vitest";
import { reedScout, wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { applyRemedy } from "../../checks/applyRemedy";
import { labToHex, type Triple } from "../../colour/spaces";
import type { Job } from "../../job";
import { judgeFigure } from ".";
import { isSameFault } from "./faults";
import type { Part } from "./looks";
import { remediesFor } from "./remedies";
import { HEIGHT, planted, PX_PER_MM, type Planted } from "./testing";

const judge = (list: readonly Planted[]) => {
  const { judged, parts } = planted(list);
  return judgeFigure(judged, parts);
};
const kindsOf = (list: readonly Planted[]) => judge(list).faults.map(({ kind }) => kind);

/** A sound figure: face, coat, trousers and strap, each in its place. */
const FACE: Planted = {
  id: "face",
  box: [60, 10, 100, 50],
  lab: [72, 14, 18],
  busy: 5,
  importance: "looked-at",
};
const COAT: Planted = { id: "coat", box: [30, 50, 130, 150], lab: [38, 2, -8], busy: 2 };
const LEGS: Planted = {
  id: "legs",
  box: [45, 150, 115, 230],
  lab: [52, 4, 12],
  busy: 1,
  importance: "quiet",
};
const STRAP: Planted = {
  id: "strap",
  box: [40, 90, 120, 102],
  lab: [27, 5, 8],
  busy: 1.5,
  importance: "quiet",
};
const SOUND = [FACE, COAT, LEGS, STRAP];

describe("a figure judged as one", () => {
  it("tells of each part its share, colour, spread and unevenness", () => {
    const { looks } = judge(SOUND);
    expect(looks).toHaveLength(4);
    const coat = looks.find(({ id }) => id === "coat")!;
    const all = 40 * 40 + 100 * 100 + 70 * 80;
    expect(coat.share).toBeCloseTo((100 * 100 - 80 * 12) / all, 3);
    expect(coat.lab[0]).toBeCloseTo(38, 0);
    expect(coat.lab[2]).toBeCloseTo(-8, 0);
    // Dots of three pixels are finer than what counts as fine: nearly all of their spread is found.
    expect(coat.texture).toBeGreaterThan(1.5);
    expect(coat.texture).toBeLessThan(2.4);
    expect(looks[0]!.id).toBe("face");
    expect(looks[0]!.draw).toBe(1);
  });

  it("says which parts meet, how long, and what parts them, the weakest first", () => {
    const { borders } = judge(SOUND);
    const names = borders.map(({ one, other }) => [one, other].sort().join("+"));
    expect(new Set(names)).toEqual(new Set(["coat+face", "coat+legs", "coat+strap"]));
    expect(borders[0]!.apart).toBeLessThanOrEqual(borders[1]!.apart);
    const legs = borders.find(({ other, one }) => [one, other].includes("legs"))!;
    expect(legs.lightness).toBeCloseTo(14, -0.5);
    expect(legs.lengthMm).toBeCloseTo((0.8 * 70) / PX_PER_MM, 0);
    expect(legs.hueDeg).toBeGreaterThan(90);
  });

  it("shares out light and dark, warm and cold, busy and quiet", () => {
    const { balance } = judge([
      { id: "a", box: [0, 0, 80, 100], lab: [20, 30, 20] },
      { id: "b", box: [80, 0, 160, 100], lab: [85, -10, -30] },
      { id: "c", box: [0, 100, 160, 200], lab: [50, 0, 0], busy: 8 },
    ]);
    expect(balance.dark).toBeCloseTo(0.25, 1);
    expect(balance.light).toBeGreaterThan(0.24);
    expect(balance.warm).toBeCloseTo(0.25, 2);
    expect(balance.cold).toBeCloseTo(0.25, 2);
    expect(balance.busy).toBeCloseTo(0.5, 2);
    expect(balance.quiet).toBeCloseTo(0.5, 2);
  });

  it("finds colours again in other parts, and those that are alone", () => {
    const { echoes } = judge([
      { id: "hood", box: [0, 0, 80, 80], lab: [45, 40, 25] },
      { id: "coat", box: [80, 0, 160, 80], lab: [40, -30, 25] },
      { id: "belt", box: [0, 80, 160, 100], lab: [30, 34, 20] },
    ]);
    const of = (id: string) => echoes.find(({ surfaceId }) => surfaceId === id)!.with;
    expect(of("hood")).toEqual(["belt"]);
    expect(of("belt")).toEqual(["hood"]);
    expect(of("coat")).toEqual([]);
  });
});

describe("planted faults of a figure", () => {
  it("a strap that outshouts the face is named, with both", () => {
    const { faults, looks } = judge([
      { ...FACE, lab: [48, 3, 4], busy: 0 },
      COAT,
      LEGS,
      { ...STRAP, lab: [88, 20, 70] },
    ]);
    expect(looks[0]!.id).toBe("strap");
    const fault = faults.find(({ kind }) => kind === "outshouts")!;
    expect([fault.partId, fault.otherId]).toEqual(["strap", "face"]);
    // Where it does so: on the strap.
    expect(fault.at[1] * HEIGHT).toBeGreaterThan(88);
    expect(fault.at[1] * HEIGHT).toBeLessThan(104);
  });

  it("two alike leathers that touch are named; so busy a one beside so smooth a one is not", () => {
    const leathers = (busy: number): Planted[] => [
      FACE,
      { id: "bag", box: [30, 60, 90, 140], lab: [30, 10, 15], busy: 1 },
      { id: "belt", box: [90, 60, 140, 140], lab: [31, 11, 16], busy },
    ];
    const fault = judge(leathers(1)).faults.find(({ kind }) => kind === "run-together")!;
    expect([fault.partId, fault.otherId].sort()).toEqual(["bag", "belt"]);
    expect(kindsOf(leathers(6))).not.toContain("run-together");
  });

  it("one colour alone is named, but not where it is to be looked at", () => {
    const red = (importance: Part["importance"]): Planted[] => [
      { ...FACE, lab: [60, 0, 2] },
      COAT,
      { ...LEGS, lab: [45, 2, -12] },
      { id: "sash", box: [30, 110, 130, 135], lab: [42, 50, 30], importance },
    ];
    const faults = judge(red("usual")).faults.filter(({ kind }) => kind === "colour-alone");
    expect(faults.map(({ partId }) => partId)).toEqual(["sash"]);
    expect(kindsOf(red("looked-at"))).not.toContain("colour-alone");
  });

  it("parts that are all equally busy are named by the one that matters least", () => {
    const busy = SOUND.map((part) => ({ ...part, busy: 6 }));
    const fault = judge(busy).faults.find(({ kind }) => kind === "equally-busy")!;
    expect(fault.partId).toBe("legs");
    expect(kindsOf(SOUND)).not.toContain("equally-busy");
  });

  it("ten sound figures are not blamed", () => {
    const hues: readonly Triple[] = [
      [38, 2, -8],
      [35, -12, 8],
      [42, 8, 20],
      [30, 4, -18],
      [45, 0, 4],
      [33, 10, 6],
      [40, -8, -4],
      [36, 3, 14],
      [44, -4, 10],
      [31, 6, -6],
    ];
    for (const lab of hues) {
      const figure = [FACE, { ...COAT, lab }, LEGS, STRAP];
      expect(judge(figure).faults, labToHex(lab)).toEqual([]);
    }
  });
});

describe("remedies of a figure's faults", () => {
  const fault = (
    kind: "outshouts" | "run-together" | "equally-busy" | "colour-alone",
    partId: string,
    otherId: string | null,
  ) => ({ kind, gravity: "look", partId, otherId, sentence: "", reason: "", at: [0, 0] }) as const;

  it("are coats more, in mixes the job has, that can be put on and are told apart", () => {
    const job = wholeSergeant();
    for (const kind of ["outshouts", "run-together", "equally-busy", "colour-alone"] as const) {
      const remedies = remediesFor(job, demoShelf, fault(kind, "strap", "satchel"));
      expect(remedies.length).toBeGreaterThan(0);
      expect(new Set(remedies.map(({ label }) => label)).size).toBe(remedies.length);
      for (const remedy of remedies) {
        const after = applyRemedy(job, remedy);
        const coats = (of: Job) => of.surfaces.flatMap((surface) => surface.coats);
        const painted = (of: Job) => coats(of).filter(({ held }) => !held).length;
        const ids = coats(after).map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        const added = coats(after).filter(({ id }) => !coats(job).some((one) => one.id === id));
        // Up to three coats more (one calmed, the other with a light and a deeper shade), or one or two left out.
        expect(added.length).toBeLessThanOrEqual(3);
        expect(added.length > 0 || painted(after) < painted(job)).toBe(true);
        for (const { mixId } of added) expect(job.mixes.map(({ id }) => id)).toContain(mixId);
        expect(after.mixes).toEqual(job.mixes);
      }
    }
  });

  it("are none where the part is gone", () => {
    expect(remediesFor(reedScout(), demoShelf, fault("outshouts", "strap", null))).toEqual([]);
  });

  it("ask for no coat that is painted already to be left out", () => {
    const job = wholeSergeant();
    const { coats } = job.surfaces.find(({ id }) => id === "strap")!;
    const leftOut = (done: readonly string[]) => {
      const painted = done.map((id) => ({ cardId: `strap/${id}`, form: null }));
      const busy = fault("equally-busy", "strap", null);
      return remediesFor(job, demoShelf, busy, { painted })
        .flatMap(({ changes }) => changes)
        .flatMap(({ path }) => (path[0] === "surfaces" && path[4] === "held" ? [path[3]!] : []));
    };
    const first = leftOut([])[0]!;
    expect(leftOut([first]).length).toBeGreaterThan(0);
    expect(leftOut([first])).not.toContain(first);
    expect(leftOut(coats.map(({ id }) => id))).toEqual([]);
  });

  it("are of one fault, told apart by both of its parts", () => {
    const [one, other] = [fault("run-together", "strap", "satchel"), fault("run-together", "strap", "skirt")];
    expect(isSameFault(one, fault("run-together", "satchel", "strap"))).toBe(true);
    expect(isSameFault(one, other)).toBe(false);
    // Who draws the eye before whom cannot be turned round.
    const loud = fault("outshouts", "strap", "satchel");
    expect(isSameFault(loud, fault("outshouts", "satchel", "strap"))).toBe(false);
    expect(isSameFault(loud, fault("outshouts", "strap", "satchel"))).toBe(true);
  });
});
