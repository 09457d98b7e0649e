/**
 * The inverse of a square matrix by Gauss–Jordan elimination with row pivoting; for the handful of unknowns of a fit.
 *
 * @throws when the matrix is singular: the calling code has left an unknown without a row
 */
export function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const size = matrix.length;
  const rows = matrix.map((line, i) => [...line, ...line.map((_, j) => (i === j ? 1 : 0))]);
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++) {
      if (Math.abs(rows[row]?.[column] ?? 0) > Math.abs(rows[pivot]?.[column] ?? 0)) pivot = row;
    }
    const swap = rows[pivot] as number[];
    rows[pivot] = rows[column] as number[];
    rows[column] = swap;
    const by = swap[column] as number;
    if (!(Math.abs(by) > 0)) throw new Error('inverse: expected a regular matrix');
    for (let at = 0; at < 2 * size; at++) swap[at] = (swap[at] as number) / by;
    rows.forEach((row, index) => {
      const factor = row[column] as number;
      if (index === column || factor === 0) return;
      for (let at = 0; at < 2 * size; at++) row[at] = (row[at] as number) - factor * (swap[at] as number);
    });
  }
  return rows.map((row) => row.slice(size));
}
