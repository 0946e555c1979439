import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { planEntrySchema } from '../../core/records/night.ts';
import { updateHead } from '../../storage/commands.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { writeWords } from '../../text/errorWords.ts';
import { STRATEGY_NAMES } from '../../text/meridianWords.ts';
import { formResolver } from '../../ui/form/formResolver.ts';
import { QuantityField, SelectField } from '../../ui/form/Fields.tsx';

const formSchema = planEntrySchema.pick({ subS: true, gapS: true, limitH: true, strategy: true });
type PlanFields = z.infer<typeof formSchema>;

/** Sub length, gap, limit and when to flip, for this night. */
export function PlanForm() {
  const night = useNight();
  const { format, notify } = useShared();
  const { writer } = useSession();
  const entry = night.entry;
  const form = useForm<PlanFields, unknown, PlanFields>({
    resolver: formResolver(formSchema),
    defaultValues: {
      subS: entry?.subS ?? 60,
      gapS: entry?.gapS ?? 5,
      limitH: entry?.limitH ?? null,
      strategy: entry?.strategy ?? 'endOfCrossingSub',
    },
  });
  const save = form.handleSubmit(async (fields) => {
    const [first, ...rest] = night.records.night.plan;
    if (!first) return;
    const written = await updateHead(writer, 'nights', night.records.night.id, {
      plan: [{ ...first, ...fields }, ...rest],
    });
    if (written.ok) notify('Plan saved.', { undo: true });
    else notify(writeWords(written.code, written.figures), { tone: 'problem' });
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
        <div className="actions">
          <Button variant="primary" type="submit">
            Save the plan
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
