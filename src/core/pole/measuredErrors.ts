/** What the measurements of a night alone say of its pole, whatever is known of the knobs: it depends on nothing but the
 *  night's own readings and its latitude. */
import { oncePerKey } from '../once.ts';
import type { PolarTold, Tell } from '../history/nightSummary.ts';
import type { Change } from '../mount/poleEstimate.ts';
import { totalErrorArcmin } from '../mount/polarDrift.ts';
import type { Reading } from '../records/reading.ts';
import { toldAgainst, type Reference } from './poleReference.ts';
import { isMeasured, walkPole, type PoleStep } from './poleWalk.ts';

/** What tightening did is learned from what was measured before and after it. */
const NOT_MOVED: Change = { arcmin: 0, sigmaArcmin: 0 };
const UNMOVED = { altitude: NOT_MOVED, azimuth: NOT_MOVED };

export type MeasuredError = { id: string; takenAtUtc: string; totalArcmin: number };

/** The night's pole reading by reading; what a turn does counts as unknown, so that it can be learned from it. */
export const stepsMeasured = oncePerKey((readings: readonly Reading[], latDeg: number): readonly PoleStep[] =>
  walkPole(readings, { latDeg, changeOf: () => null, lockOf: () => UNMOVED }),
);

/** The steps that left both parts measured. */
export function measuredPoleSteps(steps: readonly PoleStep[]): PoleStep[] {
  return steps.filter(
    ({ reading: { kind }, after }) => (kind === 'polarError' || kind === 'drift') && isMeasured(after),
  );
}

/** Total on the sky against a pole after a step that left both parts measured. */
export function totalMeasured({ after }: PoleStep, latDeg: number, reference: Reference): number {
  return totalErrorArcmin(toldAgainst(after.estimate, reference, latDeg), latDeg);
}

/** Totals on the sky against a pole, one after the other. @param readings of one night, standing and in order. */
export function errorsMeasured(readings: readonly Reading[], latDeg: number, reference: Reference): MeasuredError[] {
  return measuredPoleSteps(stepsMeasured(readings, latDeg)).map((step) => {
    const { id, takenAtUtc } = step.reading;
    return { id, takenAtUtc, totalArcmin: totalMeasured(step, latDeg, reference) };
  });
}

/** The axis as a night measured it last, against either pole; null where it did not. */
function lastMeasured(standing: readonly Reading[], latDeg: number): PolarTold | null {
  const last = measuredPoleSteps(stepsMeasured(standing, latDeg)).at(-1);
  if (!last) return null;
  const against = (reference: Reference): number => totalMeasured(last, latDeg, reference);
  return { true: against('true'), refracted: against('refracted') };
}

/** What a night's summary is told of its axis. @param latOf where a snapshot was taken; null = not known. */
export const tellingPole = (latOf: Tell['latOf']): Tell => ({ latOf, polarOf: lastMeasured });
