/** The watch in the run: how much light the plan gathers; done when the subs were counted. */
import { lastReading } from '../../core/history/nightRecords.ts';
import { lightOf } from '../../core/night/plan/legs.ts';
import { flipProgress } from '../../core/night/advice/watch.ts';
import type { Summary } from '../../session/stationState.ts';

export const watchSummary: Summary = ({ records, legs }, format) => {
  const { readings } = records;
  const begun = flipProgress(readings).state !== 'none';
  const state = lastReading(readings, 'subs') ? 'done' : begun ? 'half' : 'open';
  const lightS = lightOf(legs);
  return { state, reading: lightS > 0 ? format.duration(lightS) : '' };
};
