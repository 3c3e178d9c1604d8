/**
 * How alike directions without a sense are (a stroke at 10° and one at 190° are the same): the mean resultant length of
 * the doubled angles, 0 for every direction alike … 1 for all the same. Source: Mardia and Jupp, "Directional
 * Statistics", 2000, section 1.4.
 * @param radians at least one
 * @throws RangeError without any
 */
export function axialConcentration(radians: readonly number[]): { mean: number; resultant: number } {
  if (radians.length === 0) throw new RangeError("at least one direction is needed");
  let [x, y] = [0, 0];
  for (const angle of radians) {
    x += Math.cos(2 * angle);
    y += Math.sin(2 * angle);
  }
  const mean = Math.atan2(y, x) / 2;
  return { mean: mean < 0 ? mean + Math.PI : mean, resultant: Math.hypot(x, y) / radians.length };
}

/**
 * Chance that directions spread evenly all round give a resultant as long as this one (Rayleigh's test, first term of
 * the series). Source: Mardia and Jupp 2000, section 6.3.1.
 */
export const rayleighChance = (resultant: number, count: number): number =>
  Math.min(1, Math.exp(-count * resultant * resultant));
