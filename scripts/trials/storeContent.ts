/** What a store says, whatever way it came to say it: heads that are not deleted, readings that stand, without counters, times
 *  and devices of the writing. And what in it points to nothing. */
import { canonicalJson } from '../../src/formats/canonicalJson.ts';
import { standingReadings } from '../../src/core/history/standing.ts';
import { partIdsOfRig } from '../../src/core/rig/rigState.ts';
import type { Backup, BackupLists } from '../../src/formats/backup.ts';
import { collect } from '../../src/storage/backup.ts';
import { contentFields } from '../../src/storage/content.ts';
import type { Writer } from '../../src/storage/writer.ts';

const HEADS = ['sites', 'parts', 'rigs', 'targets', 'nights', 'settings'] as const;
type Row = { id: string };
const byId = <R extends Row>(rows: readonly R[]): R[] => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1));

/** A night's readings stand or do not by its own retractions. */
function standing(readings: BackupLists['readings']): BackupLists['readings'] {
  const nightIds = [...new Set(readings.map((r) => r.nightId))];
  return byId(nightIds.flatMap((id) => standingReadings(readings.filter((r) => r.nightId === id))));
}

export function contentOf({ lists }: Pick<Backup, 'lists'>): string {
  const heads = HEADS.map((table) =>
    byId<Row & { deletedAtUtc: string | null }>(lists[table])
      .filter((row) => row.deletedAtUtc === null)
      .map(contentFields),
  );
  return canonicalJson([heads, standing(lists.readings)]);
}

export const storedContent = async (w: Writer): Promise<string> => contentOf((await collect(w)).backup);

/** References to what is not stored, not even as deleted. */
export function dangling({ lists }: Pick<Backup, 'lists'>): string[] {
  const ids = (rows: readonly Row[]): ReadonlySet<string> => new Set(rows.map(({ id }) => id));
  const [rigs, sites, parts, targets, nights, snapshots] = [
    ids(lists.rigs),
    ids(lists.sites),
    ids(lists.parts),
    ids(lists.targets),
    ids(lists.nights),
    ids(lists.snapshots),
  ];
  const lost = (from: string, wanted: readonly string[], there: ReadonlySet<string>): string[] =>
    wanted.filter((id) => !there.has(id)).map((id) => `${from} -> ${id}`);
  return [
    ...lists.rigs.flatMap((rig) => lost(`rig ${rig.id}`, partIdsOfRig(rig), parts)),
    ...lists.nights.flatMap((n) => [
      ...lost(`night ${n.id}`, [n.rigId], rigs),
      ...lost(`night ${n.id}`, [n.siteId], sites),
      ...lost(
        `night ${n.id}`,
        n.plan.map((e) => e.targetId),
        targets,
      ),
    ]),
    ...lists.readings.flatMap((r) => [
      ...lost(`reading ${r.id}`, r.nightId === null ? [] : [r.nightId], nights),
      ...lost(`reading ${r.id}`, [r.snapshotId], snapshots),
    ]),
  ];
}
