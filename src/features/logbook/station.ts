/** The logbook in the run: it has no state, only nights. */
import type { Summary } from '../../session/stationState.ts';

export const logbookSummary: Summary = ({ records }) => {
  const nights = new Set(records.known.all().map((r) => r.nightId)).size;
  return { state: 'none', reading: nights === 1 ? '1 night' : `${nights} nights` };
};
