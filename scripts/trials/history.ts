/** A long history of the demo's rig: one night after the other back from tonight, forty readings each, as a user who records
 *  everything leaves it. Only what depends on the night's number differs, so that it is the same every time. */
import type { Night } from '../../src/core/records/night.ts';
import type { Part } from '../../src/core/records/part.ts';
import { TYPED, type Reading } from '../../src/core/records/reading.ts';
import type { Rig } from '../../src/core/records/rig.ts';
import type { Site } from '../../src/core/records/site.ts';
import type { Snapshot } from '../../src/core/records/snapshot.ts';
import { PACKING_LIST } from '../../src/core/rig/packing.ts';
import { partsOfRig } from '../../src/core/rig/rigState.ts';
import { writeBackup } from '../../src/formats/backup.ts';
import { shiftDate } from '../../src/core/time/civil.ts';
import { head, night, plan } from '../../src/storage/demo/demoNights.ts';
import { DEMO_PARTS } from '../../src/storage/demo/demoParts.ts';
import { DEMO_RIGS, DEMO_SITES, HERON_TARGETS } from '../../src/storage/demo/demoRigs.ts';
import { nightReadings, type Earlier } from '../../src/storage/demo/earlierReadings.ts';

export type History = {
  nights: Night[];
  snapshots: Snapshot[];
  nightReadings: { nightId: string; readings: Reading[] }[];
};

const READINGS_A_NIGHT = 40;
/** The rig is dressed anew after so many nights. */
const NIGHTS_A_SNAPSHOT = 10;
const MADE_MS = Date.parse('2026-11-01T12:00:00Z');
const own = { ...head(MADE_MS), deviceId: 'bench', origin: 'user' as const };

function earlierOf(daysAgo: number): Earlier {
  const wave = Math.sin(daysAgo * 1.3);
  return {
    daysAgo,
    alt: Number((4 * wave).toFixed(2)),
    az: Number((5 * Math.cos(daysAgo)).toFixed(2)),
    positionM: Number((0.272 + 0.002 * wave).toFixed(4)),
    seeing: Number((2.6 + 0.6 * wave).toFixed(1)),
    rmsRa: Number((0.85 + 0.1 * wave).toFixed(2)),
    celsius: Math.round(8 + 10 * Math.sin(daysAgo / 58)),
    subs: [150, 120 + Math.round(20 * wave)],
  };
}

/** What was packed, ticked off until the night has its readings. */
function ticks(nightId: string, first: Reading, count: number): Reading[] {
  const { deviceId, snapshotId, takenAtUtc, recordedAtUtc } = first;
  return Array.from({ length: count }, (_, i) => ({
    ...TYPED,
    id: `${nightId}-tick-${i}`,
    deviceId,
    nightId,
    snapshotId,
    takenAtUtc,
    recordedAtUtc,
    step: 'payload',
    subject: { type: 'night', id: nightId },
    kind: 'check',
    values: { listId: PACKING_LIST, itemId: `piece-${i}`, done: true },
  }));
}

/** Rig and site of all nights. */
function scene(): { rig: Rig; site: Site; parts: Part[] } {
  const rig = DEMO_RIGS.find((r) => r.id === 'demo-heron');
  const site = DEMO_SITES.find((s) => s.id === 'demo-estrela');
  if (!rig || !site) throw new Error('the demo lacks its rig or site');
  const all = DEMO_PARTS.map((p): Part => ({ ...own, ...p }));
  const ownRig = { ...own, ...rig };
  return { rig: ownRig, site: { ...own, ...site }, parts: partsOfRig(ownRig, all) };
}

/** @param tonight evening date before which the nights lie. */
export function historyOf(count: number, tonight = '2026-11-24'): History {
  const { rig, site, parts } = scene();
  const made: History = { nights: [], snapshots: [], nightReadings: [] };
  for (let i = 1; i <= count; i += 1) {
    const [date, id] = [shiftDate(tonight, -i), `bench-${String(i).padStart(5, '0')}`];
    const snapshotId = `bench-snapshot-${Math.floor((i - 1) / NIGHTS_A_SNAPSHOT)}`;
    if (i % NIGHTS_A_SNAPSHOT === 1) {
      const dressed = { ...rig, note: `dressing ${made.snapshots.length}` };
      made.snapshots.push({ id: snapshotId, takenAtUtc: `${date}T12:00:00.000Z`, rig: dressed, parts, site });
    }
    made.nights.push({ ...night(MADE_MS, id, date, site.id, rig.id, plan(HERON_TARGETS[0], 120)), ...own });
    const where = { nightId: id, snapshotId, duskMs: Date.parse(`${date}T18:00:00Z`), rig, site };
    const readings = nightReadings(where, earlierOf(i)).map((r) => ({ ...r, deviceId: 'bench' }));
    const [first] = readings;
    if (first) readings.unshift(...ticks(id, first, READINGS_A_NIGHT - readings.length));
    made.nightReadings.push({ nightId: id, readings });
  }
  return made;
}

/** The same as a file that another device saved. */
export function historyFile(count: number): string {
  const { nights, snapshots, nightReadings: rows } = historyOf(count);
  const none = { parts: [], rigs: [], sites: [], targets: [], settings: [], blobs: [] };
  return writeBackup({
    exportedAtUtc: new Date(MADE_MS).toISOString(),
    deviceId: 'bench',
    lineage: {},
    lists: { ...none, nights, snapshots, readings: rows.flatMap((row) => row.readings) },
  }).join('');
}
