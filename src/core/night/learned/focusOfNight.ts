/** Focus positions of a rig up to tonight, and the line that they make with temperature. */
import { focusLine, type FocusLine, type FocusPoint } from '../../optics/focusDrift.ts';
import { learnedOf } from './learned.ts';
import type { NightRecords } from '../../history/nightRecords.ts';

export type FocusOfNight = {
  /** Oldest first. */
  points: FocusPoint[];
  /** Null while they tell no slope. */
  line: FocusLine | null;
};

export function focusOfNight(records: NightRecords): FocusOfNight {
  const { rig, tonight } = records;
  const points = [...learnedOf(records).focus, ...tonight.of('focus', rig.id)].map(({ values, nightId }) => ({
    temperatureC: values.temperatureC,
    positionUm: values.positionUm,
    nightId,
  }));
  return { points, line: focusLine(points) };
}
