import { useEffect, useState } from 'react';
import { Button } from 'react-bootstrap';
import { useSession } from '../session/session.ts';
import { seedOf } from '../session/recordWork.ts';
import { rememberNow } from '../session/useWholeWrite.ts';
import type { Copy } from '../storage/copies.ts';
import { listCopies, readCopy } from '../storage/copyFiles.ts';
import { NOTHING_HELD, rememberHeld, type Held } from '../storage/held.ts';
import { initialiseEmpty } from '../storage/initialise.ts';
import { copyWords, fileWords, LOST_WORDS, lostSentence } from '../text/dataWords.ts';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Problem } from '../ui/Problem.tsx';

type State = { step: 'asking' } | { step: 'working' } | { step: 'refused'; words: string };

function useBringingBack(done: () => void) {
  const { db, clock, writer, records } = useSession();
  const [state, setState] = useState<State>({ step: 'asking' });
  const restore = async (copy: Copy): Promise<string | null> => {
    const file = await readCopy(copy);
    if (!file) return LOST_WORDS.copyGone;
    const given = { file: { key: copy.fileName, blob: file }, seed: seedOf(writer) };
    const written = await records('restore', given);
    if (!written.ok) return fileWords(written.code, written.figures);
    await initialiseEmpty(db, clock.nowMs());
    return null;
  };
  const bringBack = async (copy: Copy): Promise<void> => {
    setState({ step: 'working' });
    const words = await restore(copy).catch(() => LOST_WORDS.copyGone);
    if (words !== null) {
      setState({ step: 'refused', words });
      return;
    }
    await rememberNow(writer);
    done();
  };
  const beginAnew = async (): Promise<void> => {
    await initialiseEmpty(db, clock.nowMs());
    rememberHeld(NOTHING_HELD, localStorage);
    done();
  };
  return { state, bringBack, beginAnew };
}

/** The browser has lost the database: said, with the newest copy; nothing is put in its place unasked. */
export function LostPage({ held, done }: { held: Held; done: () => void }) {
  const [copies, setCopies] = useState<readonly Copy[]>([]);
  const { state, bringBack, beginAnew } = useBringingBack(done);
  useEffect(() => {
    void listCopies().then((found) => setCopies(found ?? []));
  }, []);
  const [newest, ...older] = copies;
  const busy = state.step === 'working';
  return (
    <main className="lone-page" role="alert">
      <PageTitle>{LOST_WORDS.title}</PageTitle>
      <p className="sentence">{lostSentence(held, newest ?? null)}</p>
      <p>{newest ? LOST_WORDS.what : LOST_WORDS.noCopy}</p>
      {state.step === 'refused' && <Problem>{state.words}</Problem>}
      <div className="actions">
        {newest && (
          <Button variant="primary" aria-disabled={busy} onClick={() => void bringBack(newest)}>
            {busy ? LOST_WORDS.working : LOST_WORDS.bringBack}
          </Button>
        )}
        <Button variant="outline" aria-disabled={busy} onClick={() => void beginAnew()}>
          {LOST_WORDS.beginAnew}
        </Button>
      </div>
      {older.length > 0 && (
        <>
          <h2>{LOST_WORDS.older}</h2>
          <ul className="plain-list">
            {older.map((copy) => (
              <li key={copy.fileName}>
                <Button variant="link" aria-disabled={busy} onClick={() => void bringBack(copy)}>
                  {copyWords(copy)}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </main>
  );
}
