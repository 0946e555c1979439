import { useRef, useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { seedOf } from '../../session/recordWork.ts';
import { useSession, useShared } from '../../session/session.ts';
import { useWholeWrite } from '../../session/useWholeWrite.ts';
import { useBusy } from '../../session/useWrite.ts';
import { demoRemovedWords } from '../../text/dataWords.ts';
import { Copies } from './Copies.tsx';
import { CsvTables } from './CsvTables.tsx';
import { ImportFile } from './ImportFile.tsx';
import { SaveEverything } from './SaveEverything.tsx';
import { useImport } from './useImport.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';

/** Takes the invented records away in one action; what the user's own refer to stays. */
function Demo() {
  const { stored } = useShared();
  const { records } = useSession();
  const write = useWholeWrite();
  const busy = useBusy();
  const heads = [stored.parts, stored.rigs, stored.sites, stored.targets, stored.nights].flat();
  const count = heads.filter((r) => r.origin === 'demo').length;
  if (count === 0) return null;
  const remove = (): void => {
    void write(
      ['removeDemo'],
      (w) => records('removeDemo', { seed: seedOf(w) }),
      ({ removed, kept }) => demoRemovedWords(removed, kept),
    );
  };
  return (
    <section className="section" aria-labelledby="demo">
      <h2 id="demo">Demo</h2>
      <p>{count} records belong to the invented demo. Removing them leaves everything of yours.</p>
      <Button variant="outline" aria-disabled={busy} onClick={remove}>
        Remove the demo
      </Button>
    </section>
  );
}

function EmptyDevice() {
  const { records } = useSession();
  const write = useWholeWrite();
  const [asking, setAsking] = useState(false);
  const empty = (): void => {
    setAsking(false);
    void write(['wipe'], (w) => records('wipe', { seed: seedOf(w) }), 'Everything was removed from this device.');
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
          <Button variant="primary" onClick={empty}>
            Remove everything
          </Button>
        </Modal.Footer>
      </Modal>
    </section>
  );
}

/** Records out to files and back in. */
export function DataPage() {
  const importing = useImport();
  // What a copy would change is shown where files are brought in.
  const bringIn = useRef<HTMLDivElement>(null);
  const look = (file: File): void => {
    void importing.read(file).then(() => bringIn.current?.scrollIntoView({ block: 'start' }));
  };
  return (
    <div className="data-page">
      <PageTitle>Data in and out</PageTitle>
      <p className="sentence">
        Your records live <strong>on this device only</strong>. Save them, or carry them to the phone.
      </p>
      <SaveEverything />
      <Copies look={look} />
      <div ref={bringIn}>
        <ImportFile importing={importing} />
      </div>
      <CsvTables />
      <Demo />
      <EmptyDevice />
    </div>
  );
}
