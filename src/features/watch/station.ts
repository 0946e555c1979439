/** The watch in the run: how much light the plan gathers; done when the subs were counted. */
import { lastReading } from '../../core/history/nightRecords.ts';
import { lightOf } from '../../core/night/life/legs.ts';
import type { Summary } from '../../session/stationState.ts';

export const watchSummary: Summary = ({ records, legs, life }, format) => {
  const { readings } = records;
  const begun = life.stage !== 'planned' || life.flipSinceMs !== null;
  const state = lastReading(readings, 'subs') ? 'done' : begun ? 'half' : 'open';
  const lightS = lightOf(legs);
  return { state, reading: lightS > 0 ? format.duration(lightS) : '' };
};
