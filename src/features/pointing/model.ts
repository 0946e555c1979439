/** What focus and pointing show, as codes and figures. */
import { focusKnown } from '../../core/night/learned/focusKnown.ts';
import { focusOfNight } from '../../core/night/learned/focusOfNight.ts';
import type { FocusLine, FocusPoint } from '../../core/optics/focusDrift.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { FocusSaying } from '../../text/pointingWords.ts';

export type FocusModel = {
  saying: FocusSaying;
  /** All positions of this rig, oldest first. */
  points: FocusPoint[];
  line: FocusLine | null;
};

/** Tonight's position when there is one; else where to start, by the learned slope for a typed temperature or by the
 *  last night alone. */
export function focusModel(night: NightStatic, temperatureC: number | null): FocusModel {
  const { rig, tonight: ofNight } = night.records;
  const { points, line } = focusOfNight(night.records);
  const tonight = ofNight.last('focus', rig.id);
  const last = night.learned.focus.at(-1);
  const saying = (): FocusSaying => {
    const known = focusKnown(night.records, night.numbers);
    if (known?.air) {
      const { value: shiftUm, doubt: doubtUm, allowedUm, state } = known;
      const positionUm = known.focus.values.positionUm + shiftUm;
      return { code: state, positionUm, shiftUm, doubtUm, allowedUm };
    }
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
