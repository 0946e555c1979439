/** The balance's state in the run: done when nothing dropped, with the rig as it is. */
import { lastReading } from '../../core/night/nightRecords.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { ReadingOf } from '../../core/records/reading.ts';
import { freshness, type Summary } from '../../session/stationState.ts';
import type { StationState } from '../../text/stations.ts';

function stateWith(night: NightStatic, reading: ReadingOf<'balance'> | undefined): StationState {
  const fresh = freshness(night, reading);
  if (night.bar?.found.inRange === false || fresh === 'stale') return 'attention';
  if (fresh === 'none') return 'open';
  return reading?.values.drops === 'none' ? 'done' : 'half';
}

export const balanceSummary: Summary = (night, format) => {
  const reading = lastReading(night.records.readings, 'balance', (r) => r.values.axis === 'ra');
  const measuredM = freshness(night, reading) === 'present' ? reading?.values.positionM : undefined;
  const shownM = measuredM ?? night.bar?.found.positionM ?? null;
  return { state: stateWith(night, reading), reading: shownM === null ? '' : format.quantity(shownM, 'barLength') };
};
