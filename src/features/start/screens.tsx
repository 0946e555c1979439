/** The three screens: one question each. */
import { useFormContext, useWatch } from 'react-hook-form';
import { CARRIERS, SIZES, usualCarrier } from '../../core/rig/dressing/carriers.ts';
import { usualLensRatio } from '../../core/rig/dressing/looks.ts';
import { TUBE_KINDS } from '../../core/records/part.ts';
import { FromDevice } from '../../session/FromDevice.tsx';
import { Queries } from '../../session/Queries.tsx';
import { useShared } from '../../session/session.ts';
import {
  BODY_WORDS,
  CARRIER_WORDS,
  lookerWords,
  OPTICS_WORDS,
  SIZE_WORDS,
  sizeWords,
  START,
  lensRatioHint,
} from '../../text/startWords.ts';
import { CoordinateFields } from '../../ui/form/CoordinateFields.tsx';
import { CheckField, QuantityField, SelectField } from '../../ui/form/Fields.tsx';
import { CarrierPicture } from '../../ui/instruments/CarrierPicture.tsx';
import { BODIES, LOOKERS, isBox, mayGuide, type Draft } from './answers.ts';
import { Picks } from './Picks.tsx';
import { TownField } from './TownField.tsx';

export function Where() {
  const form = useFormContext<Draft>();
  const { placeName = '' } = useWatch<Draft>();
  const take = (place: Pick<Draft, 'placeName' | 'zoneIana'> & { latDeg: number; lonDeg: number }): void => {
    form.setValue('latDeg', place.latDeg, { shouldValidate: true });
    form.setValue('lonDeg', place.lonDeg, { shouldValidate: true });
    form.setValue('placeName', place.placeName);
    form.setValue('zoneIana', place.zoneIana);
  };
  return (
    <Queries>
      <FromDevice
        typed={() => JSON.stringify(form.getValues(['latDeg', 'lonDeg', 'placeName', 'zoneIana']))}
        found={({ latDeg, lonDeg, zoneIana }) => take({ latDeg, lonDeg, zoneIana, placeName: '' })}
      />
      <TownField
        chosen={placeName}
        take={({ name, latDeg, lonDeg }) => take({ latDeg, lonDeg, placeName: name, zoneIana: '' })}
      />
      <p className="soft mb-1">{START.placeHow}</p>
      <div className="fields">
        <CoordinateFields />
      </div>
    </Queries>
  );
}

export function Carries() {
  const { format } = useShared();
  const { carrier } = useWatch<Draft>();
  return (
    <>
      <Picks
        name="carrier"
        legend="What carries it"
        hideLegend
        className="pictures"
        options={CARRIERS}
        show={(one) => (
          <>
            <CarrierPicture carrier={one} />
            <strong>{CARRIER_WORDS[one].name}</strong>
            <span className="soft">{CARRIER_WORDS[one].what}</span>
          </>
        )}
      />
      <Picks
        name="size"
        legend="How large it is among its kind"
        className="words"
        options={SIZES}
        show={(one) => (
          <span>{carrier ? sizeWords(one, usualCarrier(carrier, one).ratedKg, format) : SIZE_WORDS[one]}</span>
        )}
      />
      {carrier === 'byHand' && <CheckField name="raMotor" label="A motor follows in right ascension" wide />}
      {carrier && usualCarrier(carrier, 'middle').hasFinder && (
        <Picks
          name="finder"
          legend="A finder through its polar axis"
          className="words"
          options={['twelveHour', 'none'] as const}
          show={(one) => <span>{one === 'twelveHour' ? 'Yes, with hours around it' : 'None, or not sure'}</span>}
        />
      )}
    </>
  );
}

/** No lens lies in a box. */
const tubesFor = (carrier: Draft['carrier']) => TUBE_KINDS.filter((kind) => kind !== 'lens' || !isBox(carrier));
const FORMATS = LOOKERS.map((value) => ({ value, label: lookerWords(value) }));

/** What a sensor behind a tube sits in: a lens is made for bodies, a phone and an eye have no say in it. */
function BodyPick({ looker, optics }: { looker: Draft['format']; optics: Draft['opticsKind'] | undefined }) {
  if (looker === 'phone' || looker === 'eye' || optics === 'lens') return null;
  return (
    <Picks
      name="body"
      legend="What the sensor sits in"
      className="words"
      options={BODIES}
      show={(one) => <span>{BODY_WORDS[one]}</span>}
    />
  );
}

export function Looks() {
  const { format } = useShared();
  const { opticsKind, focalMm, format: looker = 'reduced', carrier = '', raMotor = false } = useWatch<Draft>();
  const hasSensor = looker !== 'phone' && looker !== 'eye';
  // What is hidden must not hold anybody up.
  const phoneAlone = opticsKind === 'lens' && looker === 'phone' && typeof focalMm === 'number';
  return (
    <>
      <Picks
        name="opticsKind"
        legend="What looks"
        hideLegend
        className="words"
        options={tubesFor(carrier)}
        show={(one) => <span>{OPTICS_WORDS[one]}</span>}
      />
      <div className="fields">
        {!phoneAlone && <QuantityField name="focalMm" label="Focal length" kind="opticsMm" system={format.system} />}
        {opticsKind === 'lens' ? (
          !phoneAlone && (
            <QuantityField
              name="fNumber"
              label="f-number"
              kind="ratio"
              system={format.system}
              hint={lensRatioHint(usualLensRatio(Number(focalMm)), format)}
            />
          )
        ) : (
          <QuantityField name="apertureMm" label="Aperture" kind="opticsMm" system={format.system} />
        )}
        {hasSensor && <QuantityField name="megapixels" label="Megapixels" kind="ratio" system={format.system} />}
        <SelectField name="format" label="Sensor" options={FORMATS} wide />
      </div>
      <BodyPick looker={looker} optics={opticsKind} />
      {mayGuide({ carrier, raMotor, format: looker }) && <CheckField name="guided" label="A guide camera steers it" />}
    </>
  );
}
