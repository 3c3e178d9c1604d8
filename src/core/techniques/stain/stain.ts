import { fieldsOf } from "../../surface/fields";
import { smoothstep } from "../../units";
import { cutShare, patchChance, rimAt } from "../cutShare";
import { cellPlaces, defineTechnique, placeWeights } from "../technique";
import { specks } from "../texture";

/** Patches of thinned paint that fade out or dry with a rim: rust, grime, damp, moss. */
export const stain = defineTechnique({
  id: "stain",
  version: 1,
  label: "Stains in patches",
  about:
    "Thinned paint dabbed on in irregular patches, into hollows more than elsewhere, that fade out or dry with a rim: rust, grime, damp, moss.",
  params: {
    coverage: {
      label: "Covered",
      unit: "%",
      range: [0.5, 80],
      step: 0.5,
      default: 18,
      about: "Share of the place that the patches cover, to the middle of their borders.",
    },
    size: {
      label: "Size of a patch",
      unit: "mm",
      range: [0.15, 6],
      step: 0.05,
      default: 0.9,
      about: "The middle of their widths.",
    },
    hollows: {
      label: "Into hollows",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 40,
      about: "How much more a hollow takes than open ground.",
    },
    soft: {
      label: "Fading out",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 45,
      about: "How far a border is drawn out with a damp brush.",
    },
    rim: {
      label: "Dries with a rim",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 30,
      about: "How much of its pigment a drop carries to its border.",
    },
    grains: {
      label: "Grained",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 35,
      about: "How much it is stippled, not brushed: rust and moss are, damp is not.",
    },
  },
  settles: true,
  lays: ["field"],
  filmShare: 0.6,
  startWater: 2,
  bench: {
    tool: "old round brush, and a clean damp one",
    how: "Dab it on in patches of all sizes, then draw some of the borders out with the damp brush before they dry.",
    lookAt: "Patches run into each other and into the hollows; no border is a circle.",
  },
  caution: null,
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const { along, up, shiftX, shiftY, weights } = cellPlaces(context, random, placeWeights(context));
    const { low } = fieldsOf(grid);
    const chance = patchChance({ sizeMm: params.size, spread01: SPREAD }, [shiftX, shiftY]);
    const toHollows = TO_HOLLOWS * (params.hollows / 100);
    const soft = Math.max((SPAN * 0.5 * grid.pitchMm) / params.size, SOFTEST * (params.soft / 100));
    const { cells, above, cover } = cutShare(
      grid.inside,
      weights,
      { share: params.coverage / 100, soft },
      (at) => chance(along[at]!, up[at]!) + toHollows * low[at]!,
    );
    const [rim, grains] = [params.rim / 100, params.grains / 100];
    const grainMm = Math.max(GRAIN_MM, 2 * grid.pitchMm);
    for (let k = 0; k < cells.length; k++) {
      const at = cells[k]!;
      if (cover[k] === 0) continue;
      const grain =
        grains === 0
          ? 1
          : 1 - grains * (1 - smoothstep(-0.5, 0.7, specks(along[at]! + shiftY, up[at]! + shiftX, grainMm)));
      const share = cover[k]! * grid.inside[at]! * (1 - GRAIN_GAPS * (1 - grain));
      const gathered = 1 - 0.5 * rim + RIM * rim * rimAt(above[k]!, RIM_WIDE);
      // Every pass goes over the same patches.
      film.volumeUm[at]! += passes * passUm * share * grain * gathered;
      film.cover[at] = Math.max(film.cover[at]!, share);
    }
  },
});

/** Patches of all sizes. */
const SPREAD = 0.7;
/** What a hollow adds to a patch's chance; how far chance falls over a patch's width; the softest border, in that unit. */
const [TO_HOLLOWS, SPAN, SOFTEST] = [1.8, 1.6, 0.9] as const;
/** How much thicker the rim of a patch dries than its middle would, and how wide it is in the score's unit. */
const [RIM, RIM_WIDE] = [1.6, 0.35] as const;
/** Grains are so large, mm; between them this share of the ground stays bare. */
const [GRAIN_MM, GRAIN_GAPS] = [0.09, 0.75] as const;
