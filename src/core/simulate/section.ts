import { filmAt } from "./planes";
import type { LaidSurface } from "./simulator";

/** A cut through relief and films along a line. */
export interface Section {
  readonly lengthMm: number;
  /** Height of the bare surface at each sample, µm above the lowest. */
  readonly reliefUm: Float32Array;
  /** In order of painting: film at each sample, µm. */
  readonly films: readonly { readonly coatId: string; readonly um: Float32Array }[];
  /** Thickest sum of films along the line, µm. */
  readonly mostUm: number;
}

/** A straight cut through a panel, from A to B, mm. */
export interface SectionLine {
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
}

/**
 * Cuts a laid surface along a line given in mm on the flat.
 * @param samples points along the line, at least 2
 */
export function cutSection(laid: LaidSurface, line: SectionLine, samples: number): Section {
  const { grid } = laid;
  const { width, height, pitchMm, originX, originY, inside, relief } = grid;
  /** The four cells round a sample and its shares between them; −1 where it is off the panel. */
  const corner = new Int32Array(samples);
  const [right, down] = [new Float32Array(samples), new Float32Array(samples)];
  for (let sample = 0; sample < samples; sample++) {
    const t = sample / (samples - 1);
    const x = (line.ax + (line.bx - line.ax) * t - originX) / pitchMm;
    const y = (line.ay + (line.by - line.ay) * t - originY) / pitchMm;
    const [column, row] = [Math.floor(x), Math.floor(y)];
    const at = row * width + column;
    const on = column >= 0 && row >= 0 && column < width - 1 && row < height - 1;
    const panel = on && [at, at + 1, at + width, at + width + 1].every((cell) => inside[cell]! > 0);
    corner[sample] = panel ? at : -1;
    [right[sample], down[sample]] = [x - column, y - row];
  }
  const cut = (valueAt: (cell: number) => number, none: number) =>
    Float32Array.from(corner, (at, sample) => {
      if (at < 0) return none;
      const [u, v] = [right[sample]!, down[sample]!];
      const top = valueAt(at) * (1 - u) + valueAt(at + 1) * u;
      const bottom = valueAt(at + width) * (1 - u) + valueAt(at + width + 1) * u;
      return top * (1 - v) + bottom * v;
    });
  const reliefUm = cut((at) => relief[at]! * 1000, NaN);
  const lowest = reliefUm.reduce((least, value) => (value < least ? value : least), Infinity);
  for (let k = 0; k < reliefUm.length; k++) reliefUm[k]! -= lowest;
  const sums = new Float32Array(samples);
  const films = laid.coats.map(({ coat, film }) => {
    const um = cut((at) => filmAt(film, at), 0);
    um.forEach((value, k) => (sums[k]! += value));
    return { coatId: coat.id, um };
  });
  return {
    lengthMm: Math.hypot(line.bx - line.ax, line.by - line.ay),
    reliefUm,
    films,
    mostUm: sums.reduce((most, value) => Math.max(most, value), 0),
  };
}
