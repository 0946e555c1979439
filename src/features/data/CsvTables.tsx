import { Button } from 'react-bootstrap';
import { BACKUP_LIST_NAMES, BACKUP_LISTS, type BackupList } from '../../formats/backup.ts';
import { columnsOf, toCsv } from '../../formats/csv.ts';
import { useShared } from '../../session/session.ts';
import type { Stored } from '../../storage/useStored.ts';
import { LIST_NAMES } from '../../text/storedWords.ts';
import { saveFile } from '../../ui/saveFile.ts';

const TABLES = BACKUP_LIST_NAMES.filter((name): name is Exclude<BackupList, 'blobs' | 'snapshots'> =>
  ['parts', 'rigs', 'sites', 'targets', 'nights', 'settings', 'readings'].includes(name),
);

const rowsOf = (stored: Stored, table: (typeof TABLES)[number]): readonly object[] =>
  table === 'readings' ? [...stored.readings.values()].flat() : stored[table];

/** Each table for a spreadsheet: one row a record, units in the column names. */
export function CsvTables() {
  const { stored } = useShared();
  return (
    <section className="section" aria-labelledby="tables">
      <h2 id="tables">Tables for a spreadsheet</h2>
      <p>
        Comma-separated, one row a record, units in the column names. Parts can come back in, in the parts box;
        everything else only as the JSON file.
      </p>
      <div className="actions">
        {TABLES.map((table) => (
          <Button
            key={table}
            variant="outline"
            onClick={() =>
              saveFile(
                `tidy-owl-${table}.csv`,
                new Blob([toCsv(rowsOf(stored, table), columnsOf(BACKUP_LISTS[table]))], { type: 'text/csv' }),
              )
            }
          >
            {LIST_NAMES[table]} ({rowsOf(stored, table).length})
          </Button>
        ))}
      </div>
    </section>
  );
}
