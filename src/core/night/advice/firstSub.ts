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
const SHUTTER_S = [
  4,
  3,
  2,
  1.6,
  1.3,
  1,
  0.8,
  0.6,
  0.5,
  0.4,
  0.3,
  0.25,
  0.2,
  0.125,
  0.1,
  1 / 15,
  1 / 30,
  1 / 60,
] as const;
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

/** At the beginning, in the middle and at the end of the target's hours. */
function timesOf({ slot, usable, sky }: NightStatic): number[] {
  const span = slot ?? usable;
  if (!span) return [(sky.events.startMs + sky.events.endMs) / 2];
  return [span.fromMs, (span.fromMs + span.toMs) / 2, span.toMs];
}

function longestOf(night: NightStatic): number | null {
  const lengths = timesOf(night).map((timeMs) => {
    const { stars } = nightAt(night, timeMs);
    return stars && usableOnceLooked(night, stars.sub).longestS;
  });
  return lengths.some((s) => s === null) ? null : Math.min(...lengths.map((s) => s ?? 0));
}

/** The longest length that people set and that the account allows; the shortest of them where it allows none. */
export function longestFirstSubS(records: readonly OwnRecord[], nightId: string, nowMs: number): number {
  const found = deriveNight(stored(records, nowMs), nightId, nowMs);
  const night = found.state === 'night' ? found.night : null;
  const still = motorsOf(night?.numbers.mount ?? null) === 'none';
  const mostS = night?.budget?.sub.tracking.guided === true ? Infinity : LONGEST_UNGUIDED_S;
  const longestS = Math.min(night ? (longestOf(night) ?? 0) : 0, mostS);
  const set = still ? SHUTTER_S : SET_S;
  return set.find((s) => s <= longestS) ?? set.at(-1) ?? longestS;
}
