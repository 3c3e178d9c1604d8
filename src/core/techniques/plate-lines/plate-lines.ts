import { hash01, type Random } from "../../random";
import { fieldsOf } from "../../surface/fields";
import type { SurfaceGrid } from "../../surface/grid";
import type { Sculpted } from "../../surface/sculpted";
import { clamp, smoothstep } from "../../units";
import {
  addFilm,
  defineTechnique,
  layPasses,
  LEAST_SHARE,
  placeWeights,
  type FilmBuffer,
  type LayContext,
} from "../technique";
import { wander } from "../texture";
import { lightOnThings } from "../thingLight";

/** Along each scale by itself: a line at the side that looks away from the light, thinner round the rest. */
export const plateLines = defineTechnique({
  id: "plate-lines",
  version: 1,
  label: "Lines between scales",
  about:
    "A dark line along the side of each scale that looks away from the light, thinner or none round the rest of it.",
  params: {
    width: {
      label: "Width of the line",
      unit: "mm",
      range: [0.03, 0.6],
      step: 0.01,
      default: 0.12,
      about: "Where a scale looks away from the light fully.",
    },
    around: {
      label: "Round the rest",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 25,
      about: "How wide it stays on the sides that look to the light; 0 leaves them, 100 draws all alike.",
    },
    soft: {
      label: "Drawn out",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 30,
      about: "How far a damp brush draws the line into the scale.",
    },
    hides: {
      label: "One stroke hides",
      unit: "%",
      range: [20, 100],
      step: 5,
      default: 85,
      about: "How much of the tone below goes under it.",
    },
    broken: {
      label: "Broken",
      unit: "%",
      range: [0, 90],
      step: 5,
      default: 10,
      about: "How much is left out, by lifting and by an emptying brush.",
    },
  },
  lays: ["field"],
  filmShare: 0.7,
  startWater: 1.5,
  followsLamp: true,
  onThings: true,
  steady: true,
  bench: {
    tool: "round brush of size 0 with a good tip",
    how: "Scale by scale: draw a line along its side away from the light, and a damp brush along the inside of it.",
    lookAt:
      "From the viewing distance each scale stands by itself, and no line is wider than a third of a scale.",
  },
  caution: null,
  marksOn: (areaMm2, { around }) => ({
    count: Math.round((areaMm2 / USUAL_SCALE_MM2) * (1 + around / 100)),
    name: "stroke",
  }),
  lay: (film, context, params, random) =>
    layPasses(film, context.passes, random, (one, own) => layOnce(one, context, params, own)),
});

/** Strokes are counted for scales of ordinary size, mm². */
const USUAL_SCALE_MM2 = 0.9;
/** Half of a line's soft side where nothing is drawn out; how far at most it is, in widths. */
const [SOFT_MM, DRAWN_OUT] = [0.02, 1.2] as const;
/** Strokes press and empty over about so many mm. */
const [PRESS_MM, EMPTIES_MM] = [0.12, 0.5] as const;

interface Look {
  readonly width: number;
  readonly around: number;
  readonly soft: number;
  readonly hides: number;
  readonly broken: number;
}

function layOnce(film: FilmBuffer, context: LayContext, look: Look, random: Random): void {
  const { grid, passUm } = context;
  const weights = placeWeights(context);
  const seed = Math.floor(random.range(0, 1e6));
  const coverAt = grid.hide ? onScales(grid, grid.hide, look, seed) : inHollows(grid);
  for (let at = 0; at < weights.length; at++) {
    if (weights[at]! < LEAST_SHARE || grid.inside[at] === 0) continue;
    const cover = coverAt(at) * weights[at]! * (look.hides / 100);
    if (cover > LEAST_SHARE) addFilm(film, at, passUm, cover * grid.inside[at]!);
  }
}

/** Without scales there are only the surface's own hollows to draw in. */
function inHollows(grid: SurfaceGrid): (at: number) => number {
  const { low } = fieldsOf(grid);
  return (at) => smoothstep(0.35, 0.8, low[at]!);
}

/** How much of a cell the lines on its scale cover, 0…1. */
function onScales(grid: SurfaceGrid, hide: Sculpted, look: Look, seed: number): (at: number) => number {
  const { x, y } = lightOnThings(grid, hide);
  const softMm = SOFT_MM + (look.soft / 100) * DRAWN_OUT * look.width;
  const reachMm = 1.4 * look.width + softMm;
  const least = look.around / 100;
  return (at) => {
    const number = hide.thing[at]!;
    if (number < 0) return 0;
    const [lampX, lampY] = [x[number]!, y[number]!];
    // Away from the light the line has all its width, across it half of the rest, towards it what is left all round.
    const away = towardsEnd(grid, hide, at, -lampX, -lampY, reachMm);
    let cover = lineOver(away, look.width, softMm);
    if (least > 0) {
      for (const [wayX, wayY, share] of [
        [lampX, lampY, least],
        [-lampY, lampX, Math.sqrt(least) * least],
        [lampY, -lampX, Math.sqrt(least) * least],
      ] as const) {
        const mm = towardsEnd(grid, hide, at, wayX, wayY, reachMm * share);
        cover = Math.max(cover, lineOver(mm, look.width * share, SOFT_MM));
      }
    }
    return cover > 0 ? cover * pressed(hide, number, at, look, seed) : 0;
  };
}

/** A line so wide and soft at this distance from the scale's end, 0…1; full where the scale ends. */
const lineOver = (mm: number, widthMm: number, softMm: number): number =>
  smoothstep(widthMm + softMm, Math.max(0, widthMm - SOFT_MM), mm);

/** How far the cell's own scale goes on in one direction of the flat, mm; more than `mostMm` where that far. */
function towardsEnd(
  { width, height, pitchMm, inside }: SurfaceGrid,
  { thing }: Sculpted,
  at: number,
  wayX: number,
  wayY: number,
  mostMm: number,
): number {
  const [column, row] = [at % width, Math.floor(at / width)];
  const own = thing[at]!;
  const most = Math.ceil(mostMm / pitchMm);
  for (let step = 1; step <= most; step++) {
    const [c, r] = [Math.round(column + step * wayX), Math.round(row + step * wayY)];
    if (c < 0 || r < 0 || c >= width || r >= height) return (step - 0.5) * pitchMm;
    const next = r * width + c;
    if (thing[next] !== own || inside[next] === 0) return (step - 0.5) * pitchMm;
  }
  return mostMm + pitchMm;
}

/** How evenly the brush goes along a scale's rim, 0…1: it presses, lifts and empties. */
function pressed({ along, across, things }: Sculpted, number: number, at: number, look: Look, seed: number) {
  const { lengthMm, widthMm } = things[number]!;
  const alongMm = (along[at]! / 255) * lengthMm + 0.5 * (across[at]! / 127) * widthMm;
  const own = seed + number * 131;
  const press = clamp(0.9 + 0.15 * wander(own, alongMm / PRESS_MM), 0, 1);
  const loaded = 0.5 + 0.5 * wander(own + 7, alongMm / EMPTIES_MM);
  const missed = look.broken / 100;
  return (
    press *
    (0.92 + 0.08 * hash01(seed, number, 3)) *
    (missed === 0 ? 1 : smoothstep(missed - 0.12, missed + 0.12, loaded))
  );
}
