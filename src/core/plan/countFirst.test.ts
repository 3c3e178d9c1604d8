import { describe, expect, it } from "vitest";
import { ferrySergeant } from "../../data/demo/ferrySergeant";
import { demoShelf } from "../../data/demo/shelf";
import { putPattern } from "../edits/patterns";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { columnGuides, rowGuides } from "../patterns/sett/guides";
import { settLayout } from "../patterns/sett/testing";
import { cardFacts } from "./cardText";
import { cardsOf } from "./cards";
import { countingText, countSays } from "./countFirst";

const skirt = ferrySergeant();
const cards = cardsOf(skirt, demoShelf, defaultPainter);

describe("what is counted before full paint", () => {
  it("is the lines of a cloth, once, before the first of its boxes", () => {
    const asking = cards.filter(({ countFirst }) => countFirst.length > 0);
    expect(asking).toHaveLength(1);
    const guides = cards.findIndex(
      ({ coat: { place } }) => place.kind === "pattern" && place.key === "guides",
    );
    expect(cards.indexOf(asking[0]!)).toBe(guides + 1);
    const layout = settLayout(skirt, skirt.surfaces[0]!);
    const edges = (list: readonly { kind: string }[]) => list.filter(({ kind }) => kind === "edge").length;
    expect(asking[0]!.countFirst.slice(0, 2).map(({ count }) => count)).toEqual([
      edges(columnGuides(layout)),
      edges(rowGuides(layout)),
    ]);
    expect(cardFacts(asking[0]!, demoShelf).find(([name]) => name === "Count first")?.[1]).toMatch(
      /^\d+ column lines, \d+ row lines, \d+ boxes once round the hem, while they are thin$/,
    );
  });

  it("is asked again where the lines are others", () => {
    const [surface] = skirt.surfaces;
    const twin = { ...surface!, id: "second", name: "Second" };
    const both = cardsOf({ ...skirt, surfaces: [...skirt.surfaces, twin] }, demoShelf, defaultPainter);
    expect(both.filter(({ countFirst }) => countFirst.length > 0)).toHaveLength(2);
  });

  it("is every colour of patches, about", () => {
    const bare = newJob("trial", "Trial", defaultPainter, demoShelf);
    const plain = newPlainSurface("piece", "Piece", "cloak", bare.mixes);
    const job = putPattern({ ...bare, surfaces: [plain] }, "piece", "camouflage", demoShelf);
    const found = cardsOf(job, demoShelf, defaultPainter).filter(({ countFirst }) =>
      countFirst.some(({ within }) => within > 0),
    );
    expect(found.length).toBeGreaterThan(0);
    for (const { countFirst, work } of found) {
      expect(countFirst[0]!.count).toBe(work.strokes);
      expect(countingText(countFirst)).toMatch(/^about \d+ (patches|bars) of /);
    }
  });
});

describe("a count", () => {
  const lines = { what: "column lines", count: 24, within: 0 };
  const patches = { what: "patches of moss", count: 20, within: 4 };

  it.each([
    [lines, 24, true, /paint on/],
    [lines, 23, false, /1 of the column lines missing: find the gap/],
    [lines, 26, false, /2 of the column lines too many/],
    [patches, 20, true, /As many/],
    [patches, 17, true, /looks the same/],
    [patches, 24, true, /looks the same/],
    [patches, 12, false, /8 fewer than planned/],
    [patches, 30, false, /10 more than planned/],
  ] as const)("of %o as %i is told", (counting, counted, right, words) => {
    const says = countSays(counting, counted);
    expect(says.right).toBe(right);
    expect(says.words).toMatch(words);
  });
});
