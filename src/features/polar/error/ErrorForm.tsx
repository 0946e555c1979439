import { z } from 'zod';
import type { Reference } from '../../../core/pole/poleReference.ts';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useShared, type NewReadingHere } from '../../../session/session.ts';
import { errorWords, sideWords } from '../../../text/polarWords.ts';
import { CheckField, QuantityField, SelectField } from '../../../ui/form/Fields.tsx';
import type { TurnsModel } from './turnsModel.ts';

type Typed = {
  alt: number | null;
  altSide: string;
  az: number | null;
  azSide: string;
  reference: string;
  tightened: boolean;
};
type TypedError = { altErrorArcmin: number; azErrorArcmin: number; reference: Reference; tightened: boolean };

const SIZE_ONLY = 'Type the size; the side stands beside it.';

/** The signed error from sizes and sides as people say them. */
const typedSchema = z
  .object({
    alt: z.number().min(0, SIZE_ONLY).max(5400),
    altSide: z.enum(['high', 'low']),
    az: z.number().min(0, SIZE_ONLY).max(5400),
    azSide: z.enum(['east', 'west']),
    reference: z.enum(['refracted', 'true']),
    tightened: z.boolean(),
  })
  .transform(({ alt, altSide, az, azSide, reference, tightened }): TypedError => ({
    altErrorArcmin: altSide === 'low' ? -alt : alt,
    azErrorArcmin: azSide === 'west' ? -az : az,
    reference,
    tightened,
  }));

function SideFields({ south }: { south: boolean }) {
  const { format } = useShared();
  return (
    <>
      <QuantityField name="alt" label="Altitude is off by" kind="arcmin" system={format.system} />
      <SelectField
        name="altSide"
        label="The axis is"
        options={[
          { value: 'high', label: 'too high' },
          { value: 'low', label: 'too low' },
        ]}
      />
      <QuantityField
        name="az"
        label="Azimuth is off by"
        kind="arcmin"
        system={format.system}
        hint="As an angle in azimuth."
      />
      <SelectField
        name="azSide"
        label="The axis points too far"
        options={[
          { value: 'east', label: sideWords(true, south) },
          { value: 'west', label: sideWords(false, south) },
        ]}
      />
    </>
  );
}

/** An error measured elsewhere; after tightening it also tells what tightening did. */
export function ErrorForm({ model, onRecorded }: { model: TurnsModel; onRecorded: () => void }) {
  const { records } = useNight();
  const { format } = useShared();
  const { south, turns } = model;
  const subject = { type: 'mount', id: records.rig.mountId } as const;
  // Only an error that was measured, with nothing turned since, can be compared with one after tightening.
  const comparable = [turns.altitude, turns.azimuth].every((a) => a.measured && !a.turnedSince);
  const toReadings = (typed: TypedError): NewReadingHere[] => {
    const { tightened, ...values } = typed;
    const error: NewReadingHere = {
      step: 'polar',
      subject,
      kind: 'polarError',
      values: { ...values, method: 'typed' },
    };
    if (!tightened || !comparable) return [error];
    // What tightening did is this error less the one before: derived, not stored.
    return [{ step: 'polar', subject, kind: 'lockShift', values: { altArcmin: null, azArcmin: null } }, error];
  };
  return (
    <RecordForm<Typed, TypedError>
      title="Record an error you measured"
      button="Record this error"
      onRecorded={onRecorded}
      schema={typedSchema}
      defaults={{ alt: null, altSide: 'high', az: null, azSide: 'east', reference: 'refracted', tightened: false }}
      toReading={(typed) => ({
        reading: toReadings(typed),
        said: `Polar error recorded: ${errorWords(typed, south, format)}.`,
      })}
    >
      <SideFields south={south} />
      <SelectField
        name="reference"
        label="Measured against"
        options={[
          { value: 'refracted', label: 'the refracted pole' },
          { value: 'true', label: 'the true pole' },
        ]}
      />
      {comparable && <CheckField name="tightened" label="Measured after everything was tightened" />}
    </RecordForm>
  );
}
