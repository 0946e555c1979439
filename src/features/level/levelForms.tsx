import type { ReactNode } from 'react';
import { z } from 'zod';
import { tiltFromBubble } from '../../core/mount/level.ts';
import { tiltFromSlopes, type Tilt } from '../../core/mount/tiltedBase.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { COMPASS_POINTS } from '../../text/compassWords.ts';
import { QuantityField, SelectField } from '../../ui/form/Fields.tsx';

type Values = Record<string, number | string | null>;
const tiltDeg = z.number().min(0).max(45);
const slopeDeg = z.number().min(-45).max(45);

type Props<Out extends Record<string, number | string>> = {
  schema: z.ZodType<Out>;
  defaults: Values;
  toTilt: (values: Out) => Tilt;
  children: ReactNode;
};

/** Every way of reading a level ends in the same reading: how steep, and which side is high. */
function RecordLevel<Out extends Record<string, number | string>>({ schema, defaults, toTilt, children }: Props<Out>) {
  const { records } = useNight();
  const { format } = useShared();
  return (
    <RecordForm<Values, Out>
      title="How does the base lean?"
      button="Record this tilt"
      schema={schema}
      defaults={defaults}
      toReading={(read) => {
        const values = toTilt(read);
        return {
          reading: { step: 'level', subject: { type: 'night', id: records.night.id }, kind: 'level', values },
          said: `Tilt recorded: ${format.quantity(values.tiltDeg, 'angleDeg')}.`,
        };
      }}
    >
      {children}
    </RecordForm>
  );
}

function SideField({ name, label }: { name: string; label: string }) {
  return (
    <SelectField
      name={name}
      label={label}
      options={COMPASS_POINTS.map((point) => ({ value: String(point.azimuthDeg), label: point.name }))}
    />
  );
}

export function RecordTilt() {
  const { format } = useShared();
  return (
    <RecordLevel
      schema={z.object({ tiltDeg, uphill: z.string() })}
      defaults={{ tiltDeg: null, uphill: '0' }}
      toTilt={({ tiltDeg: tilt, uphill }) => ({ tiltDeg: tilt, uphillAzimuthDeg: Number(uphill) })}
    >
      <QuantityField
        name="tiltDeg"
        label="Tilt"
        kind="angleDeg"
        system={format.system}
        hint="0 when the bubble is centred."
      />
      <SideField name="uphill" label="The high side is" />
    </RecordLevel>
  );
}

export function RecordSlopes() {
  const { format } = useShared();
  return (
    <RecordLevel
      schema={z.object({ northUpDeg: slopeDeg, eastUpDeg: slopeDeg })}
      defaults={{ northUpDeg: null, eastUpDeg: null }}
      toTilt={({ northUpDeg, eastUpDeg }) => tiltFromSlopes(northUpDeg, eastUpDeg)}
    >
      <QuantityField
        name="northUpDeg"
        label="Level laid north to south"
        kind="angleDeg"
        system={format.system}
        hint="North side high +, south side high −."
      />
      <QuantityField
        name="eastUpDeg"
        label="Level laid east to west"
        kind="angleDeg"
        system={format.system}
        hint="East side high +, west side high −."
      />
    </RecordLevel>
  );
}

export function RecordBubble() {
  const { format } = useShared();
  return (
    <RecordLevel
      schema={z.object({ rings: z.number().min(0).max(6), ringDeg: z.number().positive().max(5), toward: z.string() })}
      defaults={{ rings: null, ringDeg: 0.5, toward: '0' }}
      toTilt={({ rings, ringDeg, toward }) => tiltFromBubble(rings, ringDeg, Number(toward))}
    >
      <QuantityField
        name="rings"
        label="Bubble’s middle off, in rings"
        kind="ratio"
        system={format.system}
        hint="1: its middle stands on the ring."
      />
      <SideField name="toward" label="It stands toward the" />
      <QuantityField
        name="ringDeg"
        label="The ring stands for"
        kind="angleDeg"
        system={format.system}
        hint="Usual for a small round level: 0.5°."
      />
    </RecordLevel>
  );
}
