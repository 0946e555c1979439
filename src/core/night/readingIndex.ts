/** Readings by kind and subject, in order: built once, asked by everything that derives from them. */
import { oncePer } from '../once.ts';
import type { Reading, ReadingKind, ReadingOf } from '../records/reading.ts';
import { standingReadings } from './standing.ts';

export type ReadingLists = {
  all: () => readonly Reading[];
  /** Of a kind; with a subject's id only those about it. */
  of: <K extends ReadingKind>(kind: K, subjectId?: string) => readonly ReadingOf<K>[];
  last: <K extends ReadingKind>(kind: K, subjectId?: string) => ReadingOf<K> | undefined;
  /** Of every kind about one subject. */
  about: (subjectId: string) => readonly Reading[];
};

type Groups = ReadonlyMap<string, readonly Reading[]>;

const keyOf = (kind: ReadingKind, subjectId?: string): string =>
  subjectId === undefined ? kind : `${kind} ${subjectId}`;

const aboutKey = (subjectId: string): string => `* ${subjectId}`;

function grouped(readings: readonly Reading[]): Groups {
  const groups = new Map<string, Reading[]>();
  const put = (key: string, r: Reading): void => {
    const group = groups.get(key);
    if (group) group.push(r);
    else groups.set(key, [r]);
  };
  for (const r of readings) {
    put(keyOf(r.kind), r);
    put(keyOf(r.kind, r.subject.id), r);
    put(aboutKey(r.subject.id), r);
  }
  return groups;
}

/** Lists that hold what `accept` lets through, each made when it is first asked for. */
function listsOf(all: readonly Reading[], groups: Groups, accept: (r: Reading) => boolean): ReadingLists {
  const made = new Map<string, readonly Reading[]>();
  const filtered = (key: string, group: readonly Reading[]): readonly Reading[] => {
    const known = made.get(key);
    if (known) return known;
    const list = group.filter(accept);
    made.set(key, list);
    return list;
  };
  // A group's key holds its kind, so its readings are of that kind.
  const of = <K extends ReadingKind>(kind: K, subjectId?: string): readonly ReadingOf<K>[] => {
    const key = keyOf(kind, subjectId);
    return filtered(key, groups.get(key) ?? []) as readonly ReadingOf<K>[];
  };
  return {
    all: () => filtered('', all),
    of,
    last: (kind, subjectId) => of(kind, subjectId).at(-1),
    about: (subjectId) => filtered(aboutKey(subjectId), groups.get(aboutKey(subjectId)) ?? []),
  };
}

export type StandingReadings = {
  /** Of one night, in order. */
  ofNight: (nightId: string) => readonly Reading[];
  /** Of a night and of all others up to its end: what was known by then. */
  knownBy: (nightId: string, endUtc: string) => ReadingLists;
  /** The same without the night itself. */
  knownBefore: (nightId: string, endUtc: string) => ReadingLists;
};

/** All standing readings, sorted and grouped once per array. */
export const standingIn = oncePer((readings: readonly Reading[]): StandingReadings => {
  const all = standingReadings(readings);
  const groups = grouped(all);
  const nights = new Map<string | null, Reading[]>();
  for (const r of all) {
    const night = nights.get(r.nightId);
    if (night) night.push(r);
    else nights.set(r.nightId, [r]);
  }
  return {
    ofNight: (nightId) => nights.get(nightId) ?? [],
    knownBy: (nightId, endUtc) => listsOf(all, groups, (r) => r.nightId === nightId || r.takenAtUtc < endUtc),
    knownBefore: (nightId, endUtc) => listsOf(all, groups, (r) => r.nightId !== nightId && r.takenAtUtc < endUtc),
  };
});

/** Some readings of one night as lists. */
export const listed = oncePer((readings: readonly Reading[]): ReadingLists =>
  listsOf(readings, grouped(readings), () => true),
);
