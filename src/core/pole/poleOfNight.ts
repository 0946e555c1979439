/** What is known of the pole of a night: the one answer that dials, drift, budget, run, card, logbook and the learning of
 *  later nights ask for. */
import { oncePer } from '../once.ts';
import { altSigmaArcmin, azSigmaArcmin, type PoleEstimate } from '../mount/poleEstimate.ts';
import { totalErrorArcmin } from '../mount/polarDrift.ts';
import type { Reading } from '../records/reading.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { circumstancesOf } from './knobsOfMount.ts';
import { toldAgainst, type PoleTold, type Reference } from './poleReference.ts';
import { isMeasured, partIsMeasured, UNTOUCHED, walkPole, type PoleState, type PoleStep } from './poleWalk.ts';

export type PoleComponent = { errorArcmin: number; sigmaArcmin: number; measured: boolean; turnedSince: boolean };

/** What the answer rests on: both parts measured; reckoned since a turn; one part measured; a star set on its mark;
 *  nothing yet. */
export type PoleBasis = 'measured' | 'turned' | 'inPart' | 'byEye' | 'untouched';

export type PoleOfNight = {
  basis: PoleBasis;
  /** A star was set on its mark by eye: what the parts that were not measured rest on. */
  byEye: boolean;
  /** The pole that both errors are told against. */
  reference: Reference;
  altitude: PoleComponent;
  azimuth: PoleComponent;
  /** On the sky; null until both are known, by measuring or by a turn of a knob that is known. */
  totalArcmin: number | null;
  /** When something was last measured. */
  takenAtUtc: string | null;
  /** The same against the true pole, with covariance: what one more star is weighed against. */
  estimate: PoleEstimate;
};

/** Every reading of the night with the pole before and after it, turns as this mount's knobs make them. */
export const poleSteps = oncePer((records: NightRecords): readonly PoleStep[] =>
  walkPole(records.readings, circumstancesOf(records)),
);

function componentOf({ estimate, turned }: PoleState, part: 'altitude' | 'azimuth', told: PoleTold): PoleComponent {
  const altitude = part === 'altitude';
  return {
    errorArcmin: altitude ? told.altErrorArcmin : told.azErrorArcmin,
    sigmaArcmin: altitude ? altSigmaArcmin(estimate) : azSigmaArcmin(estimate),
    measured: partIsMeasured(estimate, part),
    turnedSince: turned.has(part),
  };
}

function basisOf(state: PoleState): PoleBasis {
  if (isMeasured(state)) return 'measured';
  if (state.turned.size > 0) return 'turned';
  const parts = (['altitude', 'azimuth'] as const).filter((part) => partIsMeasured(state.estimate, part));
  if (parts.length > 0) return 'inPart';
  return state.byEye ? 'byEye' : 'untouched';
}

/** A state of the walk as it is told against a pole. */
export function poleIn(state: PoleState, reference: Reference, latDeg: number): PoleOfNight {
  const told = toldAgainst(state.estimate, reference, latDeg);
  const altitude = componentOf(state, 'altitude', told);
  const azimuth = componentOf(state, 'azimuth', told);
  return {
    basis: basisOf(state),
    byEye: state.byEye,
    reference,
    altitude,
    azimuth,
    totalArcmin: altitude.measured && azimuth.measured ? totalErrorArcmin(told, latDeg) : null,
    takenAtUtc: state.takenAtUtc,
    estimate: state.estimate,
  };
}

/** The pole as it stands now. @param reference the pole that is aimed at; this user's when left out. */
export function poleOfNight(records: NightRecords, reference: Reference = records.schools.poleGoal): PoleOfNight {
  return poleIn(poleSteps(records).at(-1)?.after ?? UNTOUCHED, reference, records.site.latDeg);
}

export type PoleOfThat = { readings: readonly Reading[]; steps: readonly PoleStep[]; latDeg: number };

/** The pole of the night to which a reading belongs, as that night derives it. A night whose record is gone is walked with
 *  the knobs of now. Null for a reading of no night. */
export function poleOfItsNight({ nightId, snapshotId }: Reading, records: NightRecords): PoleOfThat | null {
  if (nightId === null) return null;
  const own = nightId === records.night.id ? records : records.otherNight(nightId);
  if (own) return { readings: own.readings, steps: poleSteps(own), latDeg: own.site.latDeg };
  const readings = records.ofNight(nightId);
  const latDeg = records.snapshots.get(snapshotId)?.latDeg ?? records.site.latDeg;
  return { readings, steps: walkPole(readings, circumstancesOf(records, latDeg)), latDeg };
}
