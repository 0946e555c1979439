/** What focus and pointing show, as codes and figures. */
import { focusLine, type FocusLine, type FocusPoint } from '../../core/optics/focusDrift.ts';
import { lastReading } from '../../core/night/nightRecords.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Reading, ReadingOf } from '../../core/records/reading.ts';
import type { FocusSaying } from '../../text/pointingWords.ts';

export type FocusModel = {
  saying: FocusSaying;
  /** All positions of this rig, oldest first. */
  points: FocusPoint[];
  line: FocusLine | null;
};

const ofRig = (readings: readonly Reading[], rigId: string): ReadingOf<'focus'>[] =>
  readings.filter((r): r is ReadingOf<'focus'> => r.kind === 'focus' && r.subject.id === rigId);

/** Tonight's position when there is one; else where to start, by the learned slope for a typed temperature or by the
 *  last night alone. */
export function focusModel(night: NightStatic, temperatureC: number | null): FocusModel {
  const { rig, readings, history } = night.records;
  const before = ofRig(history, rig.id);
  const points = [...before, ...ofRig(readings, rig.id)].map((r) => r.values);
  const line = focusLine(points);
  const tonight = lastReading(readings, 'focus');
  const last = before.at(-1);
  const saying = (): FocusSaying => {
    if (tonight) return { code: 'tonight', ...tonight.values };
    if (line && temperatureC !== null)
      return {
        code: 'predicted',
        positionUm: line.positionUmAt(temperatureC),
        umPerDeg: line.umPerDeg,
        count: line.count,
      };
    return last ? { code: 'lastTime', ...last.values } : { code: 'first' };
  };
  return { saying: saying(), points, line };
}
