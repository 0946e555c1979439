/** A form that records one reading: validated fields, the button that says when it is taken, the notice that follows. */
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { FormProvider, useForm, type DefaultValues, type FieldValues } from 'react-hook-form';
import type { z } from 'zod';
import { formResolver } from '../ui/form/formResolver.ts';
import { useNight, useSession, useShared, type NewReadingHere } from './session.ts';
import { useIsLive } from './useTime.ts';
import { recordLabel, useRecord } from './useRecord.ts';
import { useBusy } from './useWrite.ts';

type Props<Fields extends FieldValues, Out extends FieldValues> = {
  title: string;
  schema: z.ZodType<Out>;
  defaults: Fields;
  button: string;
  /** The reading, or several that belong together, and what is said afterwards. */
  toReading: (values: Out) => { reading: NewReadingHere | readonly NewReadingHere[]; said: string };
  /** When it was kept. */
  onRecorded?: () => void;
  /** Keep the fields after recording instead of clearing them. */
  keep?: boolean;
  children: ReactNode;
};

/** Shown for tonight only: a night that is over is not written to any more. */
export function RecordForm<Fields extends FieldValues, Out extends FieldValues>(props: Props<Fields, Out>) {
  const night = useNight();
  const { format } = useShared();
  const { clock } = useSession();
  const isLive = useIsLive();
  const record = useRecord();
  const busy = useBusy();
  const form = useForm<Fields, unknown, Out>({
    resolver: formResolver<Fields, Out>(props.schema),
    defaultValues: props.defaults as DefaultValues<Fields>,
  });
  const save = form.handleSubmit(async (values) => {
    const { reading, said } = props.toReading(values);
    if (!(await record(reading, said))) return;
    if (props.keep !== true) form.reset();
    props.onRecorded?.();
  });
  if (night.records.fromSnapshot) return null;
  return (
    <FormProvider {...form}>
      <form className="section" onSubmit={(event) => void save(event)} noValidate>
        <h2>{props.title}</h2>
        <div className="fields">{props.children}</div>
        <div className="actions">
          <Button variant="primary" type="submit" aria-disabled={busy}>
            {recordLabel(props.button, isLive, format.clock(clock.nowMs()))}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
