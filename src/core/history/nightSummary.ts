/** What lists show of a night, and what other nights count of it, by its own readings alone. */
import type { Reading, ReadingOf } from '../records/reading.ts';

/** Total error on the sky against the true pole, and against the one that the air shows. */
export type PolarTold = Readonly<Record<'true' | 'refracted', number>>;

/** What has to be told to a summary: where a snapshot was taken, null = not known, and what a night's standing readings come
 *  to as an error of its axis. */
export type Tell = {
  latOf: (snapshotId: string) => number | null;
  polarOf: (standing: readonly Reading[], latDeg: number) => PolarTold | null;
};
export const NOTHING_TOLD: Tell = { latOf: () => null, polarOf: () => null };

export type SnapshotSince = Readonly<{ snapshotId: string; sinceUtc: string }>;

export type NightSummary = {
  /** Readings and retractions. */
  readonly stored: number;
  /** Standing readings. */
  readonly readings: number;
  /** Of the stored ones those that are not the demo's. */
  readonly own: number;
  /** The axis as it was measured last; null = not measured. */
  readonly polarArcmin: PolarTold | null;
  /** Where right ascension stayed. */
  readonly balanceM: number | null;
  readonly seeingArcsec: number | null;
  readonly subs: Readonly<{ count: number; usable: number }> | null;
  /** Dressings of a rig with which most stars were good, and since when that is known. */
  readonly good: readonly SnapshotSince[];
  /** What was recorded with, one after the other, also where it was taken back: so the rig was. */
  readonly worn: readonly SnapshotSince[];
  /** Of all standing readings. */
  readonly snapshotIds: readonly string[];
};

/** A night counts as good from this many subs and this share of usable ones on. */
const FEWEST_SUBS = 5;
const GOOD_SHARE = 0.8;

const lastOf = <K extends Reading['kind']>(readings: readonly Reading[], kind: K): ReadingOf<K> | undefined =>
  readings.findLast((r): r is ReadingOf<K> => r.kind === kind);

const isGood = ({ count, usable }: ReadingOf<'subs'>['values']): boolean =>
  count >= FEWEST_SUBS && usable / count >= GOOD_SHARE;

/** What was typed in later was not known before. */
export const knownSinceUtc = ({ takenAtUtc, recordedAtUtc }: Reading): string =>
  takenAtUtc > recordedAtUtc ? takenAtUtc : recordedAtUtc;

function wornOf(stored: readonly Reading[]): SnapshotSince[] {
  const recorded = stored
    .filter((r) => r.kind !== 'retract')
    .map(({ snapshotId, recordedAtUtc, seq = 0 }) => ({ snapshotId, sinceUtc: recordedAtUtc, seq }))
    .sort((a, b) => (a.sinceUtc === b.sinceUtc ? a.seq - b.seq : a.sinceUtc < b.sinceUtc ? -1 : 1));
  return recorded.flatMap(({ snapshotId, sinceUtc }, i) =>
    snapshotId === recorded[i - 1]?.snapshotId ? [] : [{ snapshotId, sinceUtc }],
  );
}

/** @param stored everything, retractions too. @param standing those that stand, in order. */
export function summaryOf(
  stored: readonly Reading[],
  standing: readonly Reading[],
  { latOf, polarOf }: Tell,
): NightSummary {
  const last = standing.at(-1);
  const latDeg = last ? latOf(last.snapshotId) : null;
  const stayed = standing.findLast(
    (r): r is ReadingOf<'balance'> => r.kind === 'balance' && r.values.axis === 'ra' && r.values.drops === 'none',
  );
  let polar: { told: NightSummary['polarArcmin'] } | null = null;
  return {
    stored: stored.length,
    readings: standing.length,
    own: stored.filter((r) => r.deviceId !== 'demo').length,
    // Reckoned when a list asks: a reading that cannot be reckoned with must not stand in the way of reading it.
    get polarArcmin() {
      return (polar ??= { told: latDeg === null ? null : polarOf(standing, latDeg) }).told;
    },
    balanceM: stayed?.values.positionM ?? null,
    seeingArcsec: lastOf(standing, 'seeing')?.values.fwhmArcsec ?? null,
    subs: lastOf(standing, 'subs')?.values ?? null,
    good: standing.flatMap((r) =>
      r.kind === 'subs' && isGood(r.values) ? [{ snapshotId: r.snapshotId, sinceUtc: knownSinceUtc(r) }] : [],
    ),
    worn: wornOf(stored),
    snapshotIds: [...new Set(standing.map((r) => r.snapshotId))],
  };
}
