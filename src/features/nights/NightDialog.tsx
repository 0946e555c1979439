import { useMemo } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { nightSchema, planEntrySchema, type Night, type PlanEntry } from '../../core/records/night.ts';
import { PLAIN_PLAN } from '../../core/night/plan/plainPlan.ts';
import { eveningDate, usableZone } from '../../core/time/civil.ts';
import { ok, type Result } from '../../core/result.ts';
import { createTogether } from '../../storage/createTogether.ts';
import { createHead, updateHead } from '../../storage/heads.ts';
import type { WriteCode } from '../../storage/transact.ts';
import type { Writer } from '../../storage/writer.ts';
import type { Stored } from '../../storage/useStored.ts';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useSession, useShared } from '../../session/session.ts';
import { useEdited } from '../../session/useEdited.ts';
import { useWrite } from '../../session/useWrite.ts';
import { QuantityField, SelectField, TextField, type Option } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { brightTarget, lastOwnNight, ownFirst, standingOptions, type Listed } from './offers.ts';

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

type Body = Omit<Fields, 'targetId' | 'subS'> & { plan: PlanEntry[] };

function toBody(fields: Fields, night: Night | null): Body {
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

/** Tonight, with the site and rig of one's own that were used last, else the first there are. */
function newFields({ sites, rigs, nights }: Stored, nowMs: number): Fields {
  const last = lastOwnNight(nights);
  const used = <R extends { id: string }>(listed: readonly R[], id: string | undefined): R | undefined =>
    listed.find((r) => r.id === id) ?? listed[0];
  const site = used(ownFirst(sites), last?.siteId);
  return {
    eveningDate: eveningDate(nowMs, site ? usableZone(site) : 'UTC'),
    siteId: site?.id ?? '',
    rigId: used(ownFirst(rigs), last?.rigId)?.id ?? '',
    darkness: 'astronomical',
    targetId: '',
    subS: USUAL_SUB_S,
  };
}

const options = (records: readonly (Listed & { name: string })[], none: string): Option[] => [
  { value: '', label: none },
  ...ownFirst(records).map((r) => ({ value: r.id, label: r.name })),
];

/** Stored targets, and what stands well on the chosen evening at the chosen site. */
function TargetField({ stored }: { stored: Stored }) {
  const { format } = useShared();
  const { siteId: chosenSite = '', rigId: chosenRig = '', eveningDate: date = '', darkness: dark } = useWatch<Fields>();
  const standing = useMemo(
    () =>
      standingOptions(
        stored,
        { siteId: chosenSite, rigId: chosenRig, eveningDate: date, darkness: dark ?? 'astronomical' },
        format,
      ),
    [stored, chosenSite, chosenRig, date, dark, format],
  );
  return (
    <SelectField name="targetId" label="Target" options={[...options(stored.targets, 'none yet'), ...standing]} wide />
  );
}

/** A new night, with the record of the bright object that it looks at, where one was chosen. */
async function createNight(w: Writer, body: Body): Promise<Result<string, WriteCode>> {
  const bright = brightTarget(body.plan[0]?.targetId ?? '');
  const [nightId, targetId] = [w.newId(), w.newId()];
  const plan = bright ? body.plan.map((entry) => ({ ...entry, targetId })) : body.plan;
  const written = await createTogether(w, body.eveningDate, [
    ...(bright ? [{ table: 'targets' as const, id: targetId, body: bright }] : []),
    { table: 'nights', id: nightId, body: { ...body, plan } },
  ]);
  return written.ok ? ok(nightId) : written;
}

/** Saves the settings of a night; a bright object becomes a target of one's own first. */
function useSaveNight(): (night: Night, body: Body) => Promise<Result<unknown, WriteCode>> {
  const write = useWrite();
  return async (night, body) => {
    const [first, ...others] = body.plan;
    const bright = brightTarget(first?.targetId ?? '');
    const made = bright && (await write(['target', bright], (w) => createHead(w, 'targets', bright)));
    if (made && !made.ok) return made;
    const plan = first && made ? [{ ...first, targetId: made.value.id }, ...others] : body.plan;
    return write(
      ['night', night.id, { ...body, plan }],
      (w) => updateHead(w, 'nights', night.id, { ...body, plan }, { baseRev: night.rev }),
      'Night saved.',
    );
  };
}

/** A new night, or the settings of the shown one. */
export function NightDialog({ night, close }: { night: Night | null; close: () => void }) {
  const { stored, format } = useShared();
  const { clock } = useSession();
  const write = useWrite();
  const saveNight = useSaveNight();
  const navigate = useNavigate();
  const form = useForm<Fields, unknown, Fields>({
    resolver: formResolver(formSchema),
    defaultValues: night ? fieldsOf(night) : newFields(stored, clock.nowMs()),
  });
  const edited = useEdited(form, night && { rev: night.rev, fields: fieldsOf(night) });
  const save = form.handleSubmit(async (fields) => {
    if (!edited.mayReplace()) return;
    const body = toBody(fields, night);
    if (night) {
      if ((await saveNight(night, body)).ok) close();
      return;
    }
    const made = await write(['night', 'new', body], (w) => createNight(w, body), 'Night created.');
    if (!made.ok) return;
    close();
    void navigate(`/n/${made.value}/tonight`);
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
              <TargetField stored={stored} />
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
