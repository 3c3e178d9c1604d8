import { inZones } from "../../job";
import type { Random } from "../../random";
import { layTouch, type Touch } from "../dots";
import { scatter } from "../scatter";
import { defineTechnique, edgeSoftMm, placeWeights, type LayContext } from "../technique";

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
  markWidth: "size",
  bench: {
    tool: "round brush, tip only; an old splayed one for several dots at once",
    how: "Set dots straight from above, load little; change their size as you go.",
    lookAt: "No rows and no even spacing; denser where the place is fullest.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({
    count: Math.round((areaMm2 * params.density) / params.together),
    name: params.together > 1 ? "stab" : "dot",
  }),
  singles: {
    intent: { aligned: false, clustered: true, alike: true },
    of: (context, params, random) =>
      touchesOf(context, params, random.fork(0)).map((touch, at) => ({
        id: String(at),
        xMm: touch.xMm,
        yMm: touch.yMm,
        areaMm2: Math.PI * touch.rx * touch.ry,
        angle: null,
      })),
    remedies: { alike: { label: "Vary their size by 35 %", param: "spread", value: 35 } },
  },
  lay(film, context, params, random) {
    for (let pass = 0; pass < context.passes; pass++)
      for (const touch of touchesOf(context, params, random.fork(pass))) layTouch(film, context.grid, touch);
  },
});

interface Dots {
  readonly density: number;
  readonly size: number;
  readonly spread: number;
  readonly together: number;
}

/** Every dot of one pass. */
function touchesOf(context: LayContext, params: Dots, own: Random): Touch[] {
  const { grid, passUm, overSeams } = context;
  const softMm = edgeSoftMm(context.water) * 0.7;
  const sigma = params.spread / 100;
  // One load of the brush sets several dots of much the same thickness before it is filled again.
  const perLoad = Math.max(1, params.together);
  return scatter(grid, placeWeights(context), params.density / perLoad, own).flatMap((spot) => {
    const load = passUm * Math.max(0.3, 1 + 0.3 * own.normal());
    return Array.from({ length: perLoad }, (_, touch): Touch => {
      const size = Math.exp(sigma * own.normal() - (sigma * sigma) / 2);
      const radius = (params.size / 2) * size;
      const squash = 0.75 + 0.5 * own.next();
      const away = touch === 0 ? 0 : (0.12 + 0.42 * Math.sqrt(own.next())) * Math.min(1, params.size * 4);
      const way = own.range(0, 2 * Math.PI);
      return {
        xMm: spot.xMm + away * Math.cos(way),
        yMm: spot.yMm + away * Math.sin(way),
        rx: radius * Math.sqrt(squash),
        ry: radius / Math.sqrt(squash),
        angle: own.range(0, Math.PI),
        softMm,
        um: Math.max(0.2, load * (1 + 0.12 * own.normal())),
        fall: 0.25,
        piece: overSeams ? null : spot.piece,
      };
    });
  });
}
