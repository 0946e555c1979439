import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { seedOf } from '../../session/recordWork.ts';
import { useSession } from '../../session/session.ts';
import type { ChosenFile, Shown } from '../../storage/recordJobs.ts';
import type { Written } from '../../storage/transact.ts';
import { lineageKey } from '../../storage/lineage.ts';
import { undecided, type Choices, type Conflict } from '../../storage/merge.ts';
import type { Writer } from '../../storage/writer.ts';
import { useWholeWrite } from '../../session/useWholeWrite.ts';
import { useBusy } from '../../session/useWrite.ts';
import { countsWords } from '../../text/dataWords.ts';
import { fieldLabel, tableName, valueWords } from '../../text/storedWords.ts';
import type { Watched } from '../../session/useWatched.ts';
import { SideChoice } from '../../ui/form/SideChoice.tsx';

const nameOf = (record: object): string => {
  if ('name' in record && typeof record.name === 'string') return record.name;
  return 'eveningDate' in record && typeof record.eveningDate === 'string' ? record.eveningDate : '';
};

type ConflictProps = { conflict: Conflict; choices: Choices; choose: (field: string, side: 'mine' | 'theirs') => void };

/** One record that both sides changed: every differing field, with the two values to choose from. */
function ConflictTable({ conflict, choices, choose }: ConflictProps) {
  const { table, id, mine, fields } = conflict;
  const chosen = choices[lineageKey(table, id)] ?? {};
  return (
    <fieldset className="group">
      <legend>
        {nameOf(mine)} ({tableName(table)}): changed here and in the file
      </legend>
      {fields.map(({ field, mine: here, theirs }) => (
        <SideChoice
          key={field}
          id={`${id}-${field}`}
          label={fieldLabel(field)}
          sides={{
            mine: { name: 'here', value: valueWords(here) },
            theirs: { name: 'file', value: valueWords(theirs) },
          }}
          chosen={chosen[field]}
          choose={(side) => choose(field, side)}
        />
      ))}
    </fieldset>
  );
}

type Props = {
  fileName: string;
  file: ChosenFile;
  shown: Shown;
  watch: <T>(work: (options: Watched) => Promise<T>) => Promise<T>;
  /** Plan anew: something here changed since. */
  again: () => void;
  done: () => void;
};

function Summary({ exportedAtUtc, outline }: Shown) {
  const saved = exportedAtUtc.slice(0, 16).replace('T', ' ');
  const { fresh, newer, unchanged, conflicts } = outline;
  return (
    <ul>
      <li>Saved on {saved} UTC.</li>
      <li>New here: {countsWords(fresh)}.</li>
      <li>Newer in the file: {countsWords(newer)}.</li>
      <li>
        Equal or newer here: {unchanged} {unchanged === 1 ? 'record' : 'records'}.
      </li>
      <li>
        Changed on both sides: {conflicts.length} {conflicts.length === 1 ? 'record' : 'records'}
        {conflicts.length > 0 && ', yours to decide below'}.
      </li>
    </ul>
  );
}

/** What the file would change, conflicts field by field, then merge or replace. */
export function ImportPreview({ fileName, file, shown, watch, again, done }: Props) {
  const { records } = useSession();
  const write = useWholeWrite();
  const busy = useBusy();
  const { outline, print } = shown;
  const [choices, setChoices] = useState<Choices>({});
  const open = undecided(outline, choices);
  const finish = async (
    what: string,
    work: (w: Writer, options: Watched) => Written<null>,
    said: string,
  ): Promise<void> => {
    const result = await write([what, print, choices], (w) => watch((options) => work(w, options)), said);
    if (result.ok) done();
    else if (result.code === 'changedSince') again();
  };
  const merge = (w: Writer, options: Watched): Written<null> =>
    records('merge', { file, seed: seedOf(w), choices }, options);
  const replace = (w: Writer, options: Watched): Written<null> =>
    records('replace', { file, seed: seedOf(w), seen: print }, options);
  const choose =
    ({ table, id }: Conflict) =>
    (field: string, side: 'mine' | 'theirs') => {
      const key = lineageKey(table, id);
      setChoices((before) => ({ ...before, [key]: { ...before[key], [field]: side } }));
    };
  return (
    <div className="section">
      <h2>What {fileName} would change</h2>
      <Summary {...shown} />
      {outline.conflicts.map((conflict) => (
        <ConflictTable
          key={lineageKey(conflict.table, conflict.id)}
          conflict={conflict}
          choices={choices}
          choose={choose(conflict)}
        />
      ))}
      <div className="actions">
        <Button
          variant="primary"
          disabled={open > 0}
          aria-disabled={busy}
          onClick={() => void finish('merge', merge, 'Merged.')}
        >
          {open > 0 ? `Merge: ${open} fields to decide` : 'Merge into what is here'}
        </Button>
        <Button variant="outline" aria-disabled={busy} onClick={() => void finish('replace', replace, 'Replaced.')}>
          Replace everything here
        </Button>
        <Button variant="outline" onClick={done}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
