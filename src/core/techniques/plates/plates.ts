import { fieldsOf } from "../../surface/fields";
import type { Sculpted, SculptedThing } from "../../surface/sculpted";
import { hash01, type Random } from "../../random";
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
import { lightOnThings, type LightOnThings } from "../thingLight";
import { wander } from "../texture";

/** Scale by scale: the side of each that looks to the light, its edge first, then more of it the more it faces the light. */
export const plates = defineTechnique({
  id: "plates",
  version: 1,
  label: "Scale by scale",
  about: "On each scale by itself: its edge towards the light, and more of it the more it faces the light.",
  params: {
    edge: {
      label: "Width of the edge",
      unit: "mm",
      range: [0, 0.6],
      step: 0.01,
      default: 0.12,
      about: "Of the line along the edge that looks to the light; 0 leaves it away.",
    },
    fill: {
      label: "Of a scale",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 40,
      about: "How far strokes reach in from that edge on a scale that faces the light fully; less on others.",
    },
    from: {
      label: "Scales in the light from",
      unit: "%",
      range: [0, 95],
      step: 1,
      default: 0,
      about: "Scales that are lit less than this get nothing; 0 takes them all.",
    },
    corner: {
      label: "Kept to the free end",
      unit: "%",
      range: [0, 100],
      step: 5,
      default: 0,
      about: "0 takes the whole side of a scale, 100 only its highest corner.",
    },
    hides: {
      label: "One stroke hides",
      unit: "%",
      range: [20, 100],
      step: 5,
      default: 80,
      about: "How much of the tone below goes under it.",
    },
    broken: {
      label: "Broken",
      unit: "%",
      range: [0, 90],
      step: 5,
      default: 20,
      about: "How much is left out, by lifting and by an emptying brush.",
    },
  },
  lays: ["field"],
  filmShare: 0.7,
  startWater: 0.5,
  followsLamp: true,
  onThings: true,
  bench: {
    tool: "round brush of size 0 or 1 with a good tip",
    how: "Scale by scale: draw its edge towards the light, then pull short strokes in from there; leave the gaps dark.",
    lookAt: "Every scale has a light and a dark side, all on the same side; the gaps read as lines.",
  },
  caution: null,
  marksOn: (areaMm2, { edge, fill }) => ({
    count: Math.round((areaMm2 / USUAL_SCALE_MM2) * ((edge > 0 ? 1 : 0) + (fill / 100) * STROKES)),
    name: "stroke",
  }),
  lay: (film, context, params, random) =>
    layPasses(film, context.passes, random, (one, own) => layOnce(one, context, params, own)),
});

/** Strokes are counted for scales of ordinary size, mm²; one that is filled takes so many. */
const [USUAL_SCALE_MM2, STROKES] = [0.9, 8] as const;

interface Look {
  readonly edge: number;
  readonly fill: number;
  readonly from: number;
  readonly corner: number;
  readonly hides: number;
  readonly broken: number;
}

/** One pass over all scales; on a smooth piece over what its own edges are. */
function layOnce(film: FilmBuffer, context: LayContext, look: Look, random: Random): void {
  const { grid, passUm } = context;
  const { hide } = grid;
  const weights = placeWeights(context);
  const seed = Math.floor(random.range(0, 1e6));
  if (!hide) {
    layOnEdges(film, context, look, weights);
    return;
  }
  const light = lightOnThings(grid, hide);
  const { low } = fieldsOf(grid);
  for (let at = 0; at < weights.length; at++) {
    const number = hide.thing[at]!;
    if (number < 0 || weights[at]! < LEAST_SHARE || grid.inside[at] === 0) continue;
    // The gaps are left dark.
    const open = 1 - smoothstep(GAP[0], GAP[1], low[at]!);
    const cover = open * coverOn(hide, light, number, at, look, seed) * weights[at]!;
    if (cover > LEAST_SHARE)
      addFilm(
        film,
        at,
        passUm * (0.9 + 0.2 * hash01(seed, number, 3)),
        cover * grid.inside[at]! * (look.hides / 100),
      );
  }
}

/** From where on a cell lies in a gap, by how much it is a hollow. */
const [GAP, SOFT_MM] = [[0.75, 1] as const, 0.025] as const;
/** Half width of a scale along its length, as it is sculpted about. */
const halfAt = (a: number): number =>
  a < 0.55 ? 0.75 + 0.25 * Math.sqrt(a / 0.55) : Math.max(0.02, 1 - ((a - 0.55) / 0.45) ** 2) ** 0.55;
/** Strokes lie about so far apart along an edge, mm; a brush empties over about so many mm. */
const [STROKE_MM, EMPTIES_MM] = [0.09, 0.35] as const;
/** Least weight of a scale's side and of its free end, which is raised and catches light from any side. */
const [LEAST_SIDE, LEAST_END] = [0.6, 0.75] as const;

/**
 * How far a cell lies in from the edge of its scale that looks to the light, mm: from one side and from the free end,
 * which is raised, each the nearer the more it looks there.
 */
function inFromEdge(thing: SculptedThing, ahead: number, aside: number, a: number, b: number): number {
  const half = thing.onBelly === true ? 1 : halfAt(a);
  // Towards the lit side, −1 … 1.
  const towards = aside >= 0 ? b / half : -b / half;
  const fromSide = ((1 - towards) / 2) * half * thing.widthMm;
  const fromEnd = (1 - a) * thing.lengthMm + Math.max(0, -towards - 0.1) * 0.6 * thing.widthMm;
  return Math.min(fromSide / Math.max(LEAST_SIDE, Math.abs(aside)), fromEnd / Math.max(LEAST_END, ahead));
}

/** How much of a cell a coat covers on its scale, 0…1. */
function coverOn(
  hide: Sculpted,
  light: LightOnThings,
  number: number,
  at: number,
  look: Look,
  seed: number,
): number {
  const thing = hide.things[number]!;
  const facing = clamp((light.lit[number]! - look.from / 100) / (1 - look.from / 100), 0, 1);
  if (facing <= 0 && look.from > 0) return 0;
  const [a, b] = [hide.along[at]! / 255, hide.across[at]! / 127];
  const [x, y] = [light.x[number]!, light.y[number]!];
  const [ahead, aside] = [thing.wayX * x + thing.wayY * y, thing.wayX * y - thing.wayY * x];
  const inwards = inFromEdge(thing, ahead, aside, a, b);
  const reachMm =
    (look.fill / 100) * facing * (thing.onBelly === true ? thing.lengthMm : 0.9 * thing.widthMm);
  if (inwards > 1.5 * Math.max(look.edge, reachMm) + SOFT_MM) return 0;
  // Along the edge, whichever way it runs.
  const alongMm = a * thing.lengthMm + 0.5 * b * thing.widthMm;
  const own = seed + number * 131;
  const press = 0.8 + 0.45 * wander(own, alongMm / STROKE_MM);
  const loaded = 0.5 + 0.5 * wander(own + 7, alongMm / EMPTIES_MM);
  const whole = smoothstep(look.broken / 100 - 0.12, look.broken / 100 + 0.12, loaded);
  const kept =
    look.corner === 0 ? 1 : smoothstep(0.95 * (look.corner / 100) - 0.25, 0.95 * (look.corner / 100), a);
  const within = (mm: number) => smoothstep(mm + SOFT_MM, mm - SOFT_MM, inwards);
  const edge = look.edge > 0 ? within(look.edge * (0.6 + 0.5 * press)) : 0;
  const strokes = reachMm > 0.02 ? within(reachMm * press) : 0;
  return Math.max(edge, FILL_SHARE * strokes) * whole * kept;
}

/** Strokes inwards let more of what is below through than the edge's line. */
const FILL_SHARE = 0.8;

/** Without scales its upper edges are all there is to draw along. */
function layOnEdges(
  film: FilmBuffer,
  { grid, passUm }: LayContext,
  { hides, from }: Look,
  weights: Float32Array,
): void {
  const { upperEdge, litShare } = fieldsOf(grid);
  for (let at = 0; at < weights.length; at++) {
    if (weights[at]! < LEAST_SHARE || litShare[at]! < from / 100) continue;
    const cover = smoothstep(0.15, 0.5, upperEdge[at]!) * weights[at]! * (hides / 100) * grid.inside[at]!;
    if (cover > LEAST_SHARE) addFilm(film, at, passUm, cover);
  }
}
