import { Button, Modal } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { nightSchema, planEntrySchema, type Night, type PlanEntry } from '../../core/records/night.ts';
import { PLAIN_PLAN } from '../../core/night/plan/plainPlan.ts';
import { eveningDate, usableZone } from '../../core/time/civil.ts';
import { createHead, updateHead } from '../../storage/heads.ts';
import type { Stored } from '../../storage/useStored.ts';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useSession, useShared } from '../../session/session.ts';
import { useEdited } from '../../session/useEdited.ts';
import { useWrite } from '../../session/useWrite.ts';
import { QuantityField, SelectField, TextField, type Option } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';

const { eveningDate: dateSchema, siteId, rigId, darkness } = nightSchema.shape;
const formSchema = z.object({
  eveningDate: dateSchema,
  siteId,
  rigId,
  darkness,
  targetId: z.string(),
  subS: planEntrySchema.shape.subS,
});
type Fields = z.infer<typeof formSchema>;

const DARKNESS: Option[] = [
  { value: 'astronomical', label: 'astronomical (sun 18° down)' },
  { value: 'nautical', label: 'nautical (12°)' },
  { value: 'civil', label: 'civil (6°)' },
];

const USUAL_SUB_S = 120;

function toBody(fields: Fields, night: Night | null): Omit<Fields, 'targetId' | 'subS'> & { plan: PlanEntry[] } {
  const { targetId, subS, ...rest } = fields;
  const [first, ...others] = night?.plan ?? [];
  return { ...rest, plan: targetId === '' ? others : [{ ...PLAIN_PLAN, ...first, targetId, subS }, ...others] };
}

const fieldsOf = ({ plan, ...night }: Night): Fields => ({
  eveningDate: night.eveningDate,
  siteId: night.siteId,
  rigId: night.rigId,
  darkness: night.darkness,
  targetId: plan[0]?.targetId ?? '',
  subS: plan[0]?.subS ?? USUAL_SUB_S,
});

/** Tonight, with the first site and rig there are. */
function newFields({ sites, rigs }: Stored, nowMs: number): Fields {
  const site = sites.find((s) => s.deletedAtUtc === null);
  return {
    eveningDate: eveningDate(nowMs, site ? usableZone(site) : 'UTC'),
    siteId: site?.id ?? '',
    rigId: rigs.find((r) => r.deletedAtUtc === null && !r.archived)?.id ?? '',
    darkness: 'astronomical',
    targetId: '',
    subS: USUAL_SUB_S,
  };
}

const options = (
  records: readonly { id: string; name: string; deletedAtUtc: string | null; archived: boolean }[],
  none: string,
): Option[] => [
  { value: '', label: none },
  ...records.filter((r) => r.deletedAtUtc === null && !r.archived).map((r) => ({ value: r.id, label: r.name })),
];

/** A new night, or the settings of the shown one. */
export function NightDialog({ night, close }: { night: Night | null; close: () => void }) {
  const { stored, format } = useShared();
  const { clock } = useSession();
  const write = useWrite();
  const navigate = useNavigate();
  const form = useForm<Fields, unknown, Fields>({
    resolver: formResolver(formSchema),
    defaultValues: night ? fieldsOf(night) : newFields(stored, clock.nowMs()),
  });
  const edited = useEdited(form, night && { rev: night.rev, fields: fieldsOf(night) });
  const save = form.handleSubmit(async (fields) => {
    if (!edited.mayReplace()) return;
    const body = toBody(fields, night);
    const what = ['night', night?.id ?? 'new', body];
    const written = night
      ? await write(what, (w) => updateHead(w, 'nights', night.id, body, { baseRev: night.rev }), 'Night saved.')
      : await write(what, (w) => createHead(w, 'nights', body), 'Night created.');
    if (!written.ok) return;
    close();
    if (!night) void navigate(`/n/${written.value.id}/meridian`);
  });
  return (
    <Modal show onHide={close} animation={false} aria-labelledby="night-title">
      <FormProvider {...form}>
        <form onSubmit={(event) => void save(event)} noValidate>
          <Modal.Header closeButton>
            <Modal.Title id="night-title">{night ? 'Settings of this night' : 'New night'}</Modal.Title>
          </Modal.Header>
          <Modal.Body>
            <div className="fields">
              <TextField name="eveningDate" label="Evening of" type="date" />
              <SelectField name="siteId" label="Site" options={options(stored.sites, 'choose…')} />
              <SelectField name="rigId" label="Rig" options={options(stored.rigs, 'choose…')} />
              <SelectField name="targetId" label="Target" options={options(stored.targets, 'none yet')} />
              <QuantityField name="subS" label="Sub length" kind="seconds" system={format.system} />
              <SelectField name="darkness" label="Dark enough means" options={DARKNESS} />
            </div>
            <EditConflict edited={edited} />
          </Modal.Body>
          <Modal.Footer>
            <Button variant="outline" onClick={close}>
              Cancel
            </Button>
            <Button variant="primary" type="submit">
              {night ? 'Save' : 'Create'}
            </Button>
          </Modal.Footer>
        </form>
      </FormProvider>
    </Modal>
  );
}
