/** The solution of a symmetric positive definite system, and its inverse. */
export interface NormalSolution {
  readonly coefficients: readonly number[];
  /** Inverse of the normal matrix, row by row. */
  readonly inverse: readonly (readonly number[])[];
}

/** Lower Cholesky factor of a symmetric positive definite matrix. Throws RangeError where it is not. */
function choleskyFactor(gram: readonly (readonly number[])[]): number[][] {
  const factor: number[][] = [];
  gram.forEach((row, i) => {
    const own: number[] = [];
    for (let j = 0; j <= i; j += 1) {
      const other = factor[j] ?? own;
      let sum = row[j]!;
      for (let k = 0; k < j; k += 1) sum -= own[k]! * other[k]!;
      if (i === j && !(sum > 1e-12 * row[i]!)) {
        throw new RangeError('The normal matrix is not positive definite');
      }
      own.push(i === j ? Math.sqrt(sum) : sum / factor[j]![j]!);
    }
    factor.push(own);
  });
  return factor;
}

/** Inverse of a lower triangular matrix, its upper part left out. */
function inverseOfLower(factor: readonly (readonly number[])[]): number[][] {
  const rows: number[][] = [];
  factor.forEach((row, i) => {
    const own: number[] = [];
    for (let j = 0; j < i; j += 1) {
      let sum = 0;
      for (let k = j; k < i; k += 1) sum -= row[k]! * rows[k]![j]!;
      own.push(sum / row[i]!);
    }
    own.push(1 / row[i]!);
    rows.push(own);
  });
  return rows;
}

/**
 * Inverse of a well-conditioned symmetric positive definite matrix of a few columns, in a few
 * microseconds. Throws RangeError where it is not positive definite.
 */
export function inverseOf(gram: readonly (readonly number[])[]): number[][] {
  const lower = inverseOfLower(choleskyFactor(gram));
  return gram.map((_, i) =>
    gram.map((__, j) => {
      let sum = 0;
      for (let k = Math.max(i, j); k < gram.length; k += 1) sum += lower[k]![i]! * lower[k]![j]!;
      return sum;
    }),
  );
}

/**
 * Solves `gram` x = `right` for a well-conditioned symmetric positive definite `gram` (evenly
 * spaced readings, ridges). Badly conditioned designs go through `leastSquares`. Throws
 * RangeError where `gram` is not positive definite.
 */
export function solveNormal(
  gram: readonly (readonly number[])[],
  right: readonly number[],
): NormalSolution {
  const inverse = inverseOf(gram);
  const coefficients = inverse.map((row) =>
    row.reduce((sum, value, j) => sum + value * right[j]!, 0),
  );
  return { coefficients, inverse };
}

/** Normal matrix and right side of weighted rows: sum w x xᵀ and sum w x y. */
export function normalEquations(
  rows: readonly (readonly number[])[],
  values: readonly number[],
  weights?: readonly number[],
): { readonly gram: number[][]; readonly right: number[] } {
  const columns = rows[0]?.length ?? 0;
  const gram = Array.from({ length: columns }, () => new Array<number>(columns).fill(0));
  const right = new Array<number>(columns).fill(0);
  rows.forEach((row, i) => {
    const weight = weights?.[i] ?? 1;
    for (let r = 0; r < columns; r += 1) {
      const weighted = weight * row[r]!;
      right[r] = right[r]! + weighted * values[i]!;
      const out = gram[r]!;
      for (let c = 0; c <= r; c += 1) out[c] = out[c]! + weighted * row[c]!;
    }
  });
  for (let r = 0; r < columns; r += 1) {
    for (let c = r + 1; c < columns; c += 1) gram[r]![c] = gram[c]![r]!;
  }
  return { gram, right };
}

/** gᵀ M g of a symmetric matrix. */
export function quadraticForm(
  g: readonly number[],
  matrix: readonly (readonly number[])[],
): number {
  let sum = 0;
  for (let r = 0; r < g.length; r += 1) {
    for (let c = 0; c < g.length; c += 1) sum += g[r]! * matrix[r]![c]! * g[c]!;
  }
  return sum;
}
