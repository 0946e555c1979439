import { useEffect, useRef } from 'react';
import { CHANGED_WHILE_TYPED, fieldLabel, valueWords } from '../text/storedWords.ts';
import { SideChoice } from '../ui/form/SideChoice.tsx';
import type { Edited } from './useEdited.ts';

/** What was saved elsewhere while this form was typed in, field by field; shown when saving would replace it. */
export function EditConflict({ edited }: { edited: Edited }) {
  const { conflict, chosen, choose } = edited;
  const panel = useRef<HTMLFieldSetElement>(null);
  const asks = conflict.length > 0;
  useEffect(() => {
    if (asks) panel.current?.scrollIntoView({ block: 'center' });
  }, [asks]);
  if (!asks) return null;
  return (
    <fieldset ref={panel} className="group" role="alert">
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
