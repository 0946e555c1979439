/** The numbered schemas of the database. A published number never changes; a change adds the next one with its upgrade
 *  and a frozen fixture of the version before. */
import type { Loose } from '../core/records/loose.ts';
import type { Transaction } from 'dexie';
import {
  upgradeParts,
  withEngraving,
  withEvents,
  withTrueDemoRing,
  withImageCircle,
  withRoomyDemo,
  withSizeBasis,
  withUse,
  type PartUpgrade,
} from '../core/records/upgrades.ts';

export type Migration = {
  version: number;
  /** Tables that are new or changed; the others stay. */
  stores: Record<string, string>;
  upgrade?: (transaction: Transaction) => Promise<unknown>;
};

/** Rewrites every part, also those inside snapshots. */
async function rewriteParts(transaction: Transaction, upgrade: PartUpgrade): Promise<void> {
  for (const table of ['parts', 'snapshots']) {
    const rows = await transaction.table<Loose>(table).toArray();
    await transaction.table<Loose>(table).bulkPut(upgradeParts(rows, upgrade) as Loose[]);
  }
}

/** Rewrites the readings of every night. */
async function rewriteReadings(transaction: Transaction, upgrade: (rows: unknown) => unknown): Promise<void> {
  await transaction
    .table<Loose>('nightReadings')
    .toCollection()
    .modify((row) => {
      row['readings'] = upgrade(row['readings']);
    });
}

/** Changes get their number by their id, which counted up with the time; what undo kept as whole states goes with the way
 *  it was kept. */
async function numberChanges(transaction: Transaction): Promise<void> {
  const table = transaction.table<Loose>('changes');
  const isWhole = ({ changes }: Loose): boolean =>
    Array.isArray(changes) && changes.some((one: Loose) => one['type'] === 'whole');
  const rows = (await table.toArray()).sort((a, b) => (String(a['id']) < String(b['id']) ? -1 : 1));
  await table.clear();
  await table.bulkPut(rows.filter((row) => !isWhole(row)).map((row, i) => ({ ...row, seq: i + 1, refused: false })));
  await transaction.table<Loose>('meta').put({ key: 'counter', value: String(rows.length) });
}

/** What undo keeps of a change of many rows moves into a table of its own. */
async function moveChangedRows(transaction: Transaction): Promise<void> {
  const changes = transaction.table<Loose>('changes');
  for (const change of await changes.toArray()) {
    const list = change['changes'] as Loose[];
    const rows = list.flatMap((one) => (one['type'] === 'rows' ? (one['rows'] as Loose[]) : []));
    if (rows.length === 0) continue;
    await transaction
      .table<Loose>('changedRows')
      .bulkPut(rows.map((row, n) => ({ ...row, changeId: change['id'], n })));
    await changes.put({ ...change, changes: list.map((one) => (one['type'] === 'rows' ? { type: 'rows' } : one)) });
  }
}

export const MIGRATIONS: readonly Migration[] = [
  {
    version: 1,
    stores: {
      parts: 'id',
      rigs: 'id',
      sites: 'id',
      targets: 'id',
      nights: 'id, eveningDate',
      settings: 'id',
      snapshots: 'id',
      nightReadings: 'nightId',
      blobs: 'id',
      changes: 'id, tabId',
      meta: 'key',
    },
  },
  {
    version: 2,
    stores: { lineage: 'key' },
    upgrade: (transaction) => rewriteParts(transaction, withImageCircle),
  },
  {
    version: 3,
    stores: {},
    upgrade: (transaction) => rewriteParts(transaction, withUse),
  },
  {
    version: 4,
    stores: {},
    upgrade: (transaction) => rewriteParts(transaction, withEngraving),
  },
  {
    version: 5,
    stores: { changes: 'id, [tabId+seq], press', snapshots: 'id, [rig.id+site.id+takenAtUtc]' },
    upgrade: async (transaction) => {
      await rewriteReadings(transaction, withEvents);
      await numberChanges(transaction);
    },
  },
  {
    version: 6,
    stores: {
      nightDigests: 'nightId, version',
      snapshotDigests: 'id, version',
      changedRows: '[changeId+n], [table+key]',
    },
    upgrade: moveChangedRows,
  },
  {
    version: 7,
    stores: {},
    upgrade: (transaction) => rewriteParts(transaction, withTrueDemoRing),
  },
  // What it adds may be left out: older pages only must not write over it.
  { version: 8, stores: {} },
  {
    version: 9,
    stores: {},
    upgrade: (transaction) => rewriteParts(transaction, withRoomyDemo),
  },
  // New events and ways about the meridian: older pages only must not write over them.
  { version: 10, stores: {} },
  // Corners by eye, pieces turned round, lengths of threads: older pages only must not write over them.
  { version: 11, stores: {} },
  // What a drive does besides its worm, the air since a focus: older pages only must not write over them.
  { version: 12, stores: {} },
  {
    version: 13,
    stores: {},
    upgrade: (transaction) => rewriteParts(transaction, withSizeBasis),
  },
];
