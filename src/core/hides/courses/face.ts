import { hash01 } from "../../random";
import { clamp, smoothstep } from "../../units";
import type { SurfaceForm } from "../../surface/forms/form";
import { softNoise } from "../../surface/forms/sheet";
import type { Sheet } from "../sheet";
import type { Block, Laid } from "./layout";

/** Sizes of blocks' faces, mm; shares are 0…1. */
export interface FaceSizes {
  readonly joint: number;
  readonly deep: number;
  readonly bevel: number;
  readonly rough: number;
  readonly grain: number;
  readonly chips: number;
  readonly unlike: number;
  /** A block's lower edge stands off its upper end by so much: slates lie over each other. 0 for blocks side by side. */
  readonly lift: number;
  readonly slip: number;
}

/** A place on a block, mm: from its left, right, lower and upper border. */
interface Spot {
  readonly left: number;
  readonly right: number;
  readonly below: number;
  readonly above: number;
}

/** Of four corners so many are broken, and how far at most, of the shorter side. */
const [BROKEN, CORNER] = [0.75, 0.24] as const;
/** Borders stray by so much of the joint and of the roughness. */
const [STRAYS_JOINT, STRAYS_ROUGH] = [0.55, 0.5] as const;
/** Blocks stand out unlike each other, and lean, by so much of a joint's depth. */
const [PROUD, LEANS] = [0.5, 0.55] as const;
/** A slate reaches so many courses up below the ones above it. */
const SLATE_LONG = 1.75;
/** Slipped slates come down by so much of a course, and turn by so much at most, mm per mm. */
const [SLIPS, TURNS] = [[0.15, 0.5] as const, 0.14] as const;
/** How far up the form its length is looked at anew. */
const STEPS = 256;

/** Lengths along the form by height, mm, looked up. */
function lengths(form: SurfaceForm): (heightMm: number) => number {
  const table = Float64Array.from({ length: STEPS + 1 }, (_, at) =>
    form.lengthAt((at / STEPS) * form.slantMm),
  );
  return (heightMm) => {
    const at = clamp((heightMm / form.slantMm) * STEPS, 0, STEPS);
    const low = Math.min(STEPS - 1, Math.floor(at));
    return table[low]! + (table[low + 1]! - table[low]!) * (at - low);
  };
}

/** Distance to the nearest border of a block, broken corners and all, mm. */
function depthOf(spot: Spot, number: number, { chips, bevel }: FaceSizes, seed: number): number {
  const { left, right, below, above } = spot;
  const [aside, up] = [Math.min(left, right), Math.min(below, above)];
  // Corners are as round as edges are worn.
  const inCorner = aside < bevel && up < bevel;
  let depth = inCorner ? bevel - Math.hypot(bevel - aside, bevel - up) : Math.min(aside, up);
  const short = Math.min(left + right, below + above);
  const corners = [
    [left, below],
    [right, below],
    [left, above],
    [right, above],
  ] as const;
  for (let k = 0; k < 4 && chips > 0; k++) {
    if (hash01(seed, number, 70 + k) > BROKEN) continue;
    const cut = chips * CORNER * short * hash01(seed, number, 80 + k);
    const [a, b] = corners[k]!;
    depth = Math.min(depth, (a + b - cut) * Math.SQRT1_2);
  }
  return depth;
}

/** A slate's lower border at a place along it, mm up the form. */
function lowerEdge(
  block: Block,
  number: number,
  mm: number,
  { slip, unlike }: FaceSizes,
  seed: number,
): number {
  const course = block.highMm - block.lowMm;
  const slipped = hash01(seed, number, 21) < slip;
  const down = slipped ? course * (SLIPS[0] + (SLIPS[1] - SLIPS[0]) * hash01(seed, number, 22)) : 0;
  const turn = (slipped ? TURNS : 0.25 * TURNS * unlike) * 2 * (hash01(seed, number, 23) - 0.5);
  return block.lowMm - down - 0.08 * course * unlike * hash01(seed, number, 24) + turn * mm;
}

/** Draws all blocks on the cells of a sheet. */
export function drawBlocks(sheet: Sheet, laid: Laid, sizes: FaceSizes, seed: number): void {
  const { grid, upMm, thing, along, across } = sheet;
  const { form } = grid;
  const lengthAt = lengths(form);
  const noise = {
    rough: softNoise(seed + 5, 1.5, hash01),
    grit: softNoise(seed + 6, 0.35, hash01),
    edge: softNoise(seed + 7, 0.8, hash01),
  };
  for (let at = 0; at < thing.length; at++) {
    if (grid.inside[at] === 0) continue;
    const heightMm = clamp(grid.heightMm[at]!, 0, form.slantMm);
    const share = shareOf(grid.turnDeg[at]! / form.turnDeg, form.closed);
    const own = lengthAt(heightMm);
    const number = blockAt(laid, share, heightMm, sizes, own, seed);
    const block = laid.blocks[number]!;
    const within = share < block.from ? share + 1 : share;
    const [left, right] = [(within - block.from) * own, (block.to - within) * own];
    const x = within * own;
    const spot = { left, right, below: heightMm - block.lowMm, above: block.highMm - heightMm };
    upMm[at] =
      sizes.lift > 0
        ? slateUp(spot, block, number, sizes, seed, noise, x, heightMm)
        : blockUp(spot, number, sizes, seed, noise, x, heightMm);
    thing[at] = number;
    const tall = block.highMm - block.lowMm;
    along[at] = Math.round(255 * clamp(spot.above / tall, 0, 1));
    // Told as it hangs: what is to the right on the flat is to its left.
    across[at] = Math.round(127 * clamp((right - left) / Math.max(1e-6, left + right), -1, 1));
  }
}

const shareOf = (share: number, closed: boolean): number =>
  closed ? ((share % 1) + 1) % 1 : clamp(share, 0, 1 - 1e-9);

/** The last of some rising numbers that is not above a value; −1 where all are. */
function lastBelow(numbers: readonly number[], value: number): number {
  let [low, high] = [-1, numbers.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (numbers[middle]! <= value) low = middle;
    else high = middle;
  }
  return low;
}

/** Number of a row's block at a share of the way along. */
function inRow(
  { courses, parts }: Laid,
  row: number,
  share: number,
  heightMm: number,
  blocks: readonly Block[],
): number {
  const found = lastBelow(courses[row]!.joints, share);
  const all = parts[row]!;
  const [low, high] = all[found < 0 ? all.length - 1 : Math.min(found, all.length - 1)]!;
  return low !== high && heightMm >= blocks[high]!.lowMm ? high : low;
}

/** Number of the block that is seen at a place: of slates the one above where it has come down so far. */
function blockAt(
  laid: Laid,
  share: number,
  heightMm: number,
  sizes: FaceSizes,
  own: number,
  seed: number,
): number {
  const { courses, blocks } = laid;
  let [low, high] = [0, courses.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (courses[middle]!.lowMm <= heightMm) low = middle;
    else high = middle;
  }
  if (sizes.lift > 0 && low + 1 < courses.length) {
    const above = inRow(laid, low + 1, share, heightMm, blocks);
    const block = blocks[above]!;
    const within = share < block.from ? share + 1 : share;
    const mm = (within - (block.from + block.to) / 2) * own;
    if (heightMm >= lowerEdge(block, above, mm, sizes, seed)) return above;
  }
  return inRow(laid, low, share, heightMm, blocks);
}

type Noise = Readonly<Record<"rough" | "grit" | "edge", (x: number, y: number) => number>>;

/** Height of a block's face at a place, mm; joints lie below 0. */
function blockUp(
  spot: Spot,
  number: number,
  sizes: FaceSizes,
  seed: number,
  noise: Noise,
  x: number,
  y: number,
): number {
  const { joint, deep, bevel, rough, grain } = sizes;
  const strays = noise.edge(x, y) * (STRAYS_JOINT * joint * sizes.unlike + STRAYS_ROUGH * rough);
  const depth = depthOf(spot, number, sizes, seed) - joint / 2 + 0.5 * strays;
  // A chisel's fall, rounder the more there is of it.
  const face = smoothstep(0, 1, clamp(depth / bevel, 0, 1) ** 0.8);
  const lean = (k: number, share: number) => (hash01(seed, number, k) - 0.5) * (share - 0.5);
  const across = spot.left / Math.max(1e-6, spot.left + spot.right);
  const up = spot.below / Math.max(1e-6, spot.below + spot.above);
  const proud = PROUD * (hash01(seed, number, 33) - 0.5);
  const own = deep * sizes.unlike * (proud + LEANS * (lean(31, across) + lean(32, up)));
  // Fibres run along the longer side: a plank that lies, or a board that stands.
  const [on, over] = spot.below + spot.above > spot.left + spot.right ? [y, x] : [x, y];
  const fibres = grain * (0.7 * noise.rough(on * 0.25, over * 4.2) + 0.5 * noise.grit(on * 0.12, over * 1.6));
  const pits = noise.grit(x * 1.3, y * 1.3) + 0.6 * noise.grit(x * 3.1, y * 3.1);
  const texture = rough * (0.6 * noise.rough(x, y) + 0.5 * pits) + fibres;
  return (
    -deep * (1 - face) + face * (own + texture) + 0.06 * deep * noise.grit(x * 1.7, y * 1.7) * (1 - face)
  );
}

/** Height of a slate at a place, mm: thick at its lower edge, below the one above at its upper end. */
function slateUp(
  spot: Spot,
  block: Block,
  number: number,
  sizes: FaceSizes,
  seed: number,
  noise: Noise,
  x: number,
  y: number,
): number {
  const { joint, lift, rough, deep } = sizes;
  const mm = (spot.left - spot.right) / 2;
  const from = lowerEdge(block, number, mm, sizes, seed);
  const up = clamp((y - from) / (SLATE_LONG * (block.highMm - block.lowMm)), 0, 1);
  const sides = Math.min(spot.left, spot.right) - joint / 2 + 0.25 * joint * noise.edge(x, y * 1.4);
  const face = smoothstep(0, 0.06 + 0.3 * joint, sides);
  // Split along two planes.
  const split =
    rough *
    (0.6 * smoothstep(0.05, 0.2, noise.rough(x * 0.7 + 3 * number, y * 0.7)) + 0.25 * noise.grit(x, y));
  const proud = 0.35 * lift * sizes.unlike * (hash01(seed, number, 33) - 0.5);
  return lift * (1 - up) + proud + split - (deep + lift * 0.8) * (1 - face);
}
