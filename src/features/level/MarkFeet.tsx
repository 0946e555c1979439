import { z } from 'zod';
import type { GroundMarks } from '../../core/pole/groundMarks.ts';
import { asShown } from '../../core/units/quantities.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { marksWords } from '../../text/levelWords.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';

type Fields = { azimuthDeg: number | null };
const schema = z.object({ azimuthDeg: z.number().min(0).max(360) });

/** Marks on the ground for the next night: paint, pegs or flat stones under the feet. */
export function MarkFeet({ marks, firstFootDeg }: { marks: GroundMarks | null; firstFootDeg: number }) {
  const { records } = useNight();
  const { format } = useShared();
  return (
    <>
      <RecordForm<Fields, z.infer<typeof schema>>
        title="Mark the feet on the ground"
        button="The feet are marked"
        schema={schema}
        defaults={{ azimuthDeg: asShown(firstFootDeg, 'angleDeg', format.system) }}
        keep
        toReading={({ azimuthDeg }) => ({
          reading: {
            step: 'level',
            subject: { type: 'rig', id: records.rig.id },
            kind: 'feet',
            values: { azimuthDeg },
          },
          said: `Marks recorded, the first foot at ${format.quantity(azimuthDeg, 'angleDeg', 0)}.`,
        })}
      >
        <QuantityField
          name="azimuthDeg"
          label="The first foot lies at, true"
          kind="angleDeg"
          system={format.system}
          hint="Next time the feet go onto the marks, and the bearing is nearly there."
        />
      </RecordForm>
      {marks && <p className="soft">{marksWords(marks, format)}</p>}
    </>
  );
}
