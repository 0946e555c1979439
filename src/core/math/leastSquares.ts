/** Linear least squares by normal equations with scaled columns.
 *  Source: Golub and Van Loan, Matrix Computations (2013), 5.3.2 (normal equations, Cholesky). */

export type LinearFit = {
  coefficients: number[];
  /** Weighted sum of squared residuals. */
  rss: number;
  /** Inverse of the normal matrix, row by row: times the variance of one value it is the covariance. */
  inverse: number[][];
};

/** A square matrix, row by row. */
type Square = { n: number; of: Float64Array };
const at = ({ n, of }: Square, i: number, j: number): number => of[i * n + j] as number;

/** Lower triangle of a symmetric matrix that is positive definite; null when it is not. */
function cholesky(a: Square): Square | null {
  const { n } = a;
  const l: Square = { n, of: new Float64Array(n * n) };
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = at(a, i, j);
      for (let k = 0; k < j; k += 1) sum -= at(l, i, k) * at(l, j, k);
      if (i === j && !(sum > LEAST_PIVOT)) return null;
      l.of[i * n + j] = i === j ? Math.sqrt(sum) : sum / at(l, j, j);
    }
  return l;
}
/** Of columns scaled to one: less is lost in the rounding. */
const LEAST_PIVOT = 1e-13;

function solved(l: Square, b: Float64Array): Float64Array {
  const { n } = l;
  const x = b.slice();
  for (let i = 0; i < n; i += 1) {
    for (let k = 0; k < i; k += 1) x[i] = (x[i] as number) - at(l, i, k) * (x[k] as number);
    x[i] = (x[i] as number) / at(l, i, i);
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < n; k += 1) x[i] = (x[i] as number) - at(l, k, i) * (x[k] as number);
    x[i] = (x[i] as number) / at(l, i, i);
  }
  return x;
}

const dot = (a: Float64Array, b: Float64Array, w: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] as number) * (b[i] as number) * (w[i] as number);
  return sum;
};

/** Null when the columns do not tell their coefficients apart.
 *  @param columns of the same length as y.  @param weights 1 over the variance, up to one factor. */
export function linearFit(
  columns: readonly Float64Array[],
  y: Float64Array,
  weights: Float64Array = new Float64Array(y.length).fill(1),
): LinearFit | null {
  const n = columns.length;
  const scale = columns.map((c) => 1 / Math.sqrt(dot(c, c, weights) || 1));
  const by = (i: number): number => scale[i] as number;
  const normal: Square = { n, of: new Float64Array(n * n) };
  columns.forEach((a, i) => {
    for (let j = 0; j <= i; j += 1) normal.of[i * n + j] = dot(a, columns[j] as Float64Array, weights) * by(i) * by(j);
  });
  const l = cholesky(normal);
  if (!l) return null;
  const right = Float64Array.from(columns, (c, i) => dot(c, y, weights) * by(i));
  const x = solved(l, right);
  const unit = (i: number): Float64Array => Float64Array.from(columns, (_, j) => (i === j ? 1 : 0));
  const inverse = columns.map((_, i) => Array.from(solved(l, unit(i)), (v, j) => v * by(i) * by(j)));
  const explained = x.reduce((sum, v, i) => sum + v * (right[i] as number), 0);
  const rss = Math.max(0, dot(y, y, weights) - explained);
  return { coefficients: Array.from(x, (v, i) => v * by(i)), rss, inverse };
}
