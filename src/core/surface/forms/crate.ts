import { InputError, type Problem } from "../../errors";
import { modulo } from "../../units";
import type { ParamValues } from "../../params";
import { boardedRelief, boardProblems, type Boarded } from "./boarded";
import { defineForm, PLATE_EDGE_MM, type Place } from "./form";
import { sectionOf } from "./section";
import { mmSize, roomProblem, sizeProblems } from "./sizes";
import { buildTurned } from "./turned";

const params = {
  widthMm: mmSize("Width", [3, 200], 0.5, 16, "Of the side you look at, with a ruler."),
  depthMm: mmSize("Depth", [3, 200], 0.5, 12, "Of the sides beside it."),
  heightMm: mmSize("Height", [3, 200], 0.5, 11, "From the ground to the lid."),
  boards: {
    ...{ label: "Boards", unit: "", range: [1, 40] as const, step: 1, default: 4 },
    about: "On one side, counted from the lower edge to the upper one.",
  },
  gapMm: mmSize("Gap", [0, 2], 0.02, 0.18, "Between two boards; 0 where they touch."),
  grainMm: mmSize("Grain", [0, 0.4], 0.01, 0.04, "How far it stands out, by eye or with a pin."),
  battens: {
    ...{ label: "Battens on a side", unit: "", range: [0, 6] as const, step: 1, default: 2 },
    about: "Upright pieces nailed over the boards: 2 at its corners, more between; 0 for none.",
  },
  battenMm: mmSize("Width of a batten", [0.4, 20], 0.1, 1.8, "Across one of them."),
  proudMm: mmSize("Battens stand out", [0.05, 4], 0.05, 0.4, "How far over the boards."),
  nailMm: mmSize("Nail heads", [0, 1.5], 0.02, 0.34, "Across one; 0 where none are seen."),
} as const;

type Sizes = ParamValues<typeof params>;

/** What stands out takes no more of the narrower side than this. */
const MOST_PROUD = 0.15;

/** The boards of a side of a length. */
const sideOf = (values: Sizes, lengthMm: number): Boarded => ({ ...values, lengthMm });

function problems(values: Sizes): Problem[] {
  const found = sizeProblems(params, values);
  if (found.length > 0) return found;
  const { widthMm, depthMm, battens, battenMm, proudMm } = values;
  const narrow = Math.min(widthMm, depthMm);
  const side = `On a side ${narrow} mm wide`;
  return [
    ...boardProblems(sideOf(values, narrow)),
    ...(battens === 0
      ? []
      : [
          ...roomProblem("battenMm", battenMm, (0.8 * narrow) / battens, `${side} one of ${battens} battens`),
          ...roomProblem("proudMm", proudMm, MOST_PROUD * narrow, `${side} a batten`),
        ]),
  ];
}

/** A rectangle by its distance from the middle, in any unit. @param deep its depth against its width */
const rectangle = (deep: number) => (angle: number) =>
  Math.min(1 / Math.max(1e-9, Math.abs(Math.sin(angle))), deep / Math.max(1e-9, Math.abs(Math.cos(angle))));

/** Its four sides by turn: which one, and how far along it from its left end, mm. The seam lies in the middle of the back. */
function sideAt(
  turnDeg: number,
  { widthMm, depthMm }: Sizes,
): { readonly side: number; readonly alongMm: number } {
  let along = (modulo(turnDeg, 360) / 360) * 2 * (widthMm + depthMm) + widthMm / 2;
  for (let side = 0; side < 5; side++) {
    const wide = side % 2 === 0 ? widthMm : depthMm;
    if (along < wide || side === 4) return { side: side % 4, alongMm: along };
    along -= wide;
  }
  return { side: 0, alongMm: along };
}

/** A wooden crate: four sides of boards with battens, in one strip round it. */
export const crate = defineForm({
  id: "crate",
  version: 1,
  label: "Crate",
  about: "Four sides of boards with battens and nails, in one strip round it. Its lid is a piece of boards.",
  worn: { seats: ["base", "hull", "roof"], by: "foot", how: "on" },
  material: "wood",
  params,
  problems,
  build(values, seed) {
    const wrong = problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { widthMm, depthMm, heightMm } = values;
    const sides = [0, 1, 2, 3].map((side) =>
      boardedRelief(sideOf(values, side % 2 === 0 ? widthMm : depthMm), seed + 10 * side),
    );
    const on = (what: "relief" | "nail") => (place: Place) => {
      const { side, alongMm } = sideAt(place.turnDeg, values);
      return sides[side]![what](alongMm, place.heightMm);
    };
    const corner = (180 * widthMm) / (widthMm + depthMm) / 2;
    const turned = buildTurned({
      ...{ id: "crate", lengthMm: heightMm, roundAt: () => 2 * (widthMm + depthMm) },
      ...{ relief: on("relief"), fitting: on("nail") },
      section: sectionOf(rectangle(depthMm / widthMm), heightMm, 0),
      seamsDeg: [0, corner, 180 - corner, 180 + corner, 360 - corner],
    });
    return { ...turned, edgeMm: PLATE_EDGE_MM };
  },
});
