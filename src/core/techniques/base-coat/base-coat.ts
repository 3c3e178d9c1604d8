import { fieldsOf } from "../../surface/fields";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud, streak } from "../texture";

/** A coat all over, brushed round the form: a little thicker in hollows, streaked by the bristles. */
export const baseCoat = defineTechnique({
  id: "base-coat",
  version: 1,
  label: "Base coat",
  about: "Covers the whole surface; brushed along, a little thicker in hollows.",
  params: {
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 18,
      about: "How much the film varies from place to place.",
    },
  },
  lays: ["field"],
  filmShare: 1,
  bench: {
    tool: "flat or round brush of size 1 to 2",
    how: "Brush it on along the form in thin coats; do not go back into what begins to set.",
    lookAt: "Look for missed spots from below and from the side; no ridge where a stroke ended.",
  },
  caution: null,
  lay(film, context, { unevenness }, random) {
    const { grid, passUm, passes } = context;
    const { inside } = grid;
    const { edge, low } = fieldsOf(grid);
    // Several passes even each other out.
    const scale = unevenness / 100 / Math.sqrt(passes);
    const um = passUm * passes;
    eachCell(context, random, (at, x, y, weight) => {
      const vary = 1 + scale * (0.7 * streak(x, y) + cloud(x, y));
      // Wet paint draws back from sharp edges and levels into hollows.
      const flow = (1 + 0.3 * low[at]!) * (1 - 0.3 * edge[at]!);
      addFilm(film, at, um * Math.max(0.15, vary) * flow, inside[at]! * weight);
    });
  },
});
