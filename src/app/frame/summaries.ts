/** State and key reading of every stop of the run, each from its own feature. */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Stop } from '../../core/night/plan/run.ts';
import type { Step } from '../../core/records/reading.ts';
import { balanceSummary } from '../../features/balance/station.ts';
import { levelSummary } from '../../features/level/station.ts';
import { lightPathSummary } from '../../features/light-path/station.ts';
import { logbookSummary } from '../../features/logbook/station.ts';
import { meridianSummary } from '../../features/meridian/station.ts';
import { payloadSummary } from '../../features/payload/station.ts';
import { pointingSummary } from '../../features/pointing/station.ts';
import { finalPoleSummary, polarSummary, roughPoleSummary } from '../../features/polar/station.ts';
import { trackingSummary } from '../../features/tracking/station.ts';
import { watchSummary } from '../../features/watch/station.ts';
import type { StationSummary, Summary } from '../../session/stationState.ts';
import type { Format } from '../../text/format.ts';

const SUMMARIES: Record<Step, Summary> = {
  'light-path': lightPathSummary,
  payload: payloadSummary,
  meridian: meridianSummary,
  level: levelSummary,
  balance: balanceSummary,
  polar: polarSummary,
  pointing: pointingSummary,
  tracking: trackingSummary,
  watch: watchSummary,
  logbook: logbookSummary,
};

export function stopSummary({ step, visit }: Stop, night: NightStatic, format: Format): StationSummary {
  if (visit === 'rough') return roughPoleSummary(night, format);
  if (visit === 'final') return finalPoleSummary(night, format);
  return SUMMARIES[step](night, format);
}

/** The first stop outdoors that is not done; null when all are. */
export const firstOpenStop = (night: NightStatic, format: Format): Stop | null =>
  night.run.stops.find((stop) => stop.group === 'Outdoors' && stopSummary(stop, night, format).state !== 'done') ??
  null;
