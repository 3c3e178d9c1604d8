import { fieldsOf } from "../surface/fields";
import { clamp } from "../units";
import type { Random } from "../random";
import { bristleGaps } from "./envelope";
import { addFilm, cellPlaces, type FilmBuffer, type LayContext } from "./technique";
import { cloud, streak } from "./texture";

/** How fully bristles touch, by hundredths of their reach: worked out once, as it is asked for every cell. */
const TOUCH = Float32Array.from({ length: 222 }, (_, at) => Math.exp(-((at / 100) ** 1.3)));
/** Logistic for the normal quantile, by shares of 1/500: a thread is above it as often as the share says. */
const QUANTILE = Float32Array.from({ length: 501 }, (_, at) => {
  const share = Math.min(0.998, Math.max(0.002, (at + 0.5) / 500));
  return 0.588 * Math.log(share / (1 - share));
});

/** How a wiped brush is stroked over the ground. */
export interface BristleStyle {
  /** How wide a hollow the tuft bridges, mm. */
  readonly radius: number;
  /** How far below the touching bristles paint still gets, µm. */
  readonly reach: number;
  /** How much was left on it, %. */
  readonly load: number;
  /** Degrees from the length of the piece. */
  readonly across: number;
}

/** Lays what bristles leave where they touch: dry brush and overbrush. */
export function brushOver(film: FilmBuffer, context: LayContext, style: BristleStyle, random: Random): void {
  const { grid, passUm, passes } = context;
  const { inside } = grid;
  const { edge } = fieldsOf(grid);
  // Bristles feel earlier paint as well as the relief.
  const gaps = bristleGaps(grid, context.heightMm(), style.radius);
  const reachMm = style.reach / 1000;
  const load = style.load / 100;
  const angle = (style.across * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const perPass = passUm * passes;
  const { weights, along, up, shiftX, shiftY } = cellPlaces(context, random);
  // Written out instead of a visit per cell: it is the hot loop of the two commonest texture coats.
  for (let at = 0; at < inside.length; at++) {
    const gap = gaps[at]!;
    if (inside[at] === 0 || gap > 2.2 * reachMm) continue;
    const touch = TOUCH[Math.floor((gap / reachMm) * 100)]!;
    // Bristles lay threads: which of them leave paint is chance, how many follows from load, touch and edge.
    const share = Math.min(0.985, load * touch * weights[at]! * (0.6 + 1.1 * edge[at]!));
    if (share < 0.01) continue;
    const x = along[at]! + shiftX;
    const y = up[at]! + shiftY;
    const lengthwise = x * cos + y * sin;
    const aside = y * cos - x * sin;
    const thread =
      (0.8 * streak(lengthwise * 1.4, aside * 1.7) + 0.45 * cloud(lengthwise * 2, aside * 2)) / 0.92;
    const quantile = QUANTILE[Math.floor(share * 500)]!;
    const cover = clamp((thread + quantile) * 1.6 + 0.5, 0, 1);
    if (cover > 0.004) addFilm(film, at, perPass * (0.8 + 0.4 * touch), cover * inside[at]!);
  }
}
