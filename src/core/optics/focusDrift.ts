/** How focus moves with temperature: a straight line through what was recorded.
 *  Source: straight line by least squares (Bevington, Robinson, Data Reduction and Error Analysis, 2003, ch. 6). */

export type FocusPoint = { temperatureC: number; positionUm: number };
export type FocusLine = {
  /** Position per degree Celsius. */
  umPerDeg: number;
  count: number;
  /** Position of the line at a temperature. */
  positionUmAt: (temperatureC: number) => number;
};

/** Fewer points, or all at nearly one temperature, tell no slope. */
const FEWEST_POINTS = 4;
const LEAST_SPREAD_C = 3;

/** Least squares of position against temperature; null while the points cannot tell a slope. */
export function focusLine(points: readonly FocusPoint[]): FocusLine | null {
  const temperatures = points.map((p) => p.temperatureC);
  if (points.length < FEWEST_POINTS || Math.max(...temperatures) - Math.min(...temperatures) < LEAST_SPREAD_C)
    return null;
  const meanC = temperatures.reduce((a, b) => a + b, 0) / points.length;
  const meanUm = points.reduce((sum, p) => sum + p.positionUm, 0) / points.length;
  const covariance = points.reduce((sum, p) => sum + (p.temperatureC - meanC) * (p.positionUm - meanUm), 0);
  const variance = temperatures.reduce((sum, t) => sum + (t - meanC) ** 2, 0);
  const umPerDeg = covariance / variance;
  return { umPerDeg, count: points.length, positionUmAt: (temperatureC) => meanUm + umPerDeg * (temperatureC - meanC) };
}

/** By how many degrees the air may change until half the tolerance is used up: 97 um at 38 um per degree: 1.3.
 *  Infinite for a focus that never moves. */
export function refocusAfterC(toleranceUm: number, umPerDeg: number): number {
  return toleranceUm / 2 / Math.abs(umPerDeg);
}
