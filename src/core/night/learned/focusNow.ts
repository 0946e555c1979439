/** Where tonight's focus has gone with the air since it was set. */
import { focusToleranceTotalUm } from '../../optics/lightPath.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import { focusOfNight } from './focusOfNight.ts';
import type { NightRecords } from '../../history/nightRecords.ts';

export type FocusNow = {
  focus: ReadingOf<'focus'>;
  air: ReadingOf<'air'>;
  /** By the slope that was learned, + = up the focuser's scale. */
  shiftUm: number;
  /** To either side. */
  allowedUm: number;
  stands: boolean;
};

/** Null before tonight's focus, before the air was noted after it, or while nothing tells how it moves with the air. */
export function focusNow(records: NightRecords, { train }: Pick<RigNumbers, 'train'>): FocusNow | null {
  const focus = records.tonight.last('focus', records.rig.id);
  const air = records.tonight.last('air');
  const { line } = focusOfNight(records);
  if (!train || !focus || !air || !line) return null;
  if (records.readings.indexOf(air) < records.readings.indexOf(focus)) return null;
  const shiftUm = line.umPerDeg * (air.values.temperatureC - focus.values.temperatureC);
  const allowedUm = focusToleranceTotalUm(train.focalRatio) / 2;
  return { focus, air, shiftUm, allowedUm, stands: Math.abs(shiftUm) <= allowedUm };
}
