/** The service worker: keeps the whole build on the device and answers every page address with the app's one page.
 *  Only the app's own files are kept; records live in the browser's database and never pass through here. */
import { cacheNames } from 'workbox-core';
import {
  cleanupOutdatedCaches,
  getCacheKeyForURL,
  matchPrecache,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

type MessageEvent = { data: unknown; waitUntil: (work: Promise<unknown>) => void };

declare const self: {
  /** Filled in by the build: every file with its revision. */
  __WB_MANIFEST: (PrecacheEntry | string)[];
  registration: { scope: string };
  skipWaiting: () => Promise<void>;
  addEventListener: (type: 'message', listener: (event: MessageEvent) => void) => void;
};

const build = self.__WB_MANIFEST;
precacheAndRoute(build);
cleanupOutdatedCaches();

/** The page with the root it was installed under, so that deep addresses find its scripts on any host and sub-path. A
 *  browser that died may have lost what was kept: then the network is asked. */
async function page({ request }: { request: Request }): Promise<Response> {
  const kept = await matchPrecache('index.html');
  if (!kept) return fetch(request);
  const root = new URL(self.registration.scope).pathname;
  const html = (await kept.text()).replace('<head>', `<head><base href="${root}">`);
  return new Response(html, { headers: kept.headers });
}

registerRoute(new NavigationRoute(page, { denylist: [/\/api\//, /\/assets\//] }));

/** Fetches again what the browser has lost of the build; what the network does not have stays away until the next time. */
async function keepWhole(): Promise<void> {
  const cache = await caches.open(cacheNames.precache);
  const keep = async (entry: PrecacheEntry | string): Promise<void> => {
    const key = getCacheKeyForURL(typeof entry === 'string' ? entry : entry.url);
    if (key === undefined || (await cache.match(key))) return;
    const found = await fetch(key, { cache: 'reload' }).catch(() => null);
    if (found?.ok) await cache.put(key, found);
  };
  await Promise.all(build.map(keep));
}

const WORK: Record<string, () => Promise<unknown>> = {
  SKIP_WAITING: () => self.skipWaiting(),
  KEEP_WHOLE: keepWhole,
};

self.addEventListener('message', (event) => {
  const { data } = event;
  if (typeof data !== 'object' || data === null || !('type' in data)) return;
  const work = WORK[String(data.type)];
  if (work) event.waitUntil(work());
});
