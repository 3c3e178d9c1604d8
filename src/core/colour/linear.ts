/** Gaussian elimination with partial pivoting; `matrix` is n rows of n + 1 and is overwritten. */
export function solveLinear(matrix: number[][]): number[] {
  const n = matrix.length;
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let row = column + 1; row < n; row++) {
      if (Math.abs(matrix[row]![column]!) > Math.abs(matrix[pivot]![column]!)) pivot = row;
    }
    [matrix[column], matrix[pivot]] = [matrix[pivot]!, matrix[column]!];
    const top = matrix[column]!;
    for (let row = column + 1; row < n; row++) {
      const line = matrix[row]!;
      const factor = line[column]! / top[column]!;
      if (factor !== 0) for (let k = column; k <= n; k++) line[k]! -= factor * top[k]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let row = n - 1; row >= 0; row--) {
    let sum = matrix[row]![n]!;
    for (let k = row + 1; k < n; k++) sum -= matrix[row]![k]! * x[k]!;
    x[row] = sum / matrix[row]![row]!;
  }
  return x;
}
