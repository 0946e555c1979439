import { Button } from 'react-bootstrap';
import { writeBackup } from '../../formats/backup.ts';
import { ok } from '../../core/result.ts';
import { collect } from '../../storage/backup.ts';
import { heldIn, rememberSaved } from '../../storage/held.ts';
import { caught } from '../../storage/transact.ts';
import { useSession, useShared } from '../../session/session.ts';
import { useSaveReminder } from '../../session/useCopies.ts';
import { writeWords } from '../../text/errorWords.ts';
import { Problem } from '../../ui/Problem.tsx';
import { saveFile } from '../../ui/saveFile.ts';

/** Everything as one JSON file. */
export function SaveEverything() {
  const { writer, clock } = useSession();
  const { notify } = useShared();
  const reminder = useSaveReminder();
  const save = async (): Promise<void> => {
    const collected = await caught(async () => ok(await collect(writer)));
    if (!collected.ok) {
      notify(writeWords(collected.code, collected.figures), { tone: 'problem' });
      return;
    }
    const { backup, damaged } = collected.value;
    const day = new Date(clock.nowMs()).toISOString().slice(0, 10);
    saveFile(`tidy-owl-${day}.json`, new Blob(writeBackup(backup), { type: 'application/json' }));
    rememberSaved(heldIn(backup.lists), localStorage);
    if (damaged.length === 0) notify('Everything was saved to your downloads.');
    else
      notify(`Saved, but ${damaged.length} damaged records could not be read and are not in the file.`, {
        tone: 'problem',
      });
  };
  return (
    <section className="section" aria-labelledby="save">
      <h2 id="save">Save everything</h2>
      {reminder !== null && <Problem>{reminder}</Problem>}
      <p>One JSON file with all parts, rigs, sites, nights and readings. Its shape is published with the program.</p>
      <Button variant="primary" onClick={() => void save()}>
        Save everything
      </Button>
    </section>
  );
}
