import { blurMm } from "../../surface/blur";
import { fieldsOf } from "../../surface/fields";
import { clamp, smoothstep } from "../../units";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { footFree } from "../footFree";
import { cloud, specks } from "../texture";

/** Snow keeps on slopes up to the first of these, mm per mm, and not at all from the second on. */
const [KEEPS, SLIDES] = [0.7, 1.9] as const;

/** Snow: thick on level ground, rounded over what it lies on, gone from steep sides, drifted into corners. */
export const snow = defineTechnique({
  id: "snow",
  version: 1,
  label: "Snow",
  about: "Snow as a paste: thick on level ground and in corners, rounded at its border, none on steep sides.",
  params: {
    depth: {
      label: "Depth",
      unit: "mm",
      range: [0.02, 3],
      step: 0.02,
      default: 0.4,
      about: "How thick it lies on level open ground.",
    },
    covered: {
      label: "Covered",
      unit: "%",
      range: [5, 100],
      step: 5,
      default: 80,
      about: "Share of the level ground under snow; what is left bare lies open in patches.",
    },
    patch: {
      label: "Size of a patch",
      unit: "mm",
      range: [0.5, 15],
      step: 0.5,
      default: 4,
      about: "How wide a stretch of snow or of bare ground is.",
    },
    drift: {
      label: "Drifted into corners",
      unit: "%",
      range: [0, 200],
      step: 10,
      default: 60,
      about: "How much thicker it lies at the foot of what stands up.",
    },
  },
  lays: ["field"],
  filmShare: 1,
  filmUm: ({ depth }) => 1000 * depth,
  startWater: 0,
  bench: {
    tool: "old brush or spatula, and a damp one",
    how: "Lay it on level ground in one go, push it into corners and round its border with the damp brush.",
    lookAt: "Steep sides are bare; seen from the side it is no thicker than snow would lie at this scale.",
  },
  caution:
    "Let thick paste dry slowly; a hair dryer skins and blisters it and has no place near solvents. Some pastes are irritant: gloves. Follow the labels and your local rules.",
  raises: true,
  comesLast: true,
  potKinds: ["paste"],
  lay(film, context, params, random) {
    const { grid, passes } = context;
    const { along, up } = fieldsOf(grid);
    const around = blurMm(grid.relief, grid, 0.9);
    const smooth = blurMm(grid.relief, grid, 0.12);
    const { width, pitchMm } = grid;
    const bare = 1 - params.covered / 100;
    const [shiftX, shiftY] = [random.range(0, 40), random.range(0, 40)];
    eachCell(context, random, (at, x, y, weight) => {
      const sx = ((smooth[at + 1] ?? 0) - (smooth[at - 1] ?? 0)) / (2 * pitchMm);
      const sy = ((smooth[at + width] ?? 0) - (smooth[at - width] ?? 0)) / (2 * pitchMm);
      const stays = 1 - smoothstep(KEEPS, SLIDES, Math.hypot(sx, sy));
      const low = clamp((around[at]! - grid.relief[at]!) / Math.max(0.05, params.depth), 0, 2);
      const open = 0.5 + 0.5 * cloud(along[at]! / params.patch + shiftX, up[at]! / params.patch + shiftY);
      const lies = bare <= 0 ? 1 : smoothstep(bare - 0.12, bare + 0.12, clamp(open, 0, 1));
      // Its border is round, its face nearly smooth.
      const thick = params.depth * (1 + (params.drift / 100) * low) * (1 + 0.06 * specks(x, y, 0.18));
      const share = Math.sqrt(lies) * stays * weight * footFree(grid, at);
      if (share > 0.01)
        addFilm(film, at, 1000 * passes * thick * share, Math.min(1, 3 * share) * grid.inside[at]!);
    });
  },
});
