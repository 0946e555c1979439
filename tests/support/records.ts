/** Records of the demo scenario as plain objects, for tests that need a whole night without a database. */
import { byNight } from '../../src/core/history/readingIndex.ts';
import type { AllRecords } from '../../src/core/history/nightRecords.ts';
import { snapshotsById } from '../../src/core/history/storedSnapshot.ts';
import { recordsOfNight, type NightRecords } from '../../src/core/history/nightRecords.ts';
import { tellingPole } from '../../src/core/pole/measuredErrors.ts';
import { partsOfRig } from '../../src/core/rig/rigState.ts';
import type { BackupLists } from '../../src/formats/backup.ts';
import type { Night } from '../../src/core/records/night.ts';
import type { Part } from '../../src/core/records/part.ts';
import { TYPED, type EventName, type Reading } from '../../src/core/records/reading.ts';
import { SETTING_DEFAULTS } from '../../src/core/records/setting.ts';
import type { Rig } from '../../src/core/records/rig.ts';
import type { Snapshot } from '../../src/core/records/snapshot.ts';
import type { Site, Target } from '../../src/core/records/site.ts';
import { DEMO_PARTS } from '../../src/storage/demo/demoParts.ts';
import { DEMO_RIGS, DEMO_SITES, DEMO_TARGETS } from '../../src/storage/demo/demoRigs.ts';

export const NOW = Date.parse('2026-11-24T19:21:00Z');

/** The head of a record of one's own. */
export const head = {
  rev: 1,
  deviceId: 'test',
  createdAtUtc: '2026-11-01T00:00:00.000Z',
  updatedAtUtc: '2026-11-01T00:00:00.000Z',
  deletedAtUtc: null,
  origin: 'user' as const,
  archived: false,
  note: '',
};

export const parts: Part[] = DEMO_PARTS.map((p) => ({ ...head, ...p }));
export const rigs: Rig[] = DEMO_RIGS.map((r) => ({ ...head, ...r }));
export const sites: Site[] = DEMO_SITES.map((s) => ({ ...head, ...s }));
export const targets: Target[] = DEMO_TARGETS.map((t) => ({ ...head, ...t }));

type Wish = {
  date?: string;
  site?: Partial<Site>;
  rigId?: string;
  targetId?: string | null;
  target?: Partial<Target>;
  plan?: Partial<Night['plan'][number]>;
  darkness?: Night['darkness'];
  readings?: Reading[];
  parts?: Part[];
  snapshots?: Snapshot[];
};

/** All records with one night `n1` made to wish. */
export function world(wish: Wish = {}): AllRecords {
  const site: Site = { ...(sites[0] as Site), ...wish.site };
  const targetId = wish.targetId === undefined ? 'demo-ngc281' : wish.targetId;
  const night: Night = {
    ...head,
    id: 'n1',
    eveningDate: wish.date ?? '2026-11-24',
    siteId: site.id,
    rigId: wish.rigId ?? 'demo-heron',
    darkness: wish.darkness ?? 'astronomical',
    plan:
      targetId === null
        ? []
        : [
            {
              targetId,
              subS: 120,
              gapS: 5,
              count: null,
              startUtc: null,
              ditherEvery: 0,
              refocusEveryMin: null,
              strategy: 'endOfCrossingSub',
              limitH: null,
              ...wish.plan,
            },
          ],
  };
  const ownTargets = targets.map((t) => (t.id === targetId ? { ...t, ...wish.target } : t));
  return {
    nights: [night],
    rigs,
    parts: wish.parts ?? parts,
    sites: [site],
    targets: ownTargets,
    readings: byNight(
      wish.readings ?? [],
      tellingPole(() => site.latDeg),
    ),
    snapshots: snapshotsById(wish.snapshots ?? []),
    limits: SETTING_DEFAULTS.limits,
    schools: SETTING_DEFAULTS.schools,
  };
}

/** A snapshot of the rig as it stands by the wish, or as it was before a change. */
export function snapshotOf(wish: Wish = {}, id = 's1', before: (rig: Rig) => Rig = (rig) => rig): Snapshot {
  const all = world(wish);
  const rig = before(all.rigs.find((r) => r.id === (wish.rigId ?? 'demo-heron')) as Rig);
  const takenAtUtc = '2026-11-24T18:00:00.000Z';
  return { id, takenAtUtc, rig, parts: partsOfRig(rig, all.parts), site: all.sites[0] as Site };
}

export function nightRecords(wish: Wish = {}, nowMs = NOW): NightRecords {
  const found = recordsOfNight(world(wish), 'n1', nowMs);
  if (!found) throw new Error('the night is missing');
  return found;
}

export const readingsIn = (all: Pick<AllRecords, 'readings'>): Reading[] =>
  [...all.readings.values()].flatMap((night) => night.stored);

/** Lists as a backup holds them, as records to derive from. */
export const recordsIn = (lists: BackupLists): AllRecords => ({
  ...lists,
  ...SETTING_DEFAULTS,
  readings: byNight(
    lists.readings,
    tellingPole(() => lists.sites[0]?.latDeg ?? null),
  ),
  snapshots: snapshotsById(lists.snapshots),
});

/** The same records with some readings more. */
export const withReadings = (all: AllRecords, more: readonly Reading[]): AllRecords => ({
  ...all,
  readings: byNight(
    [...readingsIn(all), ...more],
    tellingPole(() => all.sites[0]?.latDeg ?? null),
  ),
});

/** A reading of the night with sensible rest. */
export function reading(kind: Reading['kind'], values: object, rest: Partial<Reading> = {}): Reading {
  return {
    ...TYPED,
    id: `r-${kind}-${rest.takenAtUtc ?? ''}`,
    deviceId: 'test',
    nightId: 'n1',
    snapshotId: 's1',
    step: 'polar',
    subject: { type: 'night', id: 'n1' },
    takenAtUtc: '2026-11-24T20:00:00.000Z',
    recordedAtUtc: '2026-11-24T20:00:00.000Z',
    kind,
    values,
    ...rest,
  } as Reading;
}

/** Heron's worst pose, tried by day: a little more room than the drawing has. */
export const GAP_MEASURED = reading(
  'gap',
  { haH: 0.25, decDeg: 56.6, state: 'beforeFlip', gapM: 0.062 },
  { step: 'meridian', subject: { type: 'rig', id: 'demo-heron' }, takenAtUtc: '2026-11-24T15:00:00.000Z' },
);

/** Something that happened, as a record. */
export const event = (what: EventName, rest: Partial<Reading> = {}): Reading =>
  reading('event', { what }, { id: `r-${what}-${rest.takenAtUtc ?? ''}`, ...rest });

export { partsOfRig };
