import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../data/demo/company";
import { primerLevel } from "../colour/appearance";
import { encodeSrgb } from "../colour/spaces";
import { changeFigure } from "../edits/figures";
import { withSeat } from "../edits/seats";
import type { Job } from "../job";
import { GridShelf } from "../simulate/gridShelf";
import { sprayOnBody } from "./bodyFromAbove";
import { sprayedByte, sprayOn } from "./fromAbove";
import { standingFigure } from "./standingFigure";

const job = wholeSergeant();
const figure = job.figures[0]!;
const shelf = new GridShelf();

function sprayed(of: Job, id: string) {
  const surface = of.surfaces.find((one) => one.id === id)!;
  const { grid } = shelf.of(of, surface, { preview: true });
  return { grid, taken: sprayOn(of, surface, grid)! };
}

function meanOf(of: Job, id: string): number {
  const { grid, taken } = sprayed(of, id);
  const all = grid.inside.reduce((sum, share) => sum + share, 0);
  return taken.reduce((sum, one, at) => sum + one * grid.inside[at]!, 0) / all;
}

/** What open ground takes of a can straight above and one halfway down on four sides, by its slope. */
function openGround([x, y, z]: readonly [number, number, number]): number {
  const half = Math.SQRT1_2;
  const ways = [y, (x + y) * half, (y - x) * half, (y + z) * half, (y - z) * half];
  return ways.reduce((sum, facing) => sum + Math.max(0, facing), 0) / (1 + 4 * half);
}

describe("white sprayed from above over black", () => {
  it("is black where none came, and brighter with more of it", () => {
    expect(sprayedByte(0)).toBe(Math.round(255 * encodeSrgb(primerLevel("black"))));
    const steps = Array.from({ length: 21 }, (_, step) => sprayedByte(step / 20));
    steps.slice(1).forEach((byte, at) => expect(byte).toBeGreaterThan(steps[at]!));
    // Droplets leave a little bare even where most of them fall.
    expect(steps.at(-1)).toBeLessThan(255 * encodeSrgb(primerLevel("white")));
    expect([sprayedByte(-1), sprayedByte(2)]).toEqual([steps[0], steps.at(-1)]);
  });

  it("reaches open ground of a body by its slope, and nothing that faces down", () => {
    const standing = standingFigure(job, figure)!;
    const parts = sprayOnBody(standing);
    let open = 0;
    standing.body.forEach(({ normals }, part) => {
      parts[part]!.forEach((taken, at) => {
        const normal = [normals[at * 3]!, normals[at * 3 + 1]!, normals[at * 3 + 2]!] as const;
        expect(taken).toBeLessThanOrEqual(openGround(normal) + 1e-5);
        if (normal[1] < -0.98) expect(taken).toBeLessThan(0.01);
        if (Math.abs(taken - openGround(normal)) < 1e-5 && normal[1] > 0.5) open++;
      });
    });
    expect(open).toBeGreaterThan(100);
    // Asked again it is not worked out again.
    expect(sprayOnBody(standing)).toBe(parts);
  });

  it("leaves less on a skirt that a satchel hangs over, whatever the lamp does", () => {
    const covered = meanOf(job, "coat-skirt");
    expect(meanOf(withSeat(job, "satchel", null), "coat-skirt")).toBeGreaterThan(1.03 * covered);
    const turned = changeFigure(job, figure.id, { lamp: { fromDeg: 10, heightDeg: 30 } });
    expect(meanOf(turned, "coat-skirt")).toBeCloseTo(covered, 6);
  });

  it("brings more to what faces up: the upper half of a bent piece takes more than the lower one", () => {
    const { grid, taken } = sprayed(job, "strap");
    expect(Math.max(...taken)).toBeLessThanOrEqual(1.0001);
    const inside = taken.filter((_, at) => grid.inside[at]! >= 1);
    const most = inside.reduce((a, b) => Math.max(a, b));
    const least = inside.reduce((a, b) => Math.min(a, b));
    expect(most).toBeGreaterThan(3 * Math.max(0.02, least));
  });

  it("is not told of a piece that lies aside", () => {
    const aside = withSeat(job, "satchel", null);
    const surface = aside.surfaces.find(({ id }) => id === "satchel")!;
    const { grid } = shelf.of(aside, surface, { preview: true });
    expect(sprayOn(aside, surface, grid)).toBeNull();
  });
});
