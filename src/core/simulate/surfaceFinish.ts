import { VEIL, veilOfMix } from "../colour/finish";
import { decodeSrgb } from "../colour/spaces";
import { LEVELS, levelUm } from "../colour/film";
import { mixById, type Job, type Mix, type Paint } from "../job";
import type { LampVector } from "../surface/grid";
import type { PlaneSize } from "../surface/coarse";
import { CURVE } from "./compositor";
import { CURVE_STEPS } from "./kernel/layout";
import type { TabledCoat } from "./lightTables";
import { passing } from "./showing";

/** How glossy a veil is: 0 matt … 1 gloss. */
export const glossOf = (veil: number): number => 1 - veil / VEIL.matt;

/** A film thinner than this sinks into the surface below and takes its finish, µm dry. */
const SINKS_UM = 8;
/** Finishes nearer to each other than this look the same. */
const SAME_VEIL = 0.0006;
/**
 * Flakes of metal in a film lie nearly along it and mirror the lamp in their own colour: dark where they look aside, bright
 * where they look halfway between lamp and eye. What of the plain paint's light is left aside, what comes to it there, and
 * how tight that is drawn: half of it is left at 22°, as flakes lie within that of the film. Model: paint as a base under
 * flakes with a spread of normals (Ershov, Kolchin and Myszkowski, "Rendering pearlescent appearance", Eurographics 2001).
 */
export const METAL = { aside: 0.5, mirrored: 1.7, tight: 9, room: 0.7 } as const;
/** A film with less metal than this is plain. */
const LEAST_METAL = 0.02;

/** What the lamp's light on a metal is multiplied by. @param metal share of flakes, 0…1 @param facing cosine to halfway between lamp and eye */
export const flakesOf = (metal: number, facing: number): number =>
  1 - metal + metal * (METAL.aside + METAL.mirrored * Math.max(0, facing) ** METAL.tight);

/** Brightness of the lamp in a glossy surface, as a share of white, and how tight it is drawn. */
export const SHINE = { strength: 0.5, least: 8, most: 60 } as const;

const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/** What the outer surface does, per cell. */
export interface SurfaceFinish {
  /** Veil of the topmost film, and of the paint that is seen through it, as it was given. */
  readonly top: Float32Array;
  readonly paint: Float32Array;
  /** Share of metal flakes in what is seen, 0…1; null where there is none anywhere. */
  readonly metal: Float32Array | null;
}

/** How glossy each cell is, 0 matt … 1 gloss; metal as its share below 0: its mirror is the paint's own. */
export const glossPlane = ({ top, metal }: SurfaceFinish): Float32Array =>
  top.map((veil, at) => (metal && metal[at]! > LEAST_METAL ? -metal[at]! : glossOf(veil)));

/** Share of metal in a mix, by its parts, 0…1. */
function metalOf(mix: Pick<Mix, "parts"> | null | undefined, paints: readonly Paint[]): number {
  let [metal, all] = [0, 0];
  for (const { paintId, parts } of mix?.parts ?? []) {
    const paint = paints.find(({ id }) => id === paintId);
    if (!paint) continue;
    all += parts;
    if (paint.kind === "metal") metal += parts;
  }
  return all > 0 ? metal / all : 0;
}

/**
 * The finish of a painted surface: the topmost film that is thick enough sets how it shines, whatever it hides.
 * @param afterCoat told the finish after each coat from the first on that is not matt; its planes go on changing
 * @returns null where all of it is as matt as its paints were given
 */
export function finishOf(
  coats: readonly TabledCoat[],
  job: Pick<Job, "mixes">,
  paints: readonly Paint[],
  cells: number,
  afterCoat?: (coat: number, finish: SurfaceFinish) => void,
): SurfaceFinish | null {
  const veils = coats.map(({ coat }) => veilOfMix(mixById(job as Job, coat.mixId) ?? { parts: [] }, paints));
  // Matt films on matt ground change nothing: the first one that is not matt begins.
  const metals = coats.map(({ coat }) => metalOf(mixById(job as Job, coat.mixId), paints));
  const first = veils.findIndex((veil, at) => Math.abs(veil - VEIL.matt) >= SAME_VEIL || metals[at]! > 0);
  if (first < 0) return null;
  const metal = metals.some((share) => share > 0) ? new Float32Array(cells) : null;
  const top = new Float32Array(cells).fill(VEIL.matt);
  const paint = new Float32Array(cells).fill(VEIL.matt);
  for (let index = first; index < coats.length; index++) {
    const { film, table } = coats[index]!;
    const veil = veils[index]!;
    const hides = passing(table).map((through) => 1 - through);
    const stands = Float32Array.from({ length: LEVELS }, (_, level) =>
      Math.min(1, levelUm(level, film.maxUm) / SINKS_UM),
    );
    for (let at = 0; at < cells; at++) {
      const cover = film.cover[at]! / 255;
      if (cover === 0) continue;
      const level = film.level[at]!;
      top[at]! += cover * stands[level]! * (veil - top[at]!);
      paint[at]! += cover * hides[level]! * (veil - paint[at]!);
      if (metal) metal[at]! += cover * hides[level]! * (metals[index]! - metal[at]!);
    }
    afterCoat?.(index, { top, paint, metal });
  }
  return { top, paint, metal };
}

/**
 * Lays the finish on a picture: R' = v + (1 − v)(R − u)/(1 − u) with u the veil the paint was given with and v that of
 * the topmost film (Saunderson 1942), so that gloss deepens darks and matt lightens them. A veil is the same in every
 * band, so this holds for red, green and blue as it does for a spectrum.
 * @param rgba changed in place
 * @param light what the lamp does to each cell; null for plain colour
 */
export function layFinish(
  rgba: Uint8ClampedArray,
  finish: SurfaceFinish,
  inside: Float32Array,
  light: Float32Array | null,
): void {
  for (let at = 0; at < inside.length; at++) {
    if (inside[at] === 0) continue;
    const [v, u] = [finish.top[at]!, finish.paint[at]!];
    if (Math.abs(v - u) < SAME_VEIL) continue;
    const shade = light ? light[at]! : 1;
    const factor = (1 - v) / (1 - u);
    const added = shade * (v - factor * u);
    for (let channel = 0; channel < 3; channel++) {
      const linear = DECODE[rgba[at * 4 + channel]!]! * factor + added;
      rgba[at * 4 + channel] = CURVE[Math.round(Math.min(1, Math.max(0, linear)) * CURVE_STEPS)]!;
    }
  }
}

/** The lamp mirrored in ground of a gloss that faces halfway between lamp and eye so much, as a share of white. */
export function shineOf(gloss: number, facing: number): number {
  if (facing <= 0) return 0;
  return (
    SHINE.strength * gloss * gloss * facing ** (SHINE.least + (SHINE.most - SHINE.least) * gloss * gloss)
  );
}

/**
 * The lamp mirrored in what shines, and metal as its flakes look. Source: Blinn, "Models of light reflection for computer synthesized pictures",
 * SIGGRAPH 1977, seen straight from the front.
 * @param heights relief with the films on it, mm
 */
export function layShine(
  rgba: Uint8ClampedArray,
  finish: SurfaceFinish,
  heights: Float32Array,
  size: PlaneSize & { readonly pitchMm: number; readonly inside: Float32Array; readonly lamp: LampVector },
): void {
  const { width, height, pitchMm, inside, lamp } = size;
  const plane = glossPlane(finish);
  const half = [lamp[0], lamp[1], lamp[2] + 1] as const;
  const length = Math.hypot(...half);
  const scale = 1 / (2 * pitchMm);
  for (let row = 1; row < height - 1; row++) {
    for (let column = 1; column < width - 1; column++) {
      const at = row * width + column;
      const gloss = plane[at]!;
      if (inside[at]! < 0.5 || (gloss < 0.05 && gloss >= 0)) continue;
      const sx = (heights[at + 1]! - heights[at - 1]!) * scale;
      const sy = (heights[at + width]! - heights[at - width]!) * scale;
      const facing = (-sx * half[0] - sy * half[1] + half[2]) / length / Math.sqrt(1 + sx * sx + sy * sy);
      const shine = gloss < 0 ? 0 : shineOf(gloss, facing);
      const flakes = gloss < 0 ? flakesOf(-gloss, facing) : 1;
      if (shine < 0.002 && gloss >= 0) continue;
      for (let channel = 0; channel < 3; channel++) {
        const linear = Math.min(1, DECODE[rgba[at * 4 + channel]!]! * flakes + shine);
        rgba[at * 4 + channel] = CURVE[Math.round(linear * CURVE_STEPS)]!;
      }
    }
  }
}
