/** Which readings stand, and their order. */
import type { Reading } from '../records/reading.ts';

/** A reading that was typed in later keeps its own time; one taken as it was recorded is this near, ms. */
const AS_RECORDED_MS = 120_000;

const takenAsRecorded = (r: Reading): boolean =>
  Math.abs(Date.parse(r.recordedAtUtc) - Date.parse(r.takenAtUtc)) <= AS_RECORDED_MS;

/** The times by which readings are ordered. A clock that was set back does not turn round what one device recorded one
 *  after the other: among its counted readings none stands before an earlier one. */
function orderTimes(readings: readonly Reading[]): ReadonlyMap<Reading, string> {
  const times = new Map<Reading, string>();
  const latest = new Map<string, string>();
  const counted = readings.filter((r) => r.seq !== undefined && takenAsRecorded(r));
  for (const r of [...counted].sort((a, b) => (a.seq ?? 0) - (b.seq ?? 0))) {
    const before = latest.get(r.deviceId) ?? '';
    const time = r.takenAtUtc > before ? r.takenAtUtc : before;
    latest.set(r.deviceId, time);
    times.set(r, time);
  }
  return times;
}

const compare = (a: string | number, b: string | number): number => (a < b ? -1 : a > b ? 1 : 0);

/** Readings in order, with the time that each is ordered by. */
export type Ordered = { readings: readonly Reading[]; timeOf: (reading: Reading) => string };

function inOrder(readings: readonly Reading[]): Ordered {
  const times = orderTimes(readings);
  const timeOf = (r: Reading): string => times.get(r) ?? r.takenAtUtc;
  const sorted = [...readings].sort(
    (a, b) =>
      compare(timeOf(a), timeOf(b)) ||
      (a.deviceId === b.deviceId && a.seq !== undefined && b.seq !== undefined
        ? compare(a.seq, b.seq)
        : compare(a.id, b.id)),
  );
  return { readings: sorted, timeOf };
}

/** Ids taken back by a retraction that itself stands: one that was taken back counts no more. Whatever the clocks say,
 *  only the links between them tell. */
function takenBack(readings: readonly Reading[]): ReadonlySet<string> {
  const by = new Map<string, Reading[]>();
  for (const r of readings) {
    if (r.kind === 'retract') by.set(r.values.readingId, [...(by.get(r.values.readingId) ?? []), r]);
  }
  const known = new Map<string, boolean>();
  const isTakenBack = (id: string): boolean => {
    const found = known.get(id);
    if (found !== undefined) return found;
    // Two retractions of each other cannot be made; a file that holds them must not hang the app.
    known.set(id, false);
    const value = (by.get(id) ?? []).some((r) => !isTakenBack(r.id));
    known.set(id, value);
    return value;
  };
  return new Set([...by.keys()].filter(isTakenBack));
}

/** True when a retraction that stands takes the reading back. */
export function isTakenBack(readings: readonly Reading[], id: string): boolean {
  return takenBack(readings).has(id);
}

/** The readings of a night that were not retracted, in order, without the retractions. A retraction is a reading of the
 *  same night. */
export function standingOf(readings: readonly Reading[]): Ordered {
  const gone = takenBack(readings);
  return inOrder(readings.filter((r) => r.kind !== 'retract' && !gone.has(r.id)));
}

export const standingReadings = (readings: readonly Reading[]): readonly Reading[] => standingOf(readings).readings;
