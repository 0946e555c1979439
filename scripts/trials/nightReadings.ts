/** What somebody plausibly records of a night, of what the rig has: every kind of reading, with figures as they are met. */
import fc from 'fast-check';
import { TYPED, type Reading, type ReadingKind, type ReadingOf } from '../../src/core/records/reading.ts';
import type { Rig } from '../../src/core/records/rig.ts';
import type { RigHas, RigThing } from '../../src/core/rig/rigHas.ts';
import { MS_PER_MINUTE, toUtcText } from '../../src/core/time/utc.ts';
import { evenly } from './evenly.ts';

type Values<K extends ReadingKind> = ReadingOf<K>['values'];
type Subject = Reading['subject'];
type Kind<K extends ReadingKind> = {
  /** All of them, else nobody records it. */
  needs: readonly RigThing[];
  step: Reading['step'];
  /** Null where this rig has no such part. */
  of: (rig: Rig) => Subject | null;
  values: fc.Arbitrary<Values<K>>;
};

const part = (id: string | null | undefined): Subject | null => (id ? { type: 'part', id } : null);
const mount = ({ mountId }: Rig): Subject | null => (mountId ? { type: 'mount', id: mountId } : null);
const whole = ({ id }: Rig): Subject => ({ type: 'rig', id });
const tube = ({ imagingTubeId }: Rig): Subject | null => part(imagingTubeId);
const looker = ({ cameraId }: Rig): Subject | null => part(cameraId);

const KINDS: { [K in ReadingKind]?: Kind<K> } = {
  polarError: {
    needs: ['polarAxis'],
    step: 'polar',
    of: mount,
    values: fc.record({
      altErrorArcmin: evenly(-90, 90),
      azErrorArcmin: evenly(-90, 90),
      method: fc.constantFrom('finder', 'drift', 'typed'),
      reference: fc.constantFrom('true', 'refracted'),
    }),
  },
  knobTurn: {
    needs: ['polarAxis', 'knobs'],
    step: 'polar',
    of: mount,
    values: fc.record({
      adjuster: fc.constantFrom('altitude', 'azimuth'),
      turns: evenly(-3, 3),
      afterLockOrReversal: fc.boolean(),
      beforeArcmin: fc.option(evenly(-60, 60)),
      afterArcmin: fc.option(evenly(-60, 60)),
    }),
  },
  scaleReading: {
    needs: ['scale'],
    step: 'level',
    of: mount,
    values: fc.record({ scaleDeg: evenly(0, 90), trueAltDeg: fc.option(evenly(0, 90)) }),
  },
  compass: {
    needs: ['polarAxis'],
    step: 'level',
    of: mount,
    values: fc.record({ readDeg: evenly(0, 359), distanceM: evenly(0, 10), trueDeg: evenly(0, 359) }),
  },
  level: {
    needs: [],
    step: 'level',
    of: mount,
    values: fc.record({ tiltDeg: evenly(0, 4), uphillAzimuthDeg: evenly(0, 359) }),
  },
  balance: {
    needs: ['bar', 'clutches'],
    step: 'balance',
    of: whole,
    values: fc.record({
      axis: fc.constant('ra'),
      positionM: evenly(0.08, 0.3),
      drops: fc.constantFrom('tube', 'weight', 'none'),
    }),
  },
  drift: {
    needs: ['polarAxis', 'motor'],
    step: 'polar',
    of: mount,
    values: fc.record({ haH: evenly(-5, 5), decDeg: evenly(-30, 60), rateArcsecPerMin: evenly(-20, 20) }),
  },
  guiding: {
    needs: ['camera', 'slew'],
    step: 'tracking',
    of: whole,
    values: fc.record({ rmsRaArcsec: evenly(0.2, 3), rmsDecArcsec: evenly(0.2, 3) }),
  },
  steadiness: { needs: ['camera'], step: 'tracking', of: whole, values: fc.record({ settleS: evenly(0, 60) }) },
  focus: {
    needs: [],
    step: 'pointing',
    of: tube,
    values: fc.record({
      positionUm: evenly(0, 30_000),
      temperatureC: evenly(-15, 25),
      fwhmPx: fc.option(evenly(1, 9)),
    }),
  },
  gap: {
    needs: ['flip', 'legs'],
    step: 'meridian',
    of: whole,
    values: fc.record({
      haH: evenly(-1, 3),
      state: fc.constantFrom('beforeFlip', 'afterFlip'),
      decDeg: evenly(-30, 80),
      gapM: evenly(0, 0.4),
    }),
  },
  flip: {
    needs: ['flip'],
    step: 'meridian',
    of: whole,
    values: evenly(0, 600).map((minutes) => ({
      atUtc: toUtcText(Date.UTC(2026, 5, 20, 20) + minutes * MS_PER_MINUTE),
      minutes: 4,
      missEastArcmin: null,
      missNorthArcmin: null,
    })),
  },
  corners: {
    needs: ['camera'],
    step: 'light-path',
    of: looker,
    values: fc.record({
      sigmaArcsec: fc.tuple(evenly(0, 3), evenly(0, 3), evenly(0, 3), evenly(0, 3)),
      direction: fc.constantFrom('radial', 'tangential'),
      verdict: fc.constantFrom('tooClose', 'tooFar', 'fine'),
      spacingMm: fc.option(evenly(40, 70)),
    }),
  },
  seeing: {
    needs: ['camera'],
    step: 'tracking',
    of: (rig) => whole(rig),
    values: fc.record({ fwhmArcsec: evenly(1, 6) }),
  },
  subs: {
    needs: ['camera'],
    step: 'logbook',
    of: whole,
    values: fc
      .tuple(fc.integer({ min: 0, max: 400 }), evenly(0, 1))
      .map(([count, share]) => ({ count, usable: Math.round(count * share) })),
  },
  event: {
    needs: ['camera'],
    step: 'watch',
    of: whole,
    values: fc.record({ what: fc.constantFrom('started', 'paused', 'resumed', 'stopped') }),
  },
  note: { needs: [], step: 'logbook', of: whole, values: fc.constant({ text: 'Dew from one on.' }) },
};

/** Of one reading: which of the kinds that the rig can have, its values of every kind, how long after the first. */
const drawn = fc.record({
  which: fc.nat({ max: 1000 }),
  values: fc.record(Object.fromEntries(Object.entries(KINDS).map(([kind, { values }]) => [kind, values]))),
  afterMin: evenly(0, 600),
});
export const drawnReadings = fc.array(drawn, { maxLength: 8 });
export type DrawnReadings = readonly (typeof drawn extends fc.Arbitrary<infer T> ? T : never)[];

/** @param fromMs when the evening's work begins. */
export function readingsOf(
  list: DrawnReadings,
  { has, rig, nightId, fromMs }: { has: RigHas; rig: Rig; nightId: string; fromMs: number },
): Reading[] {
  const can = Object.entries(KINDS).flatMap(([kind, { needs, step, of }]) => {
    const subject = of(rig);
    return subject && needs.every((thing) => has.has(thing)) ? [{ kind, step, subject }] : [];
  });
  return [...list]
    .sort((a, b) => a.afterMin - b.afterMin)
    .flatMap(({ which, values, afterMin }, i) => {
      const one = can[which % can.length];
      if (!one) return [];
      const takenAtUtc = toUtcText(fromMs + afterMin * MS_PER_MINUTE);
      const head = { ...TYPED, id: `reading-${i}`, seq: i, deviceId: 'trial', nightId, snapshotId: 's1' };
      // A kind's values are of that kind; the union of readings cannot say so.
      return [{ ...head, ...one, takenAtUtc, recordedAtUtc: takenAtUtc, values: values[one.kind] } as Reading];
    });
}
