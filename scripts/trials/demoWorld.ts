/** The demo's records with one night of Heron, `n1`, and a snapshot `s1` of it: what trials change and derive from, as the
 *  benches do. */
import { byNight } from '../../src/core/history/readingIndex.ts';
import { snapshotsById } from '../../src/core/history/storedSnapshot.ts';
import { recordsOfNight, type AllRecords, type NightRecords } from '../../src/core/history/nightRecords.ts';
import { tellingPole } from '../../src/core/pole/measuredErrors.ts';
import { partsOfRig } from '../../src/core/rig/rigState.ts';
import type { Night } from '../../src/core/records/night.ts';
import type { MountPart, Part } from '../../src/core/records/part.ts';
import { TYPED, type Reading, type ReadingOf } from '../../src/core/records/reading.ts';
import type { Rig } from '../../src/core/records/rig.ts';
import { SETTING_DEFAULTS } from '../../src/core/records/setting.ts';
import type { Site, Target } from '../../src/core/records/site.ts';
import type { Snapshot } from '../../src/core/records/snapshot.ts';
import { head, night, plan } from '../../src/storage/demo/demoNights.ts';
import { DEMO_PARTS } from '../../src/storage/demo/demoParts.ts';
import { DEMO_RIGS, DEMO_SITES, DEMO_TARGETS } from '../../src/storage/demo/demoRigs.ts';

export const TRIAL_NOW = Date.parse('2026-11-24T19:21:00Z');

/** The head of a record of the trial's own. */
export const own = { ...head(TRIAL_NOW), deviceId: 'trial', origin: 'user' as const };

/** With the one snapshot as a record. */
export function demoWorld(): AllRecords & { snapshot: Snapshot } {
  const parts = DEMO_PARTS.map((p): Part => ({ ...own, ...p }));
  const rigs = DEMO_RIGS.map((r): Rig => ({ ...own, ...r }));
  const sites = DEMO_SITES.map((s): Site => ({ ...own, ...s }));
  const targets = DEMO_TARGETS.map((t): Target => ({ ...own, ...t }));
  const nights: Night[] = [
    night(TRIAL_NOW, 'n1', '2026-11-24', 'demo-estrela', 'demo-heron', plan('demo-ngc281', 120)),
  ];
  const rig = rigs.find((r) => r.id === 'demo-heron');
  const site = sites.find((s) => s.id === 'demo-estrela');
  if (!rig || !site) throw new Error('the demo lacks its rig or site');
  const snapshot = { id: 's1', takenAtUtc: '2026-11-24T18:00:00.000Z', rig, parts: partsOfRig(rig, parts), site };
  const snapshots = snapshotsById([snapshot]);
  const { limits, schools } = SETTING_DEFAULTS;
  return { parts, rigs, sites: [site], targets, nights, readings: byNight([]), snapshots, snapshot, limits, schools };
}

const WORLD = demoWorld();

/** What a trial has otherwise on its night. */
export type TrialWish = {
  readings: readonly Reading[];
  site?: Partial<Site>;
  mount?: (mount: MountPart) => MountPart;
  placed?: Rig['placed'];
  parts?: readonly Part[];
};

/** The night's records as the benches get them. */
export function trialNight({ readings, site = {}, mount = (m) => m, placed, parts = [] }: TrialWish): NightRecords {
  const kept = WORLD.snapshot;
  const all = [...WORLD.parts.map((p) => (p.id === kept.rig.mountId && p.kind === 'mount' ? mount(p) : p)), ...parts];
  const rig = { ...kept.rig, placed: placed ?? kept.rig.placed };
  const here = { ...kept.site, ...site };
  const snapshots = snapshotsById([{ ...kept, rig, parts: partsOfRig(rig, all), site: here }]);
  const changed = {
    ...WORLD,
    parts: all,
    rigs: [rig],
    sites: [here],
    snapshots,
    readings: byNight(
      readings,
      tellingPole(() => here.latDeg),
    ),
  };
  const records = recordsOfNight(changed, 'n1', TRIAL_NOW);
  if (!records) throw new Error('the night is missing');
  return records;
}

/** A reading of that night, so many minutes after its moment. */
export function trialReading<K extends Reading['kind']>(
  kind: K,
  values: ReadingOf<K>['values'],
  minutes: number,
  rest: Partial<Reading> = {},
): Reading {
  const at = new Date(TRIAL_NOW + minutes * 60_000).toISOString();
  return {
    ...TYPED,
    id: `trial-${kind}-${minutes}`,
    deviceId: 'trial',
    nightId: 'n1',
    snapshotId: 's1',
    step: 'polar',
    subject: { type: 'mount', id: 'demo-heron-mount' },
    takenAtUtc: at,
    recordedAtUtc: at,
    kind,
    values,
    ...rest,
  } as Reading;
}
