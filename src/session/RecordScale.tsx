import { z } from 'zod';
import { QuantityField } from '../ui/form/Fields.tsx';
import { RecordForm } from './RecordForm.tsx';
import { useNight, useShared } from './session.ts';

type Fields = { scaleDeg: number | null };
const schema = z.object({ scaleDeg: z.number().min(0).max(90) });

/** With the axis on the pole its altitude is known: what the scale reads then tells its bias. */
export function RecordScale() {
  const night = useNight();
  const { format } = useShared();
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title="After polar alignment: what does the scale read?"
      button="Record this reading"
      schema={schema}
      defaults={{ scaleDeg: null }}
      toReading={({ scaleDeg }) => ({
        reading: {
          step: 'level',
          subject: { type: 'mount', id: night.records.rig.mountId },
          kind: 'scaleReading',
          values: { scaleDeg, trueAltDeg: null },
        },
        said: `Scale recorded: ${format.quantity(scaleDeg, 'angleDeg')}.`,
      })}
    >
      <QuantityField
        name="scaleDeg"
        label="Scale reading"
        kind="angleDeg"
        system={format.system}
        hint="It teaches how far this scale is off."
      />
    </RecordForm>
  );
}
