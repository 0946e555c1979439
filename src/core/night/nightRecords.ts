/** The records that one night is derived from, and which of them: past nights derive from their snapshots. */
import type { Night } from '../records/night.ts';
import type { Part } from '../records/part.ts';
import type { Reading } from '../records/reading.ts';
import type { Rig, Schools } from '../records/rig.ts';
import type { Site, Target } from '../records/site.ts';
import type { Snapshot } from '../records/snapshot.ts';
import { localNoon } from '../time/civil.ts';
import { MS_PER_DAY } from '../time/utc.ts';
import type { RatioLimits } from '../verdict/assumptions.ts';
import { goodInertiaKgM2 } from './goodInertia.ts';
import { partsOfRig, sameState } from './rigState.ts';

export type NightRecords = {
  night: Night;
  rig: Rig;
  parts: readonly Part[];
  site: Site;
  targets: readonly Target[];
  /** Readings of this night that were not retracted, in the order they were taken. */
  readings: readonly Reading[];
  /** Readings of other nights, not retracted, in the order they were taken: what mount and rig have taught. */
  history: readonly Reading[];
  limits: RatioLimits;
  /** The rig's own schools of practice over the user's. */
  schools: Schools;
  /** Snapshots that hold rig, parts and site exactly as shown: readings with another one were taken before a change. */
  presentSnapshotIds: ReadonlySet<string>;
  /** By id: with what each reading was taken. */
  snapshots: ReadonlyMap<string, Snapshot>;
  /** The largest inertia about the declination axis that this mount carried with good stars; null before that. */
  goodInertiaKgM2: number | null;
  /** True when rig, parts and site are the copies taken with the night's last reading. */
  fromSnapshot: boolean;
};

export type AllRecords = {
  nights: readonly Night[];
  rigs: readonly Rig[];
  parts: readonly Part[];
  sites: readonly Site[];
  targets: readonly Target[];
  readings: readonly Reading[];
  snapshots: readonly Snapshot[];
  limits: RatioLimits;
  schools: Schools;
};

const byTime = (a: Reading, b: Reading): number =>
  a.takenAtUtc < b.takenAtUtc ? -1 : a.takenAtUtc > b.takenAtUtc ? 1 : a.id < b.id ? -1 : 1;

/** Drops retractions and what they retract; a retraction can itself be retracted, which brings the reading back. Sorts
 *  by the time taken. */
export function standingReadings(readings: readonly Reading[]): Reading[] {
  const retracted = new Set<string>();
  const retractions = readings.filter((r) => r.kind === 'retract').sort(byTime);
  // The last word first: a retraction counts only when nothing later took it back.
  for (const r of retractions.reverse()) if (!retracted.has(r.id)) retracted.add(r.values.readingId);
  return readings.filter((r) => r.kind !== 'retract' && !retracted.has(r.id)).sort(byTime);
}

/** True when the night's 24 hours lie wholly before the instant. */
export function isPastNight(night: Night, zoneIana: string, nowMs: number): boolean {
  return localNoon(night.eveningDate, zoneIana) + MS_PER_DAY <= nowMs;
}

type RigState = { rig: Rig; parts: readonly Part[]; site: Site; fromSnapshot: boolean };

/** The copies taken with a past night's last reading; else the records as they stand; null when one is gone. */
function rigStateOf(all: AllRecords, night: Night, last: Reading | undefined, nowMs: number): RigState | null {
  const site = all.sites.find((s) => s.id === night.siteId);
  const snapshot = last ? all.snapshots.find((s) => s.id === last.snapshotId) : undefined;
  const zone = (site ?? snapshot?.site)?.zoneIana;
  if (snapshot && zone !== undefined && isPastNight(night, zone, nowMs)) {
    return { rig: snapshot.rig, parts: snapshot.parts, site: snapshot.site, fromSnapshot: true };
  }
  const rig = all.rigs.find((r) => r.id === night.rigId);
  return rig && site ? { rig, parts: all.parts, site, fromSnapshot: false } : null;
}

/** Everything that belongs to a night, or null when night, rig or site are not there. A night that is over uses the
 *  snapshot of its last reading; tonight and nights to come use the records as they stand. */
export function recordsOfNight(all: AllRecords, nightId: string, nowMs: number): NightRecords | null {
  const night = all.nights.find((n) => n.id === nightId && n.deletedAtUtc === null);
  if (!night) return null;
  const standing = standingReadings(all.readings);
  const readings = standing.filter((r) => r.nightId === nightId);
  const state = rigStateOf(all, night, readings.at(-1), nowMs);
  if (!state) return null;
  const ownParts = partsOfRig(state.rig, state.parts);
  const present = all.snapshots.filter(
    (s) => s.rig.id === state.rig.id && sameState(s, state.rig, ownParts, state.site),
  );
  return {
    night,
    ...state,
    targets: all.targets,
    readings,
    history: standing.filter((r) => r.nightId !== nightId),
    limits: all.limits,
    schools: { ...all.schools, ...state.rig.schools } as Schools,
    presentSnapshotIds: new Set(present.map((s) => s.id)),
    snapshots: new Map(all.snapshots.map((s) => [s.id, s])),
    goodInertiaKgM2: goodInertiaKgM2(standing, all.snapshots, state.rig.mountId),
  };
}

/** The last standing reading of a kind, or undefined. */
export function lastReading<K extends Reading['kind']>(
  readings: readonly Reading[],
  kind: K,
  accept: (reading: Extract<Reading, { kind: K }>) => boolean = () => true,
): Extract<Reading, { kind: K }> | undefined {
  const found = readings.filter((r): r is Extract<Reading, { kind: K }> => r.kind === kind);
  return found.filter(accept).at(-1);
}

/** A bolt or knob was turned after the last error that was measured. */
export function knobTurnedSince(readings: readonly Reading[]): boolean {
  return readings.findLast((r) => r.kind === 'polarError' || r.kind === 'knobTurn')?.kind === 'knobTurn';
}
