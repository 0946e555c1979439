/** The first values of a sequence that count, which is asked for no more than those. */
export function firstOf<T>(values: Iterable<T>, most: number, counts: (value: T) => boolean = () => true): T[] {
  const found: T[] = [];
  if (most <= 0) return found;
  for (const value of values) {
    if (counts(value)) found.push(value);
    if (found.length === most) break;
  }
  return found;
}
