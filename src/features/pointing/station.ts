/** Focus and pointing in the run: done when focus was recorded. */
import { lastReading } from '../../core/night/nightRecords.ts';
import { stateOf, type Summary } from '../../session/stationState.ts';

export const pointingSummary: Summary = (night, format) => {
  const focus = lastReading(night.records.readings, 'focus');
  const fwhmPx = focus?.values.fwhmPx ?? null;
  return { state: stateOf(night, [focus]), reading: fwhmPx === null ? '' : format.quantity(fwhmPx, 'pixels') };
};
