import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { planEntrySchema, type PlanEntry } from '../../../core/records/night.ts';
import { PLAIN_PLAN } from '../../../core/night/plan/plainPlan.ts';
import { instantInNight, readClock } from '../../../core/time/civil.ts';
import { fromUtcText, toUtcText } from '../../../core/time/utc.ts';
import { EditConflict } from '../../../session/EditConflict.tsx';
import { useNight, useShared } from '../../../session/session.ts';
import { useEdited } from '../../../session/useEdited.ts';
import { usePlanWrite, withEntry } from '../../../session/usePlanWrite.ts';
import { PLAN_START, STRATEGY_NAMES } from '../../../text/meridianWords.ts';
import type { Format } from '../../../text/format.ts';
import { formResolver } from '../../../ui/form/formResolver.ts';
import { QuantityField, SelectField, TextField } from '../../../ui/form/Fields.tsx';

const formSchema = planEntrySchema
  .pick({ subS: true, gapS: true, count: true, refocusEveryMin: true, ditherEvery: true, limitH: true, strategy: true })
  .extend({
    start: z.string().refine((t) => t.trim() === '' || readClock(t) !== null, PLAN_START.wrong),
  });
type PlanFields = z.infer<typeof formSchema>;

const fieldsOf = (entry: PlanEntry | null, f: Format): PlanFields => {
  const { subS, gapS, count, startUtc, refocusEveryMin, ditherEvery, limitH, strategy } = entry ?? {
    ...PLAIN_PLAN,
    subS: 60,
  };
  return {
    subS,
    gapS,
    count,
    refocusEveryMin,
    ditherEvery,
    limitH,
    strategy,
    start: startUtc === null ? '' : f.clock(fromUtcText(startUtc)),
  };
};

/** Sub length, gap, limit and when to flip, for this night. */
export function PlanForm() {
  const night = useNight();
  const { format } = useShared();
  const { save } = usePlanWrite();
  const { rev } = night.records.night;
  const form = useForm<PlanFields, unknown, PlanFields>({
    resolver: formResolver(formSchema),
    defaultValues: fieldsOf(night.entry, format),
  });
  const edited = useEdited(form, { rev, fields: fieldsOf(night.entry, format) });
  const submit = form.handleSubmit(async (fields) => {
    if (!edited.mayReplace()) return;
    const { start, ...others } = fields;
    const startMs = instantInNight(start, night.records.night.eveningDate, night.records.site.zoneIana);
    const startUtc = startMs === null ? null : toUtcText(startMs);
    const plan = withEntry(night.records.night.plan, night.legIndex, { ...others, startUtc });
    const written = await save(plan, 'Plan saved.');
    if (written.ok) edited.kept({ rev: written.value.rev, fields });
  });
  return (
    <FormProvider {...form}>
      <form className="section" onSubmit={(event) => void submit(event)} noValidate>
        <h2>{night.legs.length > 1 ? `Plan of ${night.target?.name ?? ''}` : 'Tonight’s plan'}</h2>
        <div className="fields compact">
          <QuantityField name="subS" label="Sub length" kind="seconds" system={format.system} />
          <QuantityField name="gapS" label="Pause between subs" kind="seconds" system={format.system} />
          <TextField name="start" label="Start at" hint={PLAN_START.hint} />
          <QuantityField
            name="count"
            label="How many subs"
            kind="count"
            system={format.system}
            hint={PLAN_START.count}
          />
          <QuantityField
            name="refocusEveryMin"
            label="Refocus every"
            kind="minutes"
            system={format.system}
            hint="Empty = focus is left alone."
          />
          <QuantityField
            name="ditherEvery"
            label="Dither after"
            kind="count"
            system={format.system}
            hint="Subs; 0 = never. Each takes about 10 s."
          />
          {night.flips && (
            <QuantityField
              name="limitH"
              label="Limit past the meridian"
              kind="hours"
              system={format.system}
              hint="Hours; minus = the tube must flip before. The earliest of this, the mount’s own and the clearance counts."
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
