import { BANDS, RGB_WEIGHTS } from "../colour/bands";
import type { CompositeCoat } from "./compositor";

/**
 * How much of each coat still shows under what lies above it, as a share of the panel, 0…1: of what a coat does to the
 * ground (much for a thick one, little for a glaze) the part that light still reaches, times the share it covers. A
 * glaze with nothing above it shows whole, however thin it is.
 * @param step every so manyth cell is looked at
 */
export function stillShowing(coats: readonly CompositeCoat[], inside: Float32Array, step = 1): number[] {
  let panel = 0;
  for (let at = 0; at < inside.length; at += step) panel += inside[at]!;
  const open = new Float32Array(inside.length).fill(1);
  const shares = new Array<number>(coats.length).fill(0);
  for (let index = coats.length - 1; index >= 0; index--) {
    const { film, table } = coats[index]!;
    const through = passing(table);
    let [seen, whole, covered] = [0, 0, 0];
    for (let at = 0; at < inside.length; at += step) {
      const cover = film.cover[at]! / 255;
      if (cover === 0) continue;
      const hides = cover * (1 - through[film.level[at]!]!);
      covered += inside[at]! * cover;
      whole += inside[at]! * hides;
      seen += inside[at]! * open[at]! * hides;
      open[at]! *= 1 - hides;
    }
    shares[index] = panel > 0 && whole > 0 ? (seen / whole) * (covered / panel) : 0;
  }
  return shares;
}

const known = new WeakMap<Float32Array, Float32Array>();

/**
 * Light that goes through a film twice, by level, weighted as the eye does (its green weights).
 * @param table rows of [R0 × 12, T² × 12]; not changed after it was asked for
 */
export function passing(table: Float32Array): Float32Array {
  const through = known.get(table) ?? passingOf(table);
  known.set(table, through);
  return through;
}

function passingOf(table: Float32Array): Float32Array {
  const weights = RGB_WEIGHTS[1];
  const sum = weights.reduce((all, weight) => all + Math.max(0, weight), 0);
  return Float32Array.from({ length: table.length / (BANDS * 2) }, (_, level) => {
    let light = 0;
    for (let band = 0; band < BANDS; band++)
      light += Math.max(0, weights[band]!) * table[level * BANDS * 2 + BANDS + band]!;
    return light / sum;
  });
}
