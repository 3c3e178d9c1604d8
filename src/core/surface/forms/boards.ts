import { InputError } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import type { ParamValues } from "../../params";
import { defineForm } from "./form";
import { buildSheet, softNoise } from "./sheet";
import { countProblem, mmSize, roomProblem, sizeProblems } from "./sizes";

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

type Sizes = ParamValues<typeof params>;

/** A board narrower than this is not cast, mm. */
const LEAST_BOARD_MM = 0.6;
/** Boards lie unlike each other by so much of a gap's depth; a gap is so deep against a board's width, at most so many mm. */
const [UNLIKE, DEEP, MOST_DEEP_MM] = [0.45, 0.16, 0.5] as const;

/** The grain of wood: lines along a board that bend round its knots, −1 … 1. */
function grainOf(seed: number): (x: number, y: number, board: number) => number {
  const fibre = softNoise(seed, 1, hash01);
  const wave = softNoise(seed + 1, 6, hash01);
  return (x, y, board) => {
    const knotX = 30 * hash01(seed, board, 11) - 4;
    const [dx, dy] = [(x - knotX) / 2.2, y - 0.4 * (hash01(seed, board, 12) - 0.5)];
    const knot = Math.exp(-(dx * dx + 1.5 * dy * dy));
    // Lines are pushed aside where a knot lies.
    const across = y + 0.35 * wave(x, y + 40 * board) + 0.5 * knot * Math.sign(dy);
    const lines = fibre(x / 7 + 13 * board, across / 0.16);
    return 0.65 * lines + 0.35 * fibre(x / 2.5 + 5 * board, across / 0.07) - 0.8 * knot * knot;
  };
}

interface OnBatten {
  /** −1 where there are none. */
  readonly number: number;
  /** How far in from its sides, mm; below 0 beside all of them. What lies at an end goes on over the edge. */
  readonly inMm: number;
  /** Distance from its middle line, mm. */
  readonly offMm: number;
}

/** Which batten a place along the boards lies on. */
function battenAt(x: number, { lengthMm, battens, battenMm }: Sizes): OnBatten {
  let found: OnBatten = { number: -1, inMm: -Infinity, offMm: Infinity };
  for (let number = 0; number < battens; number++) {
    const free = lengthMm - battenMm;
    const middle = battenMm / 2 + (battens === 1 ? free / 2 : (free * number) / (battens - 1));
    const offMm = Math.abs(x - middle);
    const overEdge = battens > 1 && ((number === 0 && x < middle) || (number === battens - 1 && x > middle));
    const inMm = overEdge ? battenMm / 2 : battenMm / 2 - offMm;
    if (inMm > found.inMm) found = { number, inMm, offMm };
  }
  return found;
}

/** A nail's head, domed a little, in a dent of its own. @param off distance from its middle, mm */
const nailAt = (off: number, nailMm: number): number => {
  const r = off / (nailMm / 2);
  return r < 1 ? 0.22 * nailMm * Math.sqrt(1 - 0.9 * r * r) : -0.12 * nailMm * Math.exp(-8 * (r - 1));
};

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
    const board = values.heightMm / values.boards;
    const one = `Boards are ${formatNumber(board, 2)} mm wide:`;
    return [
      ...countProblem("boards", values.boards, values.heightMm, LEAST_BOARD_MM, "boards"),
      ...roomProblem("gapMm", values.gapMm, 0.4 * board, `${one} a gap between them`),
      ...roomProblem("grainMm", values.grainMm, 0.12 * board, `${one} their grain`),
      ...roomProblem("nailMm", values.nailMm, 0.5 * board, `${one} a nail's head`),
      ...countProblem("battens", values.battens, values.lengthMm, values.battenMm, "battens"),
    ];
  },
  build(values, seed) {
    const wrong = boards.problems(values);
    if (wrong.length > 0) throw new InputError(wrong);
    const { lengthMm, heightMm, gapMm, grainMm, proudMm, nailMm } = values;
    const board = heightMm / values.boards;
    const deep = Math.min(MOST_DEEP_MM, DEEP * board);
    const grain = grainOf(seed);
    const rough = softNoise(seed + 2, 1.4, hash01);
    const relief = (x: number, y: number) => {
      const row = Math.min(values.boards - 1, Math.max(0, Math.floor(y / board)));
      const py = y - (row + 0.5) * board;
      const toRim = board / 2 - Math.abs(py) - gapMm / 2 + 0.03 * rough(x, y);
      const own =
        UNLIKE * deep * hash01(seed, row, 30) + 0.1 * deep * (hash01(seed, row, 31) - 0.5) * (py / board);
      let up = smoothstep(-0.04, 0.16, toRim) * (deep + own) + grainMm * grain(x, py, row);
      const { number, inMm, offMm } = battenAt(x, values);
      const on = smoothstep(-0.03, 0.1, inMm);
      if (on > 0) {
        const top = deep * (1 + UNLIKE) + proudMm + grainMm * grain(y, x - number * 7, 50 + number);
        up += on * (top - up);
        if (nailMm > 0) up += on * nailAt(Math.hypot(offMm, py), nailMm);
      }
      return up;
    };
    return buildSheet({ id: "boards", lengthMm, widthMm: heightMm, relief });
  },
});
