/** The periodic error of a mount that nobody has measured yet. */
import { mountTraits } from '../mount/mountKinds.ts';
import { motorsOf } from '../mount/motors.ts';
import type { MountPart } from '../records/part.ts';
import { wormPeriodS, type Sinusoid } from '../tracking/periodicError.ts';
import { turnOfDrive } from './driveTurn.ts';
import { ASSUMED } from '../verdict/assumptions.ts';

type Driven = Pick<MountPart, 'mountKind' | 'drive' | 'belt' | 'wormTeeth' | 'drivePeriodS'>;

/** What the periodic error of a mount is taken to be before it was measured. */
export function assumedSinusoids(mount: Driven | null): Sinusoid[] {
  const { smallTracker, geared, belt, strainWave } = ASSUMED.periodicPeakToPeakArcsec;
  if (mount !== null && motorsOf(mount) === 'none') return [];
  if (mount === null) return [{ amplitudeArcsec: geared / 2, periodS: wormPeriodS(ASSUMED.wormTeeth), phaseDeg: null }];
  const peakToPeak =
    mount.drive === 'strainWave'
      ? strainWave
      : mountTraits(mount).isTracker
        ? smallTracker
        : mount.belt
          ? belt
          : geared;
  const usualS = mount.drive === 'strainWave' ? ASSUMED.strainWavePeriodS : wormPeriodS(ASSUMED.wormTeeth);
  return [{ amplitudeArcsec: peakToPeak / 2, periodS: turnOfDrive(mount)?.periodS ?? usualS, phaseDeg: null }];
}
