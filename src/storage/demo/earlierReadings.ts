/** What was recorded on one earlier night of the demo, station by station. All numbers are invented. */
import { FIRST_SUB_LIST } from '../../core/night/plan/checklists.ts';
import type { FirstSubCheck } from '../../core/records/checks.ts';
import { TYPED, type Reading, type ReadingOf, type Step } from '../../core/records/reading.ts';
import type { Rig } from '../../core/records/rig.ts';
import type { Site } from '../../core/records/site.ts';
import { toUtcText } from '../../core/time/utc.ts';

export type Earlier = {
  daysAgo: number;
  alt: number;
  az: number;
  positionM: number;
  seeing: number;
  rmsRa: number;
  celsius: number;
  /** Taken and usable. */
  subs: [number, number];
};

type Where = { nightId: string; snapshotId: string; duskMs: number; rig: Rig; site: Site };
type Kind = Reading['kind'];
type Entry = {
  [K in Kind]: { minutes: number; step: Step; kind: K; values: ReadingOf<K>['values']; subject: Reading['subject'] };
}[Kind];

const CHECKS: readonly FirstSubCheck[] = ['clutches', 'rate', 'cables', 'caps', 'parked'];

/** Refocused outward as it got colder: 11 um a degree. */
const focusUm = (celsius: number): number => 12_400 + 11 * (10 - celsius);

/** The pole is found so many times worse than it is left. */
const FOUND_TIMES = 4;
/** Tightening lifts this mount's axis. */
const LOCK_UP_ARCMIN = 1.3;
/** Its screws: a turn, and what is lost after a lock. */
const GAIN_ARCMIN_PER_TURN = 56;
const DEAD_TURNS = 0.03;

/** A small difference from night to night, always the same for one. */
const wobble = (e: Earlier, size: number): number => size * Math.sin(e.daysAgo * 1.7);

/** What had to be turned for a change, with the hand's own scatter. */
function turnsOf(changeArcmin: number, e: Earlier): number {
  const size = Math.abs(changeArcmin) / (GAIN_ARCMIN_PER_TURN * (1 + wobble(e, 0.03))) + DEAD_TURNS;
  return Number((Math.sign(changeArcmin) * size).toFixed(3));
}

function setUp({ rig, site }: Where, e: Earlier): Entry[] {
  const mount = { type: 'mount', id: rig.mountId } as const;
  const here = { type: 'site', id: site.id } as const;
  const wholeRig = { type: 'rig', id: rig.id } as const;
  const readDeg = 0.4 + e.az / 25;
  return [
    {
      minutes: -75,
      step: 'payload',
      kind: 'battery',
      subject: { type: 'part', id: 'demo-heron-battery' },
      values: { voltageV: 13.3, fraction: 1 },
    },
    {
      minutes: -70,
      step: 'level',
      kind: 'compass',
      subject: here,
      values: { readDeg, distanceM: 2.5, trueDeg: readDeg - 0.4 },
    },
    {
      minutes: -66,
      step: 'level',
      kind: 'level',
      subject: { type: 'night', id: '' },
      values: { tiltDeg: 0.2, uphillAzimuthDeg: 120 },
    },
    { minutes: -63, step: 'level', kind: 'feet', subject: wholeRig, values: { azimuthDeg: 0 } },
    { minutes: -60, step: 'level', kind: 'scaleReading', subject: mount, values: { scaleDeg: 40.9, trueAltDeg: 40.3 } },
  ];
}

function balanceAndTap({ rig }: Where, e: Earlier): Entry[] {
  const wholeRig = { type: 'rig', id: rig.id } as const;
  return [
    {
      minutes: -40,
      step: 'balance',
      kind: 'balance',
      subject: wholeRig,
      values: { axis: 'ra', positionM: e.positionM, drops: 'none' },
    },
    {
      minutes: -37,
      step: 'balance',
      kind: 'balance',
      subject: wholeRig,
      values: { axis: 'dec', positionM: 0.067, drops: 'none' },
    },
    { minutes: -34, step: 'payload', kind: 'steadiness', subject: wholeRig, values: { settleS: 2.4 } },
  ];
}

/** Found, turned, measured, tightened, measured. */
function pole({ rig }: Where, e: Earlier): Entry[] {
  const mount = { type: 'mount', id: rig.mountId } as const;
  const common = { step: 'polar', subject: mount } as const;
  const error = (minutes: number, altErrorArcmin: number, azErrorArcmin: number): Entry => ({
    ...common,
    minutes,
    kind: 'polarError',
    values: { altErrorArcmin, azErrorArcmin, method: 'typed', reference: 'refracted' },
  });
  const turn = (adjuster: 'altitude' | 'azimuth', beforeArcmin: number, after: number): Entry => ({
    ...common,
    minutes: 8,
    kind: 'knobTurn',
    values: {
      adjuster,
      turns: turnsOf(after - beforeArcmin, e),
      afterLockOrReversal: true,
      beforeArcmin: null,
      afterArcmin: null,
    },
  });
  const lock = { altArcmin: LOCK_UP_ARCMIN + wobble(e, 0.15), azArcmin: wobble(e, 0.1) };
  const found = { alt: e.alt * FOUND_TIMES, az: e.az * FOUND_TIMES };
  const set = { alt: e.alt - lock.altArcmin, az: e.az - lock.azArcmin };
  return [
    error(4, found.alt, found.az),
    turn('altitude', found.alt, set.alt),
    turn('azimuth', found.az, set.az),
    error(12, set.alt, set.az),
    { ...common, minutes: 14, kind: 'lockShift', values: { altArcmin: null, azArcmin: null } },
    error(15, e.alt, e.az),
  ];
}

function atDusk(where: Where, e: Earlier): Entry[] {
  const wholeRig = { type: 'rig', id: where.rig.id } as const;
  const ticks = CHECKS.map((itemId, i): Entry => ({
    minutes: 40 + i,
    step: 'tracking',
    kind: 'check',
    subject: { type: 'night', id: '' },
    values: { listId: FIRST_SUB_LIST, itemId, done: true },
  }));
  return [
    ...pole(where, e),
    { minutes: 20, step: 'polar', kind: 'timing', subject: wholeRig, values: { step: 'polar', minutes: 16 } },
    {
      minutes: 28,
      step: 'pointing',
      kind: 'focus',
      subject: wholeRig,
      values: { positionUm: focusUm(e.celsius), temperatureC: e.celsius, fwhmPx: 1.1 * e.seeing },
    },
    ...ticks,
  ];
}

function inTheDark({ rig, duskMs }: Where, e: Earlier): Entry[] {
  const wholeRig = { type: 'rig', id: rig.id } as const;
  const tonight = { type: 'night', id: '' } as const;
  const [count, usable] = e.subs;
  return [
    {
      minutes: 70,
      step: 'tracking',
      kind: 'guiding',
      subject: tonight,
      values: { rmsRaArcsec: e.rmsRa, rmsDecArcsec: e.rmsRa * 0.9 },
    },
    { minutes: 75, step: 'watch', kind: 'seeing', subject: tonight, values: { fwhmArcsec: e.seeing } },
    {
      minutes: 180,
      step: 'watch',
      kind: 'flip',
      subject: wholeRig,
      values: { atUtc: toUtcText(duskMs + 180 * 60_000), minutes: 9, missEastArcmin: 2.1, missNorthArcmin: -1.4 },
    },
    {
      minutes: 420,
      step: 'watch',
      kind: 'battery',
      subject: { type: 'part', id: 'demo-heron-battery' },
      values: { voltageV: 12.9, fraction: 0.55 },
    },
    { minutes: 425, step: 'logbook', kind: 'subs', subject: tonight, values: { count, usable } },
    {
      minutes: 430,
      step: 'logbook',
      kind: 'note',
      subject: tonight,
      values: { text: e.seeing > 3 ? 'Wind from the west, many long stars.' : 'Calm.' },
    },
  ];
}

/** Twice in these weeks the drive was measured, once the corners. */
function sometimes({ rig }: Where, e: Earlier): Entry[] {
  const track: Entry = {
    minutes: 55,
    step: 'tracking',
    kind: 'track',
    subject: { type: 'mount', id: rig.mountId },
    values: {
      periodS: 478.7,
      harmonics: [{ k: 1, amplitudeArcsec: e.daysAgo === 54 ? 7.1 : 6.6, phaseDeg: 40 }],
      raDriftArcsecPerMin: 0.3,
      decDriftArcsecPerMin: 0.2,
      residualArcsec: 0.9,
    },
  };
  return e.daysAgo === 54 || e.daysAgo === 22 ? [track] : [];
}

export function nightReadings(where: Where, earlier: Earlier): Reading[] {
  const entries = [
    ...setUp(where, earlier),
    ...balanceAndTap(where, earlier),
    ...atDusk(where, earlier),
    ...sometimes(where, earlier),
    ...inTheDark(where, earlier),
  ];
  return entries
    .sort((a, b) => a.minutes - b.minutes)
    .map(({ minutes, subject, ...rest }, i) => {
      const at = toUtcText(where.duskMs + minutes * 60_000);
      return {
        ...TYPED,
        ...rest,
        id: `${where.nightId}-${String(i + 1).padStart(2, '0')}-${rest.kind}`,
        deviceId: 'demo',
        nightId: where.nightId,
        snapshotId: where.snapshotId,
        subject: subject.type === 'night' ? { type: 'night', id: where.nightId } : subject,
        takenAtUtc: at,
        recordedAtUtc: at,
      };
    });
}
