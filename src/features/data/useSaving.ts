/** Making a file away from the page: with progress, a way to stop it, and words for how it ended. */
import type { Result } from '../../core/result.ts';
import { Cancelled } from '../../core/work.ts';
import { useShared } from '../../session/session.ts';
import type { WriteCode } from '../../storage/transact.ts';
import { SAVE_WORDS } from '../../text/dataWords.ts';
import { writeWords } from '../../text/errorWords.ts';
import { useWatched, type Going, type Watched } from '../../session/useWatched.ts';

type Save = <T>(make: (options: Watched) => Promise<Result<T, WriteCode>>, keep: (made: T) => void) => Promise<void>;

/** One file at a time: what is asked for meanwhile is not begun. */
export function useSaving(): { going: Going | null; save: Save } {
  const { notify } = useShared();
  const { going, watch } = useWatched();
  const save: Save = async (make, keep) => {
    if (going) return;
    try {
      const made = await watch(make);
      if (made.ok) keep(made.value);
      else notify(writeWords(made.code, made.figures), { tone: 'problem' });
    } catch (error) {
      if (error instanceof Cancelled) notify(SAVE_WORDS.cancelled);
      else notify(SAVE_WORDS.died, { tone: 'problem' });
    }
  };
  return { going, save };
}
