import { clamp } from "../../units";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud, specks } from "../texture";

/** Paste dabbed on: it raises the ground itself, and all that follows is painted on what it leaves. */
export const texturePaste = defineTechnique({
  id: "texture-paste",
  version: 1,
  label: "Texture paste",
  about: "Thick paste with grit, dabbed on: it raises the ground, and later coats meet a new relief.",
  params: {
    depth: {
      label: "Depth",
      unit: "mm",
      range: [0.02, 2],
      step: 0.02,
      default: 0.25,
      about: "How thick it lies on average once dry, seen in profile; keep it thin for the scale.",
    },
    grain: {
      label: "Grain",
      unit: "mm",
      range: [0.08, 1.5],
      step: 0.02,
      default: 0.28,
      about: "Size of the grit in it.",
    },
    rough: {
      label: "Roughness",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 55,
      about: "How high grit and dabs stand against the depth; water flattens them.",
    },
  },
  lays: ["field"],
  filmShare: 1,
  filmUm: ({ depth }) => 1000 * depth,
  startWater: 0,
  bench: {
    tool: "old brush, spatula or stick",
    how: "Dab it on in thin layers and press the texture in before it skins.",
    lookAt: "No thicker than the scale allows; let each layer dry through.",
  },
  caution:
    "Let thick paste dry slowly in layers; a hair dryer skins and blisters it and has no place near water or solvents. Sand only with a mask.",
  raises: true,
  potKinds: ["paste"],
  lay(film, context, params, random) {
    const { grid, passes, water } = context;
    const rough = params.rough / 100 / (1 + 0.35 * water);
    eachCell(context, random, (at, x, y, weight) => {
      const grit = specks(x, y, params.grain);
      const dabs = cloud(x * 1.1 + 3, y * 1.1 + 8);
      const stands = 1 + rough * (0.55 * (grit > 0 ? Math.sqrt(grit) : 0.5 * grit) + 0.45 * dabs);
      const rim = clamp(weight * 1.8, 0, 1);
      addFilm(film, at, 1000 * params.depth * passes * Math.max(0.1, stands) * rim, grid.inside[at]!);
    });
  },
});
