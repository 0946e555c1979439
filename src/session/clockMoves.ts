/** Watches the time of day beside a clock that counts steadily: within a page, and over a reload as far as it went back.
 *  What was seen is kept for a day, for every tab. */
import { z } from 'zod';
import { moveBetween, moveOverReload, type ClockLook, type ClockMove } from '../core/time/elapsed.ts';
import { MS_PER_DAY } from '../core/time/utc.ts';
import type { Clock } from './clock.ts';

export type ClockMoves = { all: () => readonly ClockMove[] };

const KEY = 'tidy-owl-clock';
/** How often a look is kept for the next page, ms. */
const KEPT_EVERY_MS = 10_000;
const MOST = 20;
const NO_MOVES: ClockMoves = { all: () => [] };

const keptSchema = z.object({
  wallMs: z.number(),
  moves: z.array(z.object({ fromMs: z.number(), toMs: z.number() })).max(MOST),
});
type Kept = z.infer<typeof keptSchema>;
type Store = Pick<Storage, 'getItem' | 'setItem'>;

function keptIn(store: Store): Kept | null {
  try {
    const parsed = keptSchema.safeParse(JSON.parse(store.getItem(KEY) ?? 'null'));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}

/** Another tab saw the same. */
const isSame = (a: ClockMove, b: ClockMove): boolean =>
  Math.abs(a.toMs - b.toMs) < KEPT_EVERY_MS && Math.abs(a.fromMs - b.fromMs) < KEPT_EVERY_MS;

/** Whether the page was shown all the time since it was asked last: a phone that was put away slept. */
export function shownSince(page: Pick<Document, 'hidden' | 'addEventListener'>): () => boolean {
  let wasHidden = page.hidden;
  page.addEventListener('visibilitychange', () => {
    wasHidden ||= page.hidden;
  });
  return () => {
    const shown = !wasHidden;
    wasHidden = page.hidden;
    return shown;
  };
}

/** @param store of all tabs; what it cannot keep is known in this page only.
 *  @param wasShown of `shownSince`: what a page misses that is out of sight is a sleep, after which the time of day is right. */
export function watchClock(clock: Clock, store: Store, wasShown: () => boolean): ClockMoves {
  if (clock.fixed) return NO_MOVES;
  const look = (): ClockLook => ({ wallMs: clock.nowMs(), steadyMs: clock.elapsedMs() });
  const before = keptIn(store);
  let [last, keptMs, moves] = [look(), -Infinity, before?.moves ?? []];
  const keep = (): void => {
    keptMs = last.steadyMs;
    try {
      store.setItem(KEY, JSON.stringify({ wallMs: last.wallMs, moves } satisfies Kept));
    } catch {
      // A full store keeps no look: then a step back over a reload goes unseen.
    }
  };
  const note = (move: ClockMove): void => {
    const known = keptIn(store)?.moves ?? moves;
    const recent = known.filter((m) => !isSame(m, move) && Math.abs(m.toMs - move.toMs) < MS_PER_DAY);
    moves = [...recent, move].slice(-MOST);
    keep();
  };
  const opened = before && moveOverReload(before.wallMs, last.wallMs);
  if (opened) note(opened);
  clock.subscribe(() => {
    const now = look();
    const [move, shown] = [moveBetween(last, now), wasShown()];
    last = now;
    if (move && (shown || move.toMs < move.fromMs)) note(move);
    else if (now.steadyMs - keptMs >= KEPT_EVERY_MS) keep();
  });
  return { all: () => moves };
}
