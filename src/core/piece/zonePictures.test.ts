import { describe, expect, it } from "vitest";
import { completeParams } from "../params";
import { forms } from "../surface/forms";
import { buildGrid } from "../surface/grid";
import { USUAL_WEAR } from "../surface/wear";
import { ZONES } from "../surface/zoneNames";
import type { PiecePicture } from "./still";
import { zonePictures } from "./zonePictures";

const form = forms.sleeve.build(completeParams(forms.sleeve.params, { bendDeg: 0 }), 3);
const grid = buildGrid(form, 0.1, { fromDeg: 0, heightDeg: 45 });
const pictures = zonePictures(grid, { settings: USUAL_WEAR, seed: 2 }, 90);

/** How much of a picture's part is tinted: more blue than red, weighted by how much the pixel is filled. */
function tinted({ rgba, width, height }: PiecePicture, within: (x: number, y: number) => boolean): number {
  let [sum, all] = [0, 0];
  for (let at = 0; at < width * height; at++) {
    if (rgba[at * 4 + 3]! < 255 || !within((at % width) / width, Math.floor(at / width) / height)) continue;
    all++;
    if (rgba[at * 4 + 2]! > 1.12 * rgba[at * 4]!) sum++;
  }
  return sum / all;
}

describe("pictures of the places of a piece", () => {
  it("are there for every zone, of one size, each unlike the others; a sleeve has no iron on it", () => {
    expect(tinted(pictures.fittings, () => true)).toBe(0);
    const others = ZONES.filter((zone) => zone !== "fittings");
    const all = others.map((zone) => pictures[zone]);
    expect(new Set(all.map(({ width, height }) => `${width} x ${height}`)).size).toBe(1);
    expect(Math.max(all[0]!.width, all[0]!.height)).toBeLessThanOrEqual(90);
    expect(new Set(all.map(({ rgba }) => rgba.join())).size).toBe(others.length);
  });

  it("tint what the zone is: the side of the lamp, the lower end, the upper end", () => {
    const share = (zone: (typeof ZONES)[number], within: (x: number, y: number) => boolean) =>
      tinted(pictures[zone], within);
    expect(share("lit", (x) => x > 0.6)).toBeGreaterThan(share("lit", (x) => x < 0.3) + 0.4);
    expect(share("shaded", (x) => x < 0.3)).toBeGreaterThan(share("shaded", (x) => x > 0.6) + 0.4);
    expect(share("hem", (_, y) => y > 0.85)).toBeGreaterThan(0.8);
    expect(share("hem", (_, y) => y < 0.4)).toBe(0);
    expect(share("top", (_, y) => y > 0.7)).toBe(0);
  });
});
