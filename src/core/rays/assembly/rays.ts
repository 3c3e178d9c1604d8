// Whether anything lies on a way, among trees of triangles as `three-mesh-bvh` builds them: nodes of 32 bytes, their box
// (least x, y, z, greatest x, y, z as f32), then of a leaf its first triangle (u32), their number (u16) and 0xffff; of
// another the place of its second child, in nodes from its own on; the first child lies right behind it. The caller lays
// the memory out: a table of trees from TREES on, what is to be looked along behind it, and the trees behind that.

/** Where trees are told: nodes, triangles' corners by their numbers, points (x, y, z as f32): 12 bytes each. */
const TREES: usize = 4096;
/** What is not visited yet, u32. */
const WAITING: usize = 0;
const LEAF: u32 = 0xffff;

/** What touches a point is not in its way, mm. */
const LEAST_MM: f64 = 0.02;

/** Least way along an axis that boxes are met with: infinity times nothing would be no number. */
const LEAST: f64 = 1e-12;
/** Where the way ends. */
let far: f64 = Infinity;

/** More than rounding to 32 bits takes off a box, mm. */
const AROUND_MM: f64 = 1e-4;

let trees: i32 = 0;
/** What stood in the last way that was not free: it is likely to stand in the next one too. */
let likely: i32 = 0;

let ox: f64 = 0;
let oy: f64 = 0;
let oz: f64 = 0;
let dx: f64 = 0;
let dy: f64 = 0;
let dz: f64 = 0;
/** Where the way begins, moved so that boxes are larger by AROUND_MM each way, and 1 over its direction: x, y, z. */
let low: v128 = f32x4.splat(0);
let high: v128 = f32x4.splat(0);
let inverse: v128 = f32x4.splat(0);

export function take(count: i32): void {
  trees = count;
  likely = 0;
}

// @ts-ignore: decorator of the compiler
@inline
function three(x: f64, y: f64, z: f64): v128 {
  const two = f32x4.replace_lane(f32x4.splat(<f32>x), 1, <f32>y);
  return f32x4.replace_lane(two, 2, <f32>z);
}

// @ts-ignore: decorator of the compiler
@inline
function over(way: f64): f64 {
  return 1 / (abs(way) > LEAST ? way : LEAST);
}

function begin(x: f64, y: f64, z: f64): void {
  ox = x;
  oy = y;
  oz = z;
  low = three(x + AROUND_MM, y + AROUND_MM, z + AROUND_MM);
  high = three(x - AROUND_MM, y - AROUND_MM, z - AROUND_MM);
}

function aim(x: f64, y: f64, z: f64): void {
  dx = x;
  dy = y;
  dz = z;
  inverse = three(over(x), over(y), over(z));
}

/** Whether the way comes through a box, made a little larger, beyond so far: three slabs at once (Kay and Kajiya 1986). */
// @ts-ignore: decorator of the compiler
@inline
function comesThrough(node: usize, near: f32): bool {
  const a = f32x4.mul(f32x4.sub(v128.load(node), low), inverse);
  const b = f32x4.mul(f32x4.sub(v128.load(node, 12), high), inverse);
  let from = f32x4.replace_lane(f32x4.pmin(a, b), 3, near);
  let to = f32x4.replace_lane(f32x4.pmax(a, b), 3, <f32>far);
  from = f32x4.pmax(from, v128.shuffle<f32>(from, from, 2, 3, 0, 1));
  to = f32x4.pmin(to, v128.shuffle<f32>(to, to, 2, 3, 0, 1));
  from = f32x4.pmax(from, v128.shuffle<f32>(from, from, 1, 0, 3, 2));
  to = f32x4.pmin(to, v128.shuffle<f32>(to, to, 1, 0, 3, 2));
  return f32x4.extract_lane(from, 0) <= f32x4.extract_lane(to, 0);
}

/** Whether the way meets a triangle beyond so far (Möller and Trumbore 1997), seen from either side. */
function meetsTriangle(points: usize, corner: usize, near: f64): bool {
  const a = points + <usize>load<u32>(corner) * 12;
  const b = points + <usize>load<u32>(corner + 4) * 12;
  const c = points + <usize>load<u32>(corner + 8) * 12;
  const x = <f64>load<f32>(a);
  const y = <f64>load<f32>(a + 4);
  const z = <f64>load<f32>(a + 8);
  const ux = <f64>load<f32>(b) - x;
  const uy = <f64>load<f32>(b + 4) - y;
  const uz = <f64>load<f32>(b + 8) - z;
  const vx = <f64>load<f32>(c) - x;
  const vy = <f64>load<f32>(c + 4) - y;
  const vz = <f64>load<f32>(c + 8) - z;
  const px = dy * vz - dz * vy;
  const py = dz * vx - dx * vz;
  const pz = dx * vy - dy * vx;
  const det = ux * px + uy * py + uz * pz;
  if (det == 0) return false;
  const scale = 1 / det;
  const tx = ox - x;
  const ty = oy - y;
  const tz = oz - z;
  const u = (tx * px + ty * py + tz * pz) * scale;
  if (u < 0 || u > 1) return false;
  const qx = ty * uz - tz * uy;
  const qy = tz * ux - tx * uz;
  const qz = tx * uy - ty * ux;
  const v = (dx * qx + dy * qy + dz * qz) * scale;
  if (v < 0 || u + v > 1) return false;
  const away = (vx * qx + vy * qy + vz * qz) * scale;
  return away >= near && away <= far;
}

function isMet(tree: i32, near: f64): bool {
  const told = TREES + <usize>tree * 12;
  const nodes = <usize>load<u32>(told);
  if (nodes == 0) return false;
  const corners = <usize>load<u32>(told + 4);
  const points = <usize>load<u32>(told + 8);
  let top: usize = WAITING;
  store<u32>(top, <u32>nodes);
  top += 4;
  while (top > WAITING) {
    top -= 4;
    const node = <usize>load<u32>(top);
    if (!comesThrough(node, <f32>near)) continue;
    const counts = load<u32>(node + 28);
    if (counts >>> 16 == LEAF) {
      let corner = corners + <usize>load<u32>(node + 24) * 12;
      for (let left = counts & 0xffff; left > 0; left--, corner += 12)
        if (meetsTriangle(points, corner, near)) return true;
      continue;
    }
    store<u32>(top, <u32>(node + <usize>load<u32>(node + 24) * 32));
    store<u32>(top + 4, <u32>(node + 32));
    top += 8;
  }
  return false;
}

/** Whether anything lies on the way; of the tree `own` only what lies `ownMm` off or further. */
function isTaken(own: i32, ownMm: f64): bool {
  if (isMet(likely, likely == own ? ownMm : LEAST_MM)) return true;
  for (let tree = 0; tree < trees; tree++) {
    if (tree == likely || !isMet(tree, tree == own ? ownMm : LEAST_MM)) continue;
    likely = tree;
    return true;
  }
  return false;
}

/**
 * How many of some ways from a point are free.
 * @param frame f64: the point, then unit vectors right, down and out
 * @param ways f64, three each: so far right, down and out
 * @param mostMm what lies further on is in no way
 */
export function countFree(
  frame: usize,
  ways: usize,
  count: i32,
  own: i32,
  ownMm: f64,
  mostMm: f64,
): i32 {
  far = mostMm;
  begin(load<f64>(frame), load<f64>(frame, 8), load<f64>(frame, 16));
  let free = 0;
  for (let at = 0; at < count; at++, ways += 24) {
    const r = load<f64>(ways);
    const d = load<f64>(ways, 8);
    const o = load<f64>(ways, 16);
    aim(
      r * load<f64>(frame, 24) + d * load<f64>(frame, 48) + o * load<f64>(frame, 72),
      r * load<f64>(frame, 32) + d * load<f64>(frame, 56) + o * load<f64>(frame, 80),
      r * load<f64>(frame, 40) + d * load<f64>(frame, 64) + o * load<f64>(frame, 88),
    );
    if (!isTaken(own, ownMm)) free++;
  }
  return free;
}
