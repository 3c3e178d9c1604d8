import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { demoShelf } from "../../data/demo/shelf";
import { asPainted, bother, different } from "./bother";
import { tryAllMixes, type FoundMix } from "./search";
import { hexToLab } from "./spaces";

const paints = demoShelf.filter(({ kind, state }) => kind === "paint" && state === "have").slice(0, 9);
const mix = (difference: number, parts: Readonly<Record<string, number>>): FoundMix => ({
  difference,
  lab: [50, 0, 0],
  parts: Object.entries(parts).map(([paintId, count]) => ({ paintId, parts: count })),
});
const [a, b, c] = paints.map(({ id }) => id) as [string, string, string];
const grey = hexToLab("#808080");
const palette = { paints, goal: grey, inUse: new Set([a, b, c]) };

describe("recipes a painter would mix", () => {
  it("come before nearer ones of many parts: 5 parts off by 0.3 before 13 off by 0.1", () => {
    const small = mix(0.3, { [a]: 3, [b]: 2 });
    const large = mix(0.1, { [a]: 7, [b]: 6 });
    expect(asPainted([large, small], palette)).toEqual([small, large]);
  });

  it("come before nearer ones of more pots, as long as the eye hardly tells", () => {
    const two = mix(1.1, { [a]: 2, [b]: 1 });
    const three = mix(0.6, { [a]: 2, [b]: 1, [c]: 1 });
    expect(asPainted([three, two], palette)[0]).toBe(two);
    expect(asPainted([three, mix(3, { [a]: 2, [b]: 1 })], palette)[0]).toBe(three);
  });

  it("keep to pots in use, and to pots of the goal's own hue", () => {
    const parts = { [a]: 1, [b]: 1 };
    expect(bother(mix(0, parts), { ...palette, inUse: new Set() })).toBeGreaterThan(
      bother(mix(0, parts), palette),
    );
    const red = paints.find(({ name }) => name === "Rust Red")!;
    const green =
      paints.find(({ name }) => name === "Fen Green") ?? paints.find(({ name }) => name === "Moss")!;
    const goal = hexToLab(red.thick);
    const own = bother(mix(0, { [red.id]: 1 }), { ...palette, goal, inUse: new Set([red.id]) });
    const against = bother(mix(0, { [green.id]: 1 }), { ...palette, goal, inUse: new Set([green.id]) });
    expect(own).toBe(0);
    expect(against).toBeGreaterThan(0.2);
  });

  it("cost never less than nothing, and more with every part and pot", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }), (counts) => {
        const parts = Object.fromEntries(counts.map((count, at) => [paints[at]!.id, count]));
        const more = { ...parts, [paints[0]!.id]: counts[0]! + 5 };
        const cost = bother(mix(0, parts), palette);
        expect(cost).toBeGreaterThanOrEqual(0);
        expect(bother(mix(0, more), palette)).toBeGreaterThan(cost);
      }),
    );
  });

  it("are the same mixes in another order, none twice", () => {
    const goal = hexToLab("#7a6a4a");
    const found = tryAllMixes(paints, goal, { mostParts: 4, pots: 2, keep: 20 });
    const ordered = asPainted(found, { ...palette, goal });
    expect(new Set(ordered)).toEqual(new Set(found));
    expect(different([...found, ...ordered])).toHaveLength(found.length);
  });
});
