/** The nights as rows, filtered, and how the pole developed over them. */
import { ASSEMBLY_LIST } from '../../core/rig/assembly.ts';
import { INVENTORY_LIST, PACKING_LIST } from '../../core/rig/packing.ts';
import type { NightRecords } from '../../core/night/nightRecords.ts';
import { errorsTonight } from '../../core/night/pole/errorHistory.ts';
import type { Night } from '../../core/records/night.ts';
import type { Reading } from '../../core/records/reading.ts';
import type { Rig } from '../../core/records/rig.ts';
import type { Site, Target } from '../../core/records/site.ts';

export type NightRow = {
  night: Night;
  rig: string;
  site: string;
  target: string;
  /** Total on the sky of the night's last measurement. */
  polarArcmin: number | null;
  balanceM: number | null;
  seeingArcsec: number | null;
  subs: { count: number; usable: number } | null;
  readings: number;
};

type Records = {
  nights: readonly Night[];
  rigs: readonly Rig[];
  sites: readonly Site[];
  targets: readonly Target[];
};

type Measured = Pick<NightRow, 'polarArcmin' | 'balanceM' | 'seeingArcsec' | 'subs' | 'readings'>;
const NOTHING: Measured = { polarArcmin: null, balanceM: null, seeingArcsec: null, subs: null, readings: 0 };

/** The last word of a night on each of the things compared. */
function measured(records: NightRecords): Measured {
  const { tonight, readings } = records;
  const balance = tonight.of('balance').findLast(({ values }) => values.axis === 'ra' && values.drops === 'none');
  return {
    polarArcmin: errorsTonight(records).at(-1)?.totalArcmin ?? null,
    balanceM: balance?.values.positionM ?? null,
    seeingArcsec: tonight.last('seeing')?.values.fwhmArcsec ?? null,
    subs: tonight.last('subs')?.values ?? null,
    readings: readings.length,
  };
}

function toRow(night: Night, records: NightRecords | null, { rigs, sites, targets }: Records): NightRow {
  const nameIn = (records: readonly { id: string; name: string }[], id: string | undefined): string =>
    records.find((r) => r.id === id)?.name ?? '';
  return {
    night,
    rig: nameIn(rigs, night.rigId),
    site: nameIn(sites, night.siteId),
    target: nameIn(targets, night.plan[0]?.targetId),
    ...(records ? measured(records) : NOTHING),
  };
}

/** Every living night, newest first. @param nightOf what a night is derived from; null where its rig or site is gone. */
export function nightRows(records: Records, nightOf: (nightId: string) => NightRecords | null): NightRow[] {
  return records.nights
    .filter((n) => n.deletedAtUtc === null)
    .sort((a, b) => (a.eveningDate < b.eveningDate ? 1 : a.eveningDate > b.eveningDate ? -1 : a.id < b.id ? -1 : 1))
    .map((night) => toRow(night, nightOf(night.id), records));
}

/** Rows in which every word of the filter stands somewhere. `dateWords`: the date as the user reads it. */
export function filterRows(rows: readonly NightRow[], filter: string, dateWords: (date: string) => string): NightRow[] {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.filter(({ night, rig, site, target }) => {
    const text = `${night.eveningDate} ${dateWords(night.eveningDate)} ${rig} ${site} ${target}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

export type TrendPoint = { nightId: string; date: string; dayMs: number; arcmin: number };

/** The pole error of each night on which it was measured, oldest first. */
export function polarTrend(rows: readonly NightRow[]): TrendPoint[] {
  return rows
    .flatMap(({ night, polarArcmin }) =>
      polarArcmin === null
        ? []
        : [
            {
              nightId: night.id,
              date: night.eveningDate,
              dayMs: Date.parse(`${night.eveningDate}T00:00:00Z`),
              arcmin: polarArcmin,
            },
          ],
    )
    .reverse();
}

const LONG_LISTS: ReadonlySet<string> = new Set([PACKING_LIST, INVENTORY_LIST, ASSEMBLY_LIST]);

/** The readings to list one by one, and how many items of each long list were ticked: those are counted, not listed. */
export function foldedTicks(readings: readonly Reading[]): { listed: Reading[]; ticked: Map<string, number> } {
  const last = new Map<string, { listId: string; done: boolean }>();
  const listed = readings.filter((r) => {
    if (r.kind !== 'check' || !LONG_LISTS.has(r.values.listId)) return true;
    last.set(`${r.values.listId}/${r.values.itemId}`, r.values);
    return false;
  });
  const ticked = new Map<string, number>();
  for (const { listId, done } of last.values()) if (done) ticked.set(listId, (ticked.get(listId) ?? 0) + 1);
  return { listed, ticked };
}
