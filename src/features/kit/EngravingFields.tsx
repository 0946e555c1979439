/** Fields of a finder's engraving: rings, engraved stars, screws, and the plate drawn as it is composed. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useController, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { dialSchema } from '../../core/records/part.ts';
import { NORTH_PATTERN, SOUTH_PATTERN } from '../../core/sky/poleStars.ts';
import { useShared } from '../../session/session.ts';
import { schemaWords } from '../../text/schemaWords.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { PlateDrawing } from '../../ui/instruments/PlateDrawing.tsx';
import { plateOfDial } from '../../ui/instruments/plateOfDial.ts';
import { RoundView } from '../../ui/instruments/RoundView.tsx';

const MOST_RINGS = 4;

/** Each ring with what it stands for and the year it is for. */
export function RingsField({ path, label }: { path: string; label: string }) {
  const { format } = useShared();
  const { control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: path });
  return (
    <fieldset className="wide">
      <legend className="form-label">{label}</legend>
      {fields.map((field, i) => (
        <div className="fields" key={field.id}>
          <QuantityField
            name={`${path}.${i}.arcmin`}
            label={`Ring ${i + 1}: radius`}
            kind="arcmin"
            system={format.system}
          />
          <QuantityField name={`${path}.${i}.year`} label="For the year" kind="count" system={format.system} />
          <Button variant="link" className="px-0" onClick={() => remove(i)}>
            Remove ring {i + 1}
          </Button>
        </div>
      ))}
      {fields.length < MOST_RINGS && (
        <Button variant="link" className="px-0" onClick={() => append({ arcmin: null, year: null })}>
          Add a ring
        </Button>
      )}
    </fieldset>
  );
}

const PATTERN_STARS = [...NORTH_PATTERN, ...SOUTH_PATTERN];

/** Stars that have a mark of their own on the plate. */
export function PatternStarsField({ path, label }: { path: string; label: string }) {
  const { control } = useFormContext();
  const { field } = useController({ name: path, control });
  const chosen = Array.isArray(field.value) ? (field.value as number[]) : [];
  return (
    <fieldset className="wide">
      <legend className="form-label">{label}</legend>
      <div className="checks">
        {PATTERN_STARS.map((star) => (
          <Form.Check
            key={star.hip}
            id={`pattern-${star.hip}`}
            type="checkbox"
            label={star.name}
            checked={chosen.includes(star.hip)}
            onChange={(event) =>
              field.onChange(event.target.checked ? [...chosen, star.hip] : chosen.filter((h) => h !== star.hip))
            }
          />
        ))}
      </div>
    </fieldset>
  );
}

/** `90, 210, 330`: empty = none; what is not a number stays in the list as one that cannot be saved. */
function parseList(text: string): number[] {
  return text
    .split(/[,;\s]+/)
    .filter((one) => one !== '')
    .map((one) => Number(one.replace('°', '')));
}

export function NumberListField({ path, label, hint }: { path: string; label: string; hint?: string | undefined }) {
  const { control } = useFormContext();
  const { field, fieldState } = useController({ name: path, control });
  const stored = Array.isArray(field.value) ? (field.value as number[]) : [];
  const [text, setText] = useState(stored.join(', '));
  // A list's message hangs on its first bad member.
  const error = fieldState.error as { message?: string } | ({ message?: string } | undefined)[] | undefined;
  const message = (Array.isArray(error) ? error.find((e) => e?.message) : error)?.message;
  return (
    <Form.Group controlId={path}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        value={text}
        inputMode="text"
        autoComplete="off"
        isInvalid={message !== undefined}
        aria-describedby={`${path}-hint`}
        onBlur={field.onBlur}
        onChange={(event) => {
          setText(event.target.value);
          field.onChange(parseList(event.target.value));
        }}
      />
      {message !== undefined && (
        <div className="invalid-feedback d-block" role="alert">
          {schemaWords(message)}
        </div>
      )}
      {hint !== undefined && <Form.Text id={`${path}-hint`}>{hint}</Form.Text>}
    </Form.Group>
  );
}

const SPARE = 1.35;

/** The plate as it stands in the form; nothing while a figure is missing. */
export function EngravingPreview({ path }: { path: string }) {
  const value: unknown = useWatch({ name: path });
  const parsed = dialSchema.safeParse(value);
  if (!parsed.success) return <p className="soft wide">The plate is drawn here once all figures are right.</p>;
  const south = SOUTH_PATTERN.some((star) => parsed.data.patternHips.includes(star.hip));
  const plate = plateOfDial(parsed.data, south ? -1 : 1, ({ year }) => (year === null ? '' : String(year)));
  const farthest = Math.max(20, ...plate.rings.map((r) => r.arcmin), ...plate.spots.map((s) => s.distanceArcmin));
  return (
    <div className="plate-preview">
      <RoundView label="The plate as composed, set upright" radiusArcmin={farthest * SPARE}>
        <PlateDrawing
          plate={plate}
          radiusArcmin={farthest * SPARE}
          turnDeg={parsed.data.plateTurnDeg}
          spotsTurnDeg={parsed.data.plateTurnDeg}
        />
      </RoundView>
    </div>
  );
}
