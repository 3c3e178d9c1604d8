import { dryUm } from "../../colour/mix";
import { clamp } from "../../units";
import { defineTechnique, eachCell } from "../technique";
import { layLiquid, settle, tideMarks } from "../settle";
import { cloud } from "../texture";

/** A thin paint laid wet and left to run: little stays on high ground, hollows fill by their depth. */
export const wash = defineTechnique({
  id: "wash",
  version: 1,
  label: "Wash",
  about: "Flooded on and left to settle: it runs off high ground and pools in recesses.",
  params: {
    wet: {
      label: "Liquid laid on",
      unit: "µm",
      range: [10, 150],
      step: 5,
      default: 50,
      about: "How wet the surface is painted, before it runs: 20 is spread out, 100 is flooded.",
    },
    cling: {
      label: "Stays on high ground",
      unit: "µm",
      range: [0, 40],
      step: 1,
      default: 8,
      about: "Liquid that clings where nothing pools; spreading it with the brush leaves more.",
    },
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 15,
      about: "How unevenly it was flooded on.",
    },
    rim: {
      label: "Left to dry in pools",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 20,
      about: "Thin paint left standing dries with a dark rim; wick it up and there is none.",
    },
  },
  settles: true,
  lays: ["field"],
  filmShare: 0.6,
  filmUm: ({ wet }, water) => dryUm(wet, water),
  startWater: 2,
  bench: {
    tool: "large soft brush and a damp one to wick up",
    how: "Flood it on and leave it; hold the piece as it will stand, wick up what gathers on open ground.",
    lookAt: "Hollows are dark, high ground nearly clean; no tide mark round a pool.",
    trial: "On a spare piece or the underside: watch where it gathers, and wick it up once.",
  },
  caution: null,
  feels: true,
  lay(film, context, params, random) {
    const { grid, water } = context;
    const given = new Float32Array(grid.inside.length);
    eachCell(context, random, (at, x, y, weight) => {
      const vary = 1 + (params.unevenness / 100) * cloud(x, y);
      given[at] = params.wet * weight * grid.inside[at]! * Math.max(0.1, vary);
    });
    // Wicked up while wet, a pool leaves no rim; thin paint left to dry leaves a hard one.
    const tide = (params.rim / 100) * clamp((water - 1) / 5, 0, 1.4);
    layLiquid(
      film,
      context,
      tideMarks(grid, settle(grid, context.heightMm(), given, params.cling), params.cling, tide),
    );
  },
});
