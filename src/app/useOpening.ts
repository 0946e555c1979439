/** Opens the database: with the demo scenario when the local server offers it and nothing was ever here; a database that
 *  was lost is said and never filled with something else. */
import { useCallback, useEffect, useState } from 'react';
import { fetchHello } from '../frames/hello.ts';
import { useSession } from '../session/session.ts';
import { forgetOldChanges } from '../storage/changeLog.ts';
import { heldBefore, type Held } from '../storage/held.ts';
import { initialiseEmpty } from '../storage/initialise.ts';
import { openDatabase } from '../storage/opening.ts';
import { isInitialised } from '../storage/stored.ts';
import { failureOf } from '../storage/transact.ts';
import { OPENING_WORDS } from '../text/errorWords.ts';

export type Opening =
  | { step: 'opening' }
  | { step: 'ready' }
  | { step: 'lost'; held: Held }
  | { step: 'failed'; words: string };

function wordsOf(error: unknown): string {
  const code = failureOf(error);
  return OPENING_WORDS[code ?? 'databaseClosed'];
}

/** A database that another page deletes or makes newer is let go, and that is said. */
function useGivingWay(show: (opening: Opening) => void): void {
  const { db } = useSession();
  useEffect(() => {
    const giveWay = (event: { newVersion: number | null }): void => {
      db.close();
      show({ step: 'failed', words: event.newVersion === null ? OPENING_WORDS.removed : OPENING_WORDS.newerTab });
    };
    db.on('versionchange', giveWay);
    return () => db.on('versionchange').unsubscribe(giveWay);
  }, [db, show]);
}

export function useOpening(): { opening: Opening; restored: () => void } {
  const { db, clock, tab } = useSession();
  const [opening, setOpening] = useState<Opening>({ step: 'opening' });
  const ready = useCallback(() => setOpening({ step: 'ready' }), []);
  useGivingWay(setOpening);
  useEffect(() => {
    const prepare = async (): Promise<Opening> => {
      if ((await openDatabase(db)) === 'newer') return { step: 'failed', words: OPENING_WORDS.newerDatabase };
      if (await isInitialised(db)) return { step: 'ready' };
      const held = heldBefore(localStorage);
      if (held && held.records + held.readings > 0) return { step: 'lost', held };
      const { demo } = await fetchHello();
      if (demo) {
        const { loadDemo } = await import('../storage/demo/loadDemo.ts');
        await loadDemo(db, clock.nowMs());
      } else await initialiseEmpty(db, clock.nowMs());
      return { step: 'ready' };
    };
    prepare()
      .catch((error: unknown): Opening => ({ step: 'failed', words: wordsOf(error) }))
      .then(setOpening, () => undefined);
  }, [db, clock]);
  const isReady = opening.step === 'ready';
  useEffect(() => {
    if (!isReady) return;
    // Tidying up: where it fails, it is done the next time.
    void tab
      .openTabs()
      .then((open) => forgetOldChanges(db, clock.nowMs(), open))
      .catch(() => undefined);
  }, [isReady, db, clock, tab]);
  return { opening, restored: ready };
}
