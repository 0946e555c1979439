/** How long a step takes this user: as it was noted, or as the times of its readings tell; a guess before that. */
import { firstOf } from '../../../firstOf.ts';
import { median } from '../../../math/statistics.ts';
import type { Reading, Step } from '../../../records/reading.ts';
import { ASSUMED } from '../../../verdict/assumptions.ts';
import type { NightRecords } from '../../../history/nightRecords.ts';

/** Nights and noted times of a step that count, the last ones. */
const KEPT = 20;
/** What lies further apart is another look, not the same work. */
const LONGEST_PAUSE_MS = 30 * 60_000;
const MOST_READINGS = 400;

/** From the first to the last of readings that follow each other closely, minutes; null for a single one. */
function spanMinutes(timesMs: readonly number[]): number | null {
  const sorted = [...timesMs].sort((a, b) => a - b);
  const [first] = sorted;
  if (first === undefined) return null;
  const pause = sorted.findIndex((t, i) => i > 0 && t - (sorted[i - 1] ?? t) > LONGEST_PAUSE_MS);
  const last = sorted[pause === -1 ? sorted.length - 1 : pause - 1] ?? first;
  return last > first ? (last - first) / 60_000 : null;
}

/** What aligning took on other nights, by what was read while the knobs were turned. */
function alignedMinutes({ known }: NightRecords): number[] {
  const byNight = new Map<string, number[]>();
  const read = firstOf<Reading>(known.latest(['polarError', 'knobTurn']), MOST_READINGS);
  for (const { nightId, takenAtUtc } of read) {
    if (nightId === null) continue;
    const times = byNight.get(nightId);
    if (times) times.push(Date.parse(takenAtUtc));
    else if (byNight.size < KEPT) byNight.set(nightId, [Date.parse(takenAtUtc)]);
  }
  return [...byNight.values()].flatMap((times) => spanMinutes(times) ?? []);
}

export function minutesOf(records: NightRecords, step: Step): { minutes: number; own: boolean } {
  const noted = firstOf(records.known.latest('timing', { ofStep: step }), KEPT);
  const own = median(noted.map((r) => r.values.minutes)) ?? (step === 'polar' ? median(alignedMinutes(records)) : null);
  return own === null ? { minutes: guessOf(step), own: false } : { minutes: own, own: true };
}

function guessOf(step: Step): number {
  if (step === 'polar') return ASSUMED.alignMinutes;
  if (step === 'pointing') return ASSUMED.refocusMinutes;
  return step === 'light-path' ? ASSUMED.restackMinutes : ASSUMED.mendGuidingMinutes;
}
