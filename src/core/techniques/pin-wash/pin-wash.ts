import { dryUm } from "../../colour/mix";
import { fieldsOf, seamMm } from "../../surface/fields";
import { smoothstep } from "../../units";
import { layLiquid, settle } from "../settle";
import { defineTechnique, eachCell } from "../technique";
import { cloud } from "../texture";

/** A seam draws a touch of liquid along itself about this far, mm. */
const SEAM_DRAW_MM = 0.22;

/** Thin paint touched into creases and joins: they draw it along by themselves. */
export const pinWash = defineTechnique({
  id: "pin-wash",
  version: 1,
  label: "Pin wash",
  about: "Touched only into creases, joins and seams, which draw the thin paint along themselves.",
  params: {
    wet: {
      label: "Liquid in a crease",
      unit: "µm",
      range: [10, 150],
      step: 5,
      default: 60,
      about: "How full the creases are touched: 20 is a hint, 100 stands over their rims.",
    },
    width: {
      label: "Reaches beyond the crease",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 25,
      about: "0 keeps to the sharpest creases, 100 takes wide hollows as well.",
    },
    broken: {
      label: "Left out",
      unit: "%",
      range: [0, 80],
      step: 5,
      default: 15,
      about: "Stretches that were not touched.",
    },
  },
  settles: true,
  lays: ["field"],
  filmShare: 0.6,
  filmUm: ({ wet }, water) => dryUm(wet, water),
  startWater: 2,
  bench: {
    tool: "fine long brush and a damp one beside it",
    how: "Touch the point into a crease and let it run; wipe overruns at once with the damp brush.",
    lookAt: "Creases and joins are drawn, open ground is clean.",
  },
  caution: null,
  feels: true,
  lay(film, context, params, random) {
    const { grid } = context;
    const [fine, middle] = [fieldsOf(grid).hollow(0), fieldsOf(grid).hollow(1)];
    const least = 0.09 - 0.08 * (params.width / 100);
    const lift = 1.2 - 3 * (params.broken / 100);
    const given = new Float32Array(grid.inside.length);
    eachCell(context, random, (at, x, y, weight) => {
      const crease = smoothstep(least, least + 0.16, fine[at]! + 0.5 * middle[at]!);
      const seam = smoothstep(SEAM_DRAW_MM, 0.02, seamMm(grid, at));
      const touched = smoothstep(-0.3, 0.3, cloud(x * 0.8, y * 0.8) + lift);
      given[at] = params.wet * weight * Math.max(crease, seam) * touched * grid.inside[at]!;
    });
    layLiquid(film, context, settle(grid, context.heightMm(), given, 0.25 * params.wet));
  },
});
