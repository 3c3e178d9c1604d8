import { describe, expect, it } from "vitest";
import { inZones } from "../job";
import { placeName } from "./placeWords";

describe("a place in words", () => {
  it("says which part of the value plan a coat keeps to", () => {
    const told = (from: number, to: number) =>
      placeName(inZones([], 0, { values: { from, to, fade: 0.1 } }), null);
    expect(told(0.6, 1)).toBe("the lights, from 60 % of the value plan up");
    expect(told(0, 0.4)).toBe("the shadows, up to 40 % of the value plan");
    expect(told(0.4, 0.8)).toBe("40 to 80 % of the value plan");
    expect(placeName(inZones(["raised"], 0.2, { values: { from: 0.8, to: 1, fade: 0 } }), null)).toBe(
      "raised ground and the lights, from 80 % of the value plan up, fading",
    );
  });
});
