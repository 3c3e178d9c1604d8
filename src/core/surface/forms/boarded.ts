import type { Problem } from "../../errors";
import { hash01 } from "../../random";
import { formatNumber, smoothstep } from "../../units";
import { grainOf } from "./grain";
import { softNoise } from "./sheet";
import { countProblem, roomProblem } from "./sizes";

/** Boards side by side with battens nailed over them, mm and counts. */
export interface Boarded {
  /** Along the boards. */
  readonly lengthMm: number;
  /** Across all of them. */
  readonly heightMm: number;
  readonly boards: number;
  readonly gapMm: number;
  readonly grainMm: number;
  readonly battens: number;
  readonly battenMm: number;
  readonly proudMm: number;
  readonly nailMm: number;
}

/** A board narrower than this is not cast, mm. */
const LEAST_BOARD_MM = 0.6;
/** Boards lie unlike each other by so much of a gap's depth; a gap is so deep against a board's width, at most so many mm. */
const [UNLIKE, DEEP, MOST_DEEP_MM] = [0.45, 0.16, 0.5] as const;

interface OnBatten {
  /** −1 where there are none. */
  readonly number: number;
  /** How far in from its sides, mm; below 0 beside all of them. What lies at an end goes on over the edge. */
  readonly inMm: number;
  /** Distance from its middle line, mm. */
  readonly offMm: number;
}

/** Which batten a place along the boards lies on. */
function battenAt(x: number, { lengthMm, battens, battenMm }: Boarded): OnBatten {
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

/** What is nailed together of boards: heights, and where its iron is. */
export interface BoardedRelief {
  /** mm. @param x along the boards from their left end @param y up from the lowest one's edge */
  readonly relief: (x: number, y: number) => number;
  /** 0…1: whether a nail's head is there. */
  readonly nail: (x: number, y: number) => number;
}

/** What of the boards themselves cannot be. */
export function boardProblems(values: Boarded): Problem[] {
  const board = values.heightMm / values.boards;
  const one = `Boards are ${formatNumber(board, 2)} mm wide:`;
  return [
    ...countProblem("boards", values.boards, values.heightMm, LEAST_BOARD_MM, "boards"),
    ...roomProblem("gapMm", values.gapMm, 0.4 * board, `${one} a gap between them`),
    ...roomProblem("grainMm", values.grainMm, 0.12 * board, `${one} their grain`),
    ...roomProblem("nailMm", values.nailMm, 0.5 * board, `${one} a nail's head`),
  ];
}

/** Heights and iron of boards with battens. @param seed of their grain and of how they lie */
export function boardedRelief(values: Boarded, seed: number): BoardedRelief {
  const { heightMm, gapMm, grainMm, proudMm, nailMm } = values;
  const board = heightMm / values.boards;
  const deep = Math.min(MOST_DEEP_MM, DEEP * board);
  const grain = grainOf(seed);
  const rough = softNoise(seed + 2, 1.4, hash01);
  const rowOf = (y: number) => Math.min(values.boards - 1, Math.max(0, Math.floor(y / board)));
  return {
    relief(x, y) {
      const row = rowOf(y);
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
    },
    nail(x, y) {
      const { inMm, offMm } = battenAt(x, values);
      if (inMm <= 0 || nailMm === 0) return 0;
      return Math.hypot(offMm, y - (rowOf(y) + 0.5) * board) < nailMm / 2 ? 1 : 0;
    },
  };
}
