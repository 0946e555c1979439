import { z } from 'zod';
import type { TrackAnalysis } from '../../../core/tracking/analyseTrack.ts';
import { middleHaH, spanSOf } from '../../../core/tracking/trackReading.ts';
import { readingValues } from '../../../core/records/reading.ts';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { useNightAt } from '../../../session/useTime.ts';
import { LOG } from '../../../text/logWords.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { tenth } from './logModel.ts';

const schema = readingValues.drift.omit({ rateArcsecPerMin: true, spanH: true });
type Fields = { haH: number | null; decDeg: number | null };

/** The declination's drift as one more measurement of the pole, with its doubt. */
export function DriftForPole({ analysis }: { analysis: TrackAnalysis }) {
  const { records, targetSky } = useNight();
  const { target } = useNightAt();
  const { format } = useShared();
  const { perMin, sigmaPerMin } = analysis.decDrift;
  const middle = middleHaH(target?.haH, analysis);
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title={LOG.pole}
      button={LOG.recordPole}
      schema={schema}
      defaults={{
        haH: middle === null ? null : tenth(middle),
        decDeg: targetSky ? tenth(targetSky.ofDate.decDeg) : null,
      }}
      toReading={(values) => ({
        reading: {
          step: 'polar',
          subject: { type: 'night', id: records.night.id },
          kind: 'drift',
          source: 'log',
          values: { ...values, rateArcsecPerMin: perMin, spanH: spanSOf(analysis) / 3600 },
          sigma: { rateArcsecPerMin: sigmaPerMin },
        },
        said: LOG.poleRecorded,
      })}
      keep
    >
      <p className="wide soft mb-0">{LOG.poleHint}</p>
      <QuantityField name="haH" label={LOG.haH} kind="hours" system={format.system} hint={LOG.haHint} />
      <QuantityField name="decDeg" label={LOG.decDeg} kind="angleDeg" system={format.system} />
    </RecordForm>
  );
}
