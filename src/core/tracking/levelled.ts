/** A curve in pieces, each with a level of its own. */

/** Values about the mean of their own piece between two jumps. A level of its own for every piece is so taken out of the fit
 *  beforehand: the rest comes out the same, at a cost that does not grow with the jumps.
 *  Source: Frisch and Waugh 1933 (Econometrica 1, 387). */
export function levelled(values: Float64Array, jumps: readonly number[], weights: Float64Array): Float64Array {
  const about = values.slice();
  const ends = [...jumps, values.length];
  let from = 0;
  for (const end of ends) {
    let [sum, total] = [0, 0];
    for (let i = from; i < end; i += 1) {
      sum += (weights[i] as number) * (values[i] as number);
      total += weights[i] as number;
    }
    const mean = total > 0 ? sum / total : 0;
    for (let i = from; i < end; i += 1) about[i] = (values[i] as number) - mean;
    from = Math.max(from, end);
  }
  return about;
}
