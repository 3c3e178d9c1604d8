import { fieldsOf } from "../../surface/fields";
import { clamp } from "../../units";
import type { Random } from "../../random";
import {
  addFilm,
  defineTechnique,
  eachCell,
  layPasses,
  type FilmBuffer,
  type LayContext,
} from "../technique";
import { TILE_MOST } from "../../tiles/tiles";
import { cloud, wanderer } from "../texture";

/** The side of the brush drawn along sharp edges: it catches them, now broad, now not at all. */
export const edgeLine = defineTechnique({
  id: "edge-line",
  version: 1,
  label: "Edge line",
  about: "The side of the brush along edges and rims; pressure varies, and the line may break.",
  params: {
    width: {
      label: "Width",
      unit: "mm",
      range: [0.05, 1],
      step: 0.05,
      default: 0.2,
      about: "How far from the edge itself paint reaches at ordinary pressure.",
    },
    broken: {
      label: "Broken",
      unit: "%",
      range: [0, 90],
      step: 5,
      default: 25,
      about: "How much of the edge is left out, by lifting and by an emptying brush.",
    },
  },
  lays: ["field"],
  filmShare: 0.7,
  startWater: 0.5,
  steady: true,
  bench: {
    tool: "the side of a round brush of size 0 or 1",
    how: "Hold it flat to the edge and draw along; lift now and then.",
    lookAt: "The line is thin, breaks here and there and stays on the edge.",
  },
  caution: null,
  lay: (film, context, params, random) =>
    layPasses(film, context.passes, random, (one, own) => drawOnce(one, context, params, own)),
});

/** Pressure comes and goes along the edge, and is uneven besides. */
const [DRAWN, UNEVEN] = [0.75, 0.35] as const;
const MOST_PRESS = DRAWN + UNEVEN * TILE_MOST;

/** One pass along the edges. */
function drawOnce(
  film: FilmBuffer,
  context: LayContext,
  params: { readonly width: number; readonly broken: number },
  random: Random,
): void {
  const { grid, passUm } = context;
  const { crest: edge } = fieldsOf(grid);
  const seed = Math.floor(random.range(0, 1e6));
  const narrow = clamp(1 - params.width, 0.05, 0.95);
  const lift = 1 - 2.2 * (params.broken / 100);
  // Ground this far from any edge gets nothing at the greatest pressure.
  const least = Math.max(0.02, 0.8 * narrow - 0.125 * MOST_PRESS);
  const drawn = wanderer(seed);
  eachCell(context, random, (at, x, y, weight) => {
    if (edge[at]! < least) return;
    const near = (edge[at]! - narrow * 0.8) * 4;
    const uneven = UNEVEN * cloud(x, y);
    if (near + 0.5 * (uneven + DRAWN) <= 0) return;
    const press = DRAWN * drawn((x + 0.7 * y) / 1.4) + uneven;
    const cover = clamp(near + 0.5 * press, 0, 1) * clamp((press + lift) * 1.6, 0, 1) * weight;
    if (cover > 0.004) addFilm(film, at, passUm * (1 + 0.15 * press), Math.min(1, cover) * grid.inside[at]!);
  });
}
