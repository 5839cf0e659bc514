/**
 * Solves A·X = B in place by LU decomposition with row pivoting (Doolittle). `a` is dense, row by row, n × n; `b` holds
 * `m` right-hand sides, row by row, n × m. On return `b` holds X and `a` is spent. Allocates nothing.
 * @returns false when the matrix is singular to working precision.
 */
export function solveInPlace(a: Float64Array, b: Float64Array, n: number, m: number): boolean {
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(a[i * n + k]!) > Math.abs(a[pivot * n + k]!)) pivot = i;
    if (!(Math.abs(a[pivot * n + k]!) > 1e-300)) return false;
    if (pivot !== k) {
      exchange(a, n, k, pivot);
      exchange(b, m, k, pivot);
    }
    const inverse = 1 / a[k * n + k]!;
    for (let i = k + 1; i < n; i++) {
      const factor = a[i * n + k]! * inverse;
      if (factor === 0) continue;
      for (let j = k + 1; j < n; j++) a[i * n + j]! -= factor * a[k * n + j]!;
      for (let j = 0; j < m; j++) b[i * m + j]! -= factor * b[k * m + j]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    const inverse = 1 / a[i * n + i]!;
    for (let j = i + 1; j < n; j++) {
      const factor = a[i * n + j]!;
      if (factor !== 0) for (let k = 0; k < m; k++) b[i * m + k]! -= factor * b[j * m + k]!;
    }
    for (let k = 0; k < m; k++) b[i * m + k]! *= inverse;
  }
  return true;
}

/** Exchanges two rows of a matrix with rows of `width`. */
function exchange(a: Float64Array, width: number, p: number, q: number): void {
  for (let j = 0; j < width; j++) {
    const t = a[p * width + j]!;
    a[p * width + j] = a[q * width + j]!;
    a[q * width + j] = t;
  }
}
