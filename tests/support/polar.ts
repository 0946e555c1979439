/** Nights and readings of polar alignment, for tests of its models. */
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Dial, MountPart, Part } from '../../src/core/records/part.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { nightRecords, NOW, parts, sites } from './records.ts';

export type Wish = Parameters<typeof nightRecords>[0];
export const night = (wish: Wish = {}): NightStatic => nightStatic(nightRecords(wish));
export const south: Wish = { site: sites[1]!, rigId: 'demo-wagtail', targetId: 'demo-ngc253' };
export const mounts = (change: Partial<MountPart>): Part[] =>
  parts.map((p) => (p.kind === 'mount' ? { ...p, ...change } : p));
export const finder = (change: Partial<Dial>): Part[] =>
  parts.map((p) => (p.kind === 'mount' && p.finder ? { ...p, finder: { ...p.finder, ...change } } : p));

/** Of the demo's mount, so many minutes after the evening's moment. */
export const at = (minute: number, rest: Partial<Reading> = {}): Partial<Reading> => ({
  id: `r${minute}`,
  subject: { type: 'mount', id: 'demo-heron-mount' },
  takenAtUtc: new Date(NOW + minute * 60_000).toISOString(),
  ...rest,
});
