import { useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { removeDemo, wipe } from '../../storage/backup.ts';
import { useSession, useShared } from '../../session/session.ts';
import { writeWords } from '../../text/errorWords.ts';
import { CsvTables } from './CsvTables.tsx';
import { ImportFile } from './ImportFile.tsx';
import { SaveEverything } from './SaveEverything.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';

/** Takes the invented records away in one action; what the user's own refer to stays. */
function Demo() {
  const { writer } = useSession();
  const { stored, notify } = useShared();
  const heads = [stored.parts, stored.rigs, stored.sites, stored.targets, stored.nights].flat();
  const count = heads.filter((r) => r.origin === 'demo').length;
  if (count === 0) return null;
  const remove = async (): Promise<void> => {
    const done = await removeDemo(writer);
    if (!done.ok) {
      notify(writeWords(done.code, done.figures), { tone: 'problem' });
      return;
    }
    const { removed, kept } = done.value;
    const rest = kept === 0 ? '' : ` ${kept} stay, because your own records use them.`;
    notify(`${removed} demo records removed.${rest}`, { undo: true });
  };
  return (
    <section className="section" aria-labelledby="demo">
      <h2 id="demo">Demo</h2>
      <p>{count} records belong to the invented demo. Removing them leaves everything of yours.</p>
      <Button variant="outline" onClick={() => void remove()}>
        Remove the demo
      </Button>
    </section>
  );
}

function EmptyDevice() {
  const { writer } = useSession();
  const { notify } = useShared();
  const [asking, setAsking] = useState(false);
  const empty = async (): Promise<void> => {
    setAsking(false);
    const done = await wipe(writer);
    if (done.ok) notify('Everything was removed from this device.', { undo: true });
    else notify(writeWords(done.code, done.figures), { tone: 'problem' });
  };
  return (
    <section className="section" aria-labelledby="empty">
      <h2 id="empty">Empty this device</h2>
      <p>Removes every record here. Save everything first, if you want it elsewhere.</p>
      <Button variant="outline" onClick={() => setAsking(true)}>
        Remove everything
      </Button>
      <Modal show={asking} onHide={() => setAsking(false)} animation={false} aria-labelledby="empty-title">
        <Modal.Header closeButton>
          <Modal.Title id="empty-title">Remove everything?</Modal.Title>
        </Modal.Header>
        <Modal.Body>All parts, rigs, sites, nights and readings on this device go. Undo brings them back.</Modal.Body>
        <Modal.Footer>
          <Button variant="outline" onClick={() => setAsking(false)}>
            Keep them
          </Button>
          <Button variant="primary" onClick={() => void empty()}>
            Remove everything
          </Button>
        </Modal.Footer>
      </Modal>
    </section>
  );
}

/** Records out to files and back in. */
export function DataPage() {
  return (
    <div className="data-page">
      <PageTitle>Data in and out</PageTitle>
      <p className="sentence">
        Your records live <strong>on this device only</strong>. Save them, or carry them to the phone.
      </p>
      <SaveEverything />
      <ImportFile />
      <CsvTables />
      <Demo />
      <EmptyDevice />
    </div>
  );
}
