import { describe, expect, it } from "vitest";
import { completeParams } from "../../params";
import { createRandom } from "../../random";
import { forms } from "../../surface/forms";
import { buildGrid, type SurfaceGrid } from "../../surface/grid";
import { createFilmBuffer } from "../technique";
import { onGround } from "../testing";
import { singleBlocks } from "./single-blocks";

const panel = forms.panel.build({ lengthMm: 34, widthMm: 22, dents: 0 }, 1);

function laid(grid: SurfaceGrid, number: number) {
  const film = createFilmBuffer(grid.inside.length);
  const context = onGround({
    ...{ grid, marks: { kind: "field", hollowsOnly: false }, passUm: 10, passes: 1, water: 3 },
    ...{ hand: { finestLineMm: 0.1, steadiness01: 0.8 }, nearCover: null, overSeams: false },
  });
  const params = completeParams(singleBlocks.params, { colours: 4, number, bare: 20, alike: 0, hides: 70 });
  singleBlocks.lay(film, context, params, createRandom(9));
  return film;
}

describe("single blocks painted on a smooth piece", () => {
  it("are the same in the preview as in the full picture", () => {
    const [coarse, fine] = [buildGrid(panel, 0.5), buildGrid(panel, 0.125)];
    for (const number of [1, 2, 3, 4]) {
      const [few, many] = [laid(coarse, number), laid(fine, number)];
      let [same, other] = [0, 0];
      for (let row = 0; row < coarse.height; row++)
        for (let column = 0; column < coarse.width; column++) {
          const at = row * coarse.width + column;
          if (coarse.inside[at]! < 1) continue;
          const x = coarse.originX + column * 0.5;
          const y = coarse.originY + row * 0.5;
          const there =
            Math.round((y - fine.originY) / 0.125) * fine.width + Math.round((x - fine.originX) / 0.125);
          if (few.cover[at]! > 0 === many.cover[there]! > 0) same++;
          else other++;
        }
      // A cell on a border may fall to either side.
      expect(other / (same + other)).toBeLessThan(0.03);
    }
  });
});
