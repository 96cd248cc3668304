/**
 * Solves a system of n equations, each row its n coefficients and its right side, by Gauss-Jordan elimination with row pivoting.
 * The rows are used up. Null for a system without one solution.
 */
export function solveLinear(rows: number[][]): number[] | null {
  const n = rows.length;
  for (let column = 0; column < n; column += 1) {
    let pivot = column;
    for (let row = column + 1; row < n; row += 1)
      if (Math.abs(rows[row]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = row;
    [rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
    const lead = rows[column]!;
    const head = lead[column]!;
    if (Math.abs(head) < 1e-14) return null;
    for (let k = column; k <= n; k += 1) lead[k]! /= head;
    for (let row = 0; row < n; row += 1) {
      const factor = rows[row]![column]!;
      if (row === column || factor === 0) continue;
      for (let k = column; k <= n; k += 1) rows[row]![k]! -= factor * lead[k]!;
    }
  }
  return rows.map((row) => row[n]!);
}
