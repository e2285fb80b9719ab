/**
 * Solves matrix · x = right by Gaussian elimination with partial pivoting. Throws where the matrix is singular.
 * The arguments are left as they are.
 */
export const solveLinear = (matrix: readonly (readonly number[])[], right: readonly number[]): number[] => {
  const rows = matrix.map((line, i) => [...line, right[i] ?? 0]);
  const n = rows.length;
  const at = (i: number, j: number) => rows[i]?.[j] ?? 0;
  for (let column = 0; column < n; column++) {
    let pivot = column;
    for (let i = column + 1; i < n; i++) if (Math.abs(at(i, column)) > Math.abs(at(pivot, column))) pivot = i;
    if (at(pivot, column) === 0) throw new Error('The network has a part that no source reaches.');
    const [chosen, top] = [rows[pivot], rows[column]];
    if (!chosen || !top) break;
    rows[pivot] = top;
    rows[column] = chosen;
    for (let i = column + 1; i < n; i++) {
      const line = rows[i];
      const factor = at(i, column) / at(column, column);
      if (line && factor !== 0)
        for (let j = column; j <= n; j++) line[j] = (line[j] ?? 0) - factor * at(column, j);
    }
  }
  const x = rows.map(() => 0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = at(i, n);
    for (let j = i + 1; j < n; j++) sum -= at(i, j) * (x[j] ?? 0);
    x[i] = sum / at(i, i);
  }
  return x;
};
