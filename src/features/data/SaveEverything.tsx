import { Button } from 'react-bootstrap';
import { writeBackup } from '../../formats/backup.ts';
import { collect } from '../../storage/backup.ts';
import { useSession, useShared } from '../../session/session.ts';
import { saveFile } from '../../ui/saveFile.ts';

/** Everything as one JSON file. */
export function SaveEverything() {
  const { writer, clock } = useSession();
  const { notify } = useShared();
  const save = async (): Promise<void> => {
    const { backup, damaged } = await collect(writer);
    const day = new Date(clock.nowMs()).toISOString().slice(0, 10);
    saveFile(`tidy-owl-${day}.json`, new Blob(writeBackup(backup), { type: 'application/json' }));
    if (damaged.length === 0) notify('Everything was saved to your downloads.');
    else
      notify(`Saved, but ${damaged.length} damaged records could not be read and are not in the file.`, {
        tone: 'problem',
      });
  };
  return (
    <section className="section" aria-labelledby="save">
      <h2 id="save">Save everything</h2>
      <p>One JSON file with all parts, rigs, sites, nights and readings. Its shape is published with the program.</p>
      <Button variant="primary" onClick={() => void save()}>
        Save everything
      </Button>
    </section>
  );
}
