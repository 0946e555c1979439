/** What an adapter answers for one case. Adapters alone translate the key names of case files. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
export type JsonObject = { [key: string]: Json };
export type Answer = { out: JsonObject } | { refuse: string; code: string } | { error: string };
/** `files`: paths of the case's files. */
export type Adapter = (input: JsonObject, files: readonly string[]) => Answer;

/** Thrown for an input that lacks a key or holds the wrong type; becomes the case's `error`. */
export class InputError extends Error {}

export function num(input: JsonObject, key: string, fallback?: number): number {
  const value = input[key] ?? fallback;
  if (typeof value !== 'number' || !Number.isFinite(value)) throw new InputError(`${key} must be a number`);
  return value;
}

export function text(input: JsonObject, key: string): string {
  const value = input[key];
  if (typeof value !== 'string') throw new InputError(`${key} must be a text`);
  return value;
}

export function oneOf<T extends string>(input: JsonObject, key: string, allowed: readonly T[], fallback?: T): T {
  const value = input[key] ?? fallback;
  const found = allowed.find((word) => word === value);
  if (found === undefined) throw new InputError(`${key} must be one of ${allowed.join(', ')}`);
  return found;
}

export function object(input: JsonObject, key: string): JsonObject {
  const value = input[key];
  if (!isObject(value)) throw new InputError(`${key} must be an object`);
  return value;
}

export function list(input: JsonObject, key: string): JsonObject[] {
  const value = input[key];
  if (!Array.isArray(value)) throw new InputError(`${key} must be a list`);
  return value.map((item, i) => {
    if (!isObject(item)) throw new InputError(`${key}[${i}] must be an object`);
    return item;
  });
}

export function numbers(input: JsonObject, key: string): number[] {
  const value = input[key];
  if (!Array.isArray(value) || !value.every((item): item is number => typeof item === 'number')) {
    throw new InputError(`${key} must be a list of numbers`);
  }
  return value;
}

export function isObject(value: unknown): value is JsonObject {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

export function instant(input: JsonObject, key: string): number {
  const utcMs = Date.parse(text(input, key));
  if (Number.isNaN(utcMs)) throw new InputError(`${key} must be an ISO 8601 instant`);
  return utcMs;
}
