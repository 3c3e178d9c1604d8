import { fieldsOf } from "../../surface/fields";
import { cutShare, patchChance } from "../cutShare";
import { cellPlaces, defineTechnique, edgeSoftMm, placeWeights } from "../technique";
import { cloud } from "../texture";

/** Chips set one by one with the tip of a brush, up to the share that was asked for. */
export const chip = defineTechnique({
  id: "chip",
  version: 1,
  label: "Chips, by brush",
  about:
    "Ragged little patches set one by one, most on edges, until the share asked for is covered. A second coat on the same chances lies within the first.",
  params: {
    coverage: {
      label: "Covered",
      unit: "%",
      range: [0.2, 40],
      step: 0.1,
      default: 6,
      about: "Share of the place that is chips.",
    },
    size: {
      label: "Size of a chip",
      unit: "mm",
      range: [0.08, 2],
      step: 0.02,
      default: 0.35,
      about: "The middle of their widths.",
    },
    spread: {
      label: "Variation of size",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 60,
      about: "0 has them much alike, 100 has a few large ones among many specks.",
    },
    edges: {
      label: "Keeps to edges",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 55,
      about: "How much more an edge takes than open ground.",
    },
    clusters: {
      label: "In clusters",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 35,
      about: "0 spreads them evenly, 100 crowds them where something knocked again and again.",
    },
    lower: {
      label: "Lower by",
      unit: "mm",
      range: [-1, 1],
      step: 0.02,
      default: 0,
      about:
        "Against chips of an earlier coat at the same places: a light one a little lower than a dark one is the lit rim of a dent.",
    },
  },
  lays: ["field"],
  filmShare: 0.8,
  startWater: 0.5,
  bench: {
    tool: "round brush of size 0 with a good tip",
    how: "Set ragged dots and short strokes, most along edges; let some join, leave others alone.",
    lookAt: "No two alike, no even row; larger ones only where something could have knocked.",
  },
  caution: null,
  marksOn: (areaMm2, { coverage, size }) => ({
    count: Math.round((areaMm2 * coverage) / 100 / (CHIP_SHAPE * size ** 2)),
    name: "dot",
  }),
  lay(film, context, params, random) {
    const { grid, passUm, passes, water } = context;
    const { along, up, shiftX, shiftY, weights } = cellPlaces(context, random, placeWeights(context));
    const { edge } = fieldsOf(grid);
    const chance = patchChance({ sizeMm: params.size, spread01: params.spread / 100 }, [shiftX, shiftY]);
    const [toEdges, crowd] = [TO_EDGES * (params.edges / 100), CROWDS * (params.clusters / 100)];
    // The score falls by about its own span over a chip's width.
    const soft = (SPAN * Math.max(0.4 * grid.pitchMm, 0.5 * edgeSoftMm(water))) / params.size;
    const { cells, cover } = cutShare(
      grid.inside,
      weights,
      { share: params.coverage / 100, soft },
      (at) =>
        chance(along[at]!, up[at]! + params.lower) +
        toEdges * Math.min(1, edge[at]!) +
        (crowd > 0 ? crowd * cloud(along[at]! + shiftY, up[at]! + shiftX) : 0),
    );
    for (let k = 0; k < cells.length; k++) {
      if (cover[k] === 0) continue;
      const at = cells[k]!;
      const share = cover[k]! * grid.inside[at]!;
      // Every pass goes over the same chips.
      film.volumeUm[at]! += passes * passUm * share;
      film.cover[at] = Math.max(film.cover[at]!, share);
    }
  },
});

/** Area of a chip against the square of its width, once some have joined. */
const CHIP_SHAPE = 0.8;
/** What an edge and a crowded place add to a chip's chance; how far chance falls over a chip's width. */
const [TO_EDGES, CROWDS, SPAN] = [3.2, 1.1, 1.6] as const;
