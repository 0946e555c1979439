/** The form kit: every field with label, unit, hint and message, on react-hook-form. */
import { useId, useState, type ReactNode } from 'react';
import { Form, InputGroup } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import { parseSexagesimal, type AngleLimits } from '../../core/units/sexagesimal.ts';
import {
  formatQuantity,
  fromDisplay,
  toDisplay,
  unitOf,
  type QuantityKind,
  type UnitSystem,
} from '../../core/units/quantities.ts';
import { angleWords } from '../../text/errorWords.ts';
import { schemaWords } from '../../text/schemaWords.ts';
import { readTyped } from './typedNumbers.ts';

export type Common = {
  name: string;
  label: string;
  hint?: string | undefined;
  wide?: boolean;
  /** For rows under a common heading: the label is spoken, not drawn. */
  hideLabel?: boolean;
};

/** A field of the form around it, and its message in words. */
export function useField(name: string, show?: (value: number) => string) {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name, control });
  return { field, message: fieldState.error ? schemaWords(fieldState.error.message, show) : null };
}

type GroupProps = Common & { id: string; message: string | null; children: ReactNode };

/** Label, control, message and hint. */
export function FieldGroup({ id, label, hint, wide, hideLabel, message, children }: GroupProps) {
  return (
    <div className={wide ? 'wide' : undefined}>
      <Form.Label htmlFor={id} visuallyHidden={hideLabel === true}>
        {label}
      </Form.Label>
      {children}
      {message !== null && (
        <div className="invalid-feedback d-block" id={`${id}-message`} role="alert">
          {message}
        </div>
      )}
      {hint !== undefined && <Form.Text id={`${id}-hint`}>{hint}</Form.Text>}
    </div>
  );
}

export const described = (id: string, hint: string | undefined, message: string | null): string | undefined =>
  [message === null ? '' : `${id}-message`, hint === undefined ? '' : `${id}-hint`].filter(Boolean).join(' ') ||
  undefined;

export function TextField(props: Common & { multiline?: boolean; list?: string; type?: 'text' | 'date' }) {
  const id = useId();
  const { field, message } = useField(props.name);
  return (
    <FieldGroup {...props} id={id} message={message}>
      <Form.Control
        {...field}
        value={typeof field.value === 'string' ? field.value : ''}
        id={id}
        type={props.type ?? 'text'}
        as={props.multiline ? 'textarea' : 'input'}
        list={props.list}
        isInvalid={message !== null}
        aria-invalid={message !== null}
        aria-describedby={described(id, props.hint, message)}
        autoComplete="off"
      />
    </FieldGroup>
  );
}

type Shown = { text: string; forValue: unknown };

/** A text input whose parsed value lives in the form: text and value stay apart, so that half-typed numbers survive. */
function useParsedText(value: unknown, show: (value: unknown) => string) {
  const [shown, setShown] = useState<Shown>({ text: show(value), forValue: value });
  const current = Object.is(shown.forValue, value) ? shown : { text: show(value), forValue: value };
  return { text: current.text, set: (text: string, forValue: unknown) => setShown({ text, forValue }) };
}

/** Shows a stored number with no more digits than it needs. */
function trimmed(value: number, decimals: number): string {
  return String(Number(value.toFixed(decimals + 2)));
}

/** A number in the user's unit; the form holds it in the stored unit. Empty = null. */
/** @param expected shown pale in the empty field, in the field's own SI unit: what is not typed is not taken. */
export function QuantityField(props: Common & { kind: QuantityKind; system: UnitSystem; expected?: number }) {
  const id = useId();
  const { field, message } = useField(props.name, (value) => formatQuantity(value, props.kind, props.system));
  const unit = unitOf(props.kind, props.system);
  const { text, set } = useParsedText(field.value, (value) =>
    typeof value === 'number' && Number.isFinite(value)
      ? trimmed(toDisplay(value, props.kind, props.system), unit.decimals)
      : '',
  );
  return (
    <FieldGroup {...props} id={id} message={message}>
      <InputGroup>
        <Form.Control
          id={id}
          ref={field.ref}
          name={field.name}
          inputMode="decimal"
          placeholder={
            props.expected === undefined
              ? undefined
              : trimmed(toDisplay(props.expected, props.kind, props.system), unit.decimals)
          }
          value={text}
          onBlur={field.onBlur}
          onChange={(event) => {
            const parsed = readTyped(event.target.value, props.kind);
            const value = parsed === null ? null : fromDisplay(parsed, props.kind, props.system);
            set(event.target.value, value);
            field.onChange(value);
          }}
          isInvalid={message !== null}
          aria-invalid={message !== null}
          aria-describedby={described(id, props.hint, message)}
          autoComplete="off"
        />
        {unit.symbol !== '' && <InputGroup.Text>{unit.symbol}</InputGroup.Text>}
      </InputGroup>
    </FieldGroup>
  );
}

/** Degrees or hours, decimal or sexagesimal. */
export function AngleField(props: Common & { limits: AngleLimits; unit: string; show: (value: number) => string }) {
  const id = useId();
  const { field, message } = useField(props.name);
  const [problem, setProblem] = useState<string | null>(null);
  const { text, set } = useParsedText(field.value, (value) =>
    typeof value === 'number' && Number.isFinite(value) ? props.show(value) : '',
  );
  const shownMessage = problem ?? message;
  return (
    <FieldGroup {...props} id={id} message={shownMessage}>
      <InputGroup>
        <Form.Control
          id={id}
          ref={field.ref}
          name={field.name}
          value={text}
          onBlur={field.onBlur}
          onChange={(event) => {
            const parsed = parseSexagesimal(event.target.value, props.limits);
            const value = parsed.ok ? parsed.value : Number.NaN;
            setProblem(parsed.ok ? null : angleWords(parsed.code, parsed.figures));
            set(event.target.value, value);
            field.onChange(value);
          }}
          isInvalid={shownMessage !== null}
          aria-invalid={shownMessage !== null}
          aria-describedby={described(id, props.hint, shownMessage)}
          autoComplete="off"
        />
        <InputGroup.Text>{props.unit}</InputGroup.Text>
      </InputGroup>
    </FieldGroup>
  );
}

export type Option = { value: string; label: string };

/** `noneLabel`: a first choice that stands for "not known" and is stored as null. */
export function SelectField(props: Common & { options: readonly Option[]; noneLabel?: string | undefined }) {
  const id = useId();
  const { field, message } = useField(props.name);
  const nullable = props.noneLabel !== undefined;
  return (
    <FieldGroup {...props} id={id} message={message}>
      <Form.Select
        {...field}
        value={typeof field.value === 'string' ? field.value : ''}
        onChange={(event) => field.onChange(nullable && event.target.value === '' ? null : event.target.value)}
        id={id}
        isInvalid={message !== null}
        aria-invalid={message !== null}
        aria-describedby={described(id, props.hint, message)}
      >
        {nullable && <option value="">{props.noneLabel}</option>}
        {props.options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </Form.Select>
    </FieldGroup>
  );
}

export function CheckField(props: Common) {
  const id = useId();
  const { field } = useField(props.name);
  return (
    <Form.Check
      id={id}
      type="checkbox"
      label={props.hideLabel === true ? <span className="visually-hidden">{props.label}</span> : props.label}
      checked={field.value === true}
      ref={field.ref}
      onBlur={field.onBlur}
      onChange={(event) => field.onChange(event.target.checked)}
    />
  );
}
