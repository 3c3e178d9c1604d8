import { brushOver } from "../bristles";
import { defineTechnique } from "../technique";

/** More paint on a softer brush than for dry brushing: all but the deepest ground takes it. */
export const overbrush = defineTechnique({
  id: "overbrush",
  version: 1,
  label: "Overbrush",
  about: "Wetter and heavier than dry brushing: raised ground and flats take it, not the deepest recesses.",
  params: {
    radius: {
      label: "Bristles bridge",
      unit: "mm",
      range: [0.2, 5],
      step: 0.1,
      default: 2.2,
      about: "How blunt the tuft is: a stiff old brush bridges wide hollows, a soft one dips into them.",
    },
    reach: {
      label: "Reach into hollows",
      unit: "µm",
      range: [20, 600],
      step: 10,
      default: 190,
      about: "How deep below the touching bristles paint still gets; light pressure reaches less.",
    },
    load: {
      label: "Left on the brush",
      unit: "%",
      range: [20, 100],
      step: 5,
      default: 80,
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
  filmShare: 0.5,
  startWater: 0.5,
  bench: {
    tool: "soft flat brush, little paint",
    how: "Wipe it once and brush across all that stands up, more pressure than for dry brushing.",
    lookAt: "Only the deepest recesses are left dark; no streaks on flats.",
  },
  caution: null,
  feels: true,
  followsGrowth: true,
  lay: (film, context, params, random) =>
    brushOver(film, context, params, { flats: 0.8, edges: 0.9 }, random),
});
