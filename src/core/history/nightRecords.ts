/** The records that one night is derived from, and which of them: past nights derive from their snapshots and from what
 *  was known by their end. */
import { latestPer, oncePer } from '../once.ts';
import type { Night } from '../records/night.ts';
import type { Part } from '../records/part.ts';
import type { Reading } from '../records/reading.ts';
import type { Rig, Schools } from '../records/rig.ts';
import type { Site, Target } from '../records/site.ts';
import type { Snapshot } from '../records/snapshot.ts';
import { localNoon, usableZone } from '../time/civil.ts';
import { MS_PER_DAY, toUtcText } from '../time/utc.ts';
import type { StretchLimits } from '../verdict/assumptions.ts';
import { standingIn, type PastReadings, type ReadingLists, type ReadingsByNight } from './readingIndex.ts';
import { statePrint, type SnapshotsById } from './storedSnapshot.ts';
import type { SnapshotSince } from './nightSummary.ts';
import { partsOfRig } from '../rig/rigState.ts';

export type NightRecords = {
  night: Night;
  rig: Rig;
  parts: readonly Part[];
  /** With a zone that this runtime knows. */
  site: Site;
  targets: readonly Target[];
  /** Readings of this night that were not retracted, in the order they were taken. */
  readings: readonly Reading[];
  /** The time by which one of them is ordered. */
  timeOf: (reading: Reading) => string;
  /** The same by kind. */
  tonight: ReadingLists;
  /** With all other nights up to this one's end: what mount, rig and site have taught. */
  known: PastReadings;
  /** The same without this night. */
  earlier: PastReadings;
  /** Standing readings of any night that teach others, and any night as it derives from what was known by its own end: for
   *  what one night says to another. */
  ofNight: (nightId: string) => readonly Reading[];
  otherNight: (nightId: string) => NightRecords | null;
  limits: StretchLimits;
  /** The rig's own schools of practice over the user's. */
  schools: Schools;
  /** Snapshots that hold rig, parts and site exactly as shown: readings with another one were taken before a change. */
  presentSnapshotIds: ReadonlySet<string>;
  /** By id: with what each reading was taken. */
  snapshots: SnapshotsById;
  /** True when rig, parts and site are the copies taken with the last reading by the night's end. */
  fromSnapshot: boolean;
  /** The site's own zone where this runtime does not know it; the clock then follows the longitude. */
  unknownZone: string | null;
};

export type AllRecords = {
  nights: readonly Night[];
  rigs: readonly Rig[];
  parts: readonly Part[];
  sites: readonly Site[];
  targets: readonly Target[];
  readings: ReadingsByNight;
  snapshots: SnapshotsById;
  limits: StretchLimits;
  schools: Schools;
};

/** When a night's 24 hours are over. */
export function nightEndMs({ eveningDate }: Pick<Night, 'eveningDate'>, site: Site): number {
  return localNoon(eveningDate, usableZone(site)) + MS_PER_DAY;
}

/** True when the night's 24 hours lie wholly before the instant. */
export function isPastNight(night: Night, site: Site, nowMs: number): boolean {
  return nightEndMs(night, site) <= nowMs;
}

type Judged = Pick<AllRecords, 'parts' | 'targets' | 'limits' | 'schools'>;
type RigState = Judged & { rig: Rig; site: Site; fromSnapshot: boolean };

/** The copies taken with the last reading that was recorded by the night's end; of a night that was only written down
 *  afterwards those of the first one. What is added later changes nothing that was. */
function snapshotOfNight({ readings, snapshots }: AllRecords, night: Night): Snapshot | undefined {
  const worn = readings.get(night.id)?.summary.worn ?? [];
  const wholeOf = ({ snapshotId }: SnapshotSince): Snapshot | undefined => snapshots.get(snapshotId)?.whole();
  const inTime = worn.findLast((one) => {
    const site = wholeOf(one)?.site;
    return site && Date.parse(one.sinceUtc) < nightEndMs(night, site);
  });
  const [first] = worn;
  const chosen = inTime ?? first;
  return chosen && wholeOf(chosen);
}

/** Of a past night as they were then; else the records as they stand; null when one is gone. */
function rigStateOf(all: AllRecords, night: Night, nowMs: number): RigState | null {
  const snapshot = snapshotOfNight(all, night);
  if (snapshot && isPastNight(night, snapshot.site, nowMs)) {
    const { rig, parts, site, targets = [], limits = all.limits, schools = all.schools } = snapshot;
    const kept = new Set(targets.map(({ id }) => id));
    const since = all.targets.filter(({ id }) => !kept.has(id));
    return { rig, parts, site, targets: [...targets, ...since], limits, schools, fromSnapshot: true };
  }
  const site = all.sites.find((s) => s.id === night.siteId);
  const rig = all.rigs.find((r) => r.id === night.rigId);
  const { parts, targets, limits, schools } = all;
  return rig && site ? { rig, parts, site, targets, limits, schools, fromSnapshot: false } : null;
}

const withUsableZone = oncePer((site: Site): Site => {
  const zoneIana = usableZone(site);
  return zoneIana === site.zoneIana ? site : { ...site, zoneIana };
});

const NONE: ReadonlySet<string> = new Set();

function presentSnapshots(snapshots: SnapshotsById, { rig, parts, site }: RigState): ReadonlySet<string> {
  const print = statePrint(rig, partsOfRig(rig, parts), site);
  return new Set([...snapshots.values()].filter((s) => s.print === print).map((s) => s.id));
}

/** The nights of all records, each derived once. */
const nightsOf = latestPer((all: AllRecords, nowMs: number): ((nightId: string) => NightRecords | null) => {
  const made = new Map<string, NightRecords | null>();
  return (nightId) => {
    const known = made.get(nightId);
    if (known !== undefined) return known;
    const night = derive(all, nightId, nowMs);
    made.set(nightId, night);
    return night;
  };
});

/** Everything that belongs to a night, or null when night, rig or site are not there. A night that is over stands as it
 *  was: rig, site, targets, limits and schools are those of its last reading by its end; tonight and nights to come use the
 *  records as they stand. What was recorded after the night's end on other nights is not known to it; a retraction counts
 *  whenever it was made. */
export function recordsOfNight(all: AllRecords, nightId: string, nowMs: number): NightRecords | null {
  return nightsOf(all, nowMs)(nightId);
}

function derive(all: AllRecords, nightId: string, nowMs: number): NightRecords | null {
  const night = all.nights.find((n) => n.id === nightId && n.deletedAtUtc === null);
  if (!night) return null;
  const standing = standingIn(all.readings);
  const readings = standing.ofNight(nightId);
  const state = rigStateOf(all, night, nowMs);
  if (!state) return null;
  const endUtc = toUtcText(nightEndMs(night, state.site));
  const known = standing.knownBy(nightId, endUtc);
  const site = withUsableZone(state.site);
  return {
    night,
    ...state,
    site,
    unknownZone: site === state.site ? null : state.site.zoneIana,
    readings,
    timeOf: standing.timeOf(nightId),
    tonight: standing.listsOfNight(nightId),
    known,
    earlier: standing.knownBefore(nightId, endUtc),
    ofNight: standing.ofNight,
    otherNight: (id) => nightsOf(all, nowMs)(id),
    schools: { ...state.schools, ...state.rig.schools } as Schools,
    presentSnapshotIds: state.fromSnapshot ? NONE : presentSnapshots(all.snapshots, state),
    snapshots: all.snapshots,
  };
}

/** The last reading of a kind that is accepted, or undefined. */
export function lastReading<K extends Reading['kind']>(
  readings: readonly Reading[],
  kind: K,
  accept: (reading: Extract<Reading, { kind: K }>) => boolean = () => true,
): Extract<Reading, { kind: K }> | undefined {
  return readings.findLast((r): r is Extract<Reading, { kind: K }> => r.kind === kind && accept(r as never));
}
