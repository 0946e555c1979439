import type { ReactNode } from 'react';
import { z } from 'zod';
import { fromUtcText } from '../../core/time/utc.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { errorWords, sideWords, turnWords } from '../../text/polarWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { QuantityField, SelectField } from '../../ui/form/Fields.tsx';
import { TurnDials, type TurnDial } from '../../ui/instruments/TurnDials.tsx';
import { errorModel, GOAL_ARCMIN, type ErrorModel, type KnobAdvice } from './model.ts';

type Typed = { alt: number | null; altSide: string; az: number | null; azSide: string; reference: string };

/** The signed error from sizes and sides as people say them. */
const typedSchema = z
  .object({
    alt: z.number().min(0, 'Type the size; the side stands beside it.').max(5400),
    altSide: z.enum(['high', 'low']),
    az: z.number().min(0, 'Type the size; the side stands beside it.').max(5400),
    azSide: z.enum(['east', 'west']),
    reference: z.enum(['refracted', 'true']),
  })
  .transform(({ alt, altSide, az, azSide, reference }) => ({
    altErrorArcmin: altSide === 'low' ? -alt : alt,
    azErrorArcmin: azSide === 'west' ? -az : az,
    method: 'typed' as const,
    reference,
  }));
type TypedValues = z.infer<typeof typedSchema>;

function Form() {
  const night = useNight();
  const { format } = useShared();
  const south = night.records.site.latDeg < 0;
  return (
    <RecordForm<Typed, TypedValues>
      title="Record an error you measured"
      button="Record this error"
      schema={typedSchema}
      defaults={{ alt: null, altSide: 'high', az: null, azSide: 'east', reference: 'refracted' }}
      toReading={(values) => ({
        reading: {
          step: 'polar',
          subject: { type: 'mount', id: night.records.rig.mountId },
          kind: 'polarError',
          values,
        },
        said: `Polar error recorded: ${errorWords(values, south, format)}.`,
      })}
    >
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
      <SelectField
        name="reference"
        label="Measured against"
        options={[
          { value: 'refracted', label: 'the refracted pole' },
          { value: 'true', label: 'the true pole' },
        ]}
      />
    </RecordForm>
  );
}

function dialOf(
  which: 'altitude' | 'azimuth',
  error: number,
  advice: KnobAdvice,
  south: boolean,
  format: ReturnType<typeof useShared>['format'],
): TurnDial {
  const size = format.quantity(Math.abs(error), 'arcmin');
  const isAltitude = which === 'altitude';
  const common = {
    name: isAltitude ? 'altitude bolt' : 'azimuth knobs',
    effect: isAltitude ? `${error > 0 ? 'lowers' : 'raises'} the axis` : `toward ${sideWords(error < 0, south)}`,
    size,
    clockwise: advice?.clockwise ?? true,
    within: Math.abs(error) <= GOAL_ARCMIN,
  };
  if (common.within) return { ...common, turns: 0, amount: 'there', direction: 'leave it', effect: 'off by' };
  if (!advice) return { ...common, turns: null, amount: size, direction: 'pitch and lever unknown' };
  const direction = advice.clockwise ? 'clockwise' : 'counter-clockwise';
  return { ...common, turns: advice.turns, amount: turnWords(advice.turns, format), direction };
}

function sentenceOf(model: ErrorModel, altitude: TurnDial, azimuth: TurnDial): string {
  if (altitude.within && azimuth.within)
    return 'The axis is **within the goal**. Tighten everything and measure once more.';
  const steps = [altitude, azimuth]
    .filter((d) => !d.within)
    .map((d) => (d.turns === null ? `**${d.effect} ${d.size}**` : `the **${d.name} ${d.amount} ${d.direction}**`));
  return model.altitude || model.azimuth
    ? `Turn ${steps.join(', then ')}.`
    : `Turn until the axis moves: ${steps.join(', then ')}.`;
}

export function TypedError({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const south = night.records.site.latDeg < 0;
  const model = errorModel(night);
  const altitude = model && dialOf('altitude', model.altErrorArcmin, model.altitude, south, format);
  const azimuth = model && dialOf('azimuth', model.azErrorArcmin, model.azimuth, south, format);
  const known = model && altitude && azimuth;
  return (
    <BenchLayout
      title="Polar alignment"
      tabs={tabs}
      sentence={known ? sentenceOf(model, altitude, azimuth) : 'Measure the error, then **record it here**.'}
      reason={
        known
          ? `${errorWords(model, south, format)}, at ${format.clock(fromUtcText(model.takenAtUtc))}. By the pitch and lever of your bolts; stop a little short until you know them.`
          : 'The two dials then show how far to turn your own bolt and knobs.'
      }
      instrumentName="The two dials"
      instrument={
        known ? (
          <TurnDials
            label={`${altitude.name}: ${altitude.amount} ${altitude.direction}; ${azimuth.name}: ${azimuth.amount} ${azimuth.direction}`}
            altitude={altitude}
            azimuth={azimuth}
          />
        ) : undefined
      }
    >
      {model && model.history.length > 1 && (
        <p className="soft">
          Tonight:{' '}
          {model.history
            .map((h) => `${format.quantity(h.totalArcmin, 'arcmin')} at ${format.clock(fromUtcText(h.takenAtUtc))}`)
            .join(', ')}
          .
        </p>
      )}
      <Form />
    </BenchLayout>
  );
}
