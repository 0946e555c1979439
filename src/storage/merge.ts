/** What an imported file would change, decided record by record; pure, nothing is written.
 *  Readings, snapshots and blobs never change, so they are joined by id. A head whose content the other side has had
 *  before is an older version and takes the other side; when both sides changed it, it is a conflict, told field by
 *  field, and nothing is chosen for the user. */
import type { Backup, BackupBlob, BackupLists } from '../formats/backup.ts';
import { canonicalJson } from '../formats/canonicalJson.ts';
import type { Reading } from '../core/records/reading.ts';
import type { Snapshot } from '../core/records/snapshot.ts';
import { fingerprint } from '../core/fingerprint.ts';
import { contentFields, contentFingerprint } from './content.ts';
import { HEAD_TABLES, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { lineageKey } from './lineage.ts';

export type FieldConflict = { field: string; mine: unknown; theirs: unknown };
export type AnyHead = HeadRecord<HeadTable>;
export type Conflict = { table: HeadTable; id: string; mine: AnyHead; theirs: AnyHead; fields: FieldConflict[] };
export type Incoming = { table: HeadTable; record: AnyHead; isNew: boolean };

export type MergePlan = {
  incoming: Incoming[];
  conflicts: Conflict[];
  readings: Reading[];
  snapshots: Snapshot[];
  blobs: BackupBlob[];
  /** Heads that are equal, or newer here. */
  unchanged: number;
};

export type Present = { lists: BackupLists; lineage: Record<string, string[]> };
/** Which side each field in conflict takes, by `table/id` and field. */
export type Choices = Record<string, Record<string, 'mine' | 'theirs'>>;

function fieldConflicts(mine: AnyHead, theirs: AnyHead): FieldConflict[] {
  const [a, b] = [contentFields(mine), contentFields(theirs)];
  const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])].sort();
  return keys
    .filter((key) => canonicalJson(a[key] ?? null) !== canonicalJson(b[key] ?? null))
    .map((field) => ({ field, mine: a[field] ?? null, theirs: b[field] ?? null }));
}

type Decision = 'mine' | 'theirs' | 'conflict';

/** Which side has moved on from the other. A shipped demo record that nobody edited gives way to an edited one. */
function decide(mine: AnyHead, theirs: AnyHead, myEarlier: string[], theirEarlier: string[]): Decision {
  const [minePrint, theirPrint] = [contentFingerprint(mine), contentFingerprint(theirs)];
  if (minePrint === theirPrint || myEarlier.includes(theirPrint)) return 'mine';
  if (theirEarlier.includes(minePrint)) return 'theirs';
  if (theirs.origin === 'demo') return 'mine';
  return mine.origin === 'demo' ? 'theirs' : 'conflict';
}

function planTable(plan: MergePlan, table: HeadTable, present: Present, file: Backup): void {
  const mineById = new Map((present.lists[table] as AnyHead[]).map((r) => [r.id, r]));
  for (const theirs of file.lists[table] as AnyHead[]) {
    const mine = mineById.get(theirs.id);
    if (!mine) {
      plan.incoming.push({ table, record: theirs, isNew: true });
      continue;
    }
    const key = lineageKey(table, theirs.id);
    const decision = decide(mine, theirs, present.lineage[key] ?? [], file.lineage[key] ?? []);
    if (decision === 'theirs') {
      plan.incoming.push({ table, record: { ...theirs, rev: Math.max(mine.rev + 1, theirs.rev) }, isNew: false });
    } else if (decision === 'conflict') {
      plan.conflicts.push({ table, id: theirs.id, mine, theirs, fields: fieldConflicts(mine, theirs) });
    } else plan.unchanged += 1;
  }
}

const notIn = <T extends { id: string }>(theirs: readonly T[], mine: readonly { id: string }[]): T[] => {
  const known = new Set(mine.map((r) => r.id));
  return theirs.filter((r) => !known.has(r.id));
};

export function planMerge(present: Present, file: Backup): MergePlan {
  const plan: MergePlan = {
    incoming: [],
    conflicts: [],
    readings: notIn(file.lists.readings, present.lists.readings),
    snapshots: notIn(file.lists.snapshots, present.lists.snapshots),
    blobs: notIn(file.lists.blobs, present.lists.blobs),
    unchanged: 0,
  };
  for (const table of HEAD_TABLES) planTable(plan, table, present, file);
  return plan;
}

/** True when a plan would write nothing. */
export function isNothing({ incoming, conflicts, readings, snapshots, blobs }: MergePlan): boolean {
  return [incoming, conflicts, readings, snapshots, blobs].every((list) => list.length === 0);
}

/** A text that differs whenever a plan made later would do anything else, whatever the revisions count. */
export function planPrint({ incoming, conflicts, readings, snapshots, blobs }: MergePlan): string {
  const ids = (records: readonly { id: string }[]): string[] => records.map((r) => r.id);
  const all = canonicalJson([
    incoming.map(({ table, record, isNew }) => [table, record.id, isNew, contentFingerprint(record)]),
    conflicts.map((c) => [c.table, c.id, contentFingerprint(c.mine), contentFingerprint(c.theirs)]),
    ...[readings, snapshots, blobs].map(ids),
  ]);
  return fingerprint(all);
}

/** What is shown of a plan before it is carried out. `fresh`, `newer`: how many of each list. */
export type PlanOutline = {
  fresh: Record<string, number>;
  newer: Record<string, number>;
  unchanged: number;
  conflicts: Conflict[];
};

function countByTable(incoming: readonly Incoming[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { table } of incoming) counts[table] = (counts[table] ?? 0) + 1;
  return counts;
}

export function outlineOf({ incoming, readings, blobs, unchanged, conflicts }: MergePlan): PlanOutline {
  const fresh = countByTable(incoming.filter((one) => one.isNew));
  return {
    fresh: { ...fresh, readings: readings.length, blobs: blobs.length },
    newer: countByTable(incoming.filter((one) => !one.isNew)),
    unchanged,
    conflicts,
  };
}

/** Fields in conflict that have not been decided yet. */
export function undecided(plan: Pick<MergePlan, 'conflicts'>, choices: Choices): number {
  return plan.conflicts.reduce(
    (count, c) => count + c.fields.filter((f) => choices[lineageKey(c.table, c.id)]?.[f.field] === undefined).length,
    0,
  );
}

/** A conflict settled by the user's choices: my record with their fields where they were chosen. */
export function settle({ table, id, mine, theirs, fields }: Conflict, choices: Choices): AnyHead {
  const chosen = choices[lineageKey(table, id)] ?? {};
  const taken = fields.filter((f) => chosen[f.field] === 'theirs').map((f) => [f.field, f.theirs] as const);
  return { ...mine, ...Object.fromEntries(taken), rev: Math.max(mine.rev, theirs.rev) + 1 };
}
