import { useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { magneticOfNight } from '../../core/night/advice/hands/magneticOfNight.ts';
import { z } from 'zod';
import {
  COMPASS_KINDS,
  compassReadingDeg,
  readingFromTrueDeg,
  trueFromReadingDeg,
  type CompassKind,
} from '../../core/sky/bearing.ts';
import { useHas } from '../../session/useHas.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import {
  bearingReason,
  bearingSentence,
  COMPASS_HOW,
  COMPASS_NAMES,
  footReason,
  ironWords,
  modelYearsWords,
} from '../../text/levelWords.ts';
import { LEVEL_NAMES } from '../../text/stations.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { CompassRose } from '../../ui/instruments/CompassRose.tsx';
import { bearingModel, type BearingModel } from './model.ts';
import { MarkFeet } from './MarkFeet.tsx';
import { TowardPole } from './TowardPole.tsx';

type Fields = { readDeg: number | null; distanceM: number | null };
const schema = z.object({ readDeg: z.number().min(0).max(360), distanceM: z.number().min(0).max(100) });

/** Where the first and the second compass reading are usually taken. */
const [NEAR_M, FAR_M] = [0.5, 2.5];
const COMPASS_KEY = 'tidy-owl-compass';

/** What this device's user reads with: asked once. */
function useCompassKind(): [CompassKind, (kind: CompassKind) => void] {
  const [kind, set] = useState<CompassKind>(
    () => COMPASS_KINDS.find((k) => k === localStorage.getItem(COMPASS_KEY)) ?? 'phoneMagnetic',
  );
  const choose = (next: CompassKind): void => {
    localStorage.setItem(COMPASS_KEY, next);
    set(next);
  };
  return [kind, choose];
}

function RecordCompass({ model }: { model: BearingModel }) {
  const night = useNight();
  const { format } = useShared();
  const { site } = night.records;
  const { declinationDeg } = magneticOfNight(night);
  const distanceM = model.axisDeg === null ? NEAR_M : FAR_M;
  const [kind, choose] = useCompassKind();
  const onPoleDeg = readingFromTrueDeg(kind, model.poleDeg, declinationDeg);
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      key={`${distanceM} ${kind}`}
      title="What does the compass read along the polar axis?"
      button="Record this bearing"
      schema={schema}
      defaults={{ readDeg: null, distanceM }}
      toReading={({ readDeg, distanceM: fromM }) => {
        const trueDeg = trueFromReadingDeg(kind, readDeg, declinationDeg);
        return {
          reading: {
            step: 'level',
            subject: { type: 'site', id: site.id },
            kind: 'compass',
            // Readings are compared with each other as a compass shows them, whatever they were read with.
            values: { readDeg: compassReadingDeg(trueDeg, declinationDeg), distanceM: fromM, trueDeg },
          },
          said: `Bearing recorded: true ${format.quantity(trueDeg, 'angleDeg')}.`,
        };
      }}
    >
      <Form.Group controlId="compass-kind">
        <Form.Label>Read with</Form.Label>
        <Form.Select
          value={kind}
          onChange={(event) => choose(COMPASS_KINDS.find((k) => k === event.target.value) ?? kind)}
        >
          {COMPASS_KINDS.map((one) => (
            <option key={one} value={one}>
              {COMPASS_NAMES[one]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <QuantityField
        name="readDeg"
        label="Compass reading"
        kind="angleDeg"
        system={format.system}
        hint={`${COMPASS_HOW[kind]} On the pole: ${format.quantity(onPoleDeg, 'angleDeg', 1)}.`}
      />
      <QuantityField
        name="distanceM"
        label="Read from"
        kind="length"
        system={format.system}
        hint={ironWords(model.check, format)}
      />
    </RecordForm>
  );
}

function Figures({ model }: { model: BearingModel }) {
  const { declinationDeg } = magneticOfNight(useNight());
  const { format } = useShared();
  return (
    <FigureList
      figures={[
        { name: 'The axis must look', value: model.poleDeg === 180 ? 'south' : 'north' },
        {
          name: 'Magnetic declination',
          value: `${format.quantity(Math.abs(declinationDeg), 'angleDeg')} ${declinationDeg < 0 ? 'W' : 'E'}`,
        },
        ...(model.axisDeg === null ? [] : [{ name: 'It looks', value: format.quantity(model.axisDeg, 'angleDeg') }]),
      ]}
    />
  );
}

export function Bearing({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const model = bearingModel(night);
  const { saying, poleDeg, axisDeg, feet } = model;
  const sentence = bearingSentence(saying, format);
  const years = modelYearsWords(magneticOfNight(night));
  const has = useHas();
  return (
    <BenchLayout
      title={LEVEL_NAMES.both}
      tabs={tabs}
      sentence={sentence}
      reason={bearingReason(saying, magneticOfNight(night), format)}
      instrumentName="The compass rose"
    >
      <div className="dial-row">
        <CompassRose
          label={plain(sentence)}
          declinationDeg={magneticOfNight(night).declinationDeg}
          poleDeg={poleDeg}
          feet={feet.map(({ azimuthDeg, compassDeg }) => ({
            azimuthDeg,
            text: format.quantity(compassDeg, 'angleDeg', 0),
          }))}
          axisDeg={axisDeg}
          tilt={null}
        />
        <div>
          <Figures model={model} />
          {years !== null && <p>{years}</p>}
          <p className="soft">
            Solid arrow: the pole’s bearing. Dashed: where the needle points.
            {axisDeg !== null && ' Amber: the axis as last read.'}
            {feet.length > 0 && ' Circles: the feet, with what the compass reads toward each.'}
          </p>
          {feet.length > 0 && (
            <p className="soft">
              {footReason(night.records.site.latDeg, night.numbers.mount?.towardPole === 'gap', has)}
            </p>
          )}
        </div>
      </div>
      {feet.length > 0 && <TowardPole />}
      <RecordCompass model={model} />
      {feet.length > 0 && <MarkFeet marks={model.marks} firstFootDeg={feet[0]?.azimuthDeg ?? 0} />}
    </BenchLayout>
  );
}
