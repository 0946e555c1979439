import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { planEntrySchema, type PlanEntry } from '../../core/records/night.ts';
import { updateHead } from '../../storage/heads.ts';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useEdited } from '../../session/useEdited.ts';
import { useWrite } from '../../session/useWrite.ts';
import { STRATEGY_NAMES } from '../../text/meridianWords.ts';
import { formResolver } from '../../ui/form/formResolver.ts';
import { QuantityField, SelectField } from '../../ui/form/Fields.tsx';

const formSchema = planEntrySchema.pick({ subS: true, gapS: true, limitH: true, strategy: true });
type PlanFields = z.infer<typeof formSchema>;

const fieldsOf = (entry: PlanEntry | null): PlanFields => ({
  subS: entry?.subS ?? 60,
  gapS: entry?.gapS ?? 5,
  limitH: entry?.limitH ?? null,
  strategy: entry?.strategy ?? 'endOfCrossingSub',
});

/** Sub length, gap, limit and when to flip, for this night. */
export function PlanForm() {
  const night = useNight();
  const { format } = useShared();
  const write = useWrite();
  const { id, rev } = night.records.night;
  const form = useForm<PlanFields, unknown, PlanFields>({
    resolver: formResolver(formSchema),
    defaultValues: fieldsOf(night.entry),
  });
  const edited = useEdited(form, { rev, fields: fieldsOf(night.entry) });
  const save = form.handleSubmit(async (fields) => {
    const [first, ...rest] = night.records.night.plan;
    if (!first || !edited.mayReplace()) return;
    const plan = [{ ...first, ...fields }, ...rest];
    const written = await write(
      ['plan', id, plan],
      (w) => updateHead(w, 'nights', id, { plan }, { baseRev: rev }),
      'Plan saved.',
    );
    if (written.ok) edited.kept({ rev: written.value.rev, fields });
  });
  return (
    <FormProvider {...form}>
      <form className="section" onSubmit={(event) => void save(event)} noValidate>
        <h2>Tonight’s plan</h2>
        <div className="fields compact">
          <QuantityField name="subS" label="Sub length" kind="seconds" system={format.system} />
          <QuantityField name="gapS" label="Pause between subs" kind="seconds" system={format.system} />
          {night.flips && (
            <QuantityField
              name="limitH"
              label="Limit past the meridian"
              kind="hours"
              system={format.system}
              hint="Hours; empty = the mount’s own; minus = the tube must flip before."
            />
          )}
          {night.flips && (
            <SelectField
              name="strategy"
              label="Flip"
              options={Object.entries(STRATEGY_NAMES).map(([value, label]) => ({ value, label }))}
            />
          )}
        </div>
        <EditConflict edited={edited} />
        <div className="actions">
          <Button variant="primary" type="submit">
            Save the plan
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
