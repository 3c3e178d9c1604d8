import { InputError, type Problem } from "../../errors";
import type { ParamValues } from "../../params";
import { defineForm, PLATE_EDGE_MM, type Place } from "./form";
import { sectionOf, type Polar } from "./section";
import { mmSize, roomProblem, sizeProblems } from "./sizes";
import { buildTurned, roundNoise } from "./turned";

const params = {
  lengthMm: mmSize("Length", [10, 200], 1, 40, "Across the base the long way, at its upper edge."),
  widthMm: mmSize("Width", [10, 200], 1, 40, "Across it the short way."),
  corners: {
    ...{ label: "Corners", unit: "%", range: [0, 100] as const, step: 5, default: 0 },
    about: "0 is round or oval, 100 square, as the tile of a diorama; between them corners are rounded.",
  },
  heightMm: mmSize("Height", [1, 20], 0.1, 3.6, "Along its side, from the table to the upper edge."),
  outMm: mmSize("Wider below", [0, 6], 0.1, 1, "How far the lower edge stands out beyond the upper one."),
} as const;

type Sizes = ParamValues<typeof params>;

/** A rectangle with rounded corners, or an ellipse, by its distance from the middle. */
function outlineOf({ lengthMm, widthMm, corners }: Sizes): Polar {
  const [a, b] = [lengthMm / 2, widthMm / 2];
  if (corners === 0) return (angle) => 1 / Math.hypot(Math.sin(angle) / a, Math.cos(angle) / b);
  const radius = Math.max(1e-3, (1 - corners / 100) * Math.min(a, b));
  return (angle) => {
    const [x, z] = [Math.abs(Math.sin(angle)), Math.abs(Math.cos(angle))];
    const straight = Math.min(a / Math.max(1e-9, x), b / Math.max(1e-9, z));
    const [cx, cz] = [a - radius, b - radius];
    if (straight * x <= cx || straight * z <= cz) return straight;
    // Where the ray meets the corner's arc.
    const middle = x * cx + z * cz;
    return middle + Math.sqrt(Math.max(0, middle * middle - (cx * cx + cz * cz - radius * radius)));
  };
}

/** Way round an outline, mm. */
function girthOf(polar: Polar): number {
  const steps = 1440;
  let [sum, before] = [0, [0, polar(-Math.PI, 0)] as readonly [number, number]];
  for (let at = 1; at <= steps; at++) {
    const angle = -Math.PI + (at / steps) * 2 * Math.PI;
    const here = [polar(angle, 0) * Math.sin(angle), polar(angle, 0) * Math.cos(angle)] as const;
    const from = at === 1 ? ([0, -before[1]] as const) : before;
    sum += Math.hypot(here[0] - from[0], here[1] - from[1]);
    before = here;
  }
  return sum;
}

function problems(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { heightMm, outMm } = values;
  const side = `On a side ${heightMm} mm high the lower edge`;
  return roomProblem("outMm", outMm, 0.8 * heightMm, side);
}

/** The rim of a base, once round: what is painted last, in one even colour. */
export const baseRim = defineForm({
  id: "base-rim",
  version: 1,
  label: "Rim of a base",
  about: "The side of a base once round, straight or wider below. It is painted last, when all else is done.",
  worn: { seats: ["base"], by: "top", how: "round" },
  material: "shell",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { heightMm, outMm } = values;
    const polar = outlineOf(values);
    const round = girthOf(polar);
    const cast = roundNoise(seed, Math.max(6, Math.round(round / 2.5)), 1.5);
    const turned = buildTurned({
      ...{ id: "base-rim", lengthMm: heightMm },
      // A side that stands out by so much all round is longer by the way round a circle of that radius.
      roundAt: (mm) => round + 2 * Math.PI * outMm * (1 - mm / heightMm),
      relief: (place: Place) => 0.012 * cast(place),
      section: sectionOf(polar, heightMm, 0),
    });
    return { ...turned, edgeMm: PLATE_EDGE_MM };
  },
});
