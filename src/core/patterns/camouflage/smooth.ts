import { createRandom } from "../../random";
import { modulo } from "../../units";

const SIZE = 64;
const MASK = SIZE - 1;
let table: Float32Array | null = null;

function values(): Float32Array {
  const random = createRandom(4177);
  return Float32Array.from({ length: SIZE * SIZE }, () => 2 * random.next() - 1);
}

/**
 * Smooth noise on a square lattice of one unit, −1…1: value noise with cubic easing.
 * @param period units after which it repeats, 64 at most
 */
export function smoothNoise(x: number, y: number, period = SIZE): number {
  const lattice = (table ??= values());
  const [i, j] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [x - i, y - j];
  const [s, t] = [u * u * (3 - 2 * u), v * v * (3 - 2 * v)];
  const whole = period === SIZE;
  const [c, d] = whole ? [i & MASK, (i + 1) & MASK] : [modulo(i, period), modulo(i + 1, period)];
  const a = (whole ? j & MASK : modulo(j, period)) * SIZE;
  const b = (whole ? (j + 1) & MASK : modulo(j + 1, period)) * SIZE;
  const low = lattice[a + c]! * (1 - s) + lattice[a + d]! * s;
  const high = lattice[b + c]! * (1 - s) + lattice[b + d]! * s;
  return low * (1 - t) + high * t;
}
