import { describe, expect, it } from "vitest";
import type { StillPiece } from "../../../core/piece/still";
import { nextStill } from "./FormStill";

const view = { turnDeg: 9, tiltDeg: null, pxPerMm: 200, mostPx: 520 };
const wanted = { view, lit: true };
const still = (part: Partial<typeof view>, lit = true): StillPiece => ({
  picture: { rgba: new Uint8ClampedArray(4), width: 1, height: 1, pxPerMm: 1, leftMm: 0, topMm: 0 },
  view: { ...view, ...part },
  lit,
  room: { middle: [0, 0, 0], aroundMm: 1, upMm: 1, tiltDeg: 12 },
});

describe("the next still picture", () => {
  it("is none where the one at hand is what is wanted", () => {
    expect(nextStill(still({}), wanted, true)).toBeNull();
  });

  it("is a small one first while the piece is turned or its light changes, then the large one", () => {
    const first = nextStill(still({ turnDeg: 0 }), wanted, true);
    expect(first).toEqual({ ...wanted, view: { ...view, mostPx: 260 } });
    expect(nextStill(still({}, false), wanted, true)).toEqual(first);
    expect(nextStill(still({ mostPx: 260 }), wanted, true)).toEqual(wanted);
  });

  it("is waited for where the full picture of the coats, which brings it, is still on its way", () => {
    expect(nextStill(still({ mostPx: 260 }), wanted, false)).toBeNull();
    expect(nextStill(still({ turnDeg: 0 }), wanted, false)).not.toBeNull();
  });
});
