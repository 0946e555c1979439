/** Short words for tests of bench models: a night of the demo rig, moments of it, readings of an older one. */
import fc from 'fast-check';
import { arbitraryOf } from '../../scripts/trials/arbitraries.ts';
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Part } from '../../src/core/records/part.ts';
import { readingSchema, type Reading } from '../../src/core/records/reading.ts';
import { nightRecords, parts, reading } from './records.ts';

export type Wish = Parameters<typeof nightRecords>[0];

export const night = (wish: Wish = {}): NightStatic => nightStatic(nightRecords(wish));
/** A minute after 20 h UTC of the night. */
export const at = (minute: number) => ({ takenAtUtc: `2026-11-24T20:${String(minute).padStart(2, '0')}:00.000Z` });
export const before = (kind: Reading['kind'], values: object, id: string, subject: Reading['subject']): Reading =>
  reading(kind, values, { id, nightId: 'old', subject, takenAtUtc: '2026-11-01T20:00:00.000Z' });
/** All parts, one of them changed. */
export const changed = (id: string, change: object): Part[] =>
  parts.map((p) => (p.id === id ? { ...p, ...change } : p));

/** Readings of every kind of one night, as a schema allows them and a file holds them; some take others back. */
export const readingsOfKinds: fc.Arbitrary<Reading> = fc
  .tuple(arbitraryOf(readingSchema), fc.nat({ max: 30 }), fc.nat({ max: 30 }))
  .map(([raw, n, other]): Reading => {
    const r = { ...(JSON.parse(JSON.stringify(raw)) as Reading), id: `r${n}`, nightId: 'n' };
    return r.kind === 'retract' ? { ...r, values: { readingId: `r${other}` } } : r;
  });
