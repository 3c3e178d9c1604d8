import { InputError } from "../../errors";
import { formatNumber } from "../../units";
import { boardedRelief, boardProblems } from "./boarded";
import { defineForm } from "./form";
import { buildSheet } from "./sheet";
import { countProblem, mmSize, roomProblem, sizeProblems } from "./sizes";

/** A batten stands out no more than this much of the piece's shorter side. */
const MOST_PROUD = 0.75;

const params = {
  lengthMm: mmSize("Length", [3, 300], 0.5, 18, "Along the boards, with a ruler."),
  heightMm: mmSize("Height", [3, 200], 0.5, 14, "Across all boards."),
  boards: {
    ...{ label: "Boards", unit: "", range: [1, 40] as const, step: 1, default: 5 },
    about: "Counted from the lower edge to the upper one.",
  },
  gapMm: mmSize("Gap", [0, 2], 0.02, 0.22, "Between two boards; 0 where they touch."),
  grainMm: mmSize("Grain", [0, 0.4], 0.01, 0.05, "How far it stands out, by eye or with a pin."),
  battens: {
    ...{ label: "Battens", unit: "", range: [0, 8] as const, step: 1, default: 2 },
    about: "Upright pieces nailed over the boards, at the ends and between; 0 for none.",
  },
  battenMm: mmSize("Width of a batten", [0.5, 20], 0.1, 2.6, "Across one of them."),
  proudMm: mmSize("Battens stand out", [0.1, 4], 0.05, 0.6, "How far over the boards."),
  nailMm: mmSize("Nail heads", [0, 1.5], 0.02, 0.4, "Across one; 0 where none are seen."),
} as const;

/** Boards side by side with gaps, grain and knots, battens nailed over them: the side of a crate, a door, a deck. */
export const boards = defineForm({
  id: "boards",
  version: 1,
  label: "Boards",
  about: "Boards with gaps, grain and knots, battens nailed over them: the side of a crate, a door, a deck.",
  worn: { seats: ["wall", "left-flank", "right-flank", "hull", "back", "roof"], by: "middle", how: "on" },
  material: "wood",
  params,
  problems(values) {
    const found = sizeProblems(params, values);
    if (found.length > 0) return found;
    const { lengthMm, heightMm, battens, battenMm, proudMm } = values;
    const shorter = Math.min(lengthMm, heightMm);
    const across = `On boards ${formatNumber(shorter, 1)} mm across a batten`;
    return [
      ...boardProblems(values),
      ...countProblem("battens", battens, lengthMm, battenMm, "battens"),
      ...(battens === 0 ? [] : roomProblem("proudMm", proudMm, MOST_PROUD * shorter, across)),
    ];
  },
  build(values, seed) {
    const wrong = boards.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, heightMm } = values;
    const { relief, nail } = boardedRelief(values, seed);
    return buildSheet({ id: "boards", lengthMm, widthMm: heightMm, relief, fitting: nail });
  },
});
