import type { ReactNode } from 'react';
import { z } from 'zod';
import { footAzimuthsDeg } from '../../core/mount/level.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { COMPASS_POINTS, LEVEL_REASON, levelSentence } from '../../text/levelWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { QuantityField, SelectField } from '../../ui/form/Fields.tsx';
import { CompassRose } from '../../ui/instruments/CompassRose.tsx';
import { bearingModel, levelModel, tripodOf } from './model.ts';

type Fields = { tiltDeg: number | null; uphill: string };
const schema = z
  .object({ tiltDeg: z.number().min(0).max(45), uphill: z.string() })
  .transform(({ tiltDeg, uphill }) => ({ tiltDeg, uphillAzimuthDeg: Number(uphill) }));

function RecordTilt() {
  const night = useNight();
  const { format } = useShared();
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title="How does the base lean?"
      button="Record this tilt"
      schema={schema}
      defaults={{ tiltDeg: null, uphill: '0' }}
      toReading={(values) => ({
        reading: { step: 'level', subject: { type: 'night', id: night.records.night.id }, kind: 'level', values },
        said: `Tilt recorded: ${format.quantity(values.tiltDeg, 'angleDeg')}.`,
      })}
    >
      <QuantityField
        name="tiltDeg"
        label="Tilt"
        kind="angleDeg"
        system={format.system}
        hint="0 when the bubble is centred."
      />
      <SelectField
        name="uphill"
        label="The high side is"
        options={COMPASS_POINTS.map(({ name, azimuthDeg }) => ({ value: String(azimuthDeg), label: name }))}
      />
    </RecordForm>
  );
}

export function Level({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const { saying, tilt, lifts } = levelModel(night);
  const tripod = tripodOf(night);
  const feet = tripod ? footAzimuthsDeg(tripod.firstFootAzimuthDeg) : [];
  const liftAt = (azimuthDeg: number): string | null => {
    const lift = lifts.find((l) => l.azimuthDeg === azimuthDeg);
    return lift ? `+${format.quantity(lift.liftM, 'barLength')}` : null;
  };
  const sentence = levelSentence(saying, format);
  return (
    <BenchLayout
      title="Level and bearing"
      tabs={tabs}
      sentence={sentence}
      reason={LEVEL_REASON}
      instrumentName="The feet"
    >
      <div className="dial-row">
        <CompassRose
          label={plain(sentence)}
          declinationDeg={night.magnetic.declinationDeg}
          poleDeg={bearingModel(night).poleDeg}
          feet={feet.map((azimuthDeg) => ({ azimuthDeg, text: liftAt(azimuthDeg) }))}
          axisDeg={null}
          tilt={tilt ?? { tiltDeg: 0, uphillAzimuthDeg: 0 }}
        />
        <p className="soft">
          The bubble stands toward the high side. Numbers at the feet: how much to raise each, measured straight up.
        </p>
      </div>
      <RecordTilt />
    </BenchLayout>
  );
}
