/** Keeps the app on the device: registers the service worker and tells when a newer build waits. */
import { registerSW } from 'virtual:pwa-register';

export type Offline = { onNewer: (take: () => void) => void };

/** Registers once, and has what the browser lost of the build kept again. `onNewer` gets the function that takes the newer
 *  build and reloads; on a first visit nothing is newer until that build is kept. */
export function keepOffline({ onNewer }: Offline): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  const { controller } = navigator.serviceWorker;
  let isKept = controller !== null;
  controller?.postMessage({ type: 'KEEP_WHOLE' });
  const take = registerSW({
    immediate: true,
    onOfflineReady: () => {
      isKept = true;
    },
    onNeedRefresh: () => {
      if (isKept) onNewer(() => void take(true));
    },
  });
}
