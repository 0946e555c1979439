/** Makes what one tab needs: clock, ribbon time, database, writer. The only place with a random source. */
import { OwlDatabase } from '../storage/database.ts';
import { ulidSource } from '../storage/ids.ts';
import type { Writer } from '../storage/writer.ts';
import { createClock } from '../session/clock.ts';
import { shownSince, watchClock } from '../session/clockMoves.ts';
import { createCopies } from '../session/copies.ts';
import { createPresses } from '../session/presses.ts';
import { createRecordWork } from '../session/recordWork.ts';
import { createRibbonTime } from '../session/ribbonTime.ts';
import { createTab } from '../session/tab.ts';
import type { Session } from '../session/session.ts';

function kept(storage: Storage, key: string, make: () => string): string {
  const known = storage.getItem(key);
  if (known !== null) return known;
  const made = make();
  storage.setItem(key, made);
  return made;
}

const LAST_ID = 'tidy-owl-last-id';

export function createSession(): Session {
  const clock = createClock(location.search, sessionStorage);
  const newId = ulidSource(
    () => Date.now(),
    (count) => crypto.getRandomValues(new Uint8Array(count)),
    {
      read: () => localStorage.getItem(LAST_ID) ?? '',
      write: (id) => localStorage.setItem(LAST_ID, id),
    },
  );
  const db = new OwlDatabase();
  const deviceId = kept(localStorage, 'tidy-owl-device', newId);
  // Typed as always there, but missing on pages without https.
  const locks = navigator.locks as LockManager | undefined;
  const tab = createTab(sessionStorage, newId, locks);
  const writer: Writer = {
    db,
    nowMs: clock.nowMs,
    newId,
    deviceId,
    get tabId() {
      return tab.id();
    },
  };
  const records = createRecordWork();
  return {
    clock,
    clockMoves: watchClock(clock, localStorage, shownSince(document)),
    ribbon: createRibbonTime(clock, (callback) => requestAnimationFrame(callback)),
    db,
    writer,
    tab,
    presses: createPresses(writer, clock.elapsedMs, setTimeout),
    copies: createCopies(writer, records, locks),
    records,
  };
}
