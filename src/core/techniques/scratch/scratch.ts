import { inZones } from "../../job";
import { defineTechnique } from "../technique";
import { COMBED, flickMarks, layFlicks, type FlickStyle } from "../flick";

/** Short strokes with the tip: scratches of leather, threads of worn cloth, hatching. */
export const scratch = defineTechnique({
  id: "scratch",
  version: 1,
  label: "Scratches",
  about: "Short thin strokes, truly unlike each other in length, direction and place.",
  params: {
    density: {
      label: "Strokes",
      unit: "per mm²",
      range: [0.1, 12],
      step: 0.1,
      default: 2,
      about: "How many on a square millimetre where the coat is fully wanted.",
    },
    length: {
      label: "Length",
      unit: "mm",
      range: [0.1, 4],
      step: 0.1,
      default: 0.8,
      about: "The middle of their lengths; half are shorter, half longer.",
    },
    lengthSpread: {
      label: "Variation of length",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 55,
      about: "0 makes all alike, which no wear does.",
    },
    width: {
      label: "Width",
      unit: "mm",
      range: [0.03, 0.5],
      step: 0.01,
      default: 0.07,
      about: "At the middle of a stroke; it tapers to both ends.",
    },
    angle: {
      label: "Direction",
      unit: "°",
      range: [0, 180],
      step: 5,
      default: 70,
      about: "0 runs along the piece, 90 from edge to edge.",
    },
    angleSpread: {
      label: "Spread of direction",
      unit: "°",
      range: [0, 90],
      step: 5,
      default: 30,
      about: "0 combs them, 90 lets them lie in every direction.",
    },
    shift: {
      label: "Moved up",
      unit: "mm",
      range: [-0.4, 0.4],
      step: 0.01,
      default: 0,
      about: "A dark coat with the same number of chance, moved up a little, makes dents of light scratches.",
    },
  },
  lays: ["field"],
  filmShare: 0.6,
  startWater: 0.5,
  startPlace: inZones(["raised"], 0.1),
  markWidth: "width",
  steady: true,
  bench: {
    tool: "finest round brush",
    how: "Flick short strokes without looking for a pattern; turn the piece between them.",
    lookAt: "No two alike in length or direction; more where it is worn, none in the folds.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({ count: Math.round(areaMm2 * params.density), name: "stroke" }),
  singles: {
    intent: { aligned: false, clustered: true, alike: true, mostDirection: COMBED },
    of: (context, params, random) => flickMarks(context, styleOf(params), random),
    remedies: {
      alike: { label: "Vary their length by 55 %", param: "lengthSpread", value: 55 },
      lined: { label: "Let them stray by 30°", param: "angleSpread", value: 30 },
    },
  },
  lay(film, context, params, random) {
    layFlicks(film, context, styleOf(params), random);
  },
});

type Own = Omit<FlickStyle, "taper" | "grain" | "wander">;
const styleOf = (params: Own): FlickStyle => ({ ...params, wander: 0.045, taper: "both", grain: false });
