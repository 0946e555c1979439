/** What happened to the night's subs and to the tube, in the order in which it stands in the record. */
import type { Reading, ReadingOf } from '../../records/reading.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import type { MountSide } from '../plan/plan.ts';

/** `targetId`: of which target it was said; null = of the one whose turn it was. */
export type LifeEvent =
  | {
      what: 'started' | 'paused' | 'resumed' | 'stopped' | 'targetTaken' | 'skipped';
      timeMs: number;
      targetId: string | null;
    }
  | { what: 'flipBegun' | 'legsMoved'; timeMs: number }
  /** `to`: where it stands since; null = on the other side. */
  | { what: 'flipped'; timeMs: number; startMs: number; endMs: number; to: MountSide | null };

function ofEvent({ values }: ReadingOf<'event'>, timeMs: number): LifeEvent | null {
  const { what, targetId = null } = values;
  switch (what) {
    case 'started':
    case 'paused':
    case 'resumed':
    case 'stopped':
    case 'targetTaken':
    case 'skipped':
      return { what, timeMs, targetId };
    case 'flipBegun':
    case 'legsMoved':
      return { what, timeMs };
    default:
      return null;
  }
}

function ofFlip({ values }: ReadingOf<'flip'>, timeMs: number): LifeEvent {
  const startMs = Date.parse(values.atUtc);
  return { what: 'flipped', timeMs, startMs, endMs: startMs + values.minutes * MS_PER_MINUTE, to: values.to ?? null };
}

/** @param timeOf the time by which a reading is ordered: a clock that was set back does not turn the night round. */
export function lifeEventsOf(readings: readonly Reading[], timeOf: (r: Reading) => string): LifeEvent[] {
  return readings.flatMap((r): LifeEvent[] => {
    const timeMs = Date.parse(timeOf(r));
    if (r.kind === 'flip') return [ofFlip(r, timeMs)];
    const found = r.kind === 'event' ? ofEvent(r, timeMs) : null;
    return found ? [found] : [];
  });
}
