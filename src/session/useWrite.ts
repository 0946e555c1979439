/** Writing from a page: the same press writes once, what was kept is said with a way back, what was not is said with what
 *  to do; and the write that most of these are, a setting. */
import { useCallback, useSyncExternalStore } from 'react';
import { refuse, type Result } from '../core/result.ts';
import { MissingPart } from '../core/missingPart.ts';
import { Cancelled } from '../core/work.ts';
import type { SettingKey, SettingValue } from '../core/records/setting.ts';
import { saveSetting } from '../storage/settings.ts';
import type { WriteCode } from '../storage/transact.ts';
import type { Writer } from '../storage/writer.ts';
import { MISSING_PART, UNEXPECTED_WORDS, writeWords } from '../text/errorWords.ts';
import { useSession, useShared } from './session.ts';

/** @param what what the press would write: a second press of the same is the first one.
 *  @param said what is said once it is kept; null: the page itself shows it. */
export type Write = <T>(
  what: unknown,
  work: (w: Writer) => Promise<Result<T, WriteCode>>,
  said?: string | ((value: T) => string) | null,
) => Promise<Result<T, WriteCode>>;

/** Work away from the page that ended before its end is a refusal like others. */
export function notDone(error: unknown): Result<never, WriteCode> {
  if (error instanceof Cancelled) return refuse('cancelled');
  if (error instanceof Error && error.name === 'WorkerDied') return refuse('workerDied');
  throw error;
}

export function useWrite(): Write {
  const { presses } = useSession();
  const { notify } = useShared();
  return useCallback(
    async (what, work, said = null) => {
      try {
        const written = await presses.run(what, (w) => work(w).catch(notDone));
        if (!written.ok) notify(writeWords(written.code, written.figures), { tone: 'problem' });
        else if (said !== null) notify(typeof said === 'string' ? said : said(written.value), { undo: true });
        return written;
      } catch (error) {
        notify(error instanceof MissingPart ? MISSING_PART.kept : UNEXPECTED_WORDS, { tone: 'problem' });
        throw error;
      }
    },
    [presses, notify],
  );
}

/** True while a write of this tab is being kept. */
export function useBusy(): boolean {
  const { presses } = useSession();
  return useSyncExternalStore(presses.subscribe, presses.busy, presses.busy);
}

export function useSaveSetting(): <K extends SettingKey>(key: K, value: SettingValue<K>) => void {
  const write = useWrite();
  return (key, value) => void write(['setting', key, value], (w) => saveSetting(w, key, value));
}
