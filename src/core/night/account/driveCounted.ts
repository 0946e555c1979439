/** The drive that the account counts with: as a log saw it, else as usual for its kind. */
import type { NightRecords } from '../../history/nightRecords.ts';
import type { MountPart } from '../../records/part.ts';
import type { ReadingOf } from '../../records/reading.ts';
import { assumedUnguided } from '../../rig/assumedTracking.ts';
import { peakToPeak, type Harmonic } from '../../tracking/turn.ts';
import type { Drive } from '../../verdict/plannedSub.ts';
import { learnedOf } from '../learned/learned.ts';

/** `reading`: the log it was taken from; null = nobody measured it. */
export type DriveCounted = { drive: Drive; reading: ReadingOf<'track'> | null };

export function driveCounted(records: NightRecords, mount: MountPart | null): DriveCounted {
  return learnedOf(records).drive ?? { drive: assumedUnguided(mount).drive, reading: null };
}

/** Its waves over one turn of the longest; a wave whose beginning nobody knows begins there. Null where nothing turns. */
export type CountedTurn = { periodS: number; harmonics: Harmonic[]; peakToPeakArcsec: number };

export function turnCounted({ drive: { sinusoids } }: DriveCounted): CountedTurn | null {
  if (sinusoids.length === 0) return null;
  const periodS = Math.max(...sinusoids.map((s) => s.periodS));
  const harmonics = sinusoids.map(({ amplitudeArcsec, phaseDeg, periodS: ownS }) => ({
    k: periodS / ownS,
    amplitudeArcsec,
    phaseDeg: phaseDeg ?? 0,
  }));
  return { periodS, harmonics, peakToPeakArcsec: peakToPeak(harmonics) };
}
