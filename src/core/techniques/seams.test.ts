import { describe, expect, it } from "vitest";
import { inZones, type Hand } from "../job";
import { completeParams } from "../params";
import { createRandom } from "../random";
import { createFilmBuffer } from "./technique";
import { forms } from "../surface/forms";
import { buildGrid } from "../surface/grid";
import { techniqueIds, techniques, type TechniqueId } from ".";
import { onGround } from "./testing";

const hand: Hand = { finestLineMm: 0.12, steadiness01: 0.7 };
const band = forms["cone-band"].build(
  {
    waistMm: 30,
    hemMm: 30,
    slantMm: 8,
    gapDeg: 0,
    pleats: 0,
    pleatDepthMm: 0,
    seams: 3,
    tight: 0,
    borderMm: 0,
  },
  4,
);
const grid = buildGrid(band, 0.08);
/** The first of three pieces, without a soft border. */
const first = inZones([], 0, { span: { along: "length", from: 0, to: 1 / 3, softMm: 0 } });
/** Long marks across the seams, so that many would run over. */
const LONG: Partial<Record<TechniqueId, Record<string, number>>> = {
  scratch: { density: 3, length: 3, angle: 0, angleSpread: 10 },
  hatch: { density: 3, length: 3, angle: 90, angleSpread: 10 },
  stipple: { density: 4, size: 0.8, together: 5 },
  touch: { density: 6, width: 0.5, long: 300 },
  blotch: { coverage: 40, size: 5 },
};

/** Volume that a coat of the first piece leaves on the other two, away from the seams' own waver. */
function beyond(id: TechniqueId, overSeams: boolean): number {
  const film = createFilmBuffer(grid.inside.length);
  const technique = techniques[id];
  const context = onGround({
    grid,
    marks: { kind: "field", hollowsOnly: false, place: first },
    passUm: 9,
    passes: 1,
    water: 1,
    hand,
    overSeams,
  });
  technique.lay(film, context, completeParams(technique.params, LONG[id] ?? {}), createRandom(6));
  let sum = 0;
  film.volumeUm.forEach((um, at) => {
    const turn = grid.turnDeg[at]!;
    if (turn > 120.5 && turn < 359.5) sum += um;
  });
  return sum;
}

describe("single marks and the seams that part a panel", () => {
  it.each(techniqueIds.filter((id) => techniques[id].marksOn !== undefined && LONG[id]))(
    "%s stops at them, and runs over when asked",
    (id) => {
      expect(beyond(id, false)).toBe(0);
      expect(beyond(id, true)).toBeGreaterThan(0);
    },
  );
});
