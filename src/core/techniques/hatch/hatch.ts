import { inZones } from "../../job";
import { COMBED, flickMarks, layFlicks, type FlickStyle } from "../flick";
import { defineTechnique } from "../technique";

/** Short strokes laid side by side along a direction, from a blunt root to a fine tip. */
export const hatch = defineTechnique({
  id: "hatch",
  version: 1,
  label: "Hatch",
  about: "Short strokes along one direction, from a blunt root to a fine tip: weave, pile, hair, grain.",
  params: {
    density: {
      label: "Strokes",
      unit: "per mm²",
      range: [0.2, 20],
      step: 0.2,
      default: 6,
      about: "How many on a square millimetre where the coat is fully wanted.",
    },
    length: {
      label: "Length",
      unit: "mm",
      range: [0.1, 4],
      step: 0.05,
      default: 0.5,
      about: "The middle of their lengths; half are shorter, half longer.",
    },
    lengthSpread: {
      label: "Variation of length",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 30,
      about: "0 makes all alike.",
    },
    width: {
      label: "Width",
      unit: "mm",
      range: [0.03, 0.5],
      step: 0.01,
      default: 0.07,
      about: "At the root; it runs out to a tip.",
    },
    angle: {
      label: "Turned from the lie",
      unit: "°",
      range: [-180, 180],
      step: 5,
      default: 0,
      about:
        "0 strokes follow the growth map, or the way water would run down where there is none; 90 lie across it.",
    },
    angleSpread: {
      label: "Spread of direction",
      unit: "°",
      range: [0, 90],
      step: 5,
      default: 14,
      about: "How far single strokes stray to either side.",
    },
    wander: {
      label: "Bend",
      unit: "%",
      range: [0, 40],
      step: 1,
      default: 6,
      about: "How far a stroke bends aside, against its length.",
    },
  },
  lays: ["field"],
  filmShare: 0.6,
  followsGrowth: true,
  startWater: 1,
  startPlace: inZones(["raised"], 0.2),
  markWidth: "width",
  steady: true,
  bench: {
    tool: "fine long round brush",
    how: "Short strokes one way, from the root out, the brush lifted at the tip; shift the start of each.",
    lookAt: "Lengths and spacing vary; no comb, no rows.",
    trial:
      "A stroke in the air, then one on your thumbnail: the tip must come to a point and lift off clean.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({ count: Math.round(areaMm2 * params.density), name: "stroke" }),
  singles: {
    intent: { aligned: false, clustered: true, alike: true, mostDirection: COMBED },
    of: (context, params, random) => flickMarks(context, styleOf(params), random),
    remedies: {
      alike: { label: "Vary their length by 30 %", param: "lengthSpread", value: 30 },
      lined: { label: "Let them stray by 14°", param: "angleSpread", value: 14 },
    },
  },
  lay(film, context, params, random) {
    layFlicks(film, context, styleOf(params), random);
  },
});

type Own = Omit<FlickStyle, "taper" | "grain" | "wander"> & { readonly wander: number };
const styleOf = (params: Own): FlickStyle => ({
  ...params,
  wander: params.wander / 100,
  taper: "tip",
  grain: true,
});
