import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Outlet } from 'react-router';
import { settingOf } from '../core/records/setting.ts';
import { useSession, SharedContext, type Shared } from '../session/session.ts';
import { writtenTimes } from '../session/writtenTimes.ts';
import { useKeepingCopies } from '../session/useCopies.ts';
import { usePuttingAway } from '../session/usePuttingAway.ts';
import { heldBefore, heldIn, isSmaller, rememberHeld } from '../storage/held.ts';
import { healDoubles } from '../storage/opening.ts';
import { useStored, type Stored } from '../storage/useStored.ts';
import { healedWords } from '../text/storedWords.ts';
import { makeFormat } from '../text/format.ts';
import { later } from '../ui/later.tsx';
import { GuessedPattern } from '../ui/instruments/Guessed.tsx';
import { CommandProvider } from './commands/CommandProvider.tsx';
import { keepOffline } from './offline.ts';
import { NoticeCorner, useNotices } from './Notices.tsx';
import { useFocusKeeper } from './useFocusKeeper.ts';
import { useOpening } from './useOpening.ts';

const LostPage = later(async () => (await import('./LostPage.tsx')).LostPage, Opening);

/** What this device held before it was opened, while less is there. What is taken away later, here or in another tab, is no
 *  loss. */
function useLoss(stored: Stored): Shared['loss'] {
  const now = useMemo(() => heldIn(stored), [stored]);
  const [before, setBefore] = useState(() => {
    const held = heldBefore(localStorage);
    return held && isSmaller(now, held) ? held : null;
  });
  return useMemo(() => {
    if (!before || !isSmaller(now, before)) return null;
    const accept = (): void => {
      rememberHeld(now, localStorage);
      setBefore(null);
    };
    return { before, now, accept };
  }, [before, now]);
}

/** Readings that an earlier version stored twice are mended once, and that is said. */
function useHealing({ doubles }: Stored, notify: Shared['notify']): void {
  const { db } = useSession();
  useEffect(() => {
    if (doubles === 0) return;
    void healDoubles(db).then((healed) => {
      if (healed.ok && healed.value > 0) notify(healedWords(healed.value));
    });
  }, [doubles, db, notify]);
}

function WithRecords({ stored }: { stored: Stored }) {
  const { notices, notify, dismiss } = useNotices();
  const units = settingOf(stored.settings, 'units');
  const written = useMemo(() => writtenTimes(stored.settings), [stored.settings]);
  useFocusKeeper();
  const loss = useLoss(stored);
  useKeepingCopies(stored, loss === null);
  useHealing(stored, notify);
  usePuttingAway(stored);
  useEffect(
    () =>
      keepOffline({
        onNewer: (take) => notify('A newer Tidy Owl is ready.', { action: { label: 'Reload', run: take } }),
      }),
    [notify],
  );
  const shared = useMemo<Shared>(
    () => ({ stored, format: makeFormat(units, 'UTC', written), notify, loss }),
    [stored, units, written, notify, loss],
  );
  return (
    <SharedContext value={shared}>
      <CommandProvider>
        <GuessedPattern />
        <Outlet />
        <NoticeCorner notices={notices} dismiss={dismiss} />
      </CommandProvider>
    </SharedContext>
  );
}

function Opening() {
  return (
    <p className="opening" role="status">
      Opening your nights…
    </p>
  );
}

/** A long history is drawn anew in parts between which the page answers: what a press says comes before it. */
function Records() {
  const { db } = useSession();
  const stored = useDeferredValue(useStored(db));
  return stored ? <WithRecords stored={stored} /> : <Opening />;
}

/** Opens the database, then shows the routes. */
export function Root() {
  const { opening, restored } = useOpening();
  switch (opening.step) {
    case 'failed':
      throw new Error(opening.words);
    case 'lost':
      return <LostPage held={opening.held} done={restored} />;
    case 'ready':
      return <Records />;
    case 'opening':
      return <Opening />;
  }
}
