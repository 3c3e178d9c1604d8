import { defineTechnique, edgeSoftMm, wobbleMm } from "../technique";
import { layPull, pullsAlong } from "../strokes";

/** Lines of a set width along guides, in pulls as long as the hand can keep steady. */
export const line = defineTechnique({
  id: "line",
  version: 1,
  label: "Line",
  about:
    "Follows guides with the tip of the brush, in short pulls; a second pass never lands quite on the first.",
  params: {
    width: {
      label: "Width against the pattern's",
      unit: "%",
      range: [40, 200],
      step: 5,
      default: 100,
      about: "100 paints the width the pattern asks for.",
    },
    pull: {
      label: "Length of one pull",
      unit: "mm",
      range: [2, 25],
      step: 0.5,
      default: 7,
      about: "How far you draw before the brush is lifted and the figure turned.",
    },
    fade: {
      label: "Paint lost along a pull",
      unit: "%",
      range: [0, 80],
      step: 5,
      default: 35,
      about: "The brush empties; a well loaded one less.",
    },
  },
  lays: ["strokes"],
  filmShare: 1,
  steady: true,
  bench: {
    tool: "fine long round brush",
    how: "Draw towards yourself in short pulls, the brush freshly pointed for each; lap the pulls.",
    lookAt: "Even in width, no gap where pulls meet; mend with the tone below.",
    trial: "One pull on paper: if it beads or drags, change the thinning before you touch the figure.",
  },
  caution: null,
  lay(film, context, params, random) {
    if (context.marks.kind !== "strokes") return;
    const soft = edgeSoftMm(context.water);
    const scale = params.width / 100;
    context.marks.strokes.forEach((stroke, index) => {
      for (let pass = 0; pass < context.passes; pass++) {
        const style = {
          startWidthMm: stroke.startWidthMm * scale,
          endWidthMm: stroke.endWidthMm * scale,
          pullMm: params.pull,
          fade: params.fade / 100,
          wobbleMm: wobbleMm(context.hand),
        };
        const own = random.fork(`${index}/${pass}`);
        for (const pull of pullsAlong(stroke.path, style, context, soft, own)) layPull(film, context, pull);
      }
    });
  },
});
