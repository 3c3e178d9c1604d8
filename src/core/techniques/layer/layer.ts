import { inZones } from "../../job";
import { addFilm, defineTechnique, eachCell } from "../technique";
import { cloud, streak } from "../texture";
import { smoothstep } from "../../units";

/** A chosen area painted over, its border hard or drawn out with a second, damp brush. */
export const layer = defineTechnique({
  id: "layer",
  version: 1,
  label: "Layer",
  about: "Covers a chosen area; its border is left hard or drawn out with a second, damp brush.",
  params: {
    feather: {
      label: "Border drawn out",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 50,
      about: "0 leaves a hard border in the middle of the fade, 100 uses all of it.",
    },
    waver: {
      label: "Border wavers",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 25,
      about: "How unlike a ruled line the border is.",
    },
    unevenness: {
      label: "Unevenness",
      unit: "%",
      range: [0, 60],
      step: 1,
      default: 14,
      about: "How much the film varies from place to place.",
    },
  },
  lays: ["field"],
  filmShare: 0.85,
  startWater: 2,
  startPlace: inZones(["raised"], 0),
  bench: {
    tool: "round brush of size 1, a second one damp",
    how: "Lay it inside the place, then draw its border out with the damp brush.",
    lookAt: "The border fades, no step and no ring; the coat below still shows beside it.",
  },
  caution: null,
  lay(film, context, params, random) {
    const { grid, passUm, passes } = context;
    const half = 0.03 + 0.47 * (params.feather / 100);
    const waver = 0.16 * (params.waver / 100);
    const uneven = params.unevenness / 100 / Math.sqrt(passes);
    eachCell(context, random, (at, x, y, weight) => {
      const place = weight + waver * cloud(x * 1.6, y * 1.6) * (weight < 1 ? 1 : 0);
      const share = smoothstep(0.5 - half, 0.5 + half, place);
      if (share < 0.004) return;
      const vary = Math.max(0.15, 1 + uneven * (0.6 * streak(x, y) + cloud(x, y)));
      // A border drawn out with water thins the film as well as breaking it.
      const um = passUm * passes * vary * (0.45 + 0.55 * share);
      addFilm(film, at, um, Math.sqrt(share) * grid.inside[at]!);
    });
  },
});
