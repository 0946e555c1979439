import { CHANGED_WHILE_TYPED, fieldLabel, valueWords } from '../text/dataWords.ts';
import { SideChoice } from '../ui/form/SideChoice.tsx';
import type { Edited } from './useEdited.ts';

/** What was saved elsewhere while this form was typed in, field by field; shown when saving would replace it. */
export function EditConflict({ edited }: { edited: Edited }) {
  const { conflict, chosen, choose } = edited;
  if (conflict.length === 0) return null;
  return (
    <fieldset className="group" role="alert">
      <legend>{CHANGED_WHILE_TYPED.title}</legend>
      <p>{CHANGED_WHILE_TYPED.what}</p>
      {conflict.map(({ field, mine, theirs }) => (
        <SideChoice
          key={field}
          id={`edit-${field}`}
          label={fieldLabel(field)}
          sides={{
            mine: { name: 'typed here', value: valueWords(mine) },
            theirs: { name: 'saved elsewhere', value: valueWords(theirs) },
          }}
          chosen={chosen[field]}
          choose={(side) => choose(field, side)}
        />
      ))}
    </fieldset>
  );
}
