/** Focus and pointing in the run: done when focus was recorded, for as long as the air lets it stand. */
import { focusKnown } from '../../core/night/learned/focusKnown.ts';
import { lastReading } from '../../core/history/nightRecords.ts';
import { stateOf, type Summary } from '../../session/stationState.ts';

export const pointingSummary: Summary = (night, format) => {
  const focus = lastReading(night.records.readings, 'focus');
  const fwhmPx = focus?.values.fwhmPx ?? null;
  const known = focusKnown(night.records, night.numbers);
  return {
    state: known && known.state !== 'stands' ? 'attention' : stateOf(night, [focus]),
    reading: fwhmPx === null ? '' : format.quantity(fwhmPx, 'pixels'),
  };
};
