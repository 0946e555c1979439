/** What a station's state follows from: the readings of tonight and the rig as it is. Derived, never stored. */
import type { NightStatic } from '../core/night/nightStatic.ts';
import type { Reading } from '../core/records/reading.ts';
import type { Format } from '../text/format.ts';
import type { StationState } from '../text/stations.ts';

export type StationSummary = { state: StationState; reading: string };
export type Summary = (night: NightStatic, format: Format) => StationSummary;

/** A reading of tonight: with the rig as it is now, with an older state of it (stale), or none. */
export function freshness(night: NightStatic, reading: Reading | undefined): 'none' | 'present' | 'stale' {
  if (!reading) return 'none';
  return night.records.fromSnapshot || night.records.presentSnapshotIds.has(reading.snapshotId) ? 'present' : 'stale';
}

/** Open without any of the readings, half with some, done with all; stale ones ask for attention. */
export function stateOf(night: NightStatic, needed: readonly (Reading | undefined)[]): StationState {
  const all = needed.map((reading) => freshness(night, reading));
  if (all.includes('stale')) return 'attention';
  const present = all.filter((f) => f === 'present').length;
  if (present === 0) return 'open';
  return present === all.length ? 'done' : 'half';
}
