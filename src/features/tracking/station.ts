/** Tracking in the run: done when everything before the first sub is ticked. */
import { FIRST_SUB_LIST, firstSubChecks, isTicked } from '../../core/night/plan/checklists.ts';
import type { Summary } from '../../session/stationState.ts';

export const trackingSummary: Summary = ({ records, numbers }) => {
  // An eye takes no subs: there is nothing to tick.
  if (numbers.eyepiece) return { state: 'none', reading: '' };
  const checks = firstSubChecks(numbers);
  const ticked = checks.filter((id) => isTicked(records.readings, FIRST_SUB_LIST, id)).length;
  if (ticked === 0) return { state: 'open', reading: '' };
  return { state: ticked === checks.length ? 'done' : 'half', reading: `${ticked} of ${checks.length}` };
};
