/**
 * Inverts a square matrix in its place by Gauss–Jordan elimination with row pivoting; for the handful of unknowns of a fit.
 *
 * @param matrix row by row
 * @throws when the matrix is singular: the calling code has left an unknown without a row
 */
export function invert(matrix: Float64Array, size: number): void {
  /** Which row of the matrix that was given stands in each row now. */
  const from = Array.from({ length: size }, (_, row) => row);
  const at = (row: number, column: number) => matrix[row * size + column] as number;
  for (let column = 0; column < size; column++) {
    let pivot = column;
    for (let row = column + 1; row < size; row++)
      if (Math.abs(at(row, column)) > Math.abs(at(pivot, column))) pivot = row;
    if (pivot !== column) swapRows(matrix, size, from, pivot, column);
    const by = at(column, column);
    if (!(Math.abs(by) > 0)) throw new Error('invert: expected a regular matrix');
    matrix[column * size + column] = 1;
    for (let each = 0; each < size; each++) matrix[column * size + each] = at(column, each) / by;
    for (let row = 0; row < size; row++) {
      const factor = at(row, column);
      if (row === column || factor === 0) continue;
      matrix[row * size + column] = 0;
      for (let each = 0; each < size; each++) matrix[row * size + each] = at(row, each) - factor * at(column, each);
    }
  }
  // Columns of the inverse stand where the rows went.
  const row = new Float64Array(size);
  for (let line = 0; line < size; line++) {
    for (let each = 0; each < size; each++) row[from[each] as number] = at(line, each);
    matrix.set(row, line * size);
  }
}

function swapRows(matrix: Float64Array, size: number, from: number[], a: number, b: number): void {
  for (let each = 0; each < size; each++) {
    const kept = matrix[a * size + each] as number;
    matrix[a * size + each] = matrix[b * size + each] as number;
    matrix[b * size + each] = kept;
  }
  const kept = from[a] as number;
  from[a] = from[b] as number;
  from[b] = kept;
}

/** The inverse of a square matrix, as `invert`. */
export function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const size = matrix.length;
  const flat = Float64Array.from(matrix.flat());
  invert(flat, size);
  return matrix.map((_, row) => Array.from(flat.subarray(row * size, (row + 1) * size)));
}
