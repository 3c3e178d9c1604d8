import type { NearMarks, Outline, ZonePlace, Span, Volumes } from "../job";
import { clamp, smoothstep } from "../units";
import { blurMm } from "./blur";
import { coarseSize, grow } from "./coarse";
import type { Place, SurfaceForm } from "./forms/form";
import type { SurfaceGrid } from "./grid";
import { USUAL_VOLUMES } from "./volumes/materials";
import { valueMember, valuePlan } from "./volumes/valuePlan";
import { rooted } from "./rooted";
import { shedOver } from "./shedLight";
import { dot, minus } from "./vector";
import { zoneWeights, type WearOf } from "./zones";

/** A place to paint: all its parts at once. */
export interface WornPlace extends Pick<
  ZonePlace,
  "zones" | "fade" | "fall" | "span" | "outline" | "near" | "values" | "shed"
> {
  /** Where the surface wears; the usual wear where left out. */
  readonly wear?: WearOf;
  /** What the value plan follows; a usual surface of dull cloth where left out. */
  readonly volumes?: Volumes;
  /** Painted lights that are laid on the surface, by their ids; all of its figure where left out. */
  readonly lights?: readonly string[];
}

/** A hard border still wavers over about this width, mm. */
const LEAST_SOFT_MM = 0.04;

function spanMember(grid: SurfaceGrid, span: Span): (at: number) => number {
  const { form } = grid;
  const soft = Math.max(LEAST_SOFT_MM, span.softMm);
  const within = (mm: number, wholeMm: number) => {
    // A span that reaches an end of the form has no border there.
    const low = span.from <= 0 ? 1 : smoothstep(-soft / 2, soft / 2, mm - span.from * wholeMm);
    const high = span.to >= 1 ? 1 : smoothstep(-soft / 2, soft / 2, span.to * wholeMm - mm);
    return low * high;
  };
  const { turnDeg, heightMm } = rooted(grid);
  if (span.along === "height") return (at) => within(heightMm(at), form.slantMm);
  return (at) => {
    const whole = form.lengthAt(heightMm(at));
    return within((turnDeg(at) / form.turnDeg) * whole, whole);
  };
}

/** The outline is drawn on cells no finer than this, mm. */
const OUTLINE_MM = 0.06;

/** Even-odd rule over shares of length and height. */
function isWithin(points: readonly number[], x: number, y: number): boolean {
  let within = false;
  for (let k = 0, before = points.length - 2; k < points.length; before = k, k += 2) {
    const [x0, y0] = [points[before]!, points[before + 1]!];
    const [x1, y1] = [points[k]!, points[k + 1]!];
    if (y0 > y !== y1 > y && x < x0 + ((y - y0) / (y1 - y0)) * (x1 - x0)) within = !within;
  }
  return within;
}

function outlineWeights(grid: SurfaceGrid, outline: Outline): Float32Array {
  const step = Math.max(1, Math.floor(OUTLINE_MM / grid.pitchMm));
  const { width, height } = coarseSize(grid, step);
  const mask = new Float32Array(width * height);
  const { turnDeg, heightMm } = rooted(grid);
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      const at = row * step * grid.width + column * step;
      const [x, y] = [turnDeg(at) / grid.form.turnDeg, heightMm(at) / grid.form.slantMm];
      mask[row * width + column] = isWithin(outline.points, x, y) ? 1 : 0;
    }
  }
  const coarse = { width, height, pitchMm: grid.pitchMm * step };
  return grow(blurMm(mask, coarse, Math.max(LEAST_SOFT_MM, outline.softMm) / 2), grid, step);
}

/** Twice what the blur leaves at its full reach off a straight border: less than a Gaussian's 0.0228, as it ends. */
const AROUND = 0.029;

function nearWeights(grid: SurfaceGrid, near: NearMarks, cover: Float32Array): Float32Array {
  const reach = Math.max(0, near.reachMm);
  const spread = reach > LEAST_SOFT_MM ? blurMm(cover, grid, reach / 2) : cover;
  if (near.side === "inside") return spread.map((share) => clamp(share, 0, 1));
  if (near.side === "outside") return spread.map((share) => clamp(1 - share, 0, 1));
  // Half belongs to it at its reach: two standard deviations off a straight border.
  if (near.side === "around")
    return spread.map((share, at) => clamp(share / AROUND, 0, 1) * clamp(1 - cover[at]!, 0, 1));
  return spread.map((share) => clamp(4 * share * (1 - share), 0, 1));
}

/** How much the cells of a grid belong to a place. */
interface Weighed {
  readonly key: string;
  readonly cover: Float32Array | null;
  readonly weights: Float32Array;
}

/** Places that are kept of a grid: a layer and the strokes over it go to the same one, and so does every pass of a coat. */
const MOST_KEPT = 3;
const kept = new WeakMap<SurfaceGrid, Weighed[]>();

/**
 * How much each cell belongs to a place, 0…1; 0 off the panel. Kept for who asks next: not to be changed.
 * @param cover covered share of the coat that `near` names; where it is missing, `near` holds nowhere
 */
export function weightsOfPlace(
  grid: SurfaceGrid,
  place: WornPlace,
  cover: Float32Array | null,
): Readonly<Float32Array> {
  const key = JSON.stringify(place);
  const before = kept.get(grid) ?? [];
  const by = place.near ? cover : null;
  const known =
    before.find((one) => one.key === key && one.cover === by) ??
    ({ key, cover: by, weights: weigh(grid, place, cover) } satisfies Weighed);
  kept.set(grid, [known, ...before.filter((one) => one !== known)].slice(0, MOST_KEPT));
  return known.weights;
}

function weigh(grid: SurfaceGrid, place: WornPlace, cover: Float32Array | null): Float32Array {
  const out = zoneWeights(grid, place.zones, 0, place.wear);
  const members: ((at: number) => number)[] = [];
  if (place.span) members.push(spanMember(grid, place.span));
  if (place.values) members.push(valueMember(valuePlan(grid, place.volumes ?? USUAL_VOLUMES), place.values));
  if (place.shed)
    members.push(valueMember(shedOver(grid, place.shed.lightId, place.lights), { ...place.shed }));
  if (place.outline) {
    const drawn = outlineWeights(grid, place.outline);
    members.push((at) => drawn[at]!);
  }
  if (place.near) {
    const near = cover ? nearWeights(grid, place.near, cover) : null;
    members.push((at) => near?.[at] ?? 0);
  }
  const { fade, fall } = place;
  for (let at = 0; at < out.length; at++) {
    if (grid.inside[at] === 0) continue;
    let share = out[at]!;
    // Most places are a small part of the piece: what is out by one of their parts is not asked of the others.
    for (let k = 0; k < members.length && share !== 0; k++) share *= members[k]!(at);
    share = clamp(share, 0, 1);
    out[at] = fade + (1 - fade) * (fall === 1 || share === 0 ? share : share ** fall);
  }
  return out;
}

/** Unit vector on the flat along which water runs down the piece, by place; y grows downwards. */
export function fallAt(form: SurfaceForm, place: Place): readonly [x: number, y: number] {
  const [x0, y0] = form.flatten(place);
  const [x1, y1] = form.flatten({ ...place, heightMm: place.heightMm - 0.01 });
  const length = Math.hypot(x1 - x0, y1 - y0) || 1;
  return [(x1 - x0) / length, (y1 - y0) / length];
}

/** Steps by which a form is felt on the flat, mm; what is less steep than this lies level. */
const [FEEL_MM, LEVEL] = [0.05, 0.06] as const;

/**
 * Unit vector on the flat along which water runs at a cell, as the piece is seated; y grows downwards. Where it lies level
 * water runs down the piece as if that were hung up.
 */
export function runsTo(grid: SurfaceGrid, at: number): readonly [x: number, y: number] {
  const { form, width, pitchMm, originX, originY } = grid;
  const up = grid.room()?.upInForm;
  if (!up) return downhill(grid, at);
  const [x, y] = [originX + (at % width) * pitchMm, originY + Math.floor(at / width) * pitchMm];
  const spot = (dx: number, dy: number) => form.inSpace(form.place([x + dx, y + dy]));
  const falls = [
    dot(minus(spot(-FEEL_MM, 0), spot(FEEL_MM, 0)), up) / (2 * FEEL_MM),
    dot(minus(spot(0, -FEEL_MM), spot(0, FEEL_MM)), up) / (2 * FEEL_MM),
  ] as const;
  const steep = Math.hypot(...falls);
  return steep < LEVEL ? downhill(grid, at) : [falls[0] / steep, falls[1] / steep];
}

/** The way down the piece as it hangs by itself, at a cell. */
export const downhill = (grid: SurfaceGrid, at: number): readonly [x: number, y: number] =>
  fallAt(grid.form, { turnDeg: grid.turnDeg[at]!, heightMm: grid.heightMm[at]! });
