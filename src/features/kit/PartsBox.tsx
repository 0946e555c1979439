import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { partSchema } from '../../core/records/part.ts';
import { columnsOf, toCsv } from '../../formats/csv.ts';
import { useShared } from '../../session/session.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { saveFile } from '../../ui/saveFile.ts';
import { PartsCsvDialog } from './PartsCsvDialog.tsx';
import { PartsTable } from './PartsTable.tsx';
import { StarterDialog } from './StarterDialog.tsx';

/** Everything you own, with the ways in and out. */
export function PartsBox() {
  const { stored } = useShared();
  const [open, setOpen] = useState<'none' | 'starter' | 'csv'>('none');
  const close = (): void => setOpen('none');
  const saveCsv = (): void => {
    const parts = stored.parts.filter((p) => p.deletedAtUtc === null);
    saveFile('tidy-owl-parts.csv', new Blob([toCsv(parts, columnsOf(partSchema))], { type: 'text/csv' }));
  };
  return (
    <>
      <PageTitle>Parts box</PageTitle>
      <div className="actions">
        <Button variant="outline" onClick={() => setOpen('starter')}>
          Starter parts
        </Button>
        <Button variant="outline" onClick={() => setOpen('csv')}>
          Add from CSV
        </Button>
        <Button variant="outline" onClick={saveCsv}>
          Save as CSV
        </Button>
      </div>
      <PartsTable />
      <StarterDialog show={open === 'starter'} close={close} />
      <PartsCsvDialog show={open === 'csv'} close={close} />
    </>
  );
}
