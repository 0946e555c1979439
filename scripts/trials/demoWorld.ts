/** The demo's records with one night of Heron, `n1`, and a snapshot `s1` of it: what trials change and derive from, as the
 *  benches do. */
import { byNight } from '../../src/core/history/readingIndex.ts';
import { snapshotsById } from '../../src/core/history/storedSnapshot.ts';
import { recordsOfNight, type AllRecords, type NightRecords } from '../../src/core/history/nightRecords.ts';
import { tellingPole } from '../../src/core/pole/measuredErrors.ts';
import { partsOfRig } from '../../src/core/rig/rigState.ts';
import type { Night, PlanEntry } from '../../src/core/records/night.ts';
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
  readings?: readonly Reading[];
  site?: Partial<Site>;
  mount?: (mount: MountPart) => MountPart;
  /** Every part, the mount too. */
  part?: (part: Part) => Part;
  rig?: Partial<Rig>;
  placed?: Rig['placed'];
  parts?: readonly Part[];
  plan?: Partial<PlanEntry>;
  target?: Partial<Target>;
};

/** All records with the night made to wish. */
export function trialWorld({ readings = [], site = {}, part = (p) => p, ...wish }: TrialWish): AllRecords {
  const kept = WORLD.snapshot;
  const { mount = (m) => m, parts = [], placed = kept.rig.placed } = wish;
  const of = (p: Part): Part => part(p.id === kept.rig.mountId && p.kind === 'mount' ? mount(p) : p);
  const all = [...WORLD.parts.map(of), ...parts];
  const rig = { ...kept.rig, placed, ...wish.rig };
  const here = { ...kept.site, ...site };
  return {
    ...WORLD,
    parts: all,
    rigs: [rig],
    sites: [here],
    targets: WORLD.targets.map((t) => ({ ...t, ...wish.target })),
    nights: WORLD.nights.map((n) => ({ ...n, plan: n.plan.map((entry) => ({ ...entry, ...wish.plan })) })),
    snapshots: snapshotsById([{ ...kept, rig, parts: partsOfRig(rig, all), site: here }]),
    readings: byNight(
      readings,
      tellingPole(() => here.latDeg),
    ),
  };
}

/** The night's records as the benches get them. */
export function trialNight(wish: TrialWish): NightRecords {
  const records = recordsOfNight(trialWorld(wish), 'n1', TRIAL_NOW);
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
