import type { ValueSpan, Volumes } from "../../job";
import { blurMm } from "../blur";
import { fieldsOf } from "../fields";
import type { SurfaceGrid } from "../grid";
import { hash01 } from "../../random";
import { smoothstep } from "../../units";
import { softNoise } from "../forms/sheet";
import { materials, type Material } from "./materials";

type Importance = Volumes["importance"];

/** Lights of a quiet part are rarer, of one that is looked at wider. */
const FALL_BY: Readonly<Record<Importance, number>> = { "looked-at": 0.9, usual: 1, quiet: 1.25 };
const STEPS_BY: Readonly<Record<Importance, number>> = { "looked-at": 1, usual: 0, quiet: -1 };
/** L* from the darkest step to the brightest: a quiet part keeps a small span. */
const SPAN_BY: Readonly<Record<Importance, number>> = { "looked-at": 64, usual: 54, quiet: 34 };
const MIDDLE_L = 52;
const MOST_STEPS = 5;

const fallOf = ({ material, importance }: Volumes): number => materials[material].fall * FALL_BY[importance];

/** Steps of light a surface is painted in, 3…5: by the figure's standard and how much it is looked at. */
export const stepCount = ({ importance }: Volumes, standard: "tabletop" | "display"): number =>
  Math.min(MOST_STEPS, (standard === "display" ? MOST_STEPS : MOST_STEPS - 1) + STEPS_BY[importance]);

/** Shares of the surface that the steps of its value plan have, from the darkest on; they add up to 1. */
export function stepShares(volumes: Volumes, count: number): number[] {
  const above = (place: number) => (1 - place) ** fallOf(volumes);
  return Array.from({ length: count }, (_, step) => above(step / count) - above((step + 1) / count));
}

/** L* that tells the steps apart, from the darkest on, about a middle tone. */
export const stepLightness = ({ importance }: Volumes, count: number): number[] =>
  Array.from(
    { length: count },
    (_, step) => MIDDLE_L + SPAN_BY[importance] * (step / Math.max(1, count - 1) - 0.5),
  );

/** Lamp and open room in the light of volumes. */
const [OF_LAMP, OF_SKY] = [0.7, 0.3] as const;
/** Small folds are faint beside large ones: light over this much counts as well, mm, and this much of it. */
const WIDE_MM = 0.9;
const OF_WIDE = 0.45;
/** What lies below what is around it is darker, whatever the lamp does; so much, of how far it lies below against the scale. */
const [OF_HOLLOWS, MOST_HOLLOW] = [0.8, 0.22] as const;
/** Inner sides of folds take light from what is lit around them. */
const INNER = 0.25;
/** Points and ridges catch more, and it fades away from them. */
const OF_POINTS = 0.12;
const POINT_MM = 0.4;
/** What is lit alike all over is brighter above, unevenly. */
const [ABOVE, UNEVEN, UNEVEN_MM] = [0.002, 0.0012, 2.4] as const;

/** A blur in which nothing beside the panel takes part, so that its rim is as light as what is within. */
function blurWithin(values: Float32Array, grid: SurfaceGrid, mm: number): Float32Array {
  const { inside } = grid;
  const own = blurMm(
    values.map((value, at) => value * inside[at]!),
    grid,
    mm,
  );
  const whole = blurMm(inside, grid, mm);
  return own.map((sum, at) => (whole[at]! > 1e-4 ? sum / whole[at]! : 0));
}

/** The light that volumes are told by: soft, as a painter sees it who half closes the eyes; any unit. */
function volumeLight(grid: SurfaceGrid, { blurMm: softMm, against }: Material): Float32Array {
  const fields = fieldsOf(grid);
  const { lit, sky, low, high } = fields;
  const both = lit.map((light, at) => OF_LAMP * light + OF_SKY * sky[at]!);
  const soft = blurWithin(both, grid, softMm);
  const wide = blurWithin(both, grid, WIDE_MM);
  const mean = against && blurWithin(both, grid, against.mm);
  const hollow = blurWithin(fields.hollow(2), grid, softMm);
  const points = blurWithin(high, grid, POINT_MM);
  const { width, pitchMm, originX, originY, heightMm, form } = grid;
  const uneven = softNoise(1, UNEVEN_MM, hash01);
  return soft.map((own, at) => {
    const around = wide[at]!;
    const [x, y] = [originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm];
    const inner = INNER * low[at]! * Math.max(0, around - own);
    const level = ABOVE * (heightMm[at]! / form.slantMm) + UNEVEN * uneven(x, y);
    const below = OF_HOLLOWS * Math.min(MOST_HOLLOW, Math.max(-MOST_HOLLOW, hollow[at]!));
    const light = (1 - OF_WIDE) * own + OF_WIDE * around + inner - below;
    const told = mean ? light - against.share * mean[at]! : light;
    return told * (1 - OF_POINTS + OF_POINTS * points[at]!) + level;
  });
}

const BINS = 65_536;

/** For each value the share of the panel that is darker, 0…1. */
function ranks(values: Float32Array, { inside }: SurfaceGrid): Float32Array {
  let [least, most] = [Infinity, -Infinity];
  for (let at = 0; at < values.length; at++) {
    if (inside[at]! === 0) continue;
    if (values[at]! < least) least = values[at]!;
    if (values[at]! > most) most = values[at]!;
  }
  const scale = (BINS - 1) / Math.max(1e-9, most - least);
  const placeOf = (value: number) => Math.min(BINS - 1, Math.max(0, (value - least) * scale));
  const darker = new Float64Array(BINS + 1);
  for (let at = 0; at < values.length; at++)
    if (inside[at]! > 0) darker[Math.floor(placeOf(values[at]!)) + 1]! += inside[at]!;
  for (let bin = 0; bin < BINS; bin++) darker[bin + 1]! += darker[bin]!;
  const whole = Math.max(1e-9, darker[BINS]!);
  return values.map((value, at) => {
    if (inside[at] === 0) return 0;
    const place = placeOf(value);
    const bin = Math.floor(place);
    return (darker[bin]! + (darker[bin + 1]! - darker[bin]!) * (place - bin)) / whole;
  });
}

const known = new WeakMap<SurfaceGrid, Map<string, Float32Array>>();

function ranksOf(grid: SurfaceGrid, material: Material): Float32Array {
  const before = known.get(grid) ?? new Map<string, Float32Array>();
  known.set(grid, before);
  // Materials on which light is told alike share its ranks.
  const key = JSON.stringify([material.blurMm, material.against]);
  const made = before.get(key) ?? ranks(volumeLight(grid, material), grid);
  before.set(key, made);
  return made;
}

/**
 * The value plan of a surface: where each cell lies between its deepest shadow, 0, and its highest light, 1. Of n steps
 * the first reaches to 1/n, the second to 2/n and so on; each has the share of the area that `stepShares` tells.
 */
export function valuePlan(grid: SurfaceGrid, volumes: Volumes): Float32Array {
  const key = JSON.stringify([volumes.material, volumes.importance]);
  const last = plans.get(grid);
  if (last?.key === key) return last.plan;
  const power = 1 / fallOf(volumes);
  const plan = ranksOf(grid, materials[volumes.material]).map((darker) => 1 - (1 - darker) ** power);
  plans.set(grid, { key, plan });
  return plan;
}

/** The plan asked for last: every coat of a surface goes by the same. */
const plans = new WeakMap<SurfaceGrid, { readonly key: string; readonly plan: Float32Array }>();

/** A hard border still has a little width. */
const LEAST_FADE = 0.02;

/** How much each cell belongs to a stretch of a value plan, 0…1. */
export function valueMember(plan: Float32Array, { from, to, fade }: ValueSpan): (at: number) => number {
  const half = Math.max(LEAST_FADE, fade) / 2;
  return (at) => {
    const place = plan[at]!;
    // A stretch that reaches an end of the plan has no border there.
    const low = from <= 0 ? 1 : smoothstep(from - half, from + half, place);
    const high = to >= 1 ? 1 : 1 - smoothstep(to - half, to + half, place);
    return low * high;
  };
}
