import { blurMm } from "../../surface/blur";
import type { SurfaceGrid } from "../../surface/grid";
import { clamp } from "../../units";
import { footFree } from "../footFree";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud, specks } from "../texture";

/** Paste is drawn up what stands in it from about so far away, mm. */
const DRAWN_FROM_MM = 0.6;
/** Paste keeps off steep sides: from this rise on, mm per mm, hardly any stays. */
const STEEP = 1.6;

/** Paste dabbed on: it raises the ground itself, and all that follows is painted on what it leaves. */
export const texturePaste = defineTechnique({
  id: "texture-paste",
  version: 2,
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
    climb: {
      label: "Climbs what stands in it",
      unit: "mm",
      range: [0, 1.5],
      step: 0.05,
      default: 0.3,
      about: "How far it is drawn up the foot of rocks and other steep ground, so that they stand in it.",
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
    const around = blurMm(grid.relief, grid, DRAWN_FROM_MM);
    const stands = new Float32Array(film.cover.length);
    let [wanted, lies] = [0, 0];
    eachCell(context, random, (at, x, y, weight) => {
      const grit = specks(x, y, params.grain);
      const dabs = cloud(x * 1.1 + 3, y * 1.1 + 8);
      const texture = Math.max(
        0.1,
        1 + rough * (0.55 * (grit > 0 ? Math.sqrt(grit) : 0.5 * grit) + 0.45 * dabs),
      );
      const rim = clamp(weight * 1.8, 0, 1);
      const low = Math.max(0, around[at]! - grid.relief[at]!);
      const drawn = params.climb * (1 - Math.exp(-low / Math.max(0.01, params.climb)));
      const free = footFree(grid, at);
      stands[at] = (params.depth * texture + drawn / passes) * rim * staysOn(grid, at) * free;
      const area = rim * grid.inside[at]! * free;
      wanted += params.depth * area;
      lies += stands[at] * area;
    });
    // What climbs is missing elsewhere: as much lies there as was put on.
    const share = lies > 0 ? wanted / lies : 1;
    for (let at = 0; at < stands.length; at++)
      if (stands[at]! > 0) addFilm(film, at, 1000 * passes * share * stands[at]!, grid.inside[at]!);
  },
});

/** How much of it stays where the ground is steep, 0…1. */
function staysOn({ relief, width, pitchMm }: SurfaceGrid, at: number): number {
  const across = (relief[at + 1]! - relief[at - 1]!) / (2 * pitchMm);
  const up = (relief[at + width]! - relief[at - width]!) / (2 * pitchMm);
  const steep = (across * across + up * up) / (STEEP * STEEP);
  return steep === steep ? 1 / (1 + steep * steep) : 1;
}
