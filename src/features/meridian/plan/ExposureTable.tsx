import { Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { settingOf, settingValues } from '../../../core/records/setting.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { useSaveSetting } from '../../../session/useWrite.ts';
import { batteryWords, cardWords, PLAN } from '../../../text/planWords.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';
import { ScrollTable } from '../../../ui/ScrollTable.tsx';
import { roomOf } from '../model.ts';

const schema = z.object({ freeGb: settingValues.exposures.shape.freeGb });
type Fields = z.infer<typeof schema>;

/** How much room is free: kept as soon as it is a figure. */
function FreeOnCard({ freeGb, keep }: { freeGb: number | null; keep: (gb: number | null) => void }) {
  const { system } = useShared().format;
  const form = useForm<Fields, unknown, Fields>({ resolver: formResolver(schema), defaultValues: { freeGb } });
  return (
    <FormProvider {...form}>
      <form onBlur={() => void form.handleSubmit((v) => v.freeGb !== freeGb && keep(v.freeGb))()} noValidate>
        <QuantityField name="freeGb" label={PLAN.free} kind="gigabytes" system={system} />
      </form>
    </FormProvider>
  );
}

/** The subs as groups to key into an intervalometer, with what they need. */
export function ExposureTable() {
  const night = useNight();
  const { format, stored } = useShared();
  const save = useSaveSetting();
  const exposures = settingOf(stored.settings, 'exposures');
  const { groups, frames, neededGb, battery } = roomOf(night, settingOf(stored.settings, 'power'));
  if (groups.length === 0) return null;
  const asInterval = exposures.counts === 'interval';
  const column = asInterval ? PLAN.interval : PLAN.pause;
  return (
    <div className="section">
      <h2>{PLAN.groups}</h2>
      <ScrollTable label={PLAN.groups} headings={[...PLAN.groupColumns, column]}>
        {groups.map((g) => (
          <tr key={g.startMs}>
            <td className="figures">{format.clock(g.startMs)}</td>
            <th scope="row">{g.target}</th>
            <td className="figures">{g.count}</td>
            <td className="figures">{format.exposure(g.subS)}</td>
            <td className="figures">{format.quantity(asInterval ? g.subS + g.gapS : g.gapS, 'seconds')}</td>
          </tr>
        ))}
      </ScrollTable>
      <div className="fields mt-3">
        <Form.Group controlId="interval-counts">
          <Form.Label>{PLAN.counts}</Form.Label>
          <Form.Select
            value={exposures.counts}
            onChange={(event) =>
              save('exposures', { ...exposures, counts: event.target.value === 'interval' ? 'interval' : 'pause' })
            }
          >
            <option value="pause">{PLAN.countsPause}</option>
            <option value="interval">{PLAN.countsInterval}</option>
          </Form.Select>
        </Form.Group>
        {neededGb !== null && (
          <FreeOnCard freeGb={exposures.freeGb} keep={(freeGb) => save('exposures', { ...exposures, freeGb })} />
        )}
      </div>
      {neededGb !== null && <p className="mb-1">{cardWords(frames, neededGb, exposures.freeGb, format)}</p>}
      {battery && <p className="mb-1">{batteryWords(battery.emptyAtMs, format)}</p>}
    </div>
  );
}
