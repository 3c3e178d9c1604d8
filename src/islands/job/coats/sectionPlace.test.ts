import { describe, expect, it } from "vitest";
import type { Specimen } from "../../../core/simulate/simulator";
import { lineOn } from "./sectionPlace";

/** A panel of 100 x 50 cells of 0.1 mm from (2, 3) mm on, with what is cut out of it. */
function panel(out: (column: number, row: number) => boolean): Specimen {
  const rgba = new Uint8ClampedArray(100 * 50 * 4).fill(255);
  for (let at = 0; at < 5000; at++) if (out(at % 100, Math.floor(at / 100))) rgba[at * 4 + 3] = 0;
  return { rgba, width: 100, height: 50, pitchMm: 0.1, originX: 2, originY: 3, reduced: false };
}

describe("where the section is cut at first", () => {
  it("is low across the middle of a whole panel", () => {
    expect(
      lineOn(
        panel(() => false),
        null,
      ),
    ).toEqual({ ax: 5.6, ay: 7, bx: 8.4, by: 7 });
  });

  it("is where there is something to cut, beside an opening", () => {
    const hood = panel((column, row) => row > 20 && Math.abs(column - 50) < 20);
    const { ay, by } = lineOn(hood, null);
    expect(ay).toBe(by);
    expect(ay).toBeLessThan(3 + 2.1);
  });

  it("is the painter's own line as long as an end of it is on the panel", () => {
    const own = { ax: 3, ay: 4, bx: 30, by: 4 };
    expect(
      lineOn(
        panel(() => false),
        own,
      ),
    ).toBe(own);
    expect(
      lineOn(
        panel(() => false),
        { ...own, ax: 31 },
      ),
    ).not.toEqual({ ...own, ax: 31 });
  });
});
