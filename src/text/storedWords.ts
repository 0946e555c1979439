/** Words of what is stored: names of tables and fields, what is damaged, missing, mended or changed elsewhere. */
import type { HeadTable } from '../core/records/heads.ts';
import type { Held } from '../storage/held.ts';
import { clipped, schemaWords } from './schemaWords.ts';

export const LIST_NAMES: Record<string, string> = {
  parts: 'parts',
  rigs: 'rigs',
  sites: 'sites',
  targets: 'targets',
  nights: 'nights',
  settings: 'settings',
  readings: 'readings',
  nightReadings: 'readings',
  snapshots: 'snapshots of rigs',
  blobs: 'pictures and curves',
};
export const tableName = (table: HeadTable): string => LIST_NAMES[table] ?? table;

/** A stored record that could not be read: which, and what is wrong with it. */
export function damagedWords({
  table,
  id,
  where,
  what,
}: {
  table: string;
  id: string;
  where: string;
  what: string;
}): string {
  const place = where === '' ? '' : `, “${clipped(where)}”`;
  return `${LIST_NAMES[table] ?? table}, ${clipped(id)}${place}: ${schemaWords(what)}`;
}

/** A record was saved elsewhere while its form was being typed in. */
export const CHANGED_WHILE_TYPED = {
  title: 'Saved elsewhere meanwhile',
  what: 'Nothing was overwritten, and what you typed is still here. Choose a side for each, then save.',
};

export const many = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`;

/** `12 readings of 3 nights and 40 records of your own`. */
export function heldWords({ records, readings, nights }: Held): string {
  const own = `${many(records, 'record')} of your own`;
  if (readings === 0) return own;
  const measured = `${many(readings, 'reading')} of ${many(nights, 'night')}`;
  return records === 0 ? measured : `${measured} and ${own}`;
}

export const momentWords = (utc: string): string => `${utc.slice(0, 16).replace('T', ' ')} UTC`;

export function saveReminderWords(nights: number): string {
  return `${nights} nights of yours were never saved to a file. Save everything, and keep the file elsewhere.`;
}

/** Less is in the database than the device remembers. */
export function smallerWords(before: Held, now: Held): string {
  return `This device held ${heldWords(before)}; now ${heldWords(now)} are here. The browser may have lost the rest.`;
}

export function healedWords(count: number): string {
  return `${many(count, 'reading')} ${count === 1 ? 'was' : 'were'} stored twice by an earlier version; one of each is kept.`;
}

/** A reading that the night cannot be reckoned with. */
export function setAsideWords(name: string, takenAtUtc: string): string {
  return `${name} of ${momentWords(takenAtUtc)} cannot be reckoned with and is left out. Nothing was deleted. Take it back in the logbook if it is wrong.`;
}

/** A time zone that this browser does not know. */
export function unknownZoneWords(zone: string): string {
  return `This browser does not know the time zone “${clipped(zone)}” of the site. Times follow the longitude, without summer time. Choose a zone on Sites.`;
}

/** A night that cannot be derived at all. */
export const BROKEN_NIGHT = {
  title: 'This night cannot be shown',
  what: 'Something stored with it, its rig or its site cannot be reckoned with. Nothing was deleted; everything else still works.',
};

const TABLE_WORDS = { parts: 'part', rigs: 'rig', sites: 'site', targets: 'target', nights: 'night' } as const;

/** What a page showed is not there any more. @param removal when, and whether in this tab; undefined = not known. */
export function goneWords(table: keyof typeof TABLE_WORDS, removal: { at: string; here: boolean } | undefined): string {
  const what = `This ${TABLE_WORDS[table]}`;
  if (!removal) return `${what} is not here any more. Nothing else was changed. Choose another one.`;
  return `${what} was removed at ${removal.at}${removal.here ? '' : ' in another tab'}. It can be brought back with all that went with it.`;
}

/** A field of a record as people read it: `massKg` becomes `mass (kg)`. */
export function fieldLabel(field: string): string {
  const unit = /(Kg|Mm|Um|M|Deg|H|S|Px|Arcmin|Arcsec|V|A|Ah|Mm2)$/.exec(field)?.[1];
  const bare = unit === undefined ? field : field.slice(0, -unit.length);
  const words = bare.replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
  return unit === undefined ? words : `${words} (${unit.toLowerCase()})`;
}

const LONGEST_VALUE = 160;

/** A field's value, short enough to compare two side by side. */
export function valueWords(value: unknown): string {
  if (value === null || value === undefined) return 'nothing';
  if (typeof value === 'string') return value === '' ? 'nothing' : clipped(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const text = JSON.stringify(value);
  return text.length > LONGEST_VALUE ? `${text.slice(0, LONGEST_VALUE)}…` : text;
}
