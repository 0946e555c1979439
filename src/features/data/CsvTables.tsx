import { Button } from 'react-bootstrap';
import { useSession, useShared } from '../../session/session.ts';
import type { CsvTable } from '../../storage/recordJobs.ts';
import type { Stored } from '../../storage/useStored.ts';
import { LIST_NAMES } from '../../text/storedWords.ts';
import { saveFile } from '../../ui/saveFile.ts';
import { useSaving } from './useSaving.ts';
import { WorkGoing } from '../../session/WorkGoing.tsx';

const TABLES: readonly CsvTable[] = ['parts', 'rigs', 'sites', 'targets', 'nights', 'settings', 'readings'];

const countOf = (stored: Stored, table: CsvTable): number =>
  table === 'readings'
    ? [...stored.readings.values()].reduce((count, { summary }) => count + summary.stored, 0)
    : stored[table].length;

/** Each table for a spreadsheet: one row a record, units in the column names. */
export function CsvTables() {
  const { stored } = useShared();
  const { records } = useSession();
  const { going, save } = useSaving();
  const saveTable = (table: CsvTable): Promise<void> =>
    save(
      (options) => records('table', { table }, options),
      (file) => saveFile(`tidy-owl-${table}.csv`, file),
    );
  return (
    <section className="section" aria-labelledby="tables">
      <h2 id="tables">Tables for a spreadsheet</h2>
      <p>
        Comma-separated, one row a record, units in the column names. Parts can come back in, in the parts box;
        everything else only as the JSON file.
      </p>
      {going && <WorkGoing going={going} />}
      <div className="actions">
        {TABLES.map((table) => (
          <Button key={table} variant="outline" aria-disabled={going !== null} onClick={() => void saveTable(table)}>
            {LIST_NAMES[table]} ({countOf(stored, table)})
          </Button>
        ))}
      </div>
    </section>
  );
}
