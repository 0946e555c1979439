/** Focus and pointing in the run: done when focus was recorded, for as long as the air lets it stand. */
import { focusNow } from '../../core/night/learned/focusNow.ts';
import { lastReading } from '../../core/history/nightRecords.ts';
import { stateOf, type Summary } from '../../session/stationState.ts';

export const pointingSummary: Summary = (night, format) => {
  const focus = lastReading(night.records.readings, 'focus');
  const fwhmPx = focus?.values.fwhmPx ?? null;
  const isGone = focusNow(night.records, night.numbers)?.stands === false;
  return {
    state: isGone ? 'attention' : stateOf(night, [focus]),
    reading: fwhmPx === null ? '' : format.quantity(fwhmPx, 'pixels'),
  };
};
