/** The service worker: keeps the whole build on the device and answers every page address with the app's one page.
 *  Only the app's own files are kept; records live in the browser's database and never pass through here. */
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: {
  /** Filled in by the build: every file with its revision. */
  __WB_MANIFEST: (PrecacheEntry | string)[];
  registration: { scope: string };
  skipWaiting: () => Promise<void>;
  addEventListener: (type: 'message', listener: (event: { data: unknown }) => void) => void;
};

precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();

/** The page with the root it was installed under, so that deep addresses find its scripts on any host and sub-path. */
async function page(): Promise<Response> {
  const kept = await matchPrecache('index.html');
  if (!kept) return Response.error();
  const root = new URL(self.registration.scope).pathname;
  const html = (await kept.text()).replace('<head>', `<head><base href="${root}">`);
  return new Response(html, { headers: kept.headers });
}

registerRoute(new NavigationRoute(page, { denylist: [/\/api\//, /\/assets\//] }));

self.addEventListener('message', (event) => {
  const { data } = event;
  if (typeof data === 'object' && data !== null && 'type' in data && data.type === 'SKIP_WAITING')
    void self.skipWaiting();
});
