/** Comparison of an answer with the known one, by the tolerances that the case files state. */
import { isObject, type Json, type JsonObject } from '../compute/types.ts';

export type Miss = { key: string; expected: Json; actual: Json; limit: number | 'exact' };

/** Collects the misses of one case. */
export class Comparison {
  readonly misses: Miss[] = [];
  checked = 0;
  readonly expected: JsonObject;
  readonly actual: JsonObject;
  readonly tolerance: JsonObject;

  constructor(expected: JsonObject, actual: JsonObject, tolerance: JsonObject) {
    this.expected = expected;
    this.actual = actual;
    this.tolerance = tolerance;
  }

  /** The tolerance of a key, as a number. */
  tol(key: string): number {
    const value = this.tolerance[key];
    if (typeof value !== 'number') throw new Error(`no tolerance for ${key}`);
    return value;
  }

  has(key: string): boolean {
    return this.expected[key] !== undefined;
  }

  private note(key: string, bad: boolean, expected: Json, actual: Json, limit: number | 'exact'): void {
    this.checked += 1;
    if (bad) this.misses.push({ key, expected, actual, limit });
  }

  exact(key: string): void {
    this.exactValues(key, this.expected[key] ?? null, this.actual[key] ?? null);
  }

  exactValues(key: string, expected: Json, actual: Json): void {
    this.note(key, JSON.stringify(expected) !== JSON.stringify(actual), expected, actual, 'exact');
  }

  /** |difference| x scale <= limit; with a period the difference is taken on the circle. null must meet null. */
  near(key: string, limit: number, { scale = 1, period = 0 } = {}): void {
    if (this.has(key)) this.nearValues(key, this.expected[key] ?? null, this.actual[key] ?? null, limit, scale, period);
  }

  nearValues(key: string, expected: Json, actual: Json, limit: number, scale = 1, period = 0): void {
    if (typeof expected !== 'number' || typeof actual !== 'number') {
      this.note(key, expected !== actual, expected, actual, limit);
      return;
    }
    const plain = Math.abs(actual - expected);
    const difference = period > 0 ? Math.min(plain % period, period - (plain % period)) : plain;
    this.note(key, !(difference * scale <= limit), expected, actual, limit);
  }

  /** Instants, limit in seconds. */
  time(key: string, limitS: number): void {
    const [expected = null, actual = null] = [this.expected[key], this.actual[key]];
    if (expected === null || actual === null) {
      this.note(key, expected !== actual, expected, actual, limitS);
      return;
    }
    const apart =
      Math.abs(Date.parse(JSON.stringify(actual).slice(1, -1)) - Date.parse(JSON.stringify(expected).slice(1, -1))) /
      1000;
    this.note(key, !(apart <= limitS), expected, actual, limitS);
  }

  /** Lists compared element by element. */
  eachNear(key: string, limit: (expected: number) => number, period = 0): void {
    const [expected, actual] = [this.expected[key], this.actual[key]];
    if (!Array.isArray(expected) || !Array.isArray(actual) || expected.length !== actual.length) {
      this.note(key, true, expected ?? null, actual ?? null, 'exact');
      return;
    }
    expected.forEach((value, i) =>
      this.nearValues(`${key}[${i}]`, value, actual[i] ?? null, limit(Number(value)), 1, period),
    );
  }
}

export function asObject(value: Json | undefined): JsonObject {
  return isObject(value) ? value : {};
}
