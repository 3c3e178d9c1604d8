import { describe, expect, it } from "vitest";
import { landingWall } from "../../data/demo/landingWall";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { apartAgain, broughtTogether, isTogether, togetherMix } from "../edits/together";
import { bodyUse } from "../figure/bodies";
import { parseJob } from "../formats/job-json/jobSchema";
import { onSeat, type Job, type Surface } from "../job";
import { newJob, newPlainSurface } from "../newJob";
import { defaultPainter } from "../painter";
import { techniques } from "../techniques";
import { cardsOf } from "./cards";
import { airbrushSaves, closedOff } from "./together";

const blank = newJob("job", "Job", defaultPainter, demoShelf);
const figure = { ...blank.figures[0]!, body: null };
const withBody: Job = {
  ...blank,
  figures: [{ ...figure, body: bodyUse("machine", figure) }],
};
const plate = (id: string, sizes: Record<string, number>, outMm: number): Surface => {
  const plain = newPlainSurface(id, id, "panel", [], figure.id);
  return {
    ...plain,
    form: { ...plain.form, params: { ...plain.form.params, dents: 0, ...sizes } },
    seat: { ...onSeat("hull"), outMm },
  };
};

describe("what a brush no longer reaches", () => {
  const hull = plate("hull", { lengthMm: 18, widthMm: 16 }, 0);

  it("is told of a piece that another one stands close before, and of none that is open", () => {
    const open = { ...withBody, surfaces: [hull] };
    expect(closedOff(open, figure.id)).toEqual([]);
    const shield = plate("shield", { lengthMm: 18, widthMm: 16 }, 1);
    const [first, ...more] = closedOff({ ...open, surfaces: [hull, shield] }, figure.id);
    expect(first).toMatchObject({ surfaceId: "hull" });
    expect(first!.share).toBeGreaterThan(0.4);
    expect(more).toEqual([]);
  });

  it("is the less the farther off the other stands, and nothing of pieces that lie aside", () => {
    const shareAt = (outMm: number) =>
      closedOff(
        { ...withBody, surfaces: [hull, plate("shield", { lengthMm: 18, widthMm: 16 }, outMm)] },
        figure.id,
      ).find(({ surfaceId }) => surfaceId === "hull")?.share ?? 0;
    expect(shareAt(1)).toBeGreaterThan(shareAt(4));
    expect(shareAt(30)).toBe(0);
    expect(closedOff({ ...withBody, surfaces: [{ ...hull, seat: null }] }, figure.id)).toEqual([]);
  });
});

describe("what an airbrush saves", () => {
  const small = landingWall();
  const [first] = small.surfaces;
  const large = { ...first!.form, params: { ...first!.form.params, lengthMm: 190, widthMm: 140 } };
  /** The side of a house, without its blocks. */
  const wall: Job = { ...small, surfaces: [{ ...first!, hide: null, form: large }] };
  const cards = cardsOf(wall, demoShelf, defaultPainter);
  const saves = airbrushSaves(cards, defaultPainter);

  it("is told of large pieces, by the pace of both and what setting up takes", () => {
    expect(saves).toHaveLength(1);
    const [{ coats, savedMinutes, brushMinutes }] = saves as [(typeof saves)[number]];
    expect(savedMinutes).toBeGreaterThan(10);
    expect(savedMinutes).toBeLessThan(brushMinutes);
    // Eight times the pace, five minutes for each mix.
    const own = cards.filter(({ title }) => coats.includes(title));
    const mixes = new Set(own.map(({ coat }) => coat.mixId)).size;
    const minutes = own.reduce((sum, card) => sum + card.handMinutes, 0);
    expect(brushMinutes).toBeCloseTo(minutes, 6);
    expect(savedMinutes).toBeCloseTo(minutes - minutes / 8 - 5 * mixes, 6);
  });

  it("is nothing on a figure's small pieces, nor of what is sprayed already", () => {
    expect(airbrushSaves(cardsOf(small, demoShelf, defaultPainter), defaultPainter)).toEqual([]);
    const sprayed = wall.surfaces.map((surface) => ({
      ...surface,
      coats: surface.coats.map((coat) => ({
        ...coat,
        technique: { id: "airbrush", version: techniques.airbrush.version, params: {} },
      })),
    }));
    expect(
      airbrushSaves(cardsOf({ ...wall, surfaces: sprayed }, demoShelf, defaultPainter), defaultPainter),
    ).toEqual([]);
  });

  it("is in the minutes of a card that sprays: an eighth of those of the brush", () => {
    const [surface] = wall.surfaces;
    const [base] = surface!.coats;
    const by = (id: "base-coat" | "airbrush") => {
      const technique = { id, version: techniques[id].version, params: {} };
      const coat = { ...base!, place: { kind: "everywhere" as const }, technique };
      const job = { ...wall, surfaces: [{ ...surface!, coats: [coat] }] };
      return cardsOf(job, demoShelf, defaultPainter)[0]!.work.handMinutes;
    };
    expect(by("base-coat") / by("airbrush")).toBeCloseTo(8, 6);
  });
});

describe("bringing a figure together", () => {
  const sergeant = wholeSergeant();
  const figureId = sergeant.figures[0]!.id;
  const together = broughtTogether(sergeant, figureId, demoShelf);
  const added = together.surfaces.map(({ id, coats }) => coats.filter((coat) => isTogether(id, coat.id)));

  it("brushes every part once in one mix that is there already, before what ends the paint", () => {
    expect(added.every((coats) => coats.length === 1)).toBe(true);
    expect(new Set(added.flat().map(({ mixId }) => mixId))).toEqual(
      new Set([togetherMix(sergeant, figureId, demoShelf)!.id]),
    );
    expect(together.mixes).toEqual(sergeant.mixes);
    for (const { coats } of together.surfaces) {
      const after = coats.slice(coats.findIndex(({ id }) => id.endsWith("-together")) + 1);
      expect(after.every(({ technique: { id } }) => id === "varnish" || id === "tuft")).toBe(true);
    }
    expect(parseJob(together)).toEqual(together);
  });

  it("is done once however often it is asked for, and taken off without a trace", () => {
    expect(broughtTogether(together, figureId, demoShelf)).toEqual(together);
    expect(apartAgain(together, figureId)).toEqual(sergeant);
  });

  it("leaves a figure without paint as it is", () => {
    const bare = { ...sergeant, surfaces: sergeant.surfaces.map((one) => ({ ...one, coats: [] })) };
    expect(broughtTogether(bare, figureId, demoShelf)).toBe(bare);
  });
});
