/**
 * Solves A·x = b in place by LU decomposition with row pivoting (Doolittle). `a` is dense, row by row, n × n;
 * on return `b` holds x and `a` is spent. Allocates nothing.
 * @returns false when the matrix is singular to working precision.
 */
export function solveInPlace(a: Float64Array, b: Float64Array, n: number): boolean {
  for (let k = 0; k < n; k++) {
    let pivot = k;
    let largest = Math.abs(a[k * n + k]!);
    for (let i = k + 1; i < n; i++) {
      const size = Math.abs(a[i * n + k]!);
      if (size > largest) {
        largest = size;
        pivot = i;
      }
    }
    if (!(largest > 1e-300)) return false;
    if (pivot !== k) swapRows(a, b, n, k, pivot);
    const inverse = 1 / a[k * n + k]!;
    for (let i = k + 1; i < n; i++) {
      const factor = a[i * n + k]! * inverse;
      if (factor === 0) continue;
      const row = i * n;
      const top = k * n;
      for (let j = k + 1; j < n; j++) a[row + j]! -= factor * a[top + j]!;
      b[i]! -= factor * b[k]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i]!;
    for (let j = i + 1; j < n; j++) sum -= a[i * n + j]! * b[j]!;
    b[i] = sum / a[i * n + i]!;
  }
  return true;
}

function swapRows(a: Float64Array, b: Float64Array, n: number, p: number, q: number): void {
  for (let j = 0; j < n; j++) {
    const t = a[p * n + j]!;
    a[p * n + j] = a[q * n + j]!;
    a[q * n + j] = t;
  }
  const t = b[p]!;
  b[p] = b[q]!;
  b[q] = t;
}
