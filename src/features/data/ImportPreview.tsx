import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Backup } from '../../formats/backup.ts';
import { applyMerge, applyReplace, type Preview } from '../../storage/backup.ts';
import { lineageKey } from '../../storage/lineage.ts';
import { undecided, type Choices, type Conflict, type MergePlan } from '../../storage/merge.ts';
import type { Writer } from '../../storage/writer.ts';
import { useWholeWrite } from '../../session/useWholeWrite.ts';
import { useBusy } from '../../session/useWrite.ts';
import { countsWords } from '../../text/dataWords.ts';
import { fieldLabel, tableName, valueWords } from '../../text/storedWords.ts';
import { SideChoice } from '../../ui/form/SideChoice.tsx';

const nameOf = (record: object): string => {
  if ('name' in record && typeof record.name === 'string') return record.name;
  return 'eveningDate' in record && typeof record.eveningDate === 'string' ? record.eveningDate : '';
};

/** How many of each kind come in. */
function incomingCounts(plan: MergePlan, isNew: boolean): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const one of plan.incoming.filter((i) => i.isNew === isNew)) counts[one.table] = (counts[one.table] ?? 0) + 1;
  if (isNew) {
    counts['readings'] = plan.readings.length;
    counts['blobs'] = plan.blobs.length;
  }
  return counts;
}

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
  file: Backup;
  preview: Preview;
  /** Plan anew: something here changed since. */
  again: () => void;
  done: () => void;
};

function Summary({ file, plan }: { file: Backup; plan: MergePlan }) {
  const saved = file.exportedAtUtc.slice(0, 16).replace('T', ' ');
  return (
    <ul>
      <li>Saved on {saved} UTC.</li>
      <li>New here: {countsWords(incomingCounts(plan, true))}.</li>
      <li>Newer in the file: {countsWords(incomingCounts(plan, false))}.</li>
      <li>
        Equal or newer here: {plan.unchanged} {plan.unchanged === 1 ? 'record' : 'records'}.
      </li>
      <li>
        Changed on both sides: {plan.conflicts.length} {plan.conflicts.length === 1 ? 'record' : 'records'}
        {plan.conflicts.length > 0 && ', yours to decide below'}.
      </li>
    </ul>
  );
}

/** What the file would change, conflicts field by field, then merge or replace. */
export function ImportPreview({ fileName, file, preview, again, done }: Props) {
  const write = useWholeWrite();
  const busy = useBusy();
  const { plan, print } = preview;
  const [choices, setChoices] = useState<Choices>({});
  const open = undecided(plan, choices);
  const finish = async (
    what: string,
    work: (w: Writer) => ReturnType<typeof applyReplace>,
    said: string,
  ): Promise<void> => {
    const result = await write([what, print, choices], work, said);
    if (result.ok) done();
    else if (result.code === 'changedSince') again();
  };
  const choose =
    ({ table, id }: Conflict) =>
    (field: string, side: 'mine' | 'theirs') => {
      const key = lineageKey(table, id);
      setChoices((before) => ({ ...before, [key]: { ...before[key], [field]: side } }));
    };
  return (
    <div className="section">
      <h2>What {fileName} would change</h2>
      <Summary file={file} plan={plan} />
      {plan.conflicts.map((conflict) => (
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
          onClick={() => void finish('merge', (w) => applyMerge(w, file, plan, choices), 'Merged.')}
        >
          {open > 0 ? `Merge: ${open} fields to decide` : 'Merge into what is here'}
        </Button>
        <Button
          variant="outline"
          aria-disabled={busy}
          onClick={() => void finish('replace', (w) => applyReplace(w, file, print), 'Replaced.')}
        >
          Replace everything here
        </Button>
        <Button variant="outline" onClick={done}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
