/** Which demo records can go: all but those that a record of the user's own refers to. */
import { partIdsOfRig } from '../../core/rig/rigState.ts';
import type { BackupLists } from '../../formats/backup.ts';
import { HEAD_TABLES, type HeadTable } from '../../core/records/heads.ts';

export type DemoRemoval = {
  heads: Record<HeadTable, string[]>;
  snapshots: string[];
  /** Nights whose readings go. */
  nights: string[];
  removed: number;
  kept: number;
};

type Lists = BackupLists;

/** Nights are the user's once edited or once the user recorded something on them. */
function ownNights({ nights, readings }: Lists): Lists['nights'] {
  const recorded = new Set(readings.filter((r) => r.deviceId !== 'demo').map((r) => r.nightId));
  return nights.filter((n) => n.origin !== 'demo' || recorded.has(n.id));
}

/** Ids of all records that must stay, following references from what is the user's. */
function needed(lists: Lists): Set<string> {
  const nights = ownNights(lists);
  const keep = new Set<string>(nights.flatMap((n) => [n.id, n.siteId, n.rigId, ...n.plan.map((p) => p.targetId)]));
  const rigs = lists.rigs.filter((r) => r.origin !== 'demo' || keep.has(r.id));
  for (const id of rigs.flatMap(partIdsOfRig)) keep.add(id);
  return keep;
}

export function demoToRemove(lists: Lists): DemoRemoval {
  const keep = needed(lists);
  const goes = (r: { id: string; origin: string }): boolean => r.origin === 'demo' && !keep.has(r.id);
  const heads = Object.fromEntries(
    HEAD_TABLES.map((table) => [
      table,
      (lists[table] as { id: string; origin: string }[]).filter(goes).map((r) => r.id),
    ]),
  ) as Record<HeadTable, string[]>;
  const nights = heads.nights;
  const stays = lists.readings.filter((r) => r.nightId === null || !nights.includes(r.nightId));
  const used = new Set(stays.map((r) => r.snapshotId));
  const snapshots = lists.snapshots.filter((s) => s.id.startsWith('demo-') && !used.has(s.id)).map((s) => s.id);
  const demoLeft = HEAD_TABLES.flatMap((t) => lists[t] as { id: string; origin: string }[]).filter(
    (r) => r.origin === 'demo',
  );
  const removed = Object.values(heads).reduce((n, ids) => n + ids.length, 0);
  return { heads, snapshots, nights, removed, kept: demoLeft.length - removed };
}
