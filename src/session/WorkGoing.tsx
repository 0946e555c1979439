import { Button, ProgressBar } from 'react-bootstrap';
import { JOB_WORDS } from '../text/dataWords.ts';
import type { Going } from './useWatched.ts';

/** How far long work has come, and a way to stop it. */
export function WorkGoing({ going }: { going: Going }) {
  const { progress, cancel } = going;
  const words = JOB_WORDS[progress.doing] ?? progress.doing;
  return (
    <div className="short-field mt-2" role="status">
      <p className="mb-1">{words}…</p>
      <ProgressBar>
        <ProgressBar isChild now={Math.round(progress.share * 100)} aria-label={words} />
      </ProgressBar>
      <Button variant="outline" className="mt-2" onClick={cancel}>
        Cancel
      </Button>
    </div>
  );
}
