import { Button } from 'react-bootstrap';
import { BACKUP_LIST_NAMES, BACKUP_LISTS, type BackupList } from '../../formats/backup.ts';
import { columnsOf, toCsv } from '../../formats/csv.ts';
import { ok } from '../../core/result.ts';
import { useSession, useShared } from '../../session/session.ts';
import { readReadings } from '../../storage/storedReadings.ts';
import { caught } from '../../storage/transact.ts';
import { writeWords } from '../../text/errorWords.ts';
import type { Stored } from '../../storage/useStored.ts';
import { LIST_NAMES } from '../../text/storedWords.ts';
import { saveFile } from '../../ui/saveFile.ts';

const TABLES = BACKUP_LIST_NAMES.filter((name): name is Exclude<BackupList, 'blobs' | 'snapshots'> =>
  ['parts', 'rigs', 'sites', 'targets', 'nights', 'settings', 'readings'].includes(name),
);

type Table = (typeof TABLES)[number];

const countOf = (stored: Stored, table: Table): number =>
  table === 'readings'
    ? [...stored.readings.values()].reduce((count, { summary }) => count + summary.stored, 0)
    : stored[table].length;

/** Each table for a spreadsheet: one row a record, units in the column names. */
export function CsvTables() {
  const { stored, notify } = useShared();
  const { db } = useSession();
  const save = async (table: Table): Promise<void> => {
    const read = await caught(async () => ok(table === 'readings' ? (await readReadings(db)).records : stored[table]));
    if (read.ok) {
      const text = toCsv(read.value, columnsOf(BACKUP_LISTS[table]));
      saveFile(`tidy-owl-${table}.csv`, new Blob([text], { type: 'text/csv' }));
    } else notify(writeWords(read.code, read.figures), { tone: 'problem' });
  };
  return (
    <section className="section" aria-labelledby="tables">
      <h2 id="tables">Tables for a spreadsheet</h2>
      <p>
        Comma-separated, one row a record, units in the column names. Parts can come back in, in the parts box;
        everything else only as the JSON file.
      </p>
      <div className="actions">
        {TABLES.map((table) => (
          <Button key={table} variant="outline" onClick={() => void save(table)}>
            {LIST_NAMES[table]} ({countOf(stored, table)})
          </Button>
        ))}
      </div>
    </section>
  );
}
