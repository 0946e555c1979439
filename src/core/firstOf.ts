/** The first values of a sequence, which is asked for no more than those. */
export function firstOf<T>(values: Iterable<T>, most: number): T[] {
  const found: T[] = [];
  if (most <= 0) return found;
  for (const value of values) {
    found.push(value);
    if (found.length === most) break;
  }
  return found;
}
