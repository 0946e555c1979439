/** The ribbon's time and what follows from it, for React. */
import { useCallback, useSyncExternalStore } from 'react';
import { nightAt, type NightAt } from '../core/night/nightAt.ts';
import { latestPer } from '../core/once.ts';
import { useNight, useSession } from './session.ts';

/** A value that follows the ribbon's time; the component draws again only when the selected value changes. */
export function useRibbonTime<T extends string | number | boolean>(select: (timeMs: number) => T): T {
  const { ribbon } = useSession();
  return useSyncExternalStore(ribbon.subscribe, () => select(ribbon.timeMs()));
}

export function useIsLive(): boolean {
  const { ribbon } = useSession();
  return useSyncExternalStore(ribbon.subscribe, ribbon.isLive);
}

/** One state per shown moment, shared by everything that draws it. */
const stateAt = latestPer(nightAt);

/** The night's state at the ribbon's time. */
export function useNightAt(): NightAt {
  const { ribbon } = useSession();
  const night = useNight();
  const snapshot = useCallback(() => stateAt(night, ribbon.timeMs()), [night, ribbon]);
  return useSyncExternalStore(ribbon.subscribe, snapshot);
}
