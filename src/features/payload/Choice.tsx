import { useMemo, useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import type { PartOf } from '../../core/records/part.ts';
import {
  CHOICE_USES,
  mountChoice,
  opticsOfAperture,
  opticsOfTube,
  USE_WANTS,
  type ChoiceQuestion,
  type ChoiceUse,
  type MountChoice,
} from '../../core/rig/mountChoice.ts';
import { altAzExposureMap, LONGEST_EXPOSURE_S } from '../../core/sky/altAzExposure.ts';
import { useShared } from '../../session/session.ts';
import {
  altAzMapWords,
  assumedWords,
  choiceReason,
  choiceSentence,
  CHOOSE,
  exposureWords,
  givenWords,
  USE_NAMES,
  type ChoiceSaying,
} from '../../text/choiceWords.ts';
import { Answer } from './ChoiceAnswer.tsx';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { CheckField, QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { SkyExposureMap } from '../../ui/instruments/SkyExposureMap.tsx';

const wishSchema = z.object({
  targetSizeArcmin: z.number().min(1).max(1800),
  apertureMm: z.number().min(20).max(1000),
  focalRatio: z.number().min(0.9).max(30),
  exposureS: z.number().min(0.1).max(3600),
  guided: z.boolean(),
});
type Wish = z.infer<typeof wishSchema>;
export type Fields = { [K in keyof Wish]: Wish[K] | null };

function sayingOf(choice: MountChoice | null, question: Pick<ChoiceQuestion, 'guided' | 'use'> | null): ChoiceSaying {
  if (!choice || !question) return { code: 'ask' };
  const { guided, use } = question;
  const { focalMm, tube } = choice.optics;
  const found = choice.classes.find((c) => c.mount.id === choice.lightest?.id);
  if (!found) return { code: 'none', fails: choice.fails ?? 'load', guided, focalMm };
  const { id } = found.mount;
  return { code: 'enough', use, id, focalMm, tube: tube.kind, totalKg: choice.tubeSideKg, carriedKg: found.carriedKg };
}

function AltAzMap({ question }: { question: Pick<ChoiceQuestion, 'camera' | 'latDeg' | 'exposureS'> }) {
  const { format } = useShared();
  const { camera, latDeg, exposureS } = question;
  const cornerMm = (Math.hypot(camera.widthPx, camera.heightPx) * camera.pixelUm) / 2000;
  const cells = useMemo(() => altAzExposureMap(latDeg, cornerMm, camera.pixelUm), [latDeg, cornerMm, camera.pixelUm]);
  const words = altAzMapWords(cornerMm, format);
  return (
    <div className="section">
      <h2>Without a polar axis: how long before the field turns</h2>
      <p>{words}</p>
      <SkyExposureMap
        label={words}
        cells={cells}
        words={(s) => exposureWords(s, LONGEST_EXPOSURE_S)}
        wantedS={exposureS}
      />
    </div>
  );
}

type Props = {
  title: string;
  tabs?: ReactNode;
  /** What is asked first. */
  first: Fields;
  /** Sensor, place and school that every answer takes. */
  given: Omit<ChoiceQuestion, Exclude<keyof Wish, 'apertureMm'> | 'use' | 'own'>;
  /** One's own tubes. */
  tubes: readonly PartOf<'tube'>[];
  sizeHint?: string | undefined;
  /** More of what is given, to be changed. */
  children?: ReactNode;
};

const USES = CHOICE_USES.map((use) => [use, USE_NAMES[use]] as const);

type ChooserProps = {
  id: string;
  label: string;
  value: string;
  choose: (value: string) => void;
  options: readonly (readonly [value: string, words: string])[];
};

function Chooser({ id, label, value, choose, options }: ChooserProps) {
  return (
    <Form.Group controlId={id} className="short-field">
      <Form.Label>{label}</Form.Label>
      <Form.Select value={value} onChange={(event) => choose(event.target.value)}>
        {options.map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

/** The tube that is judged: one's own, else of an aperture for who looks; null = what the target asks for. */
function ownOf(wish: Wish, use: ChoiceUse, tube: PartOf<'tube'> | undefined): ChoiceQuestion['own'] {
  if (tube) return opticsOfTube(tube);
  return USE_WANTS[use].judgesStars ? null : opticsOfAperture(wish.apertureMm, wish.focalRatio);
}

/** What is asked for: of a tube only where none is there yet, by a target and of subs only where some are taken. */
function WishFields({ isNew, use, sizeHint }: { isNew: boolean; use: ChoiceUse; sizeHint: string | undefined }) {
  const { judgesStars } = USE_WANTS[use];
  const { format } = useShared();
  return (
    <div className="fields compact mt-2">
      {isNew && (
        <>
          {judgesStars ? (
            <QuantityField
              name="targetSizeArcmin"
              label="Size of the target"
              kind="arcmin"
              system={format.system}
              hint={sizeHint}
            />
          ) : (
            <QuantityField name="apertureMm" label="Aperture" kind="opticsMm" system={format.system} />
          )}
          <QuantityField name="focalRatio" label="Focal ratio" kind="ratio" system={format.system} />
        </>
      )}
      {judgesStars && (
        <>
          <QuantityField name="exposureS" label="Length of a sub" kind="seconds" system={format.system} />
          <CheckField name="guided" label="Guided" />
        </>
      )}
    </div>
  );
}

/** For someone choosing: from target, lens and exposure back to tube, mass and mount. */
export function Choice({ title, tabs, first, given, tubes, sizeHint, children }: Props) {
  const { format } = useShared();
  const [use, setUse] = useState<ChoiceUse>('longExposures');
  const [tubeId, setTubeId] = useState<string | null>(null);
  const tube = tubes.find((one) => one.id === tubeId);
  const form = useForm<Fields, unknown, Wish>({
    mode: 'onChange',
    resolver: formResolver<Fields, Wish>(wishSchema),
    defaultValues: first,
  });
  const parsed = wishSchema.safeParse(useWatch({ control: form.control }));
  const question = parsed.success ? { ...parsed.data, ...given, use, own: ownOf(parsed.data, use, tube) } : null;
  const choice = question ? mountChoice(question) : null;
  const saying = sayingOf(choice, question);
  return (
    <BenchLayout
      title={title}
      tabs={tabs}
      sentence={choiceSentence(saying, format)}
      reason={choiceReason(saying, format)}
      instrumentName="The choice"
    >
      <FormProvider {...form}>
        <form className="section" noValidate onSubmit={(event) => event.preventDefault()}>
          <div className="choices">
            <Chooser
              id="choose-use"
              label={CHOOSE.use}
              value={use}
              choose={(v) => setUse(v as ChoiceUse)}
              options={USES}
            />
            {tubes.length > 0 && (
              <Chooser
                id="choose-tube"
                label={CHOOSE.tube}
                value={tubeId ?? ''}
                choose={(v) => setTubeId(v === '' ? null : v)}
                options={[
                  ['', USE_WANTS[use].judgesStars ? CHOOSE.byTarget : CHOOSE.another],
                  ...tubes.map(({ id, name }) => [id, name] as const),
                ]}
              />
            )}
          </div>
          <WishFields isNew={!tube} use={use} sizeHint={sizeHint} />
        </form>
      </FormProvider>
      {USE_WANTS[use].judgesStars && children}
      {question && choice && <Answer choice={choice} question={question} />}
      <p className="soft">
        {assumedWords({ isNew: !tube, judgesStars: USE_WANTS[use].judgesStars })}
        {USE_WANTS[use].judgesStars && ` ${givenWords(given, format)}`}
      </p>
      {question && USE_WANTS[use].judgesStars && <AltAzMap question={question} />}
    </BenchLayout>
  );
}
