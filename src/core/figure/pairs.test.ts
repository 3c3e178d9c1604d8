import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { demoShelf } from "../../data/demo/shelf";
import { withSeat } from "../edits/seats";
import { figureOf, onSeat, SEATS, type Job } from "../job";
import { defaultPainter } from "../painter";
import { strokesText } from "../plan/cardText";
import { cardsOf } from "../plan/cards";
import { boundsOf } from "./testing";
import { lightOf } from "./light";
import { piecesOf, seatAcross, surfaceIdOf, withPairs } from "./pairs";
import { standingFigure } from "./standingFigure";

const paired = wholeSergeant();
const gloves = paired.surfaces.find(({ id }) => id === "gloves")!;
const single: Job = withSeat(paired, "gloves", { ...gloves.seat!, both: false });
const standing = (job: Job) => standingFigure(job, job.figures[0]!)!;

describe("a pair", () => {
  it("has its other piece across the body, back and forth; a seat in the middle has none", () => {
    for (const id of SEATS) {
      const other = seatAcross(id);
      expect(other !== null).toBe(/^(left|right)-/.test(id));
      if (other) expect(seatAcross(other)).toBe(id);
    }
    expect(piecesOf(gloves)).toBe(2);
    expect(piecesOf({ seat: { ...onSeat("waist"), both: true } })).toBe(1);
    expect(piecesOf({ seat: null })).toBe(1);
  });

  it("is two surfaces on the figure only, the same ones every time", () => {
    const job = withPairs(paired);
    expect(job.surfaces).toHaveLength(paired.surfaces.length + 1);
    const other = job.surfaces.find(({ id }) => id !== "gloves" && surfaceIdOf(id) === "gloves")!;
    expect(other.seat!.id).toBe(seatAcross(gloves.seat!.id));
    expect(other.coats).toBe(gloves.coats);
    // An edit elsewhere leaves it, and so everything that is kept of it, as it is.
    const renamed = withPairs({ ...paired, name: "Another name" });
    expect(renamed.surfaces.find(({ id }) => id === other.id)).toBe(other);
    expect(withPairs(job)).toEqual(job);
    expect(withPairs(single)).toBe(single);
  });

  it("stands left and right as a mirror has it, in place of both hands of the body", () => {
    const [one, two] = [standing(single), standing(paired)];
    expect(two.pieces).toHaveLength(one.pieces.length + 1);
    expect(two.body).toHaveLength(one.body.length - 1);
    const [own, other] = two.pieces.filter(({ surface }) => surfaceIdOf(surface.id) === "gloves");
    const [here, there] = [boundsOf(own!.mesh), boundsOf(other!.mesh)];
    // Turned and moved as seen in a mirror: both hang at their arm's own height, as far from the middle.
    const middle = (of: typeof here, axis: 0 | 1 | 2) => (of.low[axis] + of.high[axis]) / 2;
    expect(Math.sign(middle(here, 0))).toBe(-Math.sign(middle(there, 0)));
    for (const axis of [0, 1, 2] as const) {
      const size = here.high[axis] - here.low[axis];
      expect(Math.abs(there.high[axis] - there.low[axis] - size), `axis ${axis}`).toBeLessThan(0.35 * size);
    }
  });

  it("is lit on each side as it stands there", () => {
    const job = withPairs(paired);
    const [own, other] = job.surfaces.filter(({ id }) => surfaceIdOf(id) === "gloves");
    expect(lightOf(paired, own!).key).not.toBe(lightOf(paired, other!).key);
    // Whether the job is looked at with its pairs or as it is kept, its light is the same.
    expect(lightOf(job, own!).key).toBe(lightOf(paired, own!).key);
    expect(lightOf(job, other!).room()).not.toBeNull();
    expect(figureOf(job, other)).toBe(paired.figures[0]);
  });

  it("takes twice the strokes, the time and the paint of one", () => {
    const cards = (job: Job) =>
      cardsOf(job, demoShelf, defaultPainter).filter(({ surface }) => surface.id === "gloves");
    const [of1, of2] = [cards(single), cards(paired)];
    expect(of1.length).toBeGreaterThan(2);
    of1.forEach((card, at) => {
      const both = of2[at]!;
      expect(both.strokes).toBe(2 * card.strokes);
      const { setUpMinutes } = defaultPainter;
      const handTime = (of: typeof card) => of.handMinutes - setUpMinutes;
      // The other hand takes a little light from the first: places that follow the light differ by that.
      expect(handTime(both) / handTime(card)).toBeCloseTo(2, 1);
      both.needs.forEach(({ paintUl }, need) =>
        expect(paintUl / card.needs[need]!.paintUl).toBeCloseTo(2, 1),
      );
      expect(strokesText(both)).toBe(`${strokesText(card)}, on each of both pieces`);
    });
  });
});
