/** Symmetric 2x2 matrices [[xx, xy], [xy, yy]]: the spread of a star image on two axes. */
export type Covariance2 = { readonly xx: number; readonly xy: number; readonly yy: number };

export const NO_SPREAD: Covariance2 = { xx: 0, xy: 0, yy: 0 };

/** Equal spread `variance` on both axes. */
export function roundSpread(variance: number): Covariance2 {
  return { xx: variance, xy: 0, yy: variance };
}

/** Variance `variance` along the direction (x, y), which need not have length 1; none for the zero direction. */
export function spreadAlong(x: number, y: number, variance: number): Covariance2 {
  const square = x * x + y * y;
  if (square === 0) return NO_SPREAD;
  return { xx: (variance * x * x) / square, xy: (variance * x * y) / square, yy: (variance * y * y) / square };
}

/** Eigenvalues, largest first; rounding below zero is cut at zero. */
export function eigenvalues(c: Covariance2): [number, number] {
  const mean = (c.xx + c.yy) / 2;
  const half = Math.hypot((c.xx - c.yy) / 2, c.xy);
  return [mean + half, Math.max(0, mean - half)];
}

/** Length over width: sqrt(largest / smallest eigenvalue); 1 when there is no spread, Infinity for a line. */
export function lengthOverWidth(c: Covariance2): number {
  const [large, small] = eigenvalues(c);
  if (large === 0) return 1;
  return Math.sqrt(large / small);
}
