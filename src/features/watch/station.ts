/** The watch in the run: how much light the plan gathers; done when the subs were counted. */
import { lastReading } from '../../core/night/nightRecords.ts';
import { flipProgress } from '../../core/night/plan/watch.ts';
import type { Summary } from '../../session/stationState.ts';

export const watchSummary: Summary = ({ records, plan }, format) => {
  const { readings } = records;
  const begun = flipProgress(readings).state !== 'none';
  const state = lastReading(readings, 'subs') ? 'done' : begun ? 'half' : 'open';
  return { state, reading: plan && plan.integrationS > 0 ? format.duration(plan.integrationS) : '' };
};
