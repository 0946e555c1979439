/** Robust statistics of small samples. */

/** One sigma of a normal distribution, of the median distance from its middle.
 *  Source: Hampel 1974 (J. Am. Stat. Assoc. 69, 383). */
export const SIGMA_PER_MEDIAN_DISTANCE = 1.4826;

/** The middle value, the mean of the two middle ones for an even count; null for none. */
export function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const upper = sorted[middle];
  if (upper === undefined) return null;
  return sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] ?? upper) + upper) / 2;
}
