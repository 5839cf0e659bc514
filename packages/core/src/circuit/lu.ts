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

/**
 * As `solveInPlace` for `m` right-hand sides at once: `b` holds them row by row, n × m. One decomposition serves all.
 * @returns false when the matrix is singular to working precision.
 */
export function solveManyInPlace(a: Float64Array, b: Float64Array, n: number, m: number): boolean {
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

function swapRows(a: Float64Array, b: Float64Array, n: number, p: number, q: number): void {
  exchange(a, n, p, q);
  exchange(b, 1, p, q);
}
