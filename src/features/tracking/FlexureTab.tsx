import type { ReactNode } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { flexureOf } from '../../core/mount/flexure.ts';
import { learnedOf } from '../../core/night/learned/learned.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import {
  FLEXURE,
  FLEXURE_REASON,
  FLEXURE_SENTENCE,
  flexureBefore,
  flexureRecorded,
  flexureValue,
} from '../../text/flexureWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { QuantityField, SelectField } from '../../ui/form/Fields.tsx';

const schema = z.object({
  shiftPx: z.number().min(0).max(1000),
  minutes: z.number().min(5).max(600),
  along: z.enum(['ra', 'dec']).nullable(),
});
type Fields = { shiftPx: number | null; minutes: number | null; along: 'ra' | 'dec' | null };
const AXES = [
  { value: 'ra', label: FLEXURE.axes.ra },
  { value: 'dec', label: FLEXURE.axes.dec },
];

/** As it stands in the fields. */
function FlexureNow({ scaleArcsecPerPx }: { scaleArcsecPerPx: number }) {
  const { format } = useShared();
  const typed = schema.safeParse(useWatch<Fields>());
  if (!typed.success) return null;
  const value = flexureValue(flexureOf(typed.data, scaleArcsecPerPx), format);
  return (
    <div className="wide">
      <FigureList figures={[{ name: FLEXURE.found, value }]} />
    </div>
  );
}

/** Two guided subs laid over each other. */
export function FlexureTab({ tabs }: { tabs: ReactNode }) {
  const { records, numbers } = useNight();
  const { format } = useShared();
  const scaleArcsecPerPx = numbers.train?.scaleArcsecPerPx ?? null;
  const last = learnedOf(records).flexure;
  return (
    <BenchLayout
      title="Tracking"
      tabs={tabs}
      sentence={FLEXURE_SENTENCE}
      reason={FLEXURE_REASON}
      instrumentName="The flexure"
    >
      {scaleArcsecPerPx !== null && (
        <RecordForm<Fields, z.infer<typeof schema>>
          title={FLEXURE.record}
          button={FLEXURE.record}
          schema={schema}
          defaults={{ shiftPx: null, minutes: null, along: null }}
          toReading={(seen) => {
            const { arcsecPerMin, sigmaArcsecPerMin, directionDeg } = flexureOf(seen, scaleArcsecPerPx);
            return {
              reading: {
                step: 'tracking',
                subject: { type: 'rig', id: records.rig.id },
                kind: 'flexure',
                values: { arcsecPerMin, directionDeg },
                sigma: { arcsecPerMin: sigmaArcsecPerMin },
              },
              said: flexureRecorded(arcsecPerMin, format),
            };
          }}
        >
          <QuantityField
            name="shiftPx"
            label={FLEXURE.shift}
            kind="pixels"
            system={format.system}
            hint={FLEXURE.shiftHint}
          />
          <QuantityField name="minutes" label={FLEXURE.apart} kind="minutes" system={format.system} />
          <SelectField name="along" label={FLEXURE.along} options={AXES} noneLabel={FLEXURE.unknown} />
          <FlexureNow scaleArcsecPerPx={scaleArcsecPerPx} />
        </RecordForm>
      )}
      {last && <p className="soft">{flexureBefore(last.values.arcsecPerMin, last.takenAtUtc, format)}</p>}
    </BenchLayout>
  );
}
