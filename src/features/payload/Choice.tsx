import { useMemo, type ReactNode } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { z } from 'zod';
import { mountChoice, type ChoiceQuestion, type ClassAnswer, type MountChoice } from '../../core/rig/mountChoice.ts';
import { altAzExposureMap, LONGEST_EXPOSURE_S } from '../../core/sky/altAzExposure.ts';
import { useShared } from '../../session/session.ts';
import {
  altAzMapWords,
  CHOICE_ASSUMED,
  choiceReason,
  choiceSentence,
  CLASS_NAMES,
  exposureWords,
  givenWords,
  STAR_NAMES,
  TUBE_NAMES,
  type ChoiceSaying,
} from '../../text/choiceWords.ts';
import { LOAD_NAMES } from '../../text/payloadWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { ScrollTable } from '../../ui/ScrollTable.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { CheckField, QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { SkyExposureMap } from '../../ui/instruments/SkyExposureMap.tsx';

const wishSchema = z.object({
  targetSizeArcmin: z.number().min(1).max(1800),
  focalRatio: z.number().min(0.9).max(30),
  exposureS: z.number().min(0.1).max(3600),
  guided: z.boolean(),
});
type Wish = z.infer<typeof wishSchema>;
export type Fields = { [K in keyof Wish]: Wish[K] | null };

function Classes({ classes }: { classes: readonly ClassAnswer[] }) {
  const { format } = useShared();
  return (
    <ScrollTable label="Classes of mounts" headings={['Class', 'Load', 'Stars', 'To carry', 'Pieces', 'Eye at']}>
      {classes.map((one) => (
        <tr key={one.mount.id} className={one.enough ? 'shown' : undefined}>
          <th scope="row">
            <strong>{CLASS_NAMES[one.mount.id]}</strong>
            <span className="soft">rated {format.quantity(one.mount.ratedKg, 'mass', 0)}</span>
          </th>
          <td>
            <span className="figures">{format.quantity(one.loadShare, 'percent')}</span> {LOAD_NAMES[one.load]}
          </td>
          <td>
            {STAR_NAMES[one.stars]}, {format.quantity(one.account.shareAcceptable, 'percent')} usable
          </td>
          <td className="figures">{format.quantity(one.carriedKg, 'mass', 0)}</td>
          <td className="figures">{one.pieces}</td>
          <td className="figures">
            {format.number(format.shown(one.eyeHeightM[0], 'length'), 1)} to{' '}
            {format.quantity(one.eyeHeightM[1], 'length', 1)}
          </td>
        </tr>
      ))}
    </ScrollTable>
  );
}

function sayingOf(choice: MountChoice | null, guided: boolean): ChoiceSaying {
  if (!choice) return { code: 'ask' };
  const { focalMm, tube } = choice.optics;
  const found = choice.classes.find((c) => c.mount.id === choice.lightest?.id);
  const fails = choice.classes.every((c) => c.load === 'over') ? 'load' : 'stars';
  if (!found) return { code: 'none', fails, guided, focalMm };
  const { id } = found.mount;
  return { code: 'enough', id, focalMm, tube: tube.kind, totalKg: choice.tubeSideKg, carriedKg: found.carriedKg };
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

function Optics({ choice }: { choice: MountChoice }) {
  const { format } = useShared();
  const { focalMm, apertureMm, scaleArcsecPerPx, tube } = choice.optics;
  return (
    <FigureList
      figures={[
        { name: 'Focal length', value: format.quantity(focalMm, 'opticsMm', 0) },
        { name: 'Aperture', value: format.quantity(apertureMm, 'opticsMm', 0) },
        { name: 'Scale', value: format.quantity(scaleArcsecPerPx, 'imageScale') },
        { name: `The ${TUBE_NAMES[tube.kind]}`, value: format.quantity(tube.massKg, 'mass', 1) },
        { name: 'With all on it', value: format.quantity(choice.tubeSideKg, 'mass', 1) },
      ]}
    />
  );
}

type Props = {
  title: string;
  tabs?: ReactNode;
  /** What is asked first. */
  first: Fields;
  /** Sensor, place and school that every answer takes. */
  given: Omit<ChoiceQuestion, keyof Wish>;
  sizeHint?: string | undefined;
  /** More of what is given, to be changed. */
  children?: ReactNode;
};

/** For someone choosing: from target, lens and exposure back to tube, mass and mount. */
export function Choice({ title, tabs, first, given, sizeHint, children }: Props) {
  const { format } = useShared();
  const form = useForm<Fields, unknown, Wish>({
    mode: 'onChange',
    resolver: formResolver<Fields, Wish>(wishSchema),
    defaultValues: first,
  });
  const parsed = wishSchema.safeParse(useWatch({ control: form.control }));
  const question = parsed.success ? { ...parsed.data, ...given } : null;
  const choice = question && mountChoice(question);
  const saying = sayingOf(choice, question?.guided ?? false);
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
          <div className="fields compact">
            <QuantityField
              name="targetSizeArcmin"
              label="Size of the target"
              kind="arcmin"
              system={format.system}
              hint={sizeHint}
            />
            <QuantityField name="focalRatio" label="Focal ratio" kind="ratio" system={format.system} />
            <QuantityField name="exposureS" label="Length of a sub" kind="seconds" system={format.system} />
            <CheckField name="guided" label="Guided" />
          </div>
        </form>
      </FormProvider>
      {children}
      {choice && <Optics choice={choice} />}
      {choice && <Classes classes={choice.classes} />}
      <p className="soft">
        {CHOICE_ASSUMED} {givenWords(given, format)}
      </p>
      {question && <AltAzMap question={question} />}
    </BenchLayout>
  );
}
