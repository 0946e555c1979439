import { z } from 'zod';
import { losesDeadBand } from '../../../core/pole/knobsOfMount.ts';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { knobName } from '../../../text/dialWords.ts';
import { TURN_LOGGED } from '../../../text/knobWords.ts';
import { CheckField, QuantityField, SelectField } from '../../../ui/form/Fields.tsx';
import type { TurnsModel } from './turnsModel.ts';

type Fields = { adjuster: string; deg: number | null; way: string; lockedSince: boolean };

const MOST_TURNS = 30;
const schema = z.object({
  adjuster: z.enum(['altitude', 'azimuth']),
  deg: z
    .number()
    .min(1)
    .max(360 * MOST_TURNS),
  way: z.enum(['clockwise', 'counterclockwise']),
  lockedSince: z.boolean(),
});
type Values = z.infer<typeof schema>;

/** A turn that was not made as the dials show it. */
export function OtherTurn({ model }: { model: TurnsModel }) {
  const { records } = useNight();
  const { format } = useShared();
  const { turns, paired } = model;
  if (![turns.altitude, turns.azimuth].some((a) => a.measured && !a.turnedSince)) return null;
  return (
    <RecordForm<Fields, Values>
      title="Turned otherwise"
      button="Record this turn"
      schema={schema}
      defaults={{ adjuster: 'altitude', deg: null, way: 'clockwise', lockedSince: false }}
      toReading={({ adjuster, deg, way, lockedSince }) => ({
        reading: {
          step: 'polar',
          subject: { type: 'mount', id: records.rig.mountId },
          kind: 'knobTurn',
          values: {
            adjuster,
            turns: (way === 'clockwise' ? deg : -deg) / 360,
            afterLockOrReversal: lockedSince || losesDeadBand(records, adjuster, way === 'clockwise'),
            beforeArcmin: null,
            afterArcmin: null,
          },
        },
        said: TURN_LOGGED,
      })}
    >
      <SelectField
        name="adjuster"
        label="What you turned"
        options={[
          { value: 'altitude', label: knobName('altitude', paired.altitude) },
          { value: 'azimuth', label: knobName('azimuth', paired.azimuth) },
        ]}
      />
      <QuantityField
        name="deg"
        label="By how much"
        kind="angleDeg"
        system={format.system}
        hint="A whole turn is 360°."
      />
      <SelectField
        name="way"
        label="Which way"
        options={[
          { value: 'clockwise', label: 'clockwise' },
          { value: 'counterclockwise', label: 'counter-clockwise' },
        ]}
      />
      <CheckField name="lockedSince" label="It was locked since the turn before" />
    </RecordForm>
  );
}
