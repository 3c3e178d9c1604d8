// Liquid that runs from where its surface stands high to where it stands low. Planes of f32, one number a cell, lie behind
// each other from PLANES on: ground and depth, µm, and whether a cell is on the piece (1 or 0); then, behind as many zeros as
// the farthest exchange has cells, what each cell gives to the one it exchanges with.
const PLANES: usize = 0;

// What cells give along one row or over a whole plane: `count` cells from `at` on, each to the one `shift` bytes behind.
// @ts-ignore: decorator of the compiler
@inline
function give(ground: usize, depth: usize, open: usize, flux: usize, count: i32, shift: usize, evens: f32): void {
  const evens4 = f32x4.splat(evens);
  const half4 = f32x4.splat(0.5);
  const less4 = f32x4.splat(-0.5);
  let at: usize = 0;
  const whole: usize = <usize>(count & ~3) * 4;
  for (; at < whole; at += 16) {
    const own = v128.load(depth + at);
    const other = v128.load(depth + at + shift);
    const high = f32x4.add(v128.load(ground + at), own);
    const low = f32x4.add(v128.load(ground + at + shift), other);
    const wanted = f32x4.mul(evens4, f32x4.sub(high, low));
    const runs = f32x4.pmax(f32x4.pmin(wanted, f32x4.mul(half4, own)), f32x4.mul(less4, other));
    v128.store(flux + at, f32x4.mul(runs, f32x4.mul(v128.load(open + at), v128.load(open + at + shift))));
  }
  const end: usize = <usize>count * 4;
  for (; at < end; at += 4) {
    const own = load<f32>(depth + at);
    const other = load<f32>(depth + at + shift);
    const wanted = evens * (load<f32>(ground + at) + own - load<f32>(ground + at + shift) - other);
    const runs = max(min(wanted, <f32>0.5 * own), <f32>-0.5 * other);
    store<f32>(flux + at, runs * load<f32>(open + at) * load<f32>(open + at + shift));
  }
}

/**
 * Carries liquid between cells `dx`, `dy` apart, one of which is 0, from the higher surface to the lower.
 * A cell gives half of what it has to a side at most.
 */
export function exchange(width: i32, height: i32, dx: i32, dy: i32, farthest: i32, evens: f32): void {
  const cells = width * height;
  const plane: usize = (<usize>cells * 4 + 15) & ~15;
  const ground = PLANES;
  const depth = ground + plane;
  const open = depth + plane;
  const flux = open + plane + ((<usize>farthest * 4 + 15) & ~15);
  const shift: usize = <usize>(dy * width + dx) * 4;
  if (dx > 0) {
    for (let row = 0; row < height; row++) {
      const start: usize = <usize>(row * width) * 4;
      give(ground + start, depth + start, open + start, flux + start, max(0, width - dx), shift, evens);
      memory.fill(flux + start + <usize>max(0, width - dx) * 4, 0, <usize>min(dx, width) * 4);
    }
  } else {
    const giving = max(0, height - dy) * width;
    give(ground, depth, open, flux, giving, shift, evens);
    memory.fill(flux + <usize>giving * 4, 0, <usize>(cells - giving) * 4);
  }
  // What lies before the first cell gives nothing: zeros.
  let at: usize = 0;
  const whole: usize = <usize>(cells & ~3) * 4;
  for (; at < whole; at += 16)
    v128.store(
      depth + at,
      f32x4.add(v128.load(depth + at), f32x4.sub(v128.load(flux + at - shift), v128.load(flux + at))),
    );
  const end: usize = <usize>cells * 4;
  for (; at < end; at += 4)
    store<f32>(depth + at, load<f32>(depth + at) + load<f32>(flux + at - shift) - load<f32>(flux + at));
}
