/** The logbook in the run: it has no state, only nights. */
import type { Summary } from '../../session/stationState.ts';

export const logbookSummary: Summary = ({ records }) => {
  const nights = records.known.nights();
  return { state: 'none', reading: nights === 1 ? '1 night' : `${nights} nights` };
};
