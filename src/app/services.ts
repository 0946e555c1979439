/** Makes what one tab needs: clock, ribbon time, database, writer. The only place with a random source. */
import { OwlDatabase } from '../storage/database.ts';
import { ulidSource } from '../storage/ids.ts';
import { createClock } from '../session/clock.ts';
import { createRibbonTime } from '../session/ribbonTime.ts';
import type { Session } from '../session/session.ts';

function kept(storage: Storage, key: string, make: () => string): string {
  const known = storage.getItem(key);
  if (known !== null) return known;
  const made = make();
  storage.setItem(key, made);
  return made;
}

export function createSession(): Session {
  const clock = createClock(location.search, sessionStorage);
  const newId = ulidSource(
    () => Date.now(),
    (count) => crypto.getRandomValues(new Uint8Array(count)),
  );
  const db = new OwlDatabase();
  const deviceId = kept(localStorage, 'tidy-owl-device', newId);
  const tabId = kept(sessionStorage, 'tidy-owl-tab', newId);
  return {
    clock,
    ribbon: createRibbonTime(clock, (callback) => requestAnimationFrame(callback)),
    db,
    writer: { db, nowMs: clock.nowMs, newId, deviceId, tabId },
  };
}
