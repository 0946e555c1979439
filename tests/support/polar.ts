/** Nights and readings of polar alignment, for tests of its models. */
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import { poleLiftArcmin } from '../../src/core/pole/poleReference.ts';
import type { Dial, MountPart, Part } from '../../src/core/records/part.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { nightRecords, NOW, parts, reading, sites } from './records.ts';

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

/** Errors here are told against the pole that the air shows; logged turns keep the true one. */
export const LIFT_ARCMIN = poleLiftArcmin(40.33);
export const error = (minute: number, altErrorArcmin: number, azErrorArcmin: number) =>
  reading('polarError', { altErrorArcmin, azErrorArcmin, method: 'typed', reference: 'refracted' }, at(minute));
export const turn = (
  minute: number,
  adjuster: string,
  turns: number,
  beforeArcmin: number,
  rest: Partial<Reading> = {},
) =>
  reading(
    'knobTurn',
    {
      adjuster,
      turns,
      afterLockOrReversal: true,
      beforeArcmin: adjuster === 'altitude' ? beforeArcmin + LIFT_ARCMIN : beforeArcmin,
      afterArcmin: null,
    },
    at(minute, rest),
  );
