/** How long the subs of a night are planned that somebody has just made: as long as nine in ten of them stay usable once the
 *  pole was looked for, by the account that every page asks. */
import { settingOf } from '../../records/setting.ts';
import { toUtcText } from '../../time/utc.ts';
import { motorsOf } from '../../mount/motors.ts';
import { deriveNight } from '../deriveNight.ts';
import { nightAt } from '../nightAt.ts';
import type { NightStatic } from '../nightStatic.ts';
import { usableOnceLooked } from './stars/subAnswer.ts';

/** A record without its head. */
export type OwnRecord = { table: 'sites' | 'parts' | 'rigs' | 'targets' | 'nights'; id: string; body: object };

/** Lengths that people set, s; of what nothing follows those of a shutter. */
const SET_S = [300, 240, 180, 120, 90, 60, 45, 30, 20, 15, 10, 8, 5, 4, 3, 2] as const;
const SHUTTER_S = [4, 3, 2, 1.6, 1.3, 1] as const;
/** Without a guider an aeroplane, a gust or a wave of the drive costs more of a long sub than it gains. */
const LONGEST_UNGUIDED_S = 180;

function stored(records: readonly OwnRecord[], nowMs: number) {
  const head = {
    rev: 1,
    deviceId: '',
    createdAtUtc: toUtcText(nowMs),
    updatedAtUtc: toUtcText(nowMs),
    deletedAtUtc: null,
    origin: 'user' as const,
    archived: false,
    note: '',
  };
  // What Start makes is checked where it is written: here its bodies are records already.
  const of = (table: OwnRecord['table']): never[] =>
    records.filter((r) => r.table === table).map(({ id, body }) => ({ ...head, id, ...body }) as never);
  return {
    parts: of('parts'),
    rigs: of('rigs'),
    sites: of('sites'),
    targets: of('targets'),
    nights: of('nights'),
    readings: new Map(),
    snapshots: new Map(),
    limits: settingOf([], 'limits'),
    schools: settingOf([], 'schools'),
  };
}

const MOMENTS = 5;
/** Of what nothing follows: shorter ones gather no light worth a night. */
const LEAST_STILL_S = 1;

/** From the beginning to the end of the target's hours. */
function timesOf({ slot, usable, sky }: NightStatic): number[] {
  const span = slot ?? usable;
  if (!span) return [(sky.events.startMs + sky.events.endMs) / 2];
  return Array.from({ length: MOMENTS }, (_, i) => span.fromMs + (i / (MOMENTS - 1)) * (span.toMs - span.fromMs));
}

/** Null where at most of these moments no length stays usable: near the zenith an alt-azimuth mount turns the field for a while. */
function longestOf(night: NightStatic): number | null {
  const times = timesOf(night);
  const lengths = times.flatMap((timeMs) => {
    const { stars } = nightAt(night, timeMs);
    return (stars && usableOnceLooked(night, stars.sub).longestS) ?? [];
  });
  return 2 * lengths.length <= times.length ? null : Math.min(...lengths);
}

function nightOfRecords(records: readonly OwnRecord[], nightId: string, nowMs: number): NightStatic | null {
  const found = deriveNight(stored(records, nowMs), nightId, nowMs);
  return found.state === 'night' ? found.night : null;
}

/** Some of what is planned fits into the target's hours and the sides of the mount. */
export const someFit = (records: readonly OwnRecord[], nightId: string, nowMs: number): boolean =>
  (nightOfRecords(records, nightId, nowMs)?.plan?.subs.length ?? 0) > 0;

/** The longest length that people set and that the account allows; null where it allows none that gathers light. */
export function longestFirstSubS(records: readonly OwnRecord[], nightId: string, nowMs: number): number | null {
  const night = nightOfRecords(records, nightId, nowMs);
  if (!night) return null;
  const still = motorsOf(night.numbers.mount) === 'none';
  const mostS = night.budget?.sub.tracking.guided === true ? Infinity : LONGEST_UNGUIDED_S;
  const longest = longestOf(night);
  if (longest === null) return null;
  const longestS = Math.min(longest, mostS);
  if (still && longestS < LEAST_STILL_S) return null;
  return (still ? SHUTTER_S : SET_S).find((s) => s <= longestS) ?? null;
}
