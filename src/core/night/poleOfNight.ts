/** What is known of tonight's pole error: every measurement and every turn since, in order. */
import {
  altSigmaArcmin,
  azSigmaArcmin,
  altIsMeasured,
  azIsMeasured,
  driftSensitivity,
  measuredPole,
  UNKNOWN_POLE,
  withDrift,
  withTurn,
  type PoleEstimate,
} from '../mount/poleEstimate.ts';
import { totalErrorArcmin } from '../mount/polarDrift.ts';
import type { MountPart } from '../records/part.ts';
import type { Reading } from '../records/reading.ts';
import { knobOfMount, type Adjuster } from './knobsOfMount.ts';
import type { NightRecords } from './nightRecords.ts';
import { poleLiftArcmin } from './poleLift.ts';

export type Reference = 'true' | 'refracted';
type Component = { errorArcmin: number; sigmaArcmin: number; measured: boolean; turnedSince: boolean };

export type PoleOfNight = {
  /** The pole that both errors are told against. */
  reference: Reference;
  altitude: Component;
  azimuth: Component;
  /** On the sky; null until both are measured. */
  totalArcmin: number | null;
  /** When something was last measured. */
  takenAtUtc: string | null;
  /** The same against the true pole, with covariance: what one more star is weighed against. */
  estimate: PoleEstimate;
};

/** Doubt of an error whose record does not state it, by how it was measured. */
const USUAL_SIGMA_ARCMIN = { finder: 4, camera: 0.3, drift: 1, typed: 1, subs: 1 } as const;

/** What a logged turn was to do, by what is known of the knob. */
function changeOf(
  records: NightRecords,
  mount: MountPart | null,
  values: Extract<Reading, { kind: 'knobTurn' }>['values'],
) {
  const knob = knobOfMount(records, mount, values.adjuster);
  if (!knob) return null;
  const dead = values.afterLockOrReversal ? knob.deadTurns : 0;
  return knob.gainArcminPerTurn * Math.sign(values.turns) * Math.max(0, Math.abs(values.turns) - dead);
}

/** Which part of the error a star tells about. */
export function movedMostBy({ haH, decDeg }: { haH: number; decDeg: number }, latDeg: number): Adjuster {
  const { perAlt, perAz } = driftSensitivity(haH, decDeg, latDeg);
  return Math.abs(perAlt) > Math.abs(perAz) ? 'altitude' : 'azimuth';
}

type Walked = { estimate: PoleEstimate; takenAtUtc: string | null; turned: Set<Adjuster> };

/** The estimate after one more reading of the night. */
function step(w: Walked, reading: Reading, records: NightRecords, mount: MountPart | null): Walked {
  const { latDeg } = records.site;
  switch (reading.kind) {
    case 'polarError': {
      const { altErrorArcmin, azErrorArcmin, reference, method } = reading.values;
      const lift = reference === 'refracted' ? poleLiftArcmin(latDeg) : 0;
      const estimate = measuredPole(
        { altArcmin: altErrorArcmin + lift, azArcmin: azErrorArcmin },
        {
          altArcmin: reading.sigma['altErrorArcmin'] ?? USUAL_SIGMA_ARCMIN[method],
          azArcmin: reading.sigma['azErrorArcmin'] ?? USUAL_SIGMA_ARCMIN[method],
        },
      );
      return { estimate, takenAtUtc: reading.takenAtUtc, turned: new Set() };
    }
    case 'drift': {
      const sigmaArcsecPerMin = reading.sigma['rateArcsecPerMin'] ?? 0.3;
      const estimate = withDrift(w.estimate, { ...reading.values, latDeg, sigmaArcsecPerMin });
      const turned = new Set([...w.turned].filter((adjuster) => adjuster !== movedMostBy(reading.values, latDeg)));
      return { estimate, takenAtUtc: reading.takenAtUtc, turned };
    }
    case 'knobTurn': {
      const { adjuster } = reading.values;
      const estimate = withTurn(w.estimate, adjuster, changeOf(records, mount, reading.values));
      return { ...w, estimate, turned: new Set([...w.turned, adjuster]) };
    }
    default:
      return w;
  }
}

/** @param reference the pole that is aimed at. */
export function poleOfNight(records: NightRecords, mount: MountPart | null, reference: Reference): PoleOfNight {
  const start: Walked = { estimate: UNKNOWN_POLE, takenAtUtc: null, turned: new Set() };
  const { estimate, takenAtUtc, turned } = records.readings.reduce((w, r) => step(w, r, records, mount), start);
  const lift = reference === 'refracted' ? poleLiftArcmin(records.site.latDeg) : 0;
  const altitude = {
    errorArcmin: estimate.altArcmin - lift,
    sigmaArcmin: altSigmaArcmin(estimate),
    measured: altIsMeasured(estimate),
    turnedSince: turned.has('altitude'),
  };
  const azimuth = {
    errorArcmin: estimate.azArcmin,
    sigmaArcmin: azSigmaArcmin(estimate),
    measured: azIsMeasured(estimate),
    turnedSince: turned.has('azimuth'),
  };
  const both = altitude.measured && azimuth.measured;
  return {
    reference,
    altitude,
    azimuth,
    totalArcmin: both
      ? totalErrorArcmin(
          { altErrorArcmin: altitude.errorArcmin, azErrorArcmin: azimuth.errorArcmin },
          records.site.latDeg,
        )
      : null,
    takenAtUtc,
    estimate,
  };
}
