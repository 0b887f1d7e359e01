/**
 * Solves A·x = b in place by Gaussian elimination with partial pivoting; `a` is row-major with
 * `size` columns. On return `b` holds x. Returns false when the matrix is singular to working
 * precision, and then `b` holds nothing of use.
 */
export function solveDense(a: Float64Array, b: Float64Array, size: number): boolean {
  for (let column = 0; column < size; column += 1) {
    let pivot = column;
    let largest = Math.abs(a[column * size + column]!);
    for (let row = column + 1; row < size; row += 1) {
      const candidate = Math.abs(a[row * size + column]!);
      if (candidate > largest) {
        largest = candidate;
        pivot = row;
      }
    }
    if (!(largest > 1e-18)) return false;
    if (pivot !== column) {
      for (let k = column; k < size; k += 1) {
        const held = a[column * size + k]!;
        a[column * size + k] = a[pivot * size + k]!;
        a[pivot * size + k] = held;
      }
      const held = b[column]!;
      b[column] = b[pivot]!;
      b[pivot] = held;
    }
    const diagonal = a[column * size + column]!;
    for (let row = column + 1; row < size; row += 1) {
      const entry = a[row * size + column]!;
      if (entry === 0) continue;
      const factor = entry / diagonal;
      for (let k = column + 1; k < size; k += 1) a[row * size + k]! -= factor * a[column * size + k]!;
      b[row]! -= factor * b[column]!;
    }
  }
  for (let row = size - 1; row >= 0; row -= 1) {
    let sum = b[row]!;
    for (let k = row + 1; k < size; k += 1) sum -= a[row * size + k]! * b[k]!;
    b[row] = sum / a[row * size + row]!;
  }
  return true;
}
