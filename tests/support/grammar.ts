/** What random sentences are made of, and what none of them may hold. */
import fc from 'fast-check';
import { MISHAPS } from '../../scripts/trials/unfitWords.ts';
import { RIG_THINGS, type RigHas } from '../../src/core/rig/rigHas.ts';
import { makeFormat, type Format } from '../../src/text/format.ts';
import { plain } from '../../src/text/said.ts';

export const formats: fc.Arbitrary<Format> = fc.constantFrom(
  makeFormat('metric', 'Europe/Lisbon'),
  makeFormat('imperial', 'Africa/Windhoek'),
);
export const timeMs = fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2027, 0, 1) });
export const utc = timeMs.map((ms) => new Date(ms).toISOString());
export const count = fc.integer({ min: 1, max: 900 });
export const size = (min: number, max: number) => fc.double({ min, max, noNaN: true });
export const has: fc.Arbitrary<RigHas> = fc.subarray([...RIG_THINGS]).map((things) => new Set(things));
export const name = fc.constantFrom('NGC 281', 'M 33', 'NGC 104');

/** @throws naming the mishap and the sentence. */
export function isWell(said: string): void {
  for (const [what, pattern] of Object.entries(MISHAPS))
    if (pattern.test(plain(said))) throw new Error(`${what}: ${said}`);
}

/** Sizes that the other system has its own units for; the optics' millimetres and a focuser's scale are everybody's. */
const METRIC = /\d (kg|g|cm|m|N|Nm|N·m|°C|km\/h|m\/s)(?![\w/·])/;

/** Also told in this user's units. @throws naming the sentence. */
export function isWellIn(said: string, { system }: Format): void {
  isWell(said);
  if (system === 'imperial' && METRIC.test(plain(said))) throw new Error(`metric for who reads imperial: ${said}`);
}

export const RUNS = 500;
