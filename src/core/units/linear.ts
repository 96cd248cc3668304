/**
 * Solves a system of n equations, each row its n coefficients and its right side, by Gaussian elimination with row pivoting and substitution
 * backwards. The rows are used up. Null for a system without one solution.
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
    for (let row = column + 1; row < n; row += 1) {
      const below = rows[row]!;
      if (below[column] === 0) continue;
      const factor = below[column]! / head;
      for (let k = column + 1; k <= n; k += 1) below[k]! -= factor * lead[k]!;
    }
  }
  const solution = new Array<number>(n);
  for (let row = n - 1; row >= 0; row -= 1) {
    const own = rows[row]!;
    let right = own[n]!;
    for (let k = row + 1; k < n; k += 1) right -= own[k]! * solution[k]!;
    solution[row] = right / own[row]!;
  }
  return solution;
}

/** The unknowns that miss least: each line is its coefficients and what they should add up to. Null where the lines do not tell them all. */
export function leastSquares(lines: readonly (readonly number[])[]): number[] | null {
  const n = lines[0]!.length - 1;
  const rows = Array.from({ length: n }, () => new Array<number>(n + 1).fill(0));
  for (const line of lines)
    for (let i = 0; i < n; i += 1) {
      if (line[i] === 0) continue;
      for (let j = 0; j <= n; j += 1) rows[i]![j]! += line[i]! * line[j]!;
    }
  return solveLinear(rows);
}
