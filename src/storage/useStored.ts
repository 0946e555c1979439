/** What is stored, for React: it sees every change, also those of other tabs. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import type { Night } from '../core/records/night.ts';
import type { Part } from '../core/records/part.ts';
import type { ReadingsByNight } from '../core/history/readingIndex.ts';
import type { Rig } from '../core/records/rig.ts';
import type { Site, Target } from '../core/records/site.ts';
import type { SnapshotsById } from '../core/history/storedSnapshot.ts';
import type { UserSetting } from '../core/records/setting.ts';
import type { StoredChange } from './changes.ts';
import type { OwlDatabase } from './database.ts';
import type { Damaged } from './checkRows.ts';
import { lastChange, removalOf } from './knownChanges.ts';
import { headsOf, SNAPSHOTS } from './stored.ts';
import { READINGS } from './storedReadings.ts';
import { tableSource, type TableReading } from './tableSource.ts';

export type Stored = {
  parts: Part[];
  rigs: Rig[];
  sites: Site[];
  targets: Target[];
  nights: Night[];
  settings: UserSetting[];
  readings: ReadingsByNight;
  snapshots: SnapshotsById;
  damaged: Damaged[];
  /** Takes the whole of a night out that was put away. */
  readWhole: (nightId: string) => void;
  /** Readings that are stored once more than they should be. */
  doubles: number;
};

function useSource<Row, Shown>(
  db: OwlDatabase,
  how: TableReading<Row, Shown>,
): [Shown | undefined, (key: string) => void] {
  const source = useMemo(() => tableSource(db, how), [db, how]);
  const ask = useCallback((key: string) => source.ask([key]), [source]);
  return [useSyncExternalStore(source.subscribe, source.get), ask];
}
const useTable = <Row, Shown>(db: OwlDatabase, how: TableReading<Row, Shown>): Shown | undefined =>
  useSource(db, how)[0];

const HEADS = {
  parts: headsOf('parts'),
  rigs: headsOf('rigs'),
  sites: headsOf('sites'),
  targets: headsOf('targets'),
  nights: headsOf('nights'),
  settings: headsOf('settings'),
};

/** All records, or undefined while they are read for the first time. Each table by itself. */
export function useStored(db: OwlDatabase): Stored | undefined {
  const parts = useTable(db, HEADS.parts);
  const rigs = useTable(db, HEADS.rigs);
  const sites = useTable(db, HEADS.sites);
  const targets = useTable(db, HEADS.targets);
  const nights = useTable(db, HEADS.nights);
  const settings = useTable(db, HEADS.settings);
  const [readings, readWhole] = useSource(db, READINGS);
  const snapshots = useTable(db, SNAPSHOTS);
  return useMemo(() => {
    if (!parts || !rigs || !sites || !targets || !nights || !settings || !readings || !snapshots) return undefined;
    return {
      doubles: readings.doubles,
      parts: parts.records,
      rigs: rigs.records,
      sites: sites.records,
      targets: targets.records,
      nights: nights.records,
      settings: settings.records,
      readings: readings.byNight,
      snapshots: snapshots.byId,
      readWhole,
      damaged: [parts, rigs, sites, targets, nights, settings, readings, snapshots].flatMap((t) => t.damaged),
    };
  }, [parts, rigs, sites, targets, nights, settings, readings, snapshots, readWhole]);
}

/** The change that removed a record, of any tab, while it is known. */
export function useRemoval(db: OwlDatabase, table: string, id: string): StoredChange | undefined {
  return useLiveQuery(() => removalOf(db, table, id), [db, table, id]);
}

/** This tab's last change, for the undo button. */
export function useLastChange(db: OwlDatabase, tabId: string): StoredChange | undefined {
  return useLiveQuery(() => lastChange(db, tabId), [db, tabId]);
}
