/** Small numeric helpers shared by the core. */

/** A value held inside a range. */
export const clamp = (value: number, min: number, max: number): number =>
  value < min ? min : value > max ? max : value;

/** Between a and b: a at t 0, b at t 1. */
export const lerp = (a: number, b: number, t: number): number => a + (b - a) * t;

/** Hermite step between two edges; 0 below `from`, 1 above `to`. */
export function smoothstep(from: number, to: number, value: number): number {
  const t = clamp((value - from) / (to - from), 0, 1);
  return t * t * (3 - 2 * t);
}

/** Positive remainder: the result lies in [0, period). */
export function modulo(value: number, period: number): number {
  const rest = value % period;
  return rest < 0 ? rest + period : rest;
}

/** A decimal with a fixed number of places, a true minus sign and no negative zero. */
export function formatNumber(value: number, places: number): string {
  const text = value.toFixed(places);
  return /^-0(\.0+)?$/.test(text) ? text.slice(1) : text.replace("-", "−");
}

/** Number and unit joined by a thin no-break space. */
export const withUnit = (value: number, places: number, unit: string): string =>
  `${formatNumber(value, places)}\u202f${unit}`;

/** Water to paint as painters say it: "2 : 1", water first; halves as fractions. */
export function formatThinning(water: number): string {
  if (water === 0) return "as it is";
  const whole = Math.floor(water);
  const half = water - whole === 0.5 ? "½" : "";
  if (water - whole !== 0 && half === "") return `${formatNumber(water, 2)} : 1`;
  return `${whole > 0 ? whole : ""}${half} : 1`;
}

/** Minutes as "1 h 50" or "25 min". */
export function formatMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole}\u202fmin`;
  const rest = whole % 60;
  return `${Math.floor(whole / 60)}\u202fh${rest > 0 ? ` ${String(rest).padStart(2, "0")}` : ""}`;
}

/** "1 box", "2 boxes". */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
