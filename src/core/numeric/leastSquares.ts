import { Matrix, QrDecomposition, SingularValueDecomposition, inverse } from 'ml-matrix';

export interface LeastSquares {
  /** Coefficients, one a column of the design. */
  readonly coefficients: readonly number[];
  /** (XᵀX)⁻¹, columns in the design's order. */
  readonly unscaledCovariance: readonly (readonly number[])[];
  /** Diagonal of the hat matrix, one a row of the design. */
  readonly leverages: readonly number[];
}

/**
 * Least squares of `y` on the columns of `design` by QR, not by normal equations.
 * `design` is rows × columns with at least as many rows as columns and full rank.
 * Throws RangeError when it is not.
 */
export function leastSquares(
  design: readonly (readonly number[])[],
  y: readonly number[],
): LeastSquares {
  const matrix = new Matrix(design.map((row) => [...row]));
  const qr = new QrDecomposition(matrix);
  if (matrix.rows < matrix.columns || !qr.isFullRank()) {
    throw new RangeError('The design matrix does not have full rank');
  }
  const rInverse = inverse(qr.upperTriangularMatrix);
  const orthogonal = qr.orthogonalMatrix;
  return {
    coefficients: qr.solve(Matrix.columnVector([...y])).to1DArray(),
    unscaledCovariance: rInverse.mmul(rInverse.transpose()).to2DArray(),
    leverages: orthogonal.to2DArray().map((row) => row.reduce((sum, q) => sum + q * q, 0)),
  };
}

/** Ratio of the greatest to the least singular value of a design given by its rows. */
export function conditionNumber(design: readonly (readonly number[])[]): number {
  return new SingularValueDecomposition(new Matrix(design.map((row) => [...row]))).condition;
}
