import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm, type DefaultValues, type FieldValues } from 'react-hook-form';
import { z } from 'zod';
import { partKinds, type PartOf } from '../../../core/records/part.ts';
import { USUAL_BACK_FOCUS_MM } from '../../../core/rig/lightBasis.ts';
import { updateHead } from '../../../storage/heads.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { useBusy, useWrite } from '../../../session/useWrite.ts';
import { ASSUMED, assumedSaid, depthLabel } from '../../../text/assumedWords.ts';
import { GENDERS } from '../../../text/trainWords.ts';
import { QuantityField, SelectField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';
import { ThreadField } from '../../../ui/form/ThreadField.tsx';

const SIDES = Object.entries(GENDERS).map(([value, label]) => ({ value, label }));

type AskedProps<Fields extends FieldValues, Out> = {
  schema: z.ZodType<Out>;
  defaults: Fields;
  partId: string;
  said: string;
  toPatch: (told: Out) => object;
  children: ReactNode;
};

/** One question with its own button: what is not known yet stays open. */
function Asked<Fields extends FieldValues, Out extends FieldValues>(props: AskedProps<Fields, Out>) {
  const { schema, defaults, partId, said, toPatch, children } = props;
  const write = useWrite();
  const busy = useBusy();
  const form = useForm<Fields, unknown, Out>({
    resolver: formResolver<Fields, Out>(schema),
    defaultValues: defaults as DefaultValues<Fields>,
  });
  const save = form.handleSubmit((told) => {
    const patch = toPatch(told);
    return write(['told', partId, patch], (w) => updateHead(w, 'parts', partId, patch), said);
  });
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void save(event)} noValidate>
        {children}
        <Button className="mt-2" variant="outline" type="submit" aria-disabled={busy}>
          {ASSUMED.save}
        </Button>
      </form>
    </FormProvider>
  );
}

const backFocusSchema = z.object({ backFocusMm: partKinds.corrector.backFocusMm.unwrap() });
const depthSchema = z.object({ depthMm: partKinds.camera.depthMm });
const threadSchema = partKinds.camera.front.pick({ thread: true, gender: true });

function BackFocus({ corrector }: { corrector: PartOf<'corrector'> }) {
  const { format } = useShared();
  return (
    <Asked
      schema={backFocusSchema}
      defaults={{ backFocusMm: null }}
      partId={corrector.id}
      said={assumedSaid('backFocus')}
      toPatch={(told) => told}
    >
      <QuantityField
        name="backFocusMm"
        label={`Back focus of ${corrector.name}`}
        kind="opticsMm"
        system={format.system}
        expected={USUAL_BACK_FOCUS_MM}
        hint={ASSUMED.backFocusHint}
      />
    </Asked>
  );
}

function Depth({ camera }: { camera: PartOf<'camera'> }) {
  const { format } = useShared();
  return (
    <Asked
      schema={depthSchema}
      defaults={{ depthMm: null }}
      partId={camera.id}
      said={assumedSaid('depth')}
      toPatch={(told) => ({ ...told, depthBasis: 'stated' })}
    >
      <QuantityField
        name="depthMm"
        label={depthLabel(camera)}
        kind="opticsMm"
        system={format.system}
        expected={camera.depthMm}
        hint={ASSUMED.depthHint}
      />
    </Asked>
  );
}

function Thread({ camera }: { camera: PartOf<'camera'> }) {
  const { front } = camera;
  return (
    <Asked
      schema={threadSchema}
      defaults={{ thread: front.thread, gender: front.gender }}
      partId={camera.id}
      said={assumedSaid('thread')}
      toPatch={(told) => ({ front: { ...front, ...told, basis: 'stated' } })}
    >
      <ThreadField name="thread" label={ASSUMED.thread} hint={ASSUMED.threadHint} />
      <SelectField name="gender" label={ASSUMED.side} options={SIDES} />
    </Asked>
  );
}

/** What of the distance nobody told yet, with a field for each. */
export function AssumedAsk() {
  const { numbers, records } = useNight();
  const { camera } = numbers;
  const { assumed, corrector } = numbers.lightPath;
  if (assumed.length === 0 || records.fromSnapshot || !camera || !corrector) return null;
  return (
    <section className="section guess no-print" aria-label={ASSUMED.title}>
      <h2>{ASSUMED.title}</h2>
      <div className="fields">
        {assumed.includes('backFocus') && <BackFocus corrector={corrector} />}
        {assumed.includes('depth') && <Depth camera={camera} />}
        {assumed.includes('thread') && <Thread camera={camera} />}
      </div>
    </section>
  );
}
