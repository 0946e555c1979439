import type { ReactNode } from 'react';
import { z } from 'zod';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { latitudeReason, latitudeSentence } from '../../text/levelWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { LatitudeQuadrant } from '../../ui/instruments/LatitudeQuadrant.tsx';
import { latitudeModel } from './model.ts';

type Fields = { scaleDeg: number | null };
const schema = z.object({ scaleDeg: z.number().min(0).max(90) });

/** With the axis on the pole its true altitude is the latitude: what the scale reads then tells its bias. */
function RecordScale() {
  const { records } = useNight();
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
          subject: { type: 'mount', id: records.rig.mountId },
          kind: 'scaleReading',
          values: { scaleDeg, trueAltDeg: Math.abs(records.site.latDeg) },
        },
        said: `Scale recorded: ${format.quantity(scaleDeg, 'angleDeg')}.`,
      })}
    >
      <QuantityField name="scaleDeg" label="Scale reading" kind="angleDeg" system={format.system} />
    </RecordForm>
  );
}

export function Latitude({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const model = latitudeModel(night);
  const sentence = latitudeSentence(model.saying, format);
  return (
    <BenchLayout
      title="Level and bearing"
      tabs={tabs}
      sentence={sentence}
      reason={latitudeReason({ ...model, latDeg: night.records.site.latDeg }, format)}
      instrumentName="The latitude scale"
      instrument={
        <LatitudeQuadrant
          label={plain(sentence)}
          setDeg={model.scaleDeg}
          setText={format.quantity(model.scaleDeg, 'angleDeg')}
          readDeg={model.readDeg}
        />
      }
    >
      <RecordScale />
    </BenchLayout>
  );
}
