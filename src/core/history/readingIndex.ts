/** Readings by kind and subject, in order, asked by everything that derives from them. Each night is sorted and grouped once
 *  for as long as its readings stay the same; of other nights only as many are looked at as an answer needs, the latest
 *  first, so that a reading more costs its own night, not the whole history. */
import { oncePer } from '../once.ts';
import { NO_NIGHT, type Reading, type ReadingKind, type ReadingOf, type Step } from '../records/reading.ts';
import type { BalanceAxis } from '../rig/axisLevers.ts';
import { knownSinceUtc, type Tell } from './nightSummary.ts';
import {
  ALL_READINGS,
  bitsOf,
  groupsOf,
  keyOf,
  plateKey,
  stepKey,
  settledKey,
  wholeNight,
  type StoredNight,
  type TaughtKind,
} from './storedNight.ts';

/** As they are stored: a night's readings by its id, those of no night under `NO_NIGHT`. */
export type ReadingsByNight = ReadonlyMap<string, StoredNight>;

export type ReadingLists = {
  /** Of a kind; with a subject's id only those about it. */
  of: <K extends ReadingKind>(kind: K, subjectId?: string) => readonly ReadingOf<K>[];
  last: <K extends ReadingKind>(kind: K, subjectId?: string) => ReadingOf<K> | undefined;
};

/** Which of them: about a subject; taken with a snapshot of a kind, as of one rig or site; an axis found to stay where it is;
 *  what a step took. */
export type About = {
  subjectId?: string;
  takenWith?: (snapshotId: string) => boolean;
  settledOn?: BalanceAxis;
  ofStep?: Step;
};

/** Under which names they are kept. */
function keysAsked(kinds: readonly ReadingKind[], { subjectId, settledOn, ofStep }: About): string[] {
  if (ofStep) return [stepKey(ofStep)];
  return settledOn ? [settledKey(settledOn)] : kinds.map((kind) => keyOf(kind, subjectId));
}

/** Of many nights: to be asked from the latest backwards, for as long as an answer needs more. */
export type PastReadings = {
  latest: <K extends TaughtKind>(kinds: K | readonly K[], about?: About) => Iterable<ReadingOf<K>>;
  last: <K extends TaughtKind>(kind: K, subjectId?: string) => ReadingOf<K> | undefined;
  /** Half-turn tests of a mount's finder and turns of its plate's screws. */
  plate: (mountId: string) => Iterable<ReadingOf<'halfTurn' | 'event'>>;
  /** How many nights hold a reading. */
  nights: () => number;
  /** Ids of snapshots with which most stars were good. */
  goodSnapshotIds: () => ReadonlySet<string>;
};

const NOTHING: readonly Reading[] = [];

function listsOf(night: StoredNight | undefined): ReadingLists {
  // A group's key holds its kind, so its readings are of that kind.
  const of = <K extends ReadingKind>(kind: K, subjectId?: string): readonly ReadingOf<K>[] =>
    (night ? (groupsOf(night.standing).get(keyOf(kind, subjectId)) ?? NOTHING) : NOTHING) as readonly ReadingOf<K>[];
  return { of, last: (kind, subjectId) => of(kind, subjectId).at(-1) };
}

type Entry = { nightId: string; night: StoredNight };
/** The latest first. */
type Nights = {
  all: readonly Entry[];
  /** Those with a reading of some kinds, as bits. */
  having: (bits: number) => readonly Entry[];
};
/** Readings of one night that are still to come, the next one last. */
type Waiting = Entry & { left: Reading[] };
type Asked = { keys: readonly string[]; accept: (entry: Entry) => ((r: Reading) => boolean) | null };

/** Later first; what two nights took at the same instant, by night. */
const isLater = (timeA: string, nightA: string, timeB: string, nightB: string): boolean =>
  timeA === timeB ? nightA > nightB : timeA > timeB;

function waitingIn(entry: Entry, { keys, accept }: Asked): Waiting | null {
  const { night } = entry;
  if (!keys.some((key) => night.mayHold(key))) return null;
  const accepted = accept(entry);
  if (!accepted) return null;
  const groups = groupsOf(night.standing);
  const found =
    keys.length === 1
      ? (groups.get(keys[0] ?? '') ?? NOTHING)
      : // Of several kinds in the order in which they stand.
        (groups.get(ALL_READINGS) ?? NOTHING).filter((r) => keys.some((key) => groups.get(key)?.includes(r)));
  const left = found.filter(accepted);
  return left.length > 0 ? { ...entry, left } : null;
}

const timeOfNext = ({ night, left }: Waiting): string => {
  const next = left.at(-1);
  return next ? night.standing.timeOf(next) : '';
};

function latestOf(open: readonly Waiting[]): Waiting | undefined {
  return open.reduce<Waiting | undefined>((best, one) => {
    if (!best) return one;
    return isLater(timeOfNext(one), one.nightId, timeOfNext(best), best.nightId) ? one : best;
  }, undefined);
}

/** Takes readings out of nights, the latest first; a night is looked into when nothing later is left elsewhere.
 *  @param nights the latest first. */
function* backwards(nights: readonly Entry[], asked: Asked): Generator<Reading> {
  let open: Waiting[] = [];
  let at = 0;
  for (;;) {
    const next = latestOf(open);
    const entry = nights[at];
    if (entry && (!next || !(timeOfNext(next) > entry.night.latestTime))) {
      at += 1;
      const waiting = waitingIn(entry, asked);
      if (waiting) open.push(waiting);
    } else if (next) {
      const reading = next.left.pop();
      if (reading) yield reading;
      if (next.left.length === 0) open = open.filter((one) => one !== next);
    } else return;
  }
}

export type StandingReadings = {
  /** Of one night, in order. */
  ofNight: (nightId: string) => readonly Reading[];
  /** The time by which a reading of a night is ordered. */
  timeOf: (nightId: string) => (reading: Reading) => string;
  /** The same by kind. */
  listsOfNight: (nightId: string) => ReadingLists;
  /** Of a night and of all others what was taken and recorded by its end: what was known by then. */
  knownBy: (nightId: string, endUtc: string) => PastReadings;
  /** The same without the night itself. */
  knownBefore: (nightId: string, endUtc: string) => PastReadings;
};

const everything = (): boolean => true;

/** Ids of snapshots that were known to be good by a night's end. */
const goodBy = ({ nightId, night }: Entry, of: { nightId: string; endUtc: string }): string[] =>
  night.summary.good
    .filter(({ sinceUtc }) => nightId === of.nightId || sinceUtc < of.endUtc)
    .map(({ snapshotId }) => snapshotId);

/** Of a night that ends at a time. @param counts whether the night itself does, with all that was recorded after its end. */
function pastReadings(nights: Nights, of: { nightId: string; endUtc: string; counts: boolean }): PastReadings {
  const { endUtc } = of;
  const inTime = ({ nightId, night }: Entry): ((r: Reading) => boolean) | null => {
    if (nightId === of.nightId) return of.counts ? everything : null;
    if (night.latestUtc < endUtc) return everything;
    return night.earliestUtc < endUtc ? (r) => knownSinceUtc(r) < endUtc : null;
  };
  const latest = <K extends TaughtKind>(kinds: K | readonly K[], about: About = {}): Iterable<ReadingOf<K>> => {
    const { takenWith } = about;
    const list = typeof kinds === 'string' ? [kinds] : kinds;
    const keys = keysAsked(list, about);
    const accept = (entry: Entry): ((r: Reading) => boolean) | null => {
      const timely = inTime(entry);
      if (!takenWith || !timely) return timely;
      if (!entry.night.summary.snapshotIds.some(takenWith)) return null;
      return (r) => timely(r) && takenWith(r.snapshotId);
    };
    // A key holds its kind, so the readings are of these kinds.
    return backwards(nights.having(bitsOf(list)), { keys, accept }) as unknown as Iterable<ReadingOf<K>>;
  };
  const counted = (): Entry[] => nights.all.filter((e) => e.night.summary.readings > 0 && inTime(e) !== null);
  return {
    latest,
    last: (kind, subjectId) => {
      for (const reading of latest(kind, subjectId === undefined ? {} : { subjectId })) return reading;
      return undefined;
    },
    plate: (mountId) => {
      const keys = [keyOf('halfTurn', mountId), plateKey(mountId)];
      // Under these keys nothing else is kept.
      return backwards(nights.having(bitsOf(['halfTurn', 'event'])), { keys, accept: inTime }) as Iterable<
        ReadingOf<'halfTurn' | 'event'>
      >;
    },
    nights: () => counted().filter(({ nightId }) => nightId !== NO_NIGHT).length,
    goodSnapshotIds: () => new Set(counted().flatMap((entry) => goodBy(entry, of))),
  };
}

function latestFirst(stored: ReadingsByNight): Nights {
  const all = [...stored]
    .map(([nightId, night]) => ({ nightId, night }))
    .sort((a, b) => (isLater(a.night.latestTime, a.nightId, b.night.latestTime, b.nightId) ? -1 : 1));
  const known = new Map<number, readonly Entry[]>();
  const having = (bits: number): readonly Entry[] => {
    const found = known.get(bits) ?? all.filter(({ night }) => (night.kinds & bits) !== 0);
    known.set(bits, found);
    return found;
  };
  return { all, having };
}

/** All standing readings. @param stored nights in any order. */
export const standingIn = oncePer((stored: ReadingsByNight): StandingReadings => {
  const nights = oncePer(latestFirst);
  return {
    ofNight: (nightId) => stored.get(nightId)?.standing.readings ?? NOTHING,
    timeOf: (nightId) => stored.get(nightId)?.standing.timeOf ?? ((r) => r.takenAtUtc),
    listsOfNight: (nightId) => listsOf(stored.get(nightId)),
    knownBy: (nightId, endUtc) => pastReadings(nights(stored), { nightId, endUtc, counts: true }),
    knownBefore: (nightId, endUtc) => pastReadings(nights(stored), { nightId, endUtc, counts: false }),
  };
});

/** A plain list as it would be stored. */
export function byNight(readings: readonly Reading[], tell?: Tell): ReadingsByNight {
  const nights = new Map<string, Reading[]>();
  for (const r of readings) {
    const nightId = r.nightId ?? NO_NIGHT;
    const night = nights.get(nightId);
    if (night) night.push(r);
    else nights.set(nightId, [r]);
  }
  return new Map([...nights].map(([nightId, list]) => [nightId, wholeNight(list, tell)]));
}
