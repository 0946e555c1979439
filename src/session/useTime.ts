/** The ribbon's time and what follows from it, for React. */
import { useCallback, useSyncExternalStore } from 'react';
import { nightAt, type NightAt } from '../core/night/nightAt.ts';
import { watchAt, type Watch } from '../core/night/advice/watch.ts';
import { nightAsOf, type NightStatic } from '../core/night/nightStatic.ts';
import { MS_PER_MINUTE } from '../core/time/utc.ts';
import { latestPer } from '../core/once.ts';
import { useNight, useSession } from './session.ts';

/** What stands outside React is the same where pages are drawn as text only. */
const useOutside = <T>(subscribe: (listener: () => void) => () => void, get: () => T): T =>
  useSyncExternalStore(subscribe, get, get);

/** A value that follows the ribbon's time; the component draws again only when the selected value changes. */
export function useRibbonTime<T extends string | number | boolean>(select: (timeMs: number) => T): T {
  const { ribbon } = useSession();
  return useOutside(ribbon.subscribe, () => select(ribbon.timeMs()));
}

export function useIsLive(): boolean {
  const { ribbon } = useSession();
  return useOutside(ribbon.subscribe, ribbon.isLive);
}

/** True while a moment beyond the present is shown. */
export function useIsAhead(): boolean {
  const { ribbon, clock } = useSession();
  return useOutside(ribbon.subscribe, () => !ribbon.isLive() && ribbon.timeMs() > clock.nowMs());
}

/** One state per shown moment, shared by everything that draws it. */
const stateAt = latestPer(nightAt);

const watchOf = latestPer((night: NightStatic, moment: string): Watch => {
  const [timeMs = 0, nowMs = 0] = moment.split(' ').map(Number);
  return watchAt(night, timeMs, nowMs);
});

/** What the night asks for at the ribbon's time: what lies beyond the present is shown as planned. */
export function useWatch(): Watch {
  const { ribbon, clock } = useSession();
  const night = useNight();
  const snapshot = useCallback(() => {
    const timeMs = ribbon.timeMs();
    const nowMs = ribbon.isLive() ? timeMs : clock.nowMs();
    return watchOf(night, `${timeMs} ${nowMs}`);
  }, [night, ribbon, clock]);
  return useOutside(ribbon.subscribe, snapshot);
}

const nightOfMinute = latestPer((night: NightStatic, minute: number) => nightAsOf(night, minute * MS_PER_MINUTE));

/** The night as it stands now: once something is due that nobody recorded, it is laid anew every minute. */
export function useNightNow(night: NightStatic): NightStatic {
  const { ribbon, clock } = useSession();
  const snapshot = useCallback(() => nightOfMinute(night, Math.floor(clock.nowMs() / MS_PER_MINUTE)), [night, clock]);
  return useOutside(ribbon.subscribe, snapshot);
}

/** The night's state at the ribbon's time. */
export function useNightAt(): NightAt {
  const { ribbon } = useSession();
  const night = useNight();
  const snapshot = useCallback(() => stateAt(night, ribbon.timeMs()), [night, ribbon]);
  return useOutside(ribbon.subscribe, snapshot);
}
