import { createRandom } from "../../random";

const SIZE = 32;
const MASK = SIZE - 1;
let table: Float32Array | null = null;

function values(): Float32Array {
  const random = createRandom(9173);
  return Float32Array.from({ length: SIZE ** 3 }, () => 2 * random.next() - 1);
}

const eased = (part: number): number => part * part * (3 - 2 * part);

/** Smooth noise in space on a lattice of one unit, −1…1: value noise with cubic easing; it repeats after 32 units. */
export function noiseInSpace(x: number, y: number, z: number): number {
  const lattice = (table ??= values());
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  const [u, v, w] = [eased(x - i), eased(y - j), eased(z - k)];
  const [left, right] = [i & MASK, (i + 1) & MASK];
  const row = (b: number, c: number): number => {
    const at = ((c & MASK) * SIZE + (b & MASK)) * SIZE;
    return lattice[at + left]! * (1 - u) + lattice[at + right]! * u;
  };
  const near = row(j, k) * (1 - v) + row(j + 1, k) * v;
  const far = row(j, k + 1) * (1 - v) + row(j + 1, k + 1) * v;
  return near * (1 - w) + far * w;
}
