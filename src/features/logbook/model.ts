/** The nights as rows, filtered, and how the pole developed over them. */
import { isFlipList } from '../../core/night/advice/flipWalk.ts';
import { ASSEMBLY_LIST } from '../../core/rig/assembly.ts';
import { INVENTORY_LIST, PACKING_LIST } from '../../core/rig/packing.ts';
import { median } from '../../core/math/statistics.ts';
import type { NightSummary } from '../../core/history/nightSummary.ts';
import type { ReadingsByNight } from '../../core/history/readingIndex.ts';
import type { Reference } from '../../core/pole/poleReference.ts';
import type { Night } from '../../core/records/night.ts';
import { latestPer, oncePer, oncePerKey } from '../../core/once.ts';
import { formatDateIn } from '../../core/time/civil.ts';
import { livingNights, yearOf } from '../../core/history/livingNights.ts';
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
  /** All that a filter looks in. */
  searched: string;
  /** Of the whole list: dates of another one name theirs. */
  listYear: string;
};

type Records = {
  nights: readonly Night[];
  rigs: readonly Rig[];
  sites: readonly Site[];
  targets: readonly Target[];
  readings: ReadingsByNight;
};

type Measured = Pick<NightRow, 'polarArcmin' | 'balanceM' | 'seeingArcsec' | 'subs' | 'readings'>;
const NOTHING: Measured = { polarArcmin: null, balanceM: null, seeingArcsec: null, subs: null, readings: 0 };

/** The last word of a night on each of the things compared. @param goal the pole that this user aims at. */
const measured = oncePerKey((summary: NightSummary, goal: Reference): Measured => {
  const { polarArcmin, balanceM, seeingArcsec, subs } = summary;
  return { polarArcmin: polarArcmin?.[goal] ?? null, balanceM, seeingArcsec, subs, readings: summary.readings };
});

type Said = Pick<NightRow, 'night' | 'rig' | 'site' | 'target' | 'searched' | 'listYear'>;
const dateOf = oncePerKey((night: Night, year: string): string => formatDateIn(year, night.eveningDate));
/** A name is one line. */
const APART = '\n';
/** Kept per night: a long list is drawn again with each reading. @param words the list's year, date, rig, site and target. */
const saidOf = latestPer((night: Night, words: string): Said => {
  const [listYear = '', date = '', rig = '', site = '', target = ''] = words.split(APART);
  const searched = `${night.eveningDate} ${date} ${rig} ${site} ${target}`.toLowerCase();
  return { night, rig, site, target, searched, listYear };
});

/** The same row for as long as both stay: of thousands a reading more changes one. */
const rowOf = latestPer((said: Said, measures: Measured): NightRow => ({ ...said, ...measures }));

type Named = { id: string; name: string };
const namesById = (records: readonly Named[]): ReadonlyMap<string, string> =>
  new Map(records.map(({ id, name }) => [id, name]));

/** Every living night, newest first. The same list for the same records: another night shown is no other list. */
export const nightRows = oncePerKey((records: Records, goal: Reference): readonly NightRow[] => {
  const [rigs, sites, targets] = [records.rigs, records.sites, records.targets].map(namesById);
  const nights = livingNights(records.nights);
  const year = yearOf(nights);
  return nights.map((night): NightRow => {
    const target = targets?.get(night.plan[0]?.targetId ?? '') ?? '';
    const words = [year, dateOf(night, year), rigs?.get(night.rigId) ?? '', sites?.get(night.siteId) ?? '', target];
    const summary = records.readings.get(night.id)?.summary;
    return rowOf(saidOf(night, words.join(APART)), summary ? measured(summary, goal) : NOTHING);
  });
});

/** Rows in which every word of the filter stands somewhere. */
export function filterRows(rows: readonly NightRow[], filter: string): readonly NightRow[] {
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  return words.length === 0 ? rows : rows.filter(({ searched }) => words.every((word) => searched.includes(word)));
}

export type TrendPoint = { nightId: string; date: string; dayMs: number; arcmin: number };

const pointOf = oncePer(({ night, polarArcmin }: NightRow): TrendPoint | null =>
  polarArcmin === null
    ? null
    : {
        nightId: night.id,
        date: night.eveningDate,
        dayMs: Date.parse(`${night.eveningDate}T00:00:00Z`),
        arcmin: polarArcmin,
      },
);

/** The pole error of each night on which it was measured, oldest first. */
export const polarTrend = oncePer((rows: readonly NightRow[]): readonly TrendPoint[] =>
  rows
    .map(pointOf)
    .filter((point) => point !== null)
    .reverse(),
);

const isSamePoint = (a: TrendPoint, b: TrendPoint | undefined): boolean =>
  a.nightId === b?.nightId && a.arcmin === b.arcmin && a.date === b.date;

/** The trend of before where nothing of it changed: most readings are not of the pole, and thousands of points are drawn only
 *  when they are others. */
export function sameTrend(before: readonly TrendPoint[], now: readonly TrendPoint[]): readonly TrendPoint[] {
  return before.length === now.length && now.every((p, i) => isSamePoint(p, before[i])) ? before : now;
}

/** Nights on either side that a middle value is taken over. */
const AROUND = 10;
/** A chart has room for no more of them. */
const MOST_SMOOTHED = 400;

/** Points at the middle value of the nights around them: what a long trend tells through its scatter. */
export function smoothed(points: readonly TrendPoint[]): TrendPoint[] {
  const every = Math.ceil(points.length / MOST_SMOOTHED);
  return points.flatMap((point, i) => {
    if (i % every !== 0 && i !== points.length - 1) return [];
    const around = points.slice(Math.max(0, i - AROUND), i + AROUND + 1).map((p) => p.arcmin);
    return [{ ...point, arcmin: median(around) ?? point.arcmin }];
  });
}

const LONG_LISTS: ReadonlySet<string> = new Set([PACKING_LIST, INVENTORY_LIST, ASSEMBLY_LIST]);
const isLongList = (listId: string): boolean => LONG_LISTS.has(listId) || isFlipList(listId);

/** The readings to list one by one, and how many items of each long list were ticked: those are counted, not listed. */
export function foldedTicks(readings: readonly Reading[]): { listed: Reading[]; ticked: Map<string, number> } {
  const last = new Map<string, { listId: string; done: boolean }>();
  const listed = readings.filter((r) => {
    if (r.kind !== 'check' || !isLongList(r.values.listId)) return true;
    last.set(`${r.values.listId}/${r.values.itemId}`, r.values);
    return false;
  });
  const ticked = new Map<string, number>();
  for (const { listId, done } of last.values()) if (done) ticked.set(listId, (ticked.get(listId) ?? 0) + 1);
  return { listed, ticked };
}
