/** What came from outside and is not known yet. */
export type Loose = Record<string, unknown>;

export const isObject = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
