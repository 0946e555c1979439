import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import type { TrackAnalysis } from '../../../core/tracking/analyseTrack.ts';
import { useShared } from '../../../session/session.ts';
import { LOG, takeCutAway } from '../../../text/logWords.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';
import { cutsOf } from './logModel.ts';
import type { LogHere } from './useLog.ts';

type Fields = { cutS: number | null };
/** Kept by whoever outlives the reading: a cut put in reads the log again. */
export type Shown = { isOpen: boolean; set: (isOpen: boolean) => void };
type Props = { analysis: TrackAnalysis; cutAt: LogHere['cutAt'] };

/** A further cut at a time of the log. */
function AddCut({ analysis, cutAt }: Props) {
  const { format } = useShared();
  const longest = Math.floor(analysis.points.timeS.at(-1) ?? 0);
  const schema = z.object({ cutS: z.number().min(1).max(longest) });
  const form = useForm<Fields, unknown, z.infer<typeof schema>>({
    resolver: formResolver(schema),
    defaultValues: { cutS: null },
  });
  const add = ({ cutS }: z.infer<typeof schema>): void => cutAt([...cutsOf(analysis), cutS].sort((a, b) => a - b));
  return (
    <FormProvider {...form}>
      <form noValidate className="short-field" onSubmit={(event) => void form.handleSubmit(add)(event)}>
        <QuantityField name="cutS" label={LOG.cutAt} kind="seconds" system={format.system} hint={LOG.cutHint} />
        <Button type="submit" variant="outline">
          {LOG.addCut}
        </Button>
      </form>
    </FormProvider>
  );
}

/** Where the log is cut: each cut can be taken away, others put in; what is found anew counts again. */
export function LogCuts({ analysis, cutAt, shown }: Props & { shown: Shown }) {
  const { format } = useShared();
  const cuts = cutsOf(analysis);
  return (
    <details className="section" open={shown.isOpen} onToggle={(event) => shown.set(event.currentTarget.open)}>
      <summary>
        {LOG.cuts} ({cuts.length})
      </summary>
      <p className="soft">{cuts.length === 0 ? LOG.noCut : LOG.dragCut}</p>
      <div className="actions">
        {cuts.map((atS, i) => (
          <Button
            key={atS}
            variant="outline"
            size="sm"
            aria-label={takeCutAway(atS, format)}
            onClick={() => cutAt(cuts.filter((_, other) => other !== i))}
          >
            {format.quantity(atS, 'seconds')} ×
          </Button>
        ))}
      </div>
      <AddCut analysis={analysis} cutAt={cutAt} />
      <div className="actions">
        {cuts.length > 0 && (
          <Button variant="outline" onClick={() => cutAt([])}>
            {LOG.noCuts}
          </Button>
        )}
        <Button variant="outline" onClick={() => cutAt(null)}>
          {LOG.foundCuts}
        </Button>
      </div>
    </details>
  );
}
