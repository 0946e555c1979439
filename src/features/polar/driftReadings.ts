import { altIsMeasured, altSigmaArcmin, azIsMeasured, azSigmaArcmin } from '../../core/mount/poleEstimate.ts';
import type { DriftRun } from '../../core/night/driftRun.ts';
import type { NightRecords } from '../../core/night/nightRecords.ts';
import { poleLiftArcmin } from '../../core/night/poleLift.ts';
import { movedMostBy } from '../../core/night/poleOfNight.ts';
import type { NewReadingHere } from '../../session/session.ts';
import type { DriftModel } from './driftModel.ts';

/** The readings that end a star: its rate, and once both parts of the error are measured, the whole error with its doubt.
 *  Empty while the marks tell no rate. */
export function driftReadings(
  { estimate, turns }: Pick<DriftModel, 'estimate' | 'turns'>,
  run: DriftRun,
  { night, rig, site }: NightRecords,
): NewReadingHere[] {
  const { rate } = run;
  if (!rate || !estimate) return [];
  const drift: NewReadingHere = {
    step: 'polar',
    subject: { type: 'night', id: night.id },
    kind: 'drift',
    values: { haH: run.haH, decDeg: run.decDeg, rateArcsecPerMin: rate.rateArcsecPerMin },
    sigma: { rateArcsecPerMin: rate.sigmaArcsecPerMin },
  };
  const other = movedMostBy(run, site.latDeg) === 'azimuth' ? turns.altitude : turns.azimuth;
  if (!altIsMeasured(estimate) || !azIsMeasured(estimate) || other.turnedSince) return [drift];
  const { reference } = turns.goal;
  const lift = reference === 'refracted' ? poleLiftArcmin(site.latDeg) : 0;
  const error: NewReadingHere = {
    step: 'polar',
    subject: { type: 'mount', id: rig.mountId },
    kind: 'polarError',
    values: {
      altErrorArcmin: estimate.altArcmin - lift,
      azErrorArcmin: estimate.azArcmin,
      method: 'drift',
      reference,
    },
    sigma: { altErrorArcmin: altSigmaArcmin(estimate), azErrorArcmin: azSigmaArcmin(estimate) },
  };
  return [drift, error];
}
