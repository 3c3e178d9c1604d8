import { brushOver } from "../bristles";
import { defineTechnique } from "../technique";

/** Almost no paint on a stiff brush, stroked over: it stays where bristles touch. */
export const dryBrush = defineTechnique({
  id: "dry-brush",
  version: 1,
  label: "Dry brush",
  about: "A stiff brush, wiped almost dry and stroked over: paint stays on what stands out.",
  params: {
    radius: {
      label: "Bristles bridge",
      unit: "mm",
      range: [0.2, 5],
      step: 0.1,
      default: 2.5,
      about: "How blunt the tuft is: a stiff old brush bridges wide hollows, a soft one dips into them.",
    },
    reach: {
      label: "Reach into hollows",
      unit: "µm",
      range: [5, 200],
      step: 5,
      default: 35,
      about: "How deep below the touching bristles paint still gets; light pressure reaches less.",
    },
    load: {
      label: "Left on the brush",
      unit: "%",
      range: [5, 100],
      step: 5,
      default: 35,
      about: "How well it was wiped: little leaves broken specks, much covers.",
    },
    across: {
      label: "Direction of strokes",
      unit: "°",
      range: [0, 180],
      step: 5,
      default: 90,
      about:
        "0 strokes along the piece, 90 from edge to edge; where a growth map says how things lie, 0 is across them and 90 along.",
    },
  },
  lays: ["field"],
  // A wiped brush leaves a tenth of a brushed coat.
  filmShare: 0.14,
  startWater: 0,
  bench: {
    tool: "stiff flat brush, old and dry",
    how: "Wipe it on cloth until it hardly marks the back of your hand, then stroke lightly across what stands out.",
    lookAt: "Dusty marks on what stands out, nothing in the hollows; stop early and come back.",
  },
  caution: null,
  feels: true,
  followsGrowth: true,
  lay: (film, context, params, random) =>
    brushOver(film, context, params, { flats: 0.34, edges: 1.4 }, random),
});
