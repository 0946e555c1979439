import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Backup } from '../../formats/backup.ts';
import { applyMerge, applyReplace } from '../../storage/backup.ts';
import { lineageKey } from '../../storage/lineage.ts';
import { undecided, type Choices, type Conflict, type MergePlan } from '../../storage/merge.ts';
import { useSession, useShared } from '../../session/session.ts';
import { countsWords, fieldLabel, tableName, valueWords } from '../../text/dataWords.ts';
import { writeWords } from '../../text/errorWords.ts';

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
        <div key={field} className="conflict" role="radiogroup" aria-label={fieldLabel(field)}>
          <strong>{fieldLabel(field)}</strong>
          {(['mine', 'theirs'] as const).map((side) => (
            <Form.Check
              key={side}
              type="radio"
              id={`${id}-${field}-${side}`}
              name={`${id}-${field}`}
              label={`${side === 'mine' ? 'here' : 'file'}: ${valueWords(side === 'mine' ? here : theirs)}`}
              checked={chosen[field] === side}
              onChange={() => choose(field, side)}
            />
          ))}
        </div>
      ))}
    </fieldset>
  );
}

type Props = { fileName: string; file: Backup; plan: MergePlan; done: () => void };

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
export function ImportPreview({ fileName, file, plan, done }: Props) {
  const { writer } = useSession();
  const { notify } = useShared();
  const [choices, setChoices] = useState<Choices>({});
  const open = undecided(plan, choices);
  const finish = async (written: ReturnType<typeof applyReplace>, said: string): Promise<void> => {
    const result = await written;
    if (!result.ok) {
      notify(writeWords(result.code, result.figures), { tone: 'problem' });
      return;
    }
    notify(said, { undo: true });
    done();
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
          onClick={() => void finish(applyMerge(writer, file, plan, choices), 'Merged.')}
        >
          {open > 0 ? `Merge: ${open} fields to decide` : 'Merge into what is here'}
        </Button>
        <Button variant="outline" onClick={() => void finish(applyReplace(writer, file), 'Replaced.')}>
          Replace everything here
        </Button>
        <Button variant="outline" onClick={done}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
