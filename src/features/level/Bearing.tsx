import type { ReactNode } from 'react';
import { z } from 'zod';
import { footAzimuthsDeg } from '../../core/mount/level.ts';
import { trueBearingDeg } from '../../core/sky/bearing.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { bearingReason, bearingSentence } from '../../text/levelWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { CompassRose } from '../../ui/instruments/CompassRose.tsx';
import { bearingModel, tripodOf } from './model.ts';

type Fields = { readDeg: number | null; distanceM: number | null };
const schema = z.object({ readDeg: z.number().min(0).max(360), distanceM: z.number().min(0).max(100) });

function RecordCompass() {
  const night = useNight();
  const { format } = useShared();
  const { site } = night.records;
  const { declinationDeg } = night.magnetic;
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title="What does the compass read along the polar axis?"
      button="Record this bearing"
      schema={schema}
      defaults={{ readDeg: null, distanceM: 2.5 }}
      toReading={({ readDeg, distanceM }) => {
        const trueDeg = trueBearingDeg(readDeg, declinationDeg);
        return {
          reading: {
            step: 'level',
            subject: { type: 'site', id: site.id },
            kind: 'compass',
            values: { readDeg, distanceM, trueDeg },
          },
          said: `Bearing recorded: true ${format.quantity(trueDeg, 'angleDeg')}.`,
        };
      }}
    >
      <QuantityField name="readDeg" label="Compass reading" kind="angleDeg" system={format.system} />
      <QuantityField
        name="distanceM"
        label="Read from"
        kind="length"
        system={format.system}
        hint="Distance from the mount. Read once near, once far, to find iron."
      />
    </RecordForm>
  );
}

export function Bearing({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const { saying, poleDeg, axisDeg } = bearingModel(night);
  const { declinationDeg } = night.magnetic;
  const tripod = tripodOf(night);
  const feet = tripod ? footAzimuthsDeg(tripod.firstFootAzimuthDeg) : [];
  const sentence = bearingSentence(saying, format);
  return (
    <BenchLayout
      title="Level and bearing"
      tabs={tabs}
      sentence={sentence}
      reason={bearingReason(saying, night.magnetic, format)}
      instrumentName="The compass rose"
    >
      <div className="dial-row">
        <CompassRose
          label={plain(sentence)}
          declinationDeg={declinationDeg}
          poleDeg={poleDeg}
          feet={feet.map((azimuthDeg) => ({ azimuthDeg, text: null }))}
          axisDeg={axisDeg}
          tilt={null}
        />
        <div>
          <FigureList
            figures={[
              { name: 'The axis must look', value: poleDeg === 180 ? 'south' : 'north' },
              {
                name: 'Magnetic declination',
                value: `${format.quantity(Math.abs(declinationDeg), 'angleDeg')} ${declinationDeg < 0 ? 'W' : 'E'}`,
              },
              ...(axisDeg === null ? [] : [{ name: 'It looks', value: format.quantity(axisDeg, 'angleDeg') }]),
            ]}
          />
          <p className="soft">
            Solid arrow: the pole’s bearing. Dashed: where the needle points.
            {axisDeg !== null && ' Amber: the axis as last read.'} Circles: the feet.
          </p>
        </div>
      </div>
      <RecordCompass />
    </BenchLayout>
  );
}
