import type { Random } from "../random";
import { lieOn } from "../surface/growthOn";
import { layPull, type Pull } from "./strokes";
import { scatter, type Spot } from "./scatter";
import type { PlacedMark } from "./singleMarks";
import { edgeSoftMm, placeWeights, type FilmBuffer, type LayContext } from "./technique";
import { wander } from "./texture";

/** Short strokes flicked with the tip, each alone. */
export interface FlickStyle {
  /** Where the place is fully wanted, per mm². */
  readonly density: number;
  /** Median length, mm, and how unlike the lengths are, % (σ of their logarithm). */
  readonly length: number;
  readonly lengthSpread: number;
  /** At the middle, mm. */
  readonly width: number;
  /** Degrees from the length of the piece, and how far to either side. */
  readonly angle: number;
  readonly angleSpread: number;
  /** How far it bends aside, as a share of its length. */
  readonly wander: number;
  /** Both ends taper, or a blunt root and a fine tip. */
  readonly taper: "both" | "tip";
  /** The whole set is moved up the flat by this much, mm. */
  readonly shift?: number;
  /** Angles are measured from the way things grow, or down the piece, instead of from its length. */
  readonly grain: boolean;
}

const STEP_MM = 0.06;
const MOST_PIECES = 14;
const LONGEST_MM = 8;

/** One flick as the hand sets it: where, how long, which way, how full the brush is. */
export interface Flick {
  readonly spot: Spot;
  readonly lengthMm: number;
  /** How far it turns from the direction asked for, radians. */
  readonly strayed: number;
  /** Radians, anticlockwise from the x axis of the flat. */
  readonly angle: number;
  readonly filmUm: number;
  readonly seed: number;
}

/** Every flick of one pass of a coat; counts and statistics come from these, not from cells. */
export function flicksOf(context: LayContext, style: FlickStyle, random: Random): Flick[] {
  const { grid, passUm } = context;
  const sigma = style.lengthSpread / 100;
  return scatter(grid, placeWeights(context), style.density, random).map((spot) => {
    const lengthMm = Math.min(LONGEST_MM, style.length * Math.exp(sigma * random.normal()));
    const strayed = (random.range(-1, 1) * style.angleSpread * Math.PI) / 180;
    let angle = (style.angle * Math.PI) / 180 + strayed;
    if (style.grain) {
      const [x, y] = lieOn(grid, spot.at);
      angle += Math.atan2(-y, x);
    }
    const seed = Math.floor(random.range(0, 2 ** 31));
    return {
      spot,
      lengthMm,
      strayed,
      angle,
      filmUm: passUm * Math.max(0.4, 1 + 0.18 * random.normal()),
      seed,
    };
  });
}

/** Flicks that stray less than this, about 4° to either side, lie like the teeth of a comb; length of the mean direction. */
export const COMBED = 0.998;

/** Flicks of the first pass as marks that can be judged. */
export const flickMarks = (context: LayContext, style: FlickStyle, random: Random): PlacedMark[] =>
  flicksOf(context, style, random.fork(0)).map(({ spot, lengthMm, strayed }, at) => ({
    id: String(at),
    xMm: spot.xMm,
    yMm: spot.yMm,
    areaMm2: 0.7 * lengthMm * style.width,
    angle: strayed,
  }));

/** Lays every flick of a coat. */
export function layFlicks(film: FilmBuffer, context: LayContext, style: FlickStyle, random: Random): void {
  const softMm = edgeSoftMm(context.water) * 0.6;
  for (let pass = 0; pass < context.passes; pass++) {
    for (const flick of flicksOf(context, style, random.fork(pass))) {
      const pull = pullOf(flick, style, softMm);
      layPull(film, context, { ...pull, piece: context.overSeams ? null : flick.spot.piece });
    }
  }
}

function pullOf(
  { spot, lengthMm: length, angle, filmUm, seed }: Flick,
  style: FlickStyle,
  softMm: number,
): Pull {
  const points = Math.min(MOST_PIECES, Math.max(3, Math.ceil(length / STEP_MM) + 1));
  const path = new Float64Array(points * 2);
  const half = new Float64Array(points);
  const load = new Float64Array(points);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  for (let k = 0; k < points; k++) {
    const t = k / (points - 1);
    const along = (t - 0.5) * length;
    const aside = style.wander * length * wander(seed, along / Math.max(0.25, length / 3));
    // y grows downwards on the flat: a stroke at 90° runs from edge to edge.
    path[k * 2] = spot.xMm + along * cos - aside * sin;
    path[k * 2 + 1] = spot.yMm - (style.shift ?? 0) - along * sin - aside * cos;
    const taper =
      style.taper === "both"
        ? Math.min(1, Math.sin(Math.PI * Math.min(0.94, Math.max(0.06, t))) * 1.35)
        : Math.min(1, 0.7 + 3 * t) * (1 - 0.85 * t ** 1.6);
    half[k] = (style.width / 2) * taper * (1 + 0.2 * wander(seed ^ 91, along / 0.4));
    load[k] = 1.05 - 0.35 * t;
  }
  return { path, half, load, softMm, filmUm, seed };
}
