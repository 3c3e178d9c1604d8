import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { defaultPainter } from "../painter";
import { demoShelf } from "../../data/demo/shelf";
import type { Job, Surface } from "../job";
import { cardsOf } from "../plan/cards";
import { keepHeights } from "../surface/keptHeights";
import { glanceAt, paintIn } from "./glance";

const demo = wholeSergeant();
const satchel = demo.surfaces.find(({ id }) => id === "satchel")!;
/** Ribs from one side to the other, 1 mm apart. */
const ribs = {
  width: 80,
  height: 8,
  values: Float32Array.from({ length: 640 }, (_, at) => 0.5 + 0.5 * Math.sin(((at % 80) * Math.PI) / 4)),
};
const ribbed = (pictureId: string): Surface => ({
  ...satchel,
  coats: [{ ...satchel.coats[0]!, technique: { id: "base-coat", version: 1, params: {} } }],
  relief: { pictureId, name: "Ribs", widthMm: 10, depthMm: 0.6 },
});
const jobWith = (surface: Surface): Job => ({ ...demo, surfaces: [surface], touching: [] });
const areaOf = (surface: Surface): number => {
  const { grid, coats } = glanceAt(jobWith(surface), surface);
  return paintIn(coats[0]!.film, grid).coveredMm2;
};

describe("a surface with a relief picture", () => {
  it("is counted with its relief once the picture was brought, and without before", () => {
    const plain = areaOf({ ...ribbed("0".repeat(64)), relief: null });
    expect(areaOf(ribbed("a".repeat(64)))).toBeCloseTo(plain, 6);
    const onFigure = () => cardsOf(jobWith(ribbed("a".repeat(64))), demoShelf, defaultPainter)[0]!.laid.dryUl;
    const before = onFigure();
    keepHeights("a".repeat(64), ribs);
    // Waves of 1 mm and 0.6 mm are half as long again as the straight line.
    expect(areaOf(ribbed("a".repeat(64))) / plain).toBeGreaterThan(1.3);
    expect(onFigure() / before).toBeGreaterThan(1.3);
  });
});
