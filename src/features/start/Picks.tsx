import type { ReactNode } from 'react';
import { useController } from 'react-hook-form';
import { schemaWords } from '../../text/schemaWords.ts';

type Props<V extends string> = {
  name: string;
  legend: string;
  options: readonly V[];
  show: (option: V) => ReactNode;
  className: string;
  /** The sentence above says it already. */
  hideLegend?: boolean;
};

/** One of a few, each with a picture or words: arrows go through them, a touch takes one. */
export function Picks<V extends string>({ name, legend, options, show, className, hideLegend }: Props<V>) {
  const { field, fieldState } = useController({ name });
  return (
    <fieldset className={`picks ${className}`}>
      <legend className={hideLegend ? 'visually-hidden' : undefined}>{legend}</legend>
      <div>
        {options.map((option) => (
          <label key={option} className="pick">
            <input
              type="radio"
              name={name}
              value={option}
              checked={field.value === option}
              onChange={() => field.onChange(option)}
              onBlur={field.onBlur}
            />
            {show(option)}
          </label>
        ))}
      </div>
      {fieldState.error && (
        <div className="invalid-feedback d-block" role="alert">
          {schemaWords(fieldState.error.message, String)}
        </div>
      )}
    </fieldset>
  );
}
