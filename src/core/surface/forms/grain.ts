import { hash01 } from "../../random";
import { softNoise } from "./sheet";

/** The grain of wood: lines along a board that bend round its knots, −1 … 1. */
export function grainOf(seed: number): (x: number, y: number, board: number) => number {
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
