/** Polar alignment in the run: measured, set by eye, or open; a tracker's last check counts only after the rough pole
 *  and whatever was recorded on the way. */
import { poleOfNight } from '../../core/pole/poleOfNight.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { StationSummary, Summary } from '../../session/stationState.ts';

export const polarSummary: Summary = ({ records }, format): StationSummary => {
  const { basis, totalArcmin } = poleOfNight(records);
  switch (basis) {
    case 'measured':
      return { state: 'done', reading: format.quantity(totalArcmin ?? 0, 'arcmin') };
    case 'turned':
      return { state: 'half', reading: 'turned' };
    case 'inPart':
      return { state: 'half', reading: 'in part' };
    case 'byEye':
      return { state: 'half', reading: 'by eye' };
    case 'untouched':
      return { state: 'open', reading: '' };
  }
};

/** When the rig was last touched after the rough pole: balance and focus move the axis. */
function lastTouchUtc({ records }: NightStatic): string {
  const { tonight } = records;
  const touched = [...tonight.of('balance'), ...tonight.of('focus')].map((r) => r.takenAtUtc);
  return touched.sort().at(-1) ?? '';
}

export const roughPoleSummary: Summary = (night, format) => {
  const summary = polarSummary(night, format);
  return { ...summary, state: summary.state === 'half' ? 'done' : summary.state };
};

export const finalPoleSummary: Summary = (night, format) => {
  const check = night.records.tonight.of('event').findLast((r) => r.values.what === 'lastPoleCheck');
  const measuredUtc = poleOfNight(night.records).takenAtUtc;
  const last = [check?.takenAtUtc ?? '', measuredUtc ?? ''].sort().at(-1) ?? '';
  const touchUtc = lastTouchUtc(night);
  // A measurement counts as the last check only when something was put on after the rough pole.
  const done = last !== '' && last >= touchUtc && (check !== undefined || touchUtc !== '');
  return {
    state: done ? 'done' : 'open',
    reading: measuredUtc === null ? '' : polarSummary(night, format).reading,
  };
};
