/** The one Dexie database. Only this folder knows it. */
import Dexie, { type Table } from 'dexie';
import type { NightReadings } from '../core/records/reading.ts';
import type { Snapshot } from '../core/records/snapshot.ts';
import type { ChangedRow, StoredChange } from './changes.ts';
import type { NightDigest } from '../core/history/storedNight.ts';
import type { SnapshotDigest } from '../core/history/storedSnapshot.ts';
import { dropDigests } from './dropDigests.ts';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';
import { MIGRATIONS } from './migrations.ts';

export type StoredBlob = { id: string; mime: string; bytes: Uint8Array };
/** Fingerprints of the contents that a record had before, oldest first; `key` is `table/id`. */
export type Lineage = { key: string; earlier: string[] };
/** With the version by which they were made. */
export type StoredNightDigest = NightDigest & { version: number };
export type StoredSnapshotDigest = SnapshotDigest & { version: number };
export type MetaRow = { key: string; value: string };
export class OwlDatabase extends Dexie {
  declare snapshots: Table<Snapshot, string>;
  declare nightReadings: Table<NightReadings, string>;
  declare blobs: Table<StoredBlob, string>;
  declare changes: Table<StoredChange, string>;
  declare meta: Table<MetaRow, string>;
  declare lineage: Table<Lineage, string>;
  declare nightDigests: Table<StoredNightDigest, string>;
  declare snapshotDigests: Table<StoredSnapshotDigest, string>;
  declare changedRows: Table<ChangedRow, [string, number]>;

  constructor(name = 'tidy-owl') {
    super(name);
    this.use({ stack: 'dbcore', name: 'dropDigests', create: dropDigests });
    for (const { version, stores, upgrade } of MIGRATIONS) {
      const declared = this.version(version).stores(stores);
      if (upgrade) declared.upgrade(upgrade);
    }
  }

  heads<T extends HeadTable>(table: T): Table<HeadRecord<T>, string> {
    return this.table(table);
  }
}
