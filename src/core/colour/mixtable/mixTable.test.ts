import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../../data/demo/shelf";
import type { Paint } from "../../job";
import { paintOptics } from "../appearance";
import { ciede2000 } from "../difference";
import { ratios, tryAllMixes } from "../search";
import type { SeenAs } from "../seenAs";
import type { Triple } from "../spaces";
import { uniformSpectrum } from "../spectrum";
import { CELL, CELL_COUNT, coarseBound, cornerOf, leastDifference, reachOf } from "./cells";
import { MixTable, spreadOut } from "./mixTable";

const pots = demoShelf.filter((paint) => paint.kind === "paint").slice(0, 7);
const umber = demoShelf.find((paint) => paint.name === "Clear Umber")!;

const WAYS: readonly (readonly [string, SeenAs])[] = [
  ["thick", { kind: "thick" }],
  ["through a glaze", { kind: "under", optics: paintOptics(umber), filmUm: 6 }],
  ["as one thin film over a dark ground", { kind: "film", filmUm: 9, ground: uniformSpectrum(0.1) }],
];

const goals = fc.tuple(
  fc.double({ min: 0, max: 100, noNaN: true }),
  fc.double({ min: -90, max: 90, noNaN: true }),
  fc.double({ min: -90, max: 90, noNaN: true }),
);

describe("the table of all mixes", () => {
  it.each(WAYS)("answers as trying every mix does, seen %s", async (_name, seen) => {
    const table = (await MixTable.build(pots, { mostParts: 6, seen }))!;
    const threes = (7 * 6 * 5) / 6;
    expect(table.mixes).toBe(7 + 21 * ratios(2, 6).length + threes * ratios(3, 6).length);
    fc.assert(
      fc.property(goals, (goal) => {
        const plain = tryAllMixes(pots, goal, { mostParts: 6, pots: 3, keep: 5, seen });
        expect(table.nearest(goal, 5)).toEqual(plain);
      }),
      { numRuns: 25 },
    );
  });

  it("does not lose a mix of the opposite hue, where CIEDE2000 jumps", async () => {
    const table = (await MixTable.build(pots, { mostParts: 6, seen: { kind: "thick" } }))!;
    for (const goal of [
      [61.51262781548271, 80.82682418823049, 0],
      [40, 60, 1e-9],
      [70, -80, 0],
      [55, 0, 90],
    ] as const) {
      const plain = tryAllMixes(pots, goal, { mostParts: 6, pots: 3, keep: 5 });
      expect(table.nearest(goal, 5)).toEqual(plain);
    }
  });

  it("stops when it is no longer wanted", async () => {
    const stop = () => Promise.resolve(false);
    expect(await MixTable.build(pots, { mostParts: 6, seen: { kind: "thick" } }, stop)).toBeNull();
  });

  it("finds a mix that is on the shelf, exactly", async () => {
    const table = (await MixTable.build(pots, { mostParts: 6, seen: { kind: "thick" } }))!;
    const [first] = tryAllMixes([pots[2]!], [0, 0, 0], { mostParts: 1, pots: 1, keep: 1 });
    const [found] = table.nearest(first!.lab, 3);
    expect(found!.parts).toEqual([{ paintId: pots[2]!.id, parts: 1 }]);
    expect(found!.difference).toBeLessThan(1e-9);
  });

  it("is answered for no pot, one pot and pots of one colour", async () => {
    const options = { mostParts: 6, seen: { kind: "thick" } } as const;
    expect((await MixTable.build([], options))!.nearest([50, 0, 0], 3)).toEqual([]);
    expect((await MixTable.build([pots[0]!], options))!.nearest([50, 0, 0], 3)).toHaveLength(1);
    const twins: Paint[] = [0, 1].map((at) => ({ ...pots[0]!, id: `twin-${at}` }));
    const [best] = (await MixTable.build(twins, options))!.nearest([50, 0, 0], 1);
    expect(best!.parts).toHaveLength(1);
  });
});

describe("bounds of a cell", () => {
  const within = fc.double({ min: 0, max: CELL, noNaN: true });
  const ab = fc.double({ min: -100, max: 100, noNaN: true });

  it("are below every difference in it", () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.double({ min: 0, max: 100, noNaN: true }), ab, ab),
        fc.integer({ min: 0, max: CELL_COUNT - 1 }),
        fc.tuple(within, within, within),
        (goal: Triple, cell, [dl, da, db]) => {
          const [l, a, b] = cornerOf(cell);
          const inside: Triple = [l + dl, a + da, b + db];
          const difference = ciede2000(goal, inside);
          const middle = reachOf(cell);
          const bounds = [
            leastDifference(goal, cell),
            leastDifference(goal, cell, 1),
            coarseBound(goal, Math.hypot(goal[1], goal[2]), middle.a, middle.b),
          ];
          if (goal[1] * middle.a + goal[2] * middle.b > 0)
            bounds.push(ciede2000(goal, [l + CELL / 2, middle.a, middle.b]) - middle.reach);
          expect(Math.max(...bounds)).toBeLessThanOrEqual(difference + 1e-9);
        },
      ),
      { numRuns: 20000 },
    );
  });
});

describe("spreading pots out", () => {
  it("takes each once, the far ones first", () => {
    const labs: Triple[] = [
      [50, 0, 0],
      [51, 0, 0],
      [100, 0, 0],
      [0, 0, 0],
    ];
    expect(spreadOut(labs)).toEqual([0, 2, 3, 1]);
    expect(spreadOut([])).toEqual([]);
  });
});
