import { layTouch } from "../dots";
import { defineTechnique, edgeSoftMm, wobbleMm } from "../technique";

/** Single touches of the brush: where two lines of one colour cross, a highlight, a stitch. */
export const dot = defineTechnique({
  id: "dot",
  version: 1,
  label: "Dot",
  about: "One touch of the tip at each place, a little different every time.",
  params: {
    size: {
      label: "Size against the pattern's",
      unit: "%",
      range: [50, 250],
      step: 5,
      default: 110,
      about: "100 is as large as the crossing.",
    },
    variation: {
      label: "Variation of size",
      unit: "%",
      range: [0, 60],
      step: 5,
      default: 15,
      about: "How unlike each other the dots are.",
    },
  },
  lays: ["dots"],
  // A touch leaves a small bead, thicker than a stroke.
  filmShare: 1.25,
  bench: {
    tool: "fine round brush, point kept sharp",
    how: "Touch once and lift straight off; fill the point anew for every few.",
    lookAt: "Dots are round and of one tone, none has run.",
  },
  caution: null,
  lay(film, context, params, random) {
    if (context.marks.kind !== "dots") return;
    const { grid } = context;
    const soft = edgeSoftMm(context.water);
    const wobble = wobbleMm(context.hand);
    for (const mark of context.marks.dots) {
      const size = (params.size / 100) * Math.max(0.3, 1 + (params.variation / 100) * random.normal());
      const x = mark.xMm + random.normal() * wobble * 0.4;
      const y = mark.yMm + random.normal() * wobble * 0.4;
      const rx = (mark.widthMm / 2) * size;
      const ry = (mark.heightMm / 2) * size;
      const um = context.passUm * context.passes * (1 + 0.12 * random.normal());
      layTouch(film, grid, {
        xMm: x,
        yMm: y,
        rx,
        ry,
        angle: mark.angle,
        softMm: soft,
        um,
        fall: 0.3,
        piece: null,
      });
    }
  },
});
