import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { targetSchema, type Target } from '../../core/records/site.ts';
import { formatDegMinSec, formatHourMinSec } from '../../core/units/sexagesimal.ts';
import { useShared } from '../../session/session.ts';
import { AngleField, QuantityField, TextField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { SaveBar } from '../../ui/form/SaveBar.tsx';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useHeadForm } from '../../session/useHeadForm.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';

type Fields = { name: string; raH: number | null; decJ2000Deg: number | null; sizeArcmin: number | null };

const { name, decJ2000Deg, sizeArcmin } = targetSchema.shape;
const formSchema = z
  .object({ name, raH: z.number().min(0).lt(24), decJ2000Deg, sizeArcmin })
  .transform(({ raH, ...rest }) => ({ ...rest, raJ2000Deg: raH * 15 }));

const toFields = ({ name: called, raJ2000Deg, decJ2000Deg: dec, sizeArcmin: size }: Target): Fields => ({
  name: called,
  raH: raJ2000Deg / 15,
  decJ2000Deg: dec,
  sizeArcmin: size,
});

/** Create or edit a target by its J2000 place. */
export function TargetForm({ target }: { target: Target | null }) {
  const { format } = useShared();
  const form = useForm<Fields, unknown, z.infer<typeof formSchema>>({
    resolver: formResolver(formSchema),
    defaultValues: target ? toFields(target) : { name: '', raH: null, decJ2000Deg: null, sizeArcmin: null },
  });
  const { save, remove, edited } = useHeadForm({
    table: 'targets',
    record: target,
    listPath: '/kit/targets',
    form,
    toFields,
  });
  return (
    <FormProvider {...form}>
      <form
        onSubmit={(event) =>
          void form.handleSubmit((body) => save({ catalogueId: target?.catalogueId ?? null, ...body }))(event)
        }
        noValidate
      >
        <PageTitle>{target ? target.name : 'New target'}</PageTitle>
        <div className="fields">
          <TextField name="name" label="Name" />
          <AngleField
            name="raH"
            label="Right ascension, J2000"
            unit="h"
            limits={{ min: 0, max: 23.999999, letters: null }}
            show={formatHourMinSec}
            hint="0 52 49 or 0.88"
          />
          <AngleField
            name="decJ2000Deg"
            label="Declination, J2000"
            unit="°"
            limits={{ min: -90, max: 90, letters: { positive: 'N', negative: 'S' } }}
            show={formatDegMinSec}
            hint="+56 37 12 or 56.62"
          />
          <QuantityField
            name="sizeArcmin"
            label="Size"
            kind="arcmin"
            system={format.system}
            hint="Empty = not known."
          />
        </div>
        <EditConflict edited={edited} />
        <SaveBar busy={edited.busy} onDelete={target ? remove : null} />
      </form>
    </FormProvider>
  );
}
