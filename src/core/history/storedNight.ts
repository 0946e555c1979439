/** One night's readings as they are at hand: all of them, or only those that teach other nights, put away small and taken
 *  out when they are first asked for. What lists show of a night is told beside them. */
import { oncePer } from '../once.ts';
import { readingValues, type Reading, type ReadingKind, type Step } from '../records/reading.ts';
import type { BalanceAxis } from '../rig/axisLevers.ts';
import { standingOf, type Ordered } from './standing.ts';
import { knownSinceUtc, NOTHING_TOLD, summaryOf, type NightSummary, type Tell } from './nightSummary.ts';

/** Kinds that only their own night asks for. */
const OF_ITS_OWN_NIGHT = ['check', 'note', 'driftMark', 'battery', 'air', 'guiding', 'retract'] as const;
/** Kinds that other nights may ask for. */
export type TaughtKind = Exclude<ReadingKind, (typeof OF_ITS_OWN_NIGHT)[number]>;
const ownOnly: ReadonlySet<string> = new Set(OF_ITS_OWN_NIGHT);
export const isTaught = ({ kind }: Reading): boolean => !ownOnly.has(kind);

/** One bit for each kind that other nights may ask for. */
const BITS: ReadonlyMap<string, number> = new Map(
  Object.keys(readingValues)
    .filter((kind) => !ownOnly.has(kind))
    .map((kind, i) => [kind, 1 << i]),
);
/** Some kinds as bits: what a night has none of is passed over quickly. */
export const bitsOf = (kinds: Iterable<string>): number => {
  let bits = 0;
  for (const kind of kinds) bits |= BITS.get(kind) ?? 0;
  return bits;
};

/** What can be told of a night without taking its readings out. */
export type NightHead = {
  /** First and last time since when a standing reading is known; empty for a night without any. */
  readonly earliestUtc: string;
  readonly latestUtc: string;
  /** No reading is ordered later than this. */
  readonly latestTime: string;
  /** Kinds of its standing readings, as bits. */
  readonly kinds: number;
  readonly summary: NightSummary;
};

export type StoredNight = NightHead & {
  /** False: `stored` holds only what teaches other nights. */
  readonly whole: boolean;
  readonly stored: readonly Reading[];
  /** Those that stand, in order. */
  readonly standing: Ordered;
  /** False only when no standing reading has this key. */
  readonly mayHold: (key: string) => boolean;
};

export const ALL_READINGS = '';
const OF = ' ';
export const keyOf = (kind: ReadingKind, subjectId?: string): string =>
  subjectId === undefined ? kind : kind + OF + subjectId;

/** An axis is not balanced on every night: those on which it stayed where it was are found without taking out the others. */
export const settledKey = (axis: BalanceAxis): string => keyOf('balance', `stays:${axis}`);

/** So are turns of the screws of a finder's plate, and what a step took. */
export const plateKey = (mountId: string): string => keyOf('event', `plate:${mountId}`);
export const stepKey = (step: Step): string => keyOf('timing', `step:${step}`);

function keysOf(r: Reading): string[] {
  const keys = [keyOf(r.kind), keyOf(r.kind, r.subject.id)];
  if (r.kind === 'balance' && r.values.drops === 'none') keys.push(settledKey(r.values.axis));
  if (r.kind === 'event' && r.values.what === 'plateMoved') keys.push(plateKey(r.subject.id));
  if (r.kind === 'timing') keys.push(stepKey(r.values.step));
  return keys;
}

export type Groups = ReadonlyMap<string, readonly Reading[]>;

/** Standing readings by kind and subject, in order. */
export const groupsOf = oncePer(({ readings }: Ordered): Groups => {
  const groups = new Map<string, Reading[]>();
  for (const r of readings)
    for (const key of keysOf(r)) {
      const group = groups.get(key);
      if (group) group.push(r);
      else groups.set(key, [r]);
    }
  return new Map<string, readonly Reading[]>(groups).set(ALL_READINGS, readings);
});

function headOf(stored: readonly Reading[], standing: Ordered, tell: Tell): NightHead {
  let [earliestUtc, latestUtc, latestTime] = ['', '', ''];
  for (const r of standing.readings) {
    const time = standing.timeOf(r);
    const sinceUtc = knownSinceUtc(r);
    if (earliestUtc === '' || sinceUtc < earliestUtc) earliestUtc = sinceUtc;
    if (sinceUtc > latestUtc) latestUtc = sinceUtc;
    if (time > latestTime) latestTime = time;
  }
  const kinds = bitsOf(standing.readings.map((r) => r.kind));
  return { earliestUtc, latestUtc, latestTime, kinds, summary: summaryOf(stored, standing.readings, tell) };
}

/** A night all of whose readings are at hand. */
export function wholeNight(stored: readonly Reading[], tell: Tell = NOTHING_TOLD): StoredNight {
  const standing = standingOf(stored);
  return {
    ...headOf(stored, standing, tell),
    whole: true,
    stored,
    standing,
    mayHold: (key) => groupsOf(standing).has(key),
  };
}

/** The same night, one of its readings left out; lists are not told from it. */
export function nightWithout(night: StoredNight, reading: Reading): StoredNight {
  return { ...wholeNight(night.stored.filter((r) => r.id !== reading.id)), whole: night.whole };
}

/** A night put away small, as it is stored beside the readings themselves. */
export type NightDigest = NightHead & {
  nightId: string;
  /** Kinds with their subjects, each between line breaks. */
  keys: string;
  /** The standing readings that teach, in order: what they share, and each with what is its own. */
  text: string;
};

/** One reading, its fields by their places, and what is its own beside what the night's readings share. A time at which it
 *  was recorded that is not the one at which it was taken is its own, too. */
type PackedReading = [
  id: string,
  kind: string,
  step: string,
  subjectType: string,
  subjectId: string,
  takenAtUtc: string,
  values: unknown,
  own?: Partial<Reading>,
];
type Packed = {
  shared: Partial<Reading>;
  readings: PackedReading[];
  /** Of those that are not ordered by the time at which they were taken: place and time. */
  times: [number, string][];
};

/** Fields that mostly say the same for all readings of a night. */
const SHARED = ['deviceId', 'nightId', 'snapshotId', 'source', 'sigma', 'blobIds', 'note'] as const;
type SharedFields = Pick<Reading, (typeof SHARED)[number]>;

const isSame = (a: unknown, b: unknown): boolean =>
  a === b || (typeof a === 'object' && typeof b === 'object' && JSON.stringify(a) === JSON.stringify(b));

function packReading(r: Reading, shared: Partial<SharedFields>): PackedReading {
  const { id, kind, step, subject, takenAtUtc, values, recordedAtUtc, ...rest } = r;
  const own = Object.entries(rest).filter(([key, value]) => !isSame(value, shared[key as keyof SharedFields]));
  if (recordedAtUtc !== takenAtUtc) own.push(['recordedAtUtc', recordedAtUtc]);
  const packed: PackedReading = [id, kind, step, subject.type, subject.id, takenAtUtc, values];
  if (own.length > 0) packed.push(Object.fromEntries(own));
  return packed;
}

function unpackReading(packed: PackedReading, shared: Partial<Reading>): Reading {
  const [id, kind, step, type, subjectId, takenAtUtc, values, own] = packed;
  const subject = { type, id: subjectId };
  // A reading that was checked before it was packed.
  return { ...shared, id, kind, step, subject, takenAtUtc, recordedAtUtc: takenAtUtc, values, ...own } as Reading;
}

function pack({ readings, timeOf }: Ordered): Packed {
  const taught = readings.filter(isTaught);
  const [first] = taught;
  const shared: Partial<SharedFields> = first ? Object.fromEntries(SHARED.map((key) => [key, first[key]])) : {};
  const times = taught.flatMap((r, i): [number, string][] => (timeOf(r) === r.takenAtUtc ? [] : [[i, timeOf(r)]]));
  return { shared, readings: taught.map((r) => packReading(r, shared)), times };
}

function unpack(text: string): Ordered {
  const { shared, readings: packed, times } = JSON.parse(text) as Packed;
  const readings = packed.map((one) => unpackReading(one, shared));
  const byReading = new Map(times.flatMap(([i, time]) => (readings[i] ? [[readings[i], time] as const] : [])));
  return { readings, timeOf: (r) => byReading.get(r) ?? r.takenAtUtc };
}

const BREAK = '\n';

export function digestOf(nightId: string, night: StoredNight): NightDigest {
  const { standing, earliestUtc, latestUtc, latestTime, kinds } = night;
  const summary = { ...night.summary };
  const keys = [...groupsOf(standing).keys()].filter((key) => key.includes(OF));
  const head = { earliestUtc, latestUtc, latestTime, kinds, summary };
  return { ...head, nightId, keys: BREAK + keys.join(BREAK) + BREAK, text: JSON.stringify(pack(standing)) };
}

/** The night of a digest. Its readings are taken out when they are first asked for. */
export function nightOfDigest(digest: NightDigest): StoredNight {
  const { keys, text, earliestUtc, latestUtc, latestTime, kinds, summary } = digest;
  let taken: Ordered | null = null;
  const standing = (): Ordered => (taken ??= unpack(text));
  return {
    earliestUtc,
    latestUtc,
    latestTime,
    kinds,
    summary,
    whole: false,
    get stored() {
      return standing().readings;
    },
    get standing() {
      return standing();
    },
    mayHold: (key) => key === ALL_READINGS || keys.includes(BREAK + key + (key.includes(OF) ? BREAK : OF)),
  };
}
