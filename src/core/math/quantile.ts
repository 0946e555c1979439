/** The value below which a share of many values lies, without sorting them all. */

/** Puts the value that belongs at index k there, smaller ones before it and larger ones after. Source: Hoare 1961. */
function select(values: Float64Array, k: number): number {
  let [low, high] = [0, values.length - 1];
  while (low < high) {
    const pivot = values[(low + high) >> 1] as number;
    let [i, j] = [low, high];
    while (i <= j) {
      while ((values[i] as number) < pivot) i += 1;
      while ((values[j] as number) > pivot) j -= 1;
      if (i > j) break;
      const kept = values[i] as number;
      values[i] = values[j] as number;
      values[j] = kept;
      i += 1;
      j -= 1;
    }
    if (k <= j) high = j;
    else if (k >= i) low = i;
    else break;
  }
  return values[k] as number;
}

/** The smallest of the values that at least this share of them does not exceed: of 1..10 the share 0.9 gives 9. So the
 *  share of values up to a limit is at least 0.9 exactly when this one is within the limit. Reorders the values.
 *  @param share above 0 and up to 1.
 *  @throws RangeError without values. */
export function quantileInPlace(values: Float64Array, share: number): number {
  if (values.length === 0) throw new RangeError('values must not be empty');
  // A product such as 0.9 * 10 may come out a hair above the whole number that is meant.
  const rank = Math.ceil(share * values.length - 1e-9);
  return select(values, Math.max(0, Math.min(values.length - 1, rank - 1)));
}
