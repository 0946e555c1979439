/** How well a guider held the star, and how well its log tells that. */
import { rmsOf } from './trackSeries.ts';

export type GuidedRms = { rmsRaArcsec: number; rmsDecArcsec: number };
export type Guided = { values: GuidedRms; sigma: GuidedRms };

/** Correlation of each value with the next, 0 to below 1: moments that hang together say less. */
function hangingTogether(values: Float64Array): number {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  let [shared, own] = [0, 0];
  values.forEach((v, i) => {
    own += (v - mean) ** 2;
    if (i > 0) shared += (v - mean) * ((values[i - 1] as number) - mean);
  });
  return own > 0 ? Math.min(0.99, Math.max(0, shared / own)) : 0;
}

/** One sigma of the root of a mean square.
 *  Source: effective number of a first-order series for its variance (Bayley and Hammersley 1946). */
function sigmaOfRms(values: Float64Array): number {
  const square = hangingTogether(values) ** 2;
  const independent = Math.max(1, (values.length * (1 - square)) / (1 + square));
  return rmsOf(values) / Math.sqrt(2 * independent);
}

export const guidedRms = (series: Record<'raArcsec' | 'decArcsec', Float64Array>): Guided => ({
  values: { rmsRaArcsec: rmsOf(series.raArcsec), rmsDecArcsec: rmsOf(series.decArcsec) },
  sigma: { rmsRaArcsec: sigmaOfRms(series.raArcsec), rmsDecArcsec: sigmaOfRms(series.decArcsec) },
});
