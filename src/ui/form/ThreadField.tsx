/** A thread from the list, with its pitch; free text as the last choice. */
import { useId, useState } from 'react';
import { Form } from 'react-bootstrap';
import { threadOf, THREADS } from '../../core/optics/threads.ts';
import { THREAD_WORDS } from '../../text/trainWords.ts';
import { described, FieldGroup, useField, type Common } from './Fields.tsx';

const ANOTHER = 'another';
const listed = (thread: string): boolean => (THREADS as readonly string[]).includes(thread);

export function ThreadField(props: Common) {
  const id = useId();
  const { field, message } = useField(props.name);
  const thread = typeof field.value === 'string' ? threadOf(field.value) : '';
  const [typing, setTyping] = useState(false);
  const isFree = typing || (thread !== '' && !listed(thread));
  const common = {
    isInvalid: message !== null,
    'aria-invalid': message !== null,
    'aria-describedby': described(id, props.hint, message),
  };
  return (
    <FieldGroup {...props} id={id} message={message}>
      <Form.Select
        {...common}
        id={id}
        {...field}
        value={isFree ? ANOTHER : thread}
        onChange={(event) => {
          setTyping(event.target.value === ANOTHER);
          if (event.target.value !== ANOTHER) field.onChange(event.target.value);
        }}
      >
        {thread === '' && !isFree && <option value="">{THREAD_WORDS.choose}</option>}
        {THREADS.map((one) => (
          <option key={one} value={one}>
            {one}
          </option>
        ))}
        <option value={ANOTHER}>{THREAD_WORDS.another}</option>
      </Form.Select>
      {isFree && (
        <Form.Control
          {...common}
          className="mt-2"
          aria-label={`${props.label}: ${THREAD_WORDS.asWritten}`}
          value={typeof field.value === 'string' ? field.value : ''}
          onChange={(event) => {
            setTyping(true);
            field.onChange(event.target.value);
          }}
          // What was typed may be in the list after all: it is kept as the list spells it.
          onBlur={() => {
            setTyping(false);
            field.onChange(thread);
            field.onBlur();
          }}
          autoComplete="off"
        />
      )}
    </FieldGroup>
  );
}
