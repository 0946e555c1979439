import { useState } from 'react';
import { z } from 'zod';
import { cornersSubject } from '../../../core/night/learned/spacingTried.ts';
import { PAST_FOCUS } from '../../../core/records/corners.ts';
import { isDepthGuessed } from '../../../core/rig/lightBasis.ts';
import { readingValues } from '../../../core/records/reading.ts';
import { RecordForm } from '../../../session/RecordForm.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { CORNERS, PAST_FOCUS_NAMES } from '../../../text/cornersWords.ts';
import { CheckField, QuantityField, SelectField } from '../../../ui/form/Fields.tsx';
import { NOTHING_SEEN, PlacesField, type SeenSoFar } from './PlacesField.tsx';

type Values = z.infer<typeof readingValues.cornersSeen>;
type Fields = Omit<Values, 'places' | 'exposureS' | 'glassMm' | 'guessedDepth'> & {
  places: SeenSoFar;
  exposureS: number | null;
};
const schema = readingValues.cornersSeen.omit({ glassMm: true, guessedDepth: true });

/** What the eye sees at five places, and whether the frame may be asked. */
export function CornersForm() {
  const { numbers, records } = useNight();
  const { format } = useShared();
  const [recorded, setRecorded] = useState(0);
  const { camera } = numbers;
  const { spacing, corrector } = numbers.lightPath;
  const subject = { type: 'part' as const, id: cornersSubject(records) };
  const glassMm = spacing?.glassMm ?? 0;
  const guessedDepth = camera && isDepthGuessed(camera) ? { cameraId: camera.id, depthMm: camera.depthMm } : null;
  /** A distance that the pieces were added up to holds the guess; one that was typed does not. */
  const guessIn = (spacingMm: number | null): Pick<Values, 'guessedDepth'> =>
    guessedDepth && spacingMm !== null && spacingMm === spacing?.presentMm ? { guessedDepth } : {};
  const defaults: Fields = {
    places: NOTHING_SEEN,
    centreFocused: false,
    highTarget: false,
    exposureS: null,
    pastFocus: 'notTried',
    spacingMm: spacing?.presentMm ?? null,
  };
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      // The distance follows the train.
      key={`${spacing?.presentMm ?? ''}`}
      title={CORNERS.title}
      button={CORNERS.record}
      schema={schema}
      defaults={defaults}
      // The next frame is looked at from its first corner on.
      onRecorded={() => setRecorded(recorded + 1)}
      toReading={(values) => ({
        reading: {
          step: 'light-path',
          subject,
          kind: 'cornersSeen',
          values: { ...values, glassMm, ...guessIn(values.spacingMm) },
        },
        said: CORNERS.recorded,
      })}
    >
      <PlacesField key={recorded} />
      <CheckField name="centreFocused" label="Focused on a star in the middle" />
      <CheckField name="highTarget" label="The field stood high, over 60°" />
      <QuantityField
        name="exposureS"
        label="Exposure"
        kind="seconds"
        system={format.system}
        hint="5 to 10 s tell most."
      />
      <SelectField
        name="pastFocus"
        label="In a second frame a little past focus, the sticks lie"
        options={PAST_FOCUS.map((value) => ({ value, label: PAST_FOCUS_NAMES[value] }))}
      />
      {corrector && (
        <QuantityField
          name="spacingMm"
          label="Flange to sensor"
          kind="opticsMm"
          system={format.system}
          hint="With the stack of this frame."
        />
      )}
    </RecordForm>
  );
}
