/** The demo's records with one night of Heron, `n1`, and a snapshot `s1` of it: what trials change and derive from. */
import type { AllRecords } from '../../src/core/night/nightRecords.ts';
import { partsOfRig } from '../../src/core/night/rigState.ts';
import type { Night } from '../../src/core/records/night.ts';
import type { Part } from '../../src/core/records/part.ts';
import type { Rig } from '../../src/core/records/rig.ts';
import { SETTING_DEFAULTS } from '../../src/core/records/setting.ts';
import type { Site, Target } from '../../src/core/records/site.ts';
import { head, night, plan } from '../../src/storage/demo/demoNights.ts';
import { DEMO_PARTS } from '../../src/storage/demo/demoParts.ts';
import { DEMO_RIGS, DEMO_SITES, DEMO_TARGETS } from '../../src/storage/demo/demoRigs.ts';

export const TRIAL_NOW = Date.parse('2026-11-24T19:21:00Z');

export function demoWorld(): AllRecords {
  const own = { ...head(TRIAL_NOW), deviceId: 'trial', origin: 'user' as const };
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
  const snapshots = [{ id: 's1', takenAtUtc: '2026-11-24T18:00:00.000Z', rig, parts: partsOfRig(rig, parts), site }];
  const { limits, schools } = SETTING_DEFAULTS;
  return { parts, rigs, sites: [site], targets, nights, readings: [], snapshots, limits, schools };
}
