/** A foreseeable outcome as data: either a value, or a code with the figures that words need. */
export type Result<T, Code extends string = string> =
  | { ok: true; value: T }
  | { ok: false; code: Code; figures: Record<string, number | string> };

export function ok<T>(value: T): { ok: true; value: T } {
  return { ok: true, value };
}

export function refuse<Code extends string>(
  code: Code,
  figures: Record<string, number | string> = {},
): { ok: false; code: Code; figures: Record<string, number | string> } {
  return { ok: false, code, figures };
}

/** Throws `RangeError: name must be in [min, max], got value` unless the value is a finite number inside. */
export function requireRange(name: string, value: number, min: number, max: number): void {
  if (!Number.isFinite(value) || value < min || value > max) {
    throw new RangeError(`${name} must be in [${String(min)}, ${String(max)}], got ${String(value)}`);
  }
}

/** Throws `RangeError: name must be above 0, got value` unless the value is finite and positive. */
export function requirePositive(name: string, value: number): void {
  if (!Number.isFinite(value) || value <= 0) throw new RangeError(`${name} must be above 0, got ${String(value)}`);
}
