// How high the ground stands as seen from each cell. The relief, mm, lies from PLANE on, row by row, and behind it, from
// where the caller says, the steepest rise seen so far from each cell, as a tangent.
const PLANE: usize = 0;

/**
 * Looks from every cell at the one so many columns and rows off, and keeps the rise to it where it is steeper.
 * @param rises where the steepest rises lie
 * @param scale 1 over the distance of the two, 1/mm
 */
export function look(width: i32, height: i32, dx: i32, dy: i32, scale: f32, rises: usize): void {
  const from = max(0, -dx);
  const count = min(width, width - dx) - from;
  if (count <= 0) return;
  const last = min(height, height - dy);
  const scale4 = f32x4.splat(scale);
  const shift: isize = (<isize>dy * width + dx) * 4;
  for (let row = max(0, -dy); row < last; row++) {
    const begin = <usize>(row * width + from) * 4;
    let own = PLANE + begin;
    let out = rises + begin;
    const whole = own + <usize>(count & ~3) * 4;
    const end = own + <usize>count * 4;
    for (; own < whole; own += 16, out += 16) {
      const rise = f32x4.mul(f32x4.sub(v128.load(<usize>(<isize>own + shift)), v128.load(own)), scale4);
      v128.store(out, f32x4.max(rise, v128.load(out)));
    }
    for (; own < end; own += 4, out += 4) {
      const rise = (load<f32>(<usize>(<isize>own + shift)) - load<f32>(own)) * scale;
      if (rise > load<f32>(out)) store<f32>(out, rise);
    }
  }
}
