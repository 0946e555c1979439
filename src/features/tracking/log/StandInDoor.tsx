import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { useShared } from '../../../session/session.ts';
import { DIFFICULTIES, truthOf, type StandInMount } from '../../../standins/mountStream.ts';
import { DIFFICULTY_NAMES, STAND_IN, standInWords, truthFigures } from '../../../text/logSourceWords.ts';
import { FigureList } from '../../../ui/FigureList.tsx';
import { SelectField, TextField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';
import type { StandInHere } from './useStandIn.ts';

const schema = z.object({
  seed: z
    .string()
    .regex(/^\d{1,9}$/, 'wrongType int')
    .transform(Number),
  difficulty: z.enum(DIFFICULTIES),
});
type Fields = z.input<typeof schema>;
const OPTIONS = DIFFICULTIES.map((value) => ({ value, label: DIFFICULTY_NAMES[value] }));

/** What it hid, only when it is asked for. */
function Truth({ mount }: { mount: StandInMount }) {
  const [shown, setShown] = useState(false);
  const { format } = useShared();
  return (
    <>
      <Button variant="outline" aria-expanded={shown} onClick={() => setShown(!shown)}>
        {shown ? STAND_IN.hide : STAND_IN.show}
      </Button>
      {shown && <FigureList figures={truthFigures(truthOf(mount), format)} />}
    </>
  );
}

/** A mount that does not exist, for trying the bench without a night. */
export function StandInDoor({ standIn }: { standIn: StandInHere }) {
  const { mount, running, start, stop } = standIn;
  const form = useForm<Fields, unknown, StandInMount>({
    resolver: formResolver(schema),
    defaultValues: { seed: '7', difficulty: 'usual' },
  });
  return (
    <details className="section" open={mount !== null}>
      <summary>{STAND_IN.title}</summary>
      <p className="soft">{STAND_IN.about}</p>
      <FormProvider {...form}>
        <form noValidate className="short-field" onSubmit={(event) => void form.handleSubmit(start)(event)}>
          <TextField name="seed" label={STAND_IN.seed} hint={STAND_IN.seedHint} />
          <SelectField name="difficulty" label={STAND_IN.difficulty} options={OPTIONS} />
          <div className="actions">
            <Button type="submit" variant="outline">
              {STAND_IN.start}
            </Button>
            {running && (
              <Button variant="outline" onClick={stop}>
                {STAND_IN.stop}
              </Button>
            )}
          </div>
        </form>
      </FormProvider>
      {mount && (
        <>
          <p role="status">{standInWords(mount, running)}</p>
          <Truth key={`${mount.seed} ${mount.difficulty}`} mount={mount} />
        </>
      )}
    </details>
  );
}
