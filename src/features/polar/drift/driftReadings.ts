import type { DriftRun } from '../../../core/pole/driftRun.ts';
import type { NightRecords } from '../../../core/history/nightRecords.ts';
import type { NewReadingHere } from '../../../session/session.ts';

/** The reading that ends a star: its rate with the doubt. What it says of the pole is derived, so that taking it back
 *  takes that back too. Null while the marks tell no rate. */
export function driftReading({ rate, haH, decDeg }: DriftRun, { night }: NightRecords): NewReadingHere | null {
  return (
    rate && {
      step: 'polar',
      subject: { type: 'night', id: night.id },
      kind: 'drift',
      values: { haH, decDeg, rateArcsecPerMin: rate.rateArcsecPerMin },
      sigma: { rateArcsecPerMin: rate.sigmaArcsecPerMin },
    }
  );
}
