/** The shown night, also when something stored cannot be reckoned with: one reading that stands in the way is set aside by
 *  name, and what cannot be helped so is told. */
import { firstOf } from '../firstOf.ts';
import { NO_NIGHT, type Reading } from '../records/reading.ts';
import { recordsOfNight, type AllRecords } from '../history/nightRecords.ts';
import { nightStatic, type NightStatic } from './nightStatic.ts';
import type { ReadingsByNight } from '../history/readingIndex.ts';
import { nightWithout } from '../history/storedNight.ts';

export type DerivedNight =
  | { state: 'night'; night: NightStatic; setAside: Reading | null }
  /** Night, rig or site are not there. */
  | { state: 'gone' }
  | { state: 'broken'; problem: string };

/** How many readings are tried, the night's own first: it happens once in a lifetime, but must come to an end. */
const MOST_TRIED = 400;

function attempt(all: AllRecords, nightId: string, nowMs: number): DerivedNight {
  const records = recordsOfNight(all, nightId, nowMs);
  return records ? { state: 'night', night: nightStatic(records), setAside: null } : { state: 'gone' };
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** The night's own readings first, the last ones first. */
function suspects({ readings }: AllRecords, nightId: string): Reading[] {
  const own = readings.get(nightId)?.stored ?? [];
  const others = [...readings].filter(([id]) => id !== nightId).reverse();
  const theirs = function* (): Generator<Reading> {
    for (const [, night] of others) yield* [...night.stored].reverse();
  };
  return [...own].reverse().concat(firstOf(theirs(), MOST_TRIED)).slice(0, MOST_TRIED);
}

const without = (readings: ReadingsByNight, suspect: Reading): ReadingsByNight =>
  new Map(
    [...readings].map(([id, night]) => [
      id,
      id === (suspect.nightId ?? NO_NIGHT) ? nightWithout(night, suspect) : night,
    ]),
  );

export function deriveNight(all: AllRecords, nightId: string, nowMs: number): DerivedNight {
  try {
    return attempt(all, nightId, nowMs);
  } catch (error) {
    for (const suspect of suspects(all, nightId)) {
      try {
        const found = attempt({ ...all, readings: without(all.readings, suspect) }, nightId, nowMs);
        if (found.state === 'night') return { ...found, setAside: suspect };
      } catch {
        // Another one, or more than one.
      }
    }
    return { state: 'broken', problem: messageOf(error) };
  }
}
