/** Tracking in the run: done when everything before the first sub is ticked. */
import { FIRST_SUB_LIST, firstSubChecks, isTicked } from '../../core/night/plan/checklists.ts';
import { handOfNight } from '../../core/night/handOfNight.ts';
import { minutesWords } from '../../text/handWords.ts';
import type { Summary } from '../../session/stationState.ts';

export const trackingSummary: Summary = (night) => {
  const { records, numbers } = night;
  if (numbers.eyepiece) {
    const { turnMin } = handOfNight(night);
    return { state: 'none', reading: turnMin === null ? '' : minutesWords(turnMin) };
  }
  const checks = firstSubChecks(numbers.mount);
  const ticked = checks.filter((id) => isTicked(records.readings, FIRST_SUB_LIST, id)).length;
  if (ticked === 0) return { state: 'open', reading: '' };
  return { state: ticked === checks.length ? 'done' : 'half', reading: `${ticked} of ${checks.length}` };
};
