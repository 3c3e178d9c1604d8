import { inZones } from "../../job";
import { layTouch } from "../dots";
import { scatter } from "../scatter";
import { defineTechnique, edgeSoftMm, placeWeights } from "../technique";

/** Dots set one by one with the tip: texture of wool, worn leather, rough skin. */
export const stipple = defineTechnique({
  id: "stipple",
  version: 1,
  label: "Stipple",
  about: "Many small dots with the tip, unlike each other; hard with little water, soft with much.",
  params: {
    density: {
      label: "Dots",
      unit: "per mm²",
      range: [0.2, 40],
      step: 0.2,
      default: 5,
      about: "How many on a square millimetre where the coat is fully wanted.",
    },
    size: {
      label: "Size of a dot",
      unit: "mm",
      range: [0.04, 0.8],
      step: 0.02,
      default: 0.14,
      about: "Across; the finest your brush makes is the finest that can be painted.",
    },
    spread: {
      label: "Variation of size",
      unit: "%",
      range: [0, 80],
      step: 5,
      default: 35,
      about: "How unlike each other the dots are.",
    },
    together: {
      label: "Dots to one stab",
      unit: "",
      range: [1, 9],
      step: 1,
      default: 1,
      about: "1 sets each alone; an old splayed brush leaves six to nine of one tone close together.",
    },
  },
  lays: ["field"],
  filmShare: 0.7,
  startWater: 0.5,
  startPlace: inZones(["raised"], 0.1),
  caution: null,
  marksOn: (areaMm2, params) => ({
    count: Math.round((areaMm2 * params.density) / params.together),
    name: params.together > 1 ? "stab" : "dot",
  }),
  lay(film, context, params, random) {
    const { grid, passUm, passes, overSeams } = context;
    const weights = placeWeights(context);
    const soft = edgeSoftMm(context.water) * 0.7;
    const sigma = params.spread / 100;
    for (let pass = 0; pass < passes; pass++) {
      const own = random.fork(pass);
      // One load of the brush sets several dots of much the same thickness before it is filled again.
      const perLoad = Math.max(1, params.together);
      for (const spot of scatter(grid, weights, params.density / perLoad, own)) {
        const load = passUm * Math.max(0.3, 1 + 0.3 * own.normal());
        for (let touch = 0; touch < perLoad; touch++) {
          const size = Math.exp(sigma * own.normal() - (sigma * sigma) / 2);
          const radius = (params.size / 2) * size;
          const squash = 0.75 + 0.5 * own.next();
          const away = touch === 0 ? 0 : (0.12 + 0.42 * Math.sqrt(own.next())) * Math.min(1, params.size * 4);
          const way = own.range(0, 2 * Math.PI);
          layTouch(film, grid, {
            xMm: spot.xMm + away * Math.cos(way),
            yMm: spot.yMm + away * Math.sin(way),
            rx: radius * Math.sqrt(squash),
            ry: radius / Math.sqrt(squash),
            angle: own.range(0, Math.PI),
            softMm: soft,
            um: Math.max(0.2, load * (1 + 0.12 * own.normal())),
            fall: 0.25,
            piece: overSeams ? null : spot.piece,
          });
        }
      }
    }
  },
});
