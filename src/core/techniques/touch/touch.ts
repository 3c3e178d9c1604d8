import { inZones } from "../../job";
import { hash01, type Random } from "../../random";
import { fieldsOf } from "../../surface/fields";
import type { SurfaceGrid } from "../../surface/grid";
import { lieOn } from "../../surface/growthOn";
import { cellAt } from "../scatter";
import { defineTechnique, placeWeights, type FilmBuffer, type LayContext } from "../technique";
import { PRINT_SIDE, tipPrints, type TipPrint } from "../tips";

/** Touches of the tip, unlike each other, that overlap until the coat below is nearly hidden. */
export const touch = defineTechnique({
  id: "touch",
  version: 1,
  label: "Touches",
  about: "Ragged touches of the tip that overlap: wool, velvet, skin, broken tones; each hides only in part.",
  params: {
    density: {
      label: "Touches",
      unit: "per mm²",
      range: [0.5, 60],
      step: 0.5,
      default: 20,
      about: "How many on a square millimetre where the coat is fully wanted.",
    },
    width: {
      label: "Width",
      unit: "mm",
      range: [0.04, 0.8],
      step: 0.01,
      default: 0.18,
      about: "Across the middle of a touch; the finest your brush makes is the finest that can be painted.",
    },
    long: {
      label: "Length against width",
      unit: "%",
      range: [60, 600],
      step: 10,
      default: 150,
      about: "100 presses the tip straight down, more draws it a little way.",
    },
    spread: {
      label: "Variation of size",
      unit: "%",
      range: [0, 80],
      step: 5,
      default: 30,
      about: "How unlike each other the touches are.",
    },
    hides: {
      label: "One touch hides",
      unit: "%",
      range: [15, 100],
      step: 5,
      default: 60,
      about: "How much of the tone below goes under one touch; where touches overlap more of it does.",
    },
    angle: {
      label: "Turned from the lie",
      unit: "°",
      range: [-180, 180],
      step: 5,
      default: 0,
      about:
        "0 touches follow the growth map, or the way water would run down where there is none; 90 lie across it.",
    },
    angleSpread: {
      label: "Spread of direction",
      unit: "°",
      range: [0, 90],
      step: 5,
      default: 45,
      about: "How far single touches stray to either side.",
    },
  },
  lays: ["field"],
  filmShare: 0.5,
  followsGrowth: true,
  startWater: 0.5,
  startPlace: inZones(["raised"], 0.1),
  markWidth: "width",
  bench: {
    tool: "round brush of size 0 or 1 with a good belly",
    how: "Press the tip down and lift it, turning the brush between touches; refill after five or six.",
    lookAt: "Touches overlap and no two are alike; the tone below still shows through and between them.",
  },
  caution: null,
  marksOn: (areaMm2, params) => ({ count: Math.round(areaMm2 * params.density), name: "touch" }),
  lay(film, context, params, random) {
    for (let pass = 0; pass < context.passes; pass++)
      for (const one of touchesOf(context, params, random.fork(pass))) layTip(film, context.grid, one);
  },
});

interface Touches {
  readonly density: number;
  readonly width: number;
  readonly long: number;
  readonly spread: number;
  readonly hides: number;
  readonly angle: number;
  readonly angleSpread: number;
}

/** One touch as the hand sets it. */
export interface TipTouch {
  readonly xMm: number;
  readonly yMm: number;
  /** Half the length and width of the square its print lies in, mm. */
  readonly halfLong: number;
  readonly halfWide: number;
  /** Of its point, radians on the flat, y downwards. */
  readonly angle: number;
  readonly print: TipPrint;
  /** Its print the other way round. */
  readonly turned: boolean;
  /** Share of what lies below that goes under it where it is whole, 0…1. */
  readonly hides: number;
  readonly um: number;
  /** Piece of cloth it is kept to; null for none. */
  readonly piece: number | null;
}

/** Touches within about so much of each other come of one filling of the brush, mm. */
const RUN_MM = [0.7, 0.6] as const;
const RUNS_HERE = 5;

/** Standard normal deviate from two uniform ones. */
const normalOf = (u: number, v: number): number =>
  Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * v);

/** The chances of one touch: as many as wanted, whichever others there are. */
function chancesOf(seed: number) {
  let drawn = 0;
  const next = () => hash01(seed, drawn++);
  return { next, normal: () => normalOf(next(), next()) };
}

/**
 * Every touch of one pass: one in each cell of a lattice of their density, anywhere within it, so that they lie closer
 * to each other and farther apart but leave no holes (stratified sampling).
 */
export function touchesOf(context: LayContext, params: Touches, random: Random): TipTouch[] {
  const { grid } = context;
  const { minX, maxX, minY, maxY } = grid.form.bounds;
  const weights = placeWeights(context);
  const pieces = context.overSeams ? null : fieldsOf(grid).piece;
  const step = 1 / Math.sqrt(params.density);
  const turn = random.range(0, Math.PI / 2);
  const seed = Math.floor(random.range(0, 2 ** 31));
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [midX, midY] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const reach = Math.ceil(Math.hypot(maxX - minX, maxY - minY) / 2 / step) + 1;
  const found: TipTouch[] = [];
  for (let row = -reach; row < reach; row++) {
    for (let column = -reach; column < reach; column++) {
      const own = Math.floor(hash01(seed, column, row) * 2 ** 31);
      const [u, v] = [(column + hash01(own, 0, 1)) * step, (row + hash01(own, 1, 1)) * step];
      const [xMm, yMm] = [midX + u * cos - v * sin, midY + u * sin + v * cos];
      const at = cellAt(grid, xMm, yMm);
      if (at < 0 || grid.inside[at]! <= 0.5 || hash01(own, 2, 1) >= weights[at]!) continue;
      found.push(touchAt(context, params, { xMm, yMm, at, own, seed, piece: pieces ? pieces[at]! : null }));
    }
  }
  return found;
}

interface Seat {
  readonly xMm: number;
  readonly yMm: number;
  readonly at: number;
  readonly own: number;
  readonly seed: number;
  readonly piece: number | null;
}

function touchAt(context: LayContext, params: Touches, { xMm, yMm, at, own, seed, piece }: Seat): TipTouch {
  const { next, normal } = chancesOf(own);
  // Touches of one filling share its load and the way the brush is held.
  const run = chancesOf(
    Math.floor(
      hash01(
        seed ^ Math.floor(next() * RUNS_HERE),
        Math.floor(xMm / RUN_MM[0]),
        Math.floor(yMm / RUN_MM[1]),
      ) *
        2 ** 31,
    ),
  );
  const [load, held] = [0.625 + 0.75 * run.next(), 0.5 * run.normal()];
  const [x, y] = lieOn(context.grid, at);
  const spread = (params.angleSpread * Math.PI) / 180;
  const strayed = Math.min(2, Math.max(-2, 0.6 * held + 0.6 * normal()));
  const sigma = params.spread / 100;
  const size = Math.exp(sigma * normal() - (sigma * sigma) / 2);
  const slim = 0.85 + 0.3 * next();
  const hides = (params.hides / 100) * (0.775 + 0.45 * next()) * (0.68 + 0.32 * load);
  const prints = tipPrints();
  const print = prints[Math.floor(next() * prints.length)]!;
  return {
    xMm,
    yMm,
    halfLong: ((params.width * params.long) / 200 / print.halfLong) * size,
    halfWide: (params.width / 2 / print.halfWide) * size * slim,
    angle: Math.atan2(y, x) + (params.angle * Math.PI) / 180 + spread * strayed,
    print,
    turned: next() < 0.5,
    hides: Math.min(1, hides),
    um: context.passUm * load * (0.8 + 0.4 * next()),
    piece,
  };
}

/** Lays one touch: where touches overlap their films add up, and cover as chances join. */
function layTip(film: FilmBuffer, grid: SurfaceGrid, touch: TipTouch): void {
  const { xMm, yMm, halfLong, halfWide, print, hides } = touch;
  const [cos, sin] = [Math.cos(touch.angle), Math.sin(touch.angle)];
  const { pitchMm, originX, originY, width, height, inside } = grid;
  const reach = Math.hypot(halfLong, halfWide);
  const pieces = touch.piece === null ? null : fieldsOf(grid).piece;
  const fromY = Math.max(0, Math.ceil((yMm - reach - originY) / pitchMm));
  const toY = Math.min(height - 1, Math.floor((yMm + reach - originY) / pitchMm));
  const fromX = Math.max(0, Math.ceil((xMm - reach - originX) / pitchMm));
  const toX = Math.min(width - 1, Math.floor((xMm + reach - originX) / pitchMm));
  const [perLong, perWide] = [1 / halfLong, (touch.turned ? -1 : 1) / halfWide];
  for (let row = fromY; row <= toY; row++) {
    const py = originY + row * pitchMm - yMm;
    for (let column = fromX; column <= toX; column++) {
      const px = originX + column * pitchMm - xMm;
      const u = (px * cos + py * sin) * perLong;
      const v = (py * cos - px * sin) * perWide;
      if (u <= -1 || u >= 1 || v <= -1 || v >= 1) continue;
      const at = row * width + column;
      if (inside[at] === 0 || (pieces && pieces[at] !== touch.piece)) continue;
      const spot = Math.floor((v + 1) * HALF_SIDE) * PRINT_SIDE + Math.floor((u + 1) * HALF_SIDE);
      const cover = print.cover[spot]! * hides * inside[at]!;
      if (cover === 0) continue;
      film.volumeUm[at]! += touch.um * print.load[spot]! * cover;
      film.cover[at]! += cover * (1 - film.cover[at]!);
    }
  }
}

const HALF_SIDE = PRINT_SIDE / 2;
