/** The numbered schemas of the database. A published number never changes; a change adds the next one with its upgrade
 *  and a frozen fixture of the version before. */
import type { Transaction } from 'dexie';

export type Migration = {
  version: number;
  /** Tables that are new or changed; the others stay. */
  stores: Record<string, string>;
  upgrade?: (transaction: Transaction) => Promise<unknown>;
};

type Loose = Record<string, unknown>;

/** Version 2: tubes and correctors may state the circle they light. */
function withImageCircle(part: Loose): Loose {
  return part['kind'] === 'tube' || part['kind'] === 'corrector' ? { imageCircleMm: null, ...part } : part;
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
    upgrade: async (transaction) => {
      await transaction
        .table<Loose>('parts')
        .toCollection()
        .modify((part, at) => {
          at.value = withImageCircle(part);
        });
      await transaction
        .table<Loose>('snapshots')
        .toCollection()
        .modify((snapshot) => {
          if (Array.isArray(snapshot['parts'])) snapshot['parts'] = (snapshot['parts'] as Loose[]).map(withImageCircle);
        });
    },
  },
];
