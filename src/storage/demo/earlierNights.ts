/** Twelve earlier nights of Heron, at fixed distances from tonight, with readings of every station. */
import type { Night } from '../../core/records/night.ts';
import type { Reading } from '../../core/records/reading.ts';
import type { Rig } from '../../core/records/rig.ts';
import type { Site } from '../../core/records/site.ts';
import type { Snapshot } from '../../core/records/snapshot.ts';
import { partsOfRig } from '../../core/rig/rigState.ts';
import { siteNight } from '../../core/night/plan/skyOfNight.ts';
import { localNoon, shiftDate } from '../../core/time/civil.ts';
import { toUtcText } from '../../core/time/utc.ts';
import { HERON_TARGETS } from './demoRigs.ts';
import { night, plan, wellPlaced, type Shipped } from './demoNights.ts';
import { nightReadings, type Earlier } from './earlierReadings.ts';

/** What was measured on each night: errors of the axis in arcmin, where the weight stayed, width, seeing, temperature. */
const EARLIER: readonly Earlier[] = [
  { daysAgo: 61, alt: 14.2, az: -22.5, positionM: 0.281, seeing: 3.1, rmsRa: 1.02, celsius: 17, subs: [84, 61] },
  { daysAgo: 54, alt: 9.6, az: 12.1, positionM: 0.276, seeing: 2.8, rmsRa: 0.94, celsius: 15, subs: [120, 97] },
  { daysAgo: 47, alt: -6.4, az: 9.8, positionM: 0.275, seeing: 2.4, rmsRa: 0.88, celsius: 13, subs: [141, 128] },
  { daysAgo: 40, alt: 5.1, az: -7.2, positionM: 0.274, seeing: 2.9, rmsRa: 0.91, celsius: 12, subs: [96, 84] },
  { daysAgo: 36, alt: 4.3, az: 6.6, positionM: 0.272, seeing: 2.2, rmsRa: 0.79, celsius: 9, subs: [168, 159] },
  { daysAgo: 33, alt: -3.2, az: 5.9, positionM: 0.272, seeing: 2.6, rmsRa: 0.84, celsius: 10, subs: [155, 142] },
  { daysAgo: 26, alt: 2.8, az: -4.4, positionM: 0.273, seeing: 3.4, rmsRa: 1.05, celsius: 8, subs: [62, 40] },
  { daysAgo: 22, alt: 2.1, az: 3.6, positionM: 0.272, seeing: 2.3, rmsRa: 0.81, celsius: 6, subs: [177, 168] },
  { daysAgo: 15, alt: 1.9, az: -2.2, positionM: 0.271, seeing: 2.5, rmsRa: 0.8, celsius: 5, subs: [190, 180] },
  { daysAgo: 11, alt: -1.2, az: 2.5, positionM: 0.272, seeing: 2.1, rmsRa: 0.74, celsius: 3, subs: [204, 198] },
  { daysAgo: 8, alt: 1.6, az: 1.1, positionM: 0.272, seeing: 2.7, rmsRa: 0.83, celsius: 4, subs: [183, 171] },
  { daysAgo: 3, alt: 0.9, az: -1.4, positionM: 0.272, seeing: 2.4, rmsRa: 0.77, celsius: 2, subs: [211, 203] },
];

export type Past = { nights: Night[]; readings: Map<string, Reading[]>; snapshot: Snapshot };

/** The rig before tonight: the filter wheel is new; a plain spacer stood in its place and no filter in the light. */
function rigBefore(rig: Rig): Rig {
  const newTonight = ['demo-heron-filter', 'demo-heron-shim'];
  return {
    ...rig,
    placed: rig.placed.filter((p) => p.partId !== 'demo-heron-wheel'),
    train: rig.train
      .filter((id) => !newTonight.includes(id))
      .map((id) => (id === 'demo-heron-wheel' ? 'demo-heron-spacer-20' : id)),
  };
}

function snapshotBefore(rig: Rig, site: Site, firstDate: string, parts: Shipped['parts']): Snapshot {
  const before = rigBefore(rig);
  return {
    id: 'demo-snapshot-heron',
    takenAtUtc: toUtcText(localNoon(firstDate, site.zoneIana)),
    rig: before,
    parts: partsOfRig(before, parts),
    site,
  };
}

/** The earlier nights with their readings and the one snapshot they share; null when rig or site are not shipped. */
export function earlierNights(nowMs: number, tonight: string, { rigs, parts, sites, targets }: Shipped): Past | null {
  const [rig, site] = [rigs.find((r) => r.id === 'demo-heron'), sites.find((s) => s.id === 'demo-estrela')];
  if (!rig || !site) return null;
  const snapshot = snapshotBefore(rig, site, shiftDate(tonight, -(EARLIER[0]?.daysAgo ?? 0)), parts);
  const nights: Night[] = [];
  const readings = new Map<string, Reading[]>();
  for (const earlier of EARLIER) {
    const date = shiftDate(tonight, -earlier.daysAgo);
    const id = `demo-night-${earlier.daysAgo}`;
    const duskMs = siteNight(site, date).events.twilight.nautical.duskMs ?? localNoon(date, site.zoneIana);
    nights.push(night(nowMs, id, date, site.id, rig.id, plan(wellPlaced(HERON_TARGETS, site, targets, date), 120)));
    readings.set(id, nightReadings({ nightId: id, snapshotId: snapshot.id, duskMs, rig, site }, earlier));
  }
  return { nights, readings, snapshot };
}
