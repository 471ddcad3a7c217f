import { refuse } from '../problem.ts';

/** Lower triangle, row-major in a full square, of a symmetric positive definite matrix; changes its argument. */
export function factorInPlace(matrix: Float64Array, n: number): Float64Array {
  for (let j = 0; j < n; j++) {
    const rowJ = j * n;
    let diagonal = matrix[rowJ + j]!;
    for (let k = 0; k < j; k++) diagonal -= matrix[rowJ + k]! ** 2;
    if (!(diagonal > 0)) {
      refuse(
        'singular',
        'points',
        'The readings lie so close together that no map can be computed; widen the spacing or give the model a nugget.',
      );
    }
    const root = Math.sqrt(diagonal);
    matrix[rowJ + j] = root;
    for (let i = j + 1; i < n; i++) {
      const rowI = i * n;
      let sum = matrix[rowI + j]!;
      for (let k = 0; k < j; k++) sum -= matrix[rowI + k]! * matrix[rowJ + k]!;
      matrix[rowI + j] = sum / root;
    }
  }
  return matrix;
}

/** Solves L·Lᵀ·x = b. */
export function solve(lower: Float64Array, n: number, b: Float64Array): Float64Array {
  const x = Float64Array.from(b);
  for (let i = 0; i < n; i++) {
    let sum = x[i]!;
    for (let k = 0; k < i; k++) sum -= lower[i * n + k]! * x[k]!;
    x[i] = sum / lower[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = x[i]!;
    for (let k = i + 1; k < n; k++) sum -= lower[k * n + i]! * x[k]!;
    x[i] = sum / lower[i * n + i]!;
  }
  return x;
}

/** How many right-hand sides squaresAfterForwardSolve takes together: they share every load of L. */
export const BLOCK = 8;

/**
 * |L⁻¹k|² for BLOCK right-hand sides at once. `block` holds them side by side
 * (row i of all sides at i·BLOCK) and is overwritten.
 */
export function squaresAfterForwardSolve(lower: Float64Array, n: number, block: Float64Array, out: Float64Array): void {
  out.fill(0);
  for (let i = 0; i < n; i++) {
    const row = i * n;
    const at = i * BLOCK;
    let s0 = block[at]!,
      s1 = block[at + 1]!,
      s2 = block[at + 2]!,
      s3 = block[at + 3]!;
    let s4 = block[at + 4]!,
      s5 = block[at + 5]!,
      s6 = block[at + 6]!,
      s7 = block[at + 7]!;
    for (let k = 0, b = 0; k < i; k++, b += BLOCK) {
      const l = lower[row + k]!;
      s0 -= l * block[b]!;
      s1 -= l * block[b + 1]!;
      s2 -= l * block[b + 2]!;
      s3 -= l * block[b + 3]!;
      s4 -= l * block[b + 4]!;
      s5 -= l * block[b + 5]!;
      s6 -= l * block[b + 6]!;
      s7 -= l * block[b + 7]!;
    }
    const inverse = 1 / lower[row + i]!;
    const solved = [s0, s1, s2, s3, s4, s5, s6, s7];
    for (let side = 0; side < BLOCK; side++) {
      const y = solved[side]! * inverse;
      block[at + side] = y;
      out[side]! += y * y;
    }
  }
}
