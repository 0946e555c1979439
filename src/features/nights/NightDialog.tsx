import { useMemo } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { nightSchema, planEntrySchema, type Night, type PlanEntry } from '../../core/records/night.ts';
import { PLAIN_PLAN } from '../../core/night/plan/plainPlan.ts';
import { eveningDate, usableZone } from '../../core/time/civil.ts';
import { ok, type Result } from '../../core/result.ts';
import { writeTogether } from '../../storage/writeTogether.ts';
import type { WriteCode } from '../../storage/transact.ts';
import type { Writer } from '../../storage/writer.ts';
import type { Stored } from '../../storage/useStored.ts';
import { useListing } from '../../session/demo.ts';
import { DemoSwitch } from '../../session/DemoSwitch.tsx';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useSession, useShared } from '../../session/session.ts';
import { useEdited } from '../../session/useEdited.ts';
import { useWrite } from '../../session/useWrite.ts';
import { QuantityField, SelectField, TextField, type Option } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { brightTarget, lastOwnNight, ownFirst, standingOptions, type Listed } from '../../session/targetOffers.ts';

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

type Named = Listed & { name: string };

/** One's own; of the demo's, the one that is chosen, and all of them where they are asked for. */
const options = (records: readonly Named[], none: string, shown: readonly Named[], chosen: string): Option[] => {
  const all = ownFirst(records.filter((r) => shown.includes(r) || r.id === chosen));
  return [{ value: '', label: none }, ...all.map((r) => ({ value: r.id, label: r.name }))];
};

/** The site and the rig. */
function PlaceAndRig({ stored }: { stored: Stored }) {
  const { siteId = '', rigId = '' } = useWatch<Fields>();
  const listing = useListing();
  return (
    <>
      <SelectField
        name="siteId"
        label="Site"
        options={options(stored.sites, 'choose…', listing(stored.sites), siteId)}
      />
      <SelectField name="rigId" label="Rig" options={options(stored.rigs, 'choose…', listing(stored.rigs), rigId)} />
    </>
  );
}

/** Stored targets, and what stands well on the chosen evening at the chosen site. */
function TargetField({ stored }: { stored: Stored }) {
  const { format } = useShared();
  const {
    siteId: chosenSite = '',
    rigId: chosenRig = '',
    eveningDate: date = '',
    darkness: dark,
    targetId = '',
  } = useWatch<Fields>();
  const listing = useListing();
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
    <SelectField
      name="targetId"
      label="Target"
      options={[...options(stored.targets, 'none yet', listing(stored.targets), targetId), ...standing]}
      wide
    />
  );
}

/** Writes a night, with the record of the bright object that it looks at where one was chosen; one step to undo. Answers the
 *  night's id. */
async function writeNight(w: Writer, night: Night | null, body: Body): Promise<Result<string, WriteCode>> {
  const [first, ...others] = body.plan;
  const bright = first ? brightTarget(first.targetId) : null;
  const [nightId, targetId] = [night?.id ?? w.newId(), w.newId()];
  const whole = first && bright ? { ...body, plan: [{ ...first, targetId }, ...others] } : body;
  const written = await writeTogether(w, body.eveningDate, [
    ...(bright ? [{ table: 'targets' as const, id: targetId, body: bright }] : []),
    night
      ? { table: 'nights', id: nightId, patch: whole, baseRev: night.rev }
      : { table: 'nights', id: nightId, body: whole },
  ]);
  return written.ok ? ok(nightId) : written;
}

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
    const written = await write(what, (w) => writeNight(w, night, body), night ? 'Night saved.' : 'Night created.');
    if (!written.ok) return;
    close();
    if (!night) void navigate(`/n/${written.value}/tonight`);
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
              <PlaceAndRig stored={stored} />
              <TargetField stored={stored} />
              <QuantityField name="subS" label="Sub length" kind="seconds" system={format.system} />
              <SelectField name="darkness" label="Dark enough means" options={DARKNESS} />
            </div>
            <DemoSwitch records={[...stored.sites, ...stored.rigs, ...stored.targets]} />
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
