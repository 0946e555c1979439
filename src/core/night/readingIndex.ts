/** Readings by kind and subject, in order, asked by everything that derives from them. Each night is sorted and grouped once
 *  for as long as its readings stay the same, so that a reading more costs its own night, not the whole history. */
import { oncePer } from '../once.ts';
import { NO_NIGHT, type Reading, type ReadingKind, type ReadingOf } from '../records/reading.ts';
import { standingOf, type Ordered } from './standing.ts';

/** As they are stored: a night's readings by its id, those of no night under `NO_NIGHT`. */
export type ReadingsByNight = ReadonlyMap<string, readonly Reading[]>;

export type ReadingLists = {
  all: () => readonly Reading[];
  /** Of a kind; with a subject's id only those about it. */
  of: <K extends ReadingKind>(kind: K, subjectId?: string) => readonly ReadingOf<K>[];
  last: <K extends ReadingKind>(kind: K, subjectId?: string) => ReadingOf<K> | undefined;
  /** Of every kind about one subject. */
  about: (subjectId: string) => readonly Reading[];
};

type Groups = ReadonlyMap<string, readonly Reading[]>;
/** One night's standing readings. `latestUtc`: none was taken later. */
type NightIndex = Ordered & { groups: Groups; latestUtc: string };

const ALL = '';
const keyOf = (kind: ReadingKind, subjectId?: string): string =>
  subjectId === undefined ? kind : `${kind} ${subjectId}`;
const aboutKey = (subjectId: string): string => `* ${subjectId}`;

function grouped(readings: readonly Reading[]): Groups {
  const groups = new Map<string, readonly Reading[]>([[ALL, readings]]);
  const put = (key: string, r: Reading): void => {
    const group = groups.get(key) as Reading[] | undefined;
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

const nightIndex = oncePer((stored: readonly Reading[]): NightIndex => {
  const ordered = standingOf(stored);
  const latestUtc = ordered.readings.reduce((latest, r) => (r.takenAtUtc > latest ? r.takenAtUtc : latest), '');
  return { ...ordered, groups: grouped(ordered.readings), latestUtc };
});

/** Lists by key, each made when it is first asked for. */
function listsOf(make: (key: string) => readonly Reading[]): ReadingLists {
  const made = new Map<string, readonly Reading[]>();
  const list = (key: string): readonly Reading[] => {
    const known = made.get(key);
    if (known) return known;
    const fresh = make(key);
    made.set(key, fresh);
    return fresh;
  };
  // A group's key holds its kind, so its readings are of that kind.
  const of = <K extends ReadingKind>(kind: K, subjectId?: string): readonly ReadingOf<K>[] =>
    list(keyOf(kind, subjectId)) as readonly ReadingOf<K>[];
  return {
    all: () => list(ALL),
    of,
    last: (kind, subjectId) => of(kind, subjectId).at(-1),
    about: (subjectId) => list(aboutKey(subjectId)),
  };
}

type Timed = { reading: Reading; time: string };

/** By time; what two nights took at the same instant, by night. Within a night the order stays as it is. */
function compare(a: Timed, b: Timed): number {
  const [x, y] = a.time === b.time ? [a.reading.nightId ?? '', b.reading.nightId ?? ''] : [a.time, b.time];
  return x < y ? -1 : x > y ? 1 : 0;
}

/** Of several nights one list in order. Nights mostly follow each other, so there is seldom anything to sort. */
function joined(nights: readonly NightIndex[], key: string, accept: (night: NightIndex) => (r: Reading) => boolean) {
  const found: Timed[] = [];
  let sorted = true;
  for (const night of nights) {
    const group = night.groups.get(key);
    if (!group) continue;
    for (const reading of group.filter(accept(night))) {
      const next = { reading, time: night.timeOf(reading) };
      const last = found.at(-1);
      sorted &&= last === undefined || compare(last, next) <= 0;
      found.push(next);
    }
  }
  if (!sorted) found.sort(compare);
  return found.map((one) => one.reading);
}

export type StandingReadings = {
  /** Of one night, in order. */
  ofNight: (nightId: string) => readonly Reading[];
  /** The same by kind. */
  listsOfNight: (nightId: string) => ReadingLists;
  /** Of a night and of all others up to its end: what was known by then. */
  knownBy: (nightId: string, endUtc: string) => ReadingLists;
  /** The same without the night itself. */
  knownBefore: (nightId: string, endUtc: string) => ReadingLists;
};

const NOTHING: readonly Reading[] = [];
const everything = (): boolean => true;

/** All standing readings. @param stored nights in any order. */
export const standingIn = oncePer((stored: ReadingsByNight): StandingReadings => {
  const indexOf = (nightId: string): NightIndex => nightIndex(stored.get(nightId) ?? NOTHING);
  const all = oncePer((of: ReadingsByNight) =>
    [...of].map(([nightId, readings]) => ({ nightId, index: nightIndex(readings) })),
  );
  const others = (nightId: string): NightIndex[] =>
    all(stored).flatMap((one) => (one.nightId === nightId ? [] : [one.index]));
  const by = (endUtc: string, own: NightIndex | null) => (night: NightIndex) =>
    night === own || night.latestUtc < endUtc ? everything : (r: Reading) => r.takenAtUtc < endUtc;
  return {
    ofNight: (nightId) => indexOf(nightId).readings,
    listsOfNight: (nightId) => listsOf((key) => indexOf(nightId).groups.get(key) ?? NOTHING),
    knownBy: (nightId, endUtc) => {
      const own = indexOf(nightId);
      return listsOf((key) => joined([...others(nightId), own], key, by(endUtc, own)));
    },
    knownBefore: (nightId, endUtc) => listsOf((key) => joined(others(nightId), key, by(endUtc, null))),
  };
});

/** A plain list as it would be stored. */
export function byNight(readings: readonly Reading[]): ReadingsByNight {
  const nights = new Map<string, Reading[]>();
  for (const r of readings) {
    const nightId = r.nightId ?? NO_NIGHT;
    const night = nights.get(nightId);
    if (night) night.push(r);
    else nights.set(nightId, [r]);
  }
  return nights;
}
