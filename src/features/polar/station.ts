/** Polar alignment in the run: measured, set by eye, or open; a tracker's last check counts only after the rough pole
 *  and whatever was recorded on the way. */
import { FINAL_CHECK, POLAR_LIST } from '../../core/night/checklists.ts';
import { totalErrorArcmin } from '../../core/mount/polarDrift.ts';
import { knobTurnedSince, lastReading } from '../../core/night/nightRecords.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Summary } from '../../session/stationState.ts';

export const polarSummary: Summary = (night, format) => {
  const { readings, site } = night.records;
  const error = lastReading(readings, 'polarError');
  if (error) {
    const total = totalErrorArcmin(error.values, site.latDeg);
    if (knobTurnedSince(readings)) return { state: 'half', reading: 'turned' };
    return { state: 'done', reading: format.quantity(total, 'arcmin') };
  }
  const byEye = lastReading(readings, 'check', (r) => r.values.listId === POLAR_LIST && r.values.done);
  return byEye ? { state: 'half', reading: 'by eye' } : { state: 'open', reading: '' };
};

/** When the rig was last touched after the rough pole: balance and focus move the axis. */
function lastTouchUtc({ records }: NightStatic): string {
  const touched = records.readings.filter((r) => r.kind === 'balance' || r.kind === 'focus').map((r) => r.takenAtUtc);
  return touched.sort().at(-1) ?? '';
}

export const roughPoleSummary: Summary = (night, format) => {
  const summary = polarSummary(night, format);
  return { ...summary, state: summary.state === 'half' ? 'done' : summary.state };
};

export const finalPoleSummary: Summary = (night, format) => {
  const { readings } = night.records;
  const check = lastReading(
    readings,
    'check',
    (r) => r.values.listId === POLAR_LIST && r.values.itemId === FINAL_CHECK && r.values.done,
  );
  const error = lastReading(readings, 'polarError');
  const last = [check, error]
    .flatMap((r) => r?.takenAtUtc ?? [])
    .sort()
    .at(-1);
  const touchUtc = lastTouchUtc(night);
  // A measurement counts as the last check only when something was put on after the rough pole.
  const done = last !== undefined && last >= touchUtc && (check !== undefined || touchUtc !== '');
  return { state: done ? 'done' : 'open', reading: error ? polarSummary(night, format).reading : '' };
};
