/**
 * Standard deviation over mean, of values above 0: 0 where all are alike.
 * @throws RangeError below two values
 */
export function coefficientOfVariation(values: readonly number[]): number {
  if (values.length < 2) throw new RangeError(`at least two values are needed, got ${values.length}`);
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const square = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1);
  return Math.sqrt(square) / mean;
}
