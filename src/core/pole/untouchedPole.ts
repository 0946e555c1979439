/** How far off the axis is before anybody looked for the pole: by what bearing and latitude scale leave. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { bearingErrorDeg } from '../sky/bearing.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import { bearingRead } from './bearing.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { scaleToSet } from './scaleToSet.ts';

/** Azimuth: where the axis was read to point, and what the reading itself may be off, degrees. */
function bearingOffDeg({ readings, site }: NightRecords): number {
  const { counts, trueDeg, nearOnly } = bearingRead(readings);
  if (!counts || trueDeg === null) return ASSUMED.noBearingDeg;
  const doubt = ASSUMED.bearingDeg + (nearOnly ? ASSUMED.ironNotCheckedDeg : 0);
  return Math.hypot(bearingErrorDeg(trueDeg, site.latDeg), doubt);
}

/** Altitude: what the scale read last against what it must read; nothing more when it was set. */
function scaleOffDeg(records: NightRecords): number {
  const last = records.readings.findLast(
    (r) => r.kind === 'scaleReading' || (r.kind === 'event' && r.values.what === 'scaleSet'),
  );
  if (!last) return ASSUMED.noScaleDeg;
  const read = last.kind === 'scaleReading' ? last.values.scaleDeg - scaleToSet(records).scaleDeg : 0;
  return Math.hypot(read, ASSUMED.scaleDeg);
}

/** On the sky, arcmin. */
export function untouchedPole(records: NightRecords): { altArcmin: number; azOnSkyArcmin: number } {
  return {
    altArcmin: scaleOffDeg(records) * 60,
    azOnSkyArcmin: bearingOffDeg(records) * Math.cos(records.site.latDeg * RAD_PER_DEG) * 60,
  };
}
