/** The numbered schemas of the database. A published number never changes; a change adds the next one with its upgrade
 *  and a frozen fixture of the version before. */
import type { Transaction } from 'dexie';
import { upgradeParts, withEngraving, withUse, withImageCircle, type PartUpgrade } from '../core/records/upgrades.ts';

export type Migration = {
  version: number;
  /** Tables that are new or changed; the others stay. */
  stores: Record<string, string>;
  upgrade?: (transaction: Transaction) => Promise<unknown>;
};

type Loose = Record<string, unknown>;

/** Rewrites every part, also those inside snapshots. */
async function rewriteParts(transaction: Transaction, upgrade: PartUpgrade): Promise<void> {
  for (const table of ['parts', 'snapshots']) {
    const rows = await transaction.table<Loose>(table).toArray();
    await transaction.table<Loose>(table).bulkPut(upgradeParts(rows, upgrade) as Loose[]);
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
];
