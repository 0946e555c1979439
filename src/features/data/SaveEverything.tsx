import { Button } from 'react-bootstrap';
import { rememberSaved } from '../../storage/held.ts';
import type { Saved } from '../../storage/recordJobs.ts';
import { seedOf } from '../../session/recordWork.ts';
import { useSession, useShared } from '../../session/session.ts';
import { useSaveReminder } from '../../session/useCopies.ts';
import { savedWords } from '../../text/dataWords.ts';
import { Problem } from '../../ui/Problem.tsx';
import { saveFile } from '../../ui/saveFile.ts';
import { useSaving } from './useSaving.ts';
import { WorkGoing } from '../../session/WorkGoing.tsx';

/** Everything as one JSON file. */
export function SaveEverything() {
  const { writer, clock, records } = useSession();
  const { notify } = useShared();
  const { going, save } = useSaving();
  const reminder = useSaveReminder();
  const keep = ({ file, damaged, held }: Saved): void => {
    const day = new Date(clock.nowMs()).toISOString().slice(0, 10);
    saveFile(`tidy-owl-${day}.json`, file);
    rememberSaved(held, localStorage);
    notify(savedWords(damaged), damaged === 0 ? {} : { tone: 'problem' });
  };
  const saveAll = (): Promise<void> => save((options) => records('save', { seed: seedOf(writer) }, options), keep);
  return (
    <section className="section" aria-labelledby="save">
      <h2 id="save">Save everything</h2>
      {reminder !== null && <Problem>{reminder}</Problem>}
      <p>One JSON file with all parts, rigs, sites, nights and readings. Its shape is published with the program.</p>
      {going ? (
        <WorkGoing going={going} />
      ) : (
        <Button variant="primary" onClick={() => void saveAll()}>
          Save everything
        </Button>
      )}
    </section>
  );
}
