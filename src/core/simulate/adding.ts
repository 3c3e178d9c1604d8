import { ciede2000 } from "../colour/difference";
import { decodeSrgb, linearToXyz, xyzToLab, type Triple } from "../colour/spaces";
import { seenFrom } from "./seenFrom";

/** What one coat changes of a surface as it is seen from its figure's viewing distance. */
export interface CoatAdds {
  readonly coatId: string;
  /** Mean CIEDE2000 over the whole surface that the coat changes; 0 where nobody sees it. */
  readonly adds: number;
  /** And how far the surface then is from its finish, the same mean: 0 after the last coat. */
  readonly left: number;
  /** The same of the twentieth of its places that are furthest from it: a stripe that is missing shows here. */
  readonly furthest: number;
}

/** Cells that are looked at: enough for a mean, wherever marks lie. */
const LOOKED_AT = 1500;
const DECODE = Float32Array.from({ length: 256 }, (_, byte) => decodeSrgb(byte / 255));

/** Cells well within a panel, every so manyth. */
function cellsOf(inside: Float32Array): Uint32Array {
  const all = inside.reduce((count, share) => count + (share >= 0.5 ? 1 : 0), 0);
  const stride = Math.max(1, all / LOOKED_AT);
  const cells: number[] = [];
  for (let at = 0, seen = 0; at < inside.length; at++)
    if (inside[at]! >= 0.5 && seen++ >= cells.length * stride) cells.push(at);
  return Uint32Array.from(cells);
}

const labAt = (rgba: Uint8ClampedArray, at: number): Triple =>
  xyzToLab(linearToXyz([DECODE[rgba[at * 4]!]!, DECODE[rgba[at * 4 + 1]!]!, DECODE[rgba[at * 4 + 2]!]!]));

const apart = (one: readonly Triple[], other: readonly Triple[]): number[] =>
  one.map((lab, at) => ciede2000(lab, other[at]!));

const mean = (values: readonly number[]): number =>
  values.length > 0 ? values.reduce((sum, value) => sum + value, 0) / values.length : 0;

/** Mean of the largest of some values. */
const meanOfMost = (values: readonly number[], share: number): number =>
  mean([...values].sort((a, b) => b - a).slice(0, Math.max(1, Math.round(share * values.length))));

/** So many of the places are the furthest. */
const FURTHEST = 0.05;

/** A surface laid flat, and how much of each cell is panel. */
interface Panel {
  readonly inside: Float32Array;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
}

/**
 * What each coat adds to a surface, and what is then left to its finish.
 * @param pictures RGBA of the primed surface and then after every coat, one more than there are coats
 * @param viewMm from how far it is looked at, mm
 */
export function addsOf(
  coatIds: readonly string[],
  pictures: readonly Uint8ClampedArray[],
  panel: Panel,
  viewMm: number,
): CoatAdds[] {
  const cells = cellsOf(panel.inside);
  const seen = pictures.map((picture) => {
    const own = picture.slice();
    seenFrom(own, panel.inside, panel, viewMm);
    return Array.from(cells, (at) => labAt(own, at));
  });
  return coatIds.map((coatId, at) => {
    const left = apart(seen[at + 1]!, seen.at(-1)!);
    return {
      coatId,
      adds: mean(apart(seen[at]!, seen[at + 1]!)),
      left: mean(left),
      furthest: meanOfMost(left, FURTHEST),
    };
  });
}
