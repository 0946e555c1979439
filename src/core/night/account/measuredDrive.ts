/** The drive as a log saw it: what its subs are drawn from. */
import { assumedSinusoids } from '../../rig/assumedDrive.ts';
import type { MountPart } from '../../records/part.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { Drive } from '../../verdict/plannedSub.ts';

/** Turns of the expected period after which a drive that shows none is taken to have none. */
const ENOUGH_TURNS = 2;

/** The worm's waves, all begun together, and whatever else the log saw, in stretches drawn at random. Null where no turn was
 *  told and the log was too short to have shown one. */
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
  const expectedS = Math.max(0, ...assumedSinusoids(mount).map((s) => s.periodS));
  const seenS = rest ? rest.stepS * rest.errorArcsec.length : 0;
  return rest && seenS >= ENOUGH_TURNS * expectedS ? { sinusoids: [], curve: rest } : null;
}
