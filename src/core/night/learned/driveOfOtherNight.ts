/** The turn of this mount's drive as it was last recorded on another night: what tonight's log is held against. */
import type { ReadingOf } from '../../records/reading.ts';
import type { NightRecords } from '../../history/nightRecords.ts';

export function driveOfOtherNight({ known, rig, night }: NightRecords): ReadingOf<'track'> | undefined {
  for (const reading of known.latest('track', { subjectId: rig.mountId }))
    if (reading.nightId !== night.id && reading.values.harmonics.length > 0) return reading;
  return undefined;
}
