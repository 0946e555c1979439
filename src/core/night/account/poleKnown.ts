/** The night's pole as the account draws it: measured with its covariance, or so far off in any direction. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { RAD_PER_DEG } from '../../math/angles.ts';
import { motorsOf } from '../../mount/motors.ts';
import { altSigmaArcmin, azSigmaArcmin } from '../../mount/poleEstimate.ts';
import { knobsOf } from '../../pole/knobsOfMount.ts';
import { poleOfNight, type PoleOfNight } from '../../pole/poleOfNight.ts';
import { ADJUSTERS } from '../../pole/poleWalk.ts';
import { untouchedPole } from '../../pole/untouchedPole.ts';
import type { Basis, Known } from '../../known.ts';
import type { MountPart } from '../../records/part.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import type { PolarError } from '../../verdict/plannedSub.ts';

/** Told by the rig: nothing turns about a polar axis. */
const NO_AXIS: Known<PolarError> = {
  value: { known: 'size', errorArcmin: 0 },
  doubt: 0,
  basis: 'told',
  asOf: null,
};

/** What is assumed of a part that was never measured, on the sky: what an axis set by eye usually has, or what bearing and
 *  scale leave. */
function assumedParts({ byEye }: PoleOfNight, records: NightRecords): { altArcmin: number; azOnSkyArcmin: number } {
  if (!byEye) return untouchedPole(records);
  const each = ASSUMED.polarErrorByEyeArcmin * Math.SQRT1_2;
  return { altArcmin: each, azOnSkyArcmin: each };
}

/** The size of the error on the sky where a part was never measured; what was measured counts with its doubt. */
function assumedSizeArcmin(pole: PoleOfNight, records: NightRecords): number {
  const { altitude, azimuth } = pole;
  const parts = assumedParts(pole, records);
  const cosLat = Math.cos(records.site.latDeg * RAD_PER_DEG);
  return Math.hypot(
    altitude.measured ? Math.hypot(altitude.errorArcmin, altitude.sigmaArcmin) : parts.altArcmin,
    azimuth.measured ? cosLat * Math.hypot(azimuth.errorArcmin, azimuth.sigmaArcmin) : parts.azOnSkyArcmin,
  );
}

/** A part that was turned since rests on what is known of its knob. */
function basisOfMeasured({ altitude, azimuth }: PoleOfNight, records: NightRecords): Basis {
  const turned = ADJUSTERS.filter((adjuster) => (adjuster === 'altitude' ? altitude : azimuth).turnedSince);
  if (turned.length === 0) return 'measured';
  const knobs = knobsOf(records);
  return turned.every((adjuster) => knobs[adjuster]?.basis === 'learned') ? 'learned' : 'assumed';
}

/** Against the true pole: refraction is an item of its own. Its doubt is on the sky, both parts together, arcmin. */
export function poleKnown(records: NightRecords, mount: MountPart | null): Known<PolarError> {
  if (!mountTraits(mount).hasPolarAxis || motorsOf(mount) === 'none') return NO_AXIS;
  const { latDeg } = records.site;
  const pole = poleOfNight(records, 'true');
  if (pole.totalArcmin === null) {
    const errorArcmin = assumedSizeArcmin(pole, records);
    // A star on its mark is a honest eight arcmin in any direction: nothing is left to doubt beside it.
    return pole.byEye
      ? { value: { known: 'size', errorArcmin }, doubt: 0, basis: 'told', asOf: null }
      : { value: { known: 'size', errorArcmin }, doubt: errorArcmin, basis: 'notLooked', asOf: null };
  }
  const { altitude, azimuth, estimate } = pole;
  const { altVar, azVar, covariance } = estimate;
  const components = { altErrorArcmin: altitude.errorArcmin, azErrorArcmin: azimuth.errorArcmin };
  return {
    value: { known: 'components', ...components, doubt: { altVar, azVar, covariance }, latDeg, haH: 0 },
    doubt: Math.hypot(altSigmaArcmin(estimate), azSigmaArcmin(estimate) * Math.cos(latDeg * RAD_PER_DEG)),
    basis: basisOfMeasured(pole, records),
    asOf: pole.takenAtUtc,
  };
}
