/** The pole of one night, reading by reading: a measured error sets the estimate, a star's drift narrows it, a turn moves
 *  and widens it, a star set on its mark by eye is no measurement. Every question about a pole is answered from here. */
import {
  altIsMeasured,
  azIsMeasured,
  driftSensitivity,
  measuredPole,
  UNKNOWN_POLE,
  withDrift,
  withTurn,
  type Change,
  type PoleEstimate,
} from '../mount/poleEstimate.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import { altFromTrueArcmin } from './poleReference.ts';

export type Adjuster = 'altitude' | 'azimuth';
export const ADJUSTERS: readonly Adjuster[] = ['altitude', 'azimuth'];

export type PoleState = {
  /** Against the true pole. */
  estimate: PoleEstimate;
  /** Set by eye since the axis was last known to be elsewhere. */
  byEye: boolean;
  /** When something was last measured. */
  takenAtUtc: string | null;
  /** Turned after they were measured. */
  turned: ReadonlySet<Adjuster>;
};

export type PoleCircumstances = {
  latDeg: number;
  /** What a logged turn was to do; null = this knob is not known. */
  changeOf: (turn: ReadingOf<'knobTurn'>['values']) => Change | null;
  /** What tightening did to both parts. */
  lockOf: (lock: ReadingOf<'lockShift'>['values']) => Record<Adjuster, Change>;
};

/** An axis that nobody has looked at yet. */
export const UNTOUCHED: PoleState = {
  estimate: UNKNOWN_POLE,
  byEye: false,
  takenAtUtc: null,
  turned: new Set(),
};

/** Doubt of an error whose record does not state it, by how it was measured, arcmin. */
const USUAL_SIGMA_ARCMIN = { finder: 4, camera: 0.3, drift: 1, typed: 1, subs: 1 } as const;
/** Doubt of a star's drift whose record does not state it. */
const USUAL_DRIFT_SIGMA_ARCSEC_PER_MIN = 0.3;

export const partIsMeasured = (estimate: PoleEstimate, adjuster: Adjuster): boolean =>
  adjuster === 'altitude' ? altIsMeasured(estimate) : azIsMeasured(estimate);

/** Both parts measured, and none turned since. */
export const isMeasured = ({ estimate, turned }: PoleState): boolean =>
  turned.size === 0 && ADJUSTERS.every((adjuster) => partIsMeasured(estimate, adjuster));

/** Which part of the error a star tells about. */
export function movedMostBy({ haH, decDeg }: { haH: number; decDeg: number }, latDeg: number): Adjuster {
  const { perAlt, perAz } = driftSensitivity(haH, decDeg, latDeg);
  return Math.abs(perAlt) > Math.abs(perAz) ? 'altitude' : 'azimuth';
}

function afterError({ values, sigma, takenAtUtc }: ReadingOf<'polarError'>, latDeg: number): PoleState {
  const usual = USUAL_SIGMA_ARCMIN[values.method];
  const estimate = measuredPole(
    {
      altArcmin: altFromTrueArcmin(values.altErrorArcmin, values.reference, latDeg),
      azArcmin: values.azErrorArcmin,
    },
    { altArcmin: sigma['altErrorArcmin'] ?? usual, azArcmin: sigma['azErrorArcmin'] ?? usual },
  );
  return { estimate, byEye: false, takenAtUtc, turned: new Set() };
}

function afterDrift(state: PoleState, { values, sigma, takenAtUtc }: ReadingOf<'drift'>, latDeg: number): PoleState {
  const sigmaArcsecPerMin = sigma['rateArcsecPerMin'] ?? USUAL_DRIFT_SIGMA_ARCSEC_PER_MIN;
  const estimate = withDrift(state.estimate, { ...values, latDeg, sigmaArcsecPerMin });
  const told = movedMostBy(values, latDeg);
  return { ...state, estimate, takenAtUtc, turned: new Set([...state.turned].filter((a) => a !== told)) };
}

function afterTurn(state: PoleState, { values }: ReadingOf<'knobTurn'>, circumstances: PoleCircumstances): PoleState {
  const estimate = withTurn(state.estimate, values.adjuster, circumstances.changeOf(values));
  return { ...state, estimate, byEye: false, turned: new Set([...state.turned, values.adjuster]) };
}

function afterLock(state: PoleState, { values }: ReadingOf<'lockShift'>, { lockOf }: PoleCircumstances): PoleState {
  const shift = lockOf(values);
  const estimate = ADJUSTERS.reduce((e, adjuster) => withTurn(e, adjuster, shift[adjuster]), state.estimate);
  return { ...state, estimate };
}

/** A star on its mark says less than a measurement that still stands; after a turn it says where the axis is. The last
 *  look is a look only: it does not bring back what a turn took away. */
function afterEvent(state: PoleState, { values }: ReadingOf<'event'>): PoleState {
  if ((values.what !== 'setByEye' && values.what !== 'lastPoleCheck') || isMeasured(state)) return state;
  if (state.turned.size === 0) return { ...state, byEye: true };
  return values.what === 'setByEye' ? { ...UNTOUCHED, byEye: true } : state;
}

/** The state after one more reading of the night. */
export function poleStep(state: PoleState, reading: Reading, circumstances: PoleCircumstances): PoleState {
  switch (reading.kind) {
    case 'polarError':
      return afterError(reading, circumstances.latDeg);
    case 'drift':
      return afterDrift(state, reading, circumstances.latDeg);
    case 'knobTurn':
      return afterTurn(state, reading, circumstances);
    case 'lockShift':
      return afterLock(state, reading, circumstances);
    case 'event':
      return afterEvent(state, reading);
    default:
      return state;
  }
}

export type PoleStep = { reading: Reading; before: PoleState; after: PoleState };

/** Every reading of a night with the pole before and after it. */
export function walkPole(readings: readonly Reading[], circumstances: PoleCircumstances): PoleStep[] {
  let state = UNTOUCHED;
  return readings.map((reading) => {
    const before = state;
    state = poleStep(before, reading, circumstances);
    return { reading, before, after: state };
  });
}
