import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { isLoaded } from '../../core/night/ledger/ledger.ts';
import { RecordScale } from '../../session/RecordScale.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { slopeFigures } from '../../text/levelWords.ts';
import { BOLT_UNDER_LOAD, inclinometerWords, latitudeReason, latitudeSentence } from '../../text/latitudeWords.ts';
import { LEVEL_NAMES } from '../../text/stations.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { LatitudeQuadrant } from '../../ui/instruments/LatitudeQuadrant.tsx';
import { latitudeModel, type LatitudeModel } from './model.ts';

type Fields = { scaleDeg: number | null };
const schema = z.object({ scaleDeg: z.number().min(0).max(90) });

/** What the scale reads now, for the turns of the bolt; set, it is ticked off. */
function SetScale({ onPresent }: { onPresent: (scaleDeg: number) => void }) {
  const night = useNight();
  const { records } = night;
  const { format } = useShared();
  const record = useRecord();
  const form = useForm<Fields, unknown, z.infer<typeof schema>>({
    resolver: formResolver<Fields, z.infer<typeof schema>>(schema),
    defaultValues: { scaleDeg: null },
  });
  if (records.fromSnapshot) return null;
  const tick = (): void => {
    void record(
      {
        step: 'level',
        subject: { type: 'night', id: records.night.id },
        kind: 'event',
        values: { what: 'scaleSet' },
      },
      'Latitude scale set: recorded.',
    );
  };
  return (
    <FormProvider {...form}>
      <form
        className="section"
        noValidate
        onSubmit={(event) => void form.handleSubmit(({ scaleDeg }) => onPresent(scaleDeg))(event)}
      >
        <h2>How far to turn the bolt</h2>
        {isLoaded(night) && <p className="caution-line">{BOLT_UNDER_LOAD}</p>}
        <div className="fields">
          <QuantityField name="scaleDeg" label="The scale reads now" kind="angleDeg" system={format.system} />
        </div>
        <div className="actions">
          <Button variant="primary" type="submit">
            Reckon the turns
          </Button>
          <Button variant="outline" onClick={tick}>
            The scale is set
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

/** A slope across the meridian that moves the axis less does not matter. */
const DRAG_TOLD_ARCMIN = 0.5;

function Figures({ model }: { model: LatitudeModel }) {
  const { format } = useShared();
  if (Math.abs(model.dragArcmin) < DRAG_TOLD_ARCMIN) return null;
  return <FigureList figures={slopeFigures(model, format)} />;
}

export function Latitude({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const [presentDeg, setPresentDeg] = useState<number | null>(null);
  const model = latitudeModel(night, presentDeg);
  const sentence = latitudeSentence(model.saying, format);
  return (
    <BenchLayout
      title={LEVEL_NAMES.both}
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
      <p className="soft">{inclinometerWords(model.altDeg, format)}</p>
      <Figures model={model} />
      <SetScale onPresent={setPresentDeg} />
      <RecordScale />
    </BenchLayout>
  );
}
