/** Addresses inside the app. */
import type { Stop, Visit } from '../core/night/plan/run.ts';

/** A stop of a night's run, keeping the scrubbed time. */
export function stopPath(
  nightId: string,
  stop: { step: string; visit: Visit | null },
  at: string | null = null,
): string {
  const params = new URLSearchParams();
  if (stop.visit !== null) params.set('visit', stop.visit);
  if (at !== null) params.set('at', at);
  const query = params.toString();
  return `/n/${nightId}/${stop.step}${query === '' ? '' : `?${query}`}`;
}

/** True when an address shows the stop; without a visit in the address a tracker's pole counts as the rough one. */
export function isShown(stop: Stop, pathname: string, search: string): boolean {
  const [, , , step] = pathname.split('/');
  if (step !== stop.step) return false;
  return (
    stop.visit === null || stop.visit === (new URLSearchParams(search).get('visit') === 'final' ? 'final' : 'rough')
  );
}

/** The address as it is now, from the app's root. Two quick key presses must not both count from the address that is
 *  still being drawn, so this asks the browser and not React. */
export function addressNow(): { pathname: string; search: string } {
  const root = new URL(document.baseURI).pathname;
  const { pathname, search } = window.location;
  return { pathname: `/${pathname.slice(root.length)}`, search };
}
