/** The drive as a log saw it: what its subs are drawn from. */
import { assumedSinusoids } from '../../rig/assumedDrive.ts';
import type { MountPart } from '../../records/part.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { Drive } from '../../verdict/plannedSub.ts';

/** Turns of the expected period after which a drive that shows none is taken to have none. */
const ENOUGH_TURNS = 2;

/** The worm's waves, all begun together, and whatever else the log saw, in stretches drawn at random. Without a period what
 *  the class of the mount does, as far as the log leaves room for it. Null where it was too short to have shown one. */
export function measuredDrive({ values }: ReadingOf<'track'>, mount: MountPart | null): Drive | null {
  const { periodS, harmonics, rest = null } = values;
  if (periodS !== null) {
    const sinusoids = harmonics.map(({ k, amplitudeArcsec, phaseDeg }) => ({
      amplitudeArcsec,
      periodS: periodS / k,
      phaseDeg,
    }));
    return { sinusoids, curve: rest };
  }
  const assumed = assumedSinusoids(mount);
  const expectedS = Math.max(0, ...assumed.map((s) => s.periodS));
  const seenS = rest ? rest.stepS * rest.errorArcsec.length : 0;
  if (rest && seenS >= ENOUGH_TURNS * expectedS) return { sinusoids: [], curve: rest };
  const { swingUnderArcsec: under, upToPeriodS = null } = values;
  if (under == null || upToPeriodS === null || expectedS > upToPeriodS) return null;
  const sinusoids = assumed.map((s) => ({ ...s, amplitudeArcsec: Math.min(s.amplitudeArcsec, under / 2) }));
  return { sinusoids, curve: rest };
}
