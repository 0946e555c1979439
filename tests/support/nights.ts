/** Short words for tests of bench models: a night of the demo rig, moments of it, readings of an older one. */
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Part } from '../../src/core/records/part.ts';
import type { Reading } from '../../src/core/records/reading.ts';
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
