import { Button } from 'react-bootstrap';
import { FormProvider, useFieldArray, useForm, type Control } from 'react-hook-form';
import type { z } from 'zod';
import type { Part } from '../../core/records/part.ts';
import { partIdsOfRig } from '../../core/rig/rigState.ts';
import { rigBodySchema, type Rig } from '../../core/records/rig.ts';
import { withoutHead, type Body } from '../../storage/heads.ts';
import { useSession, useShared } from '../../session/session.ts';
import { CheckField, QuantityField, SelectField, TextField, type Option } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { SaveBar } from '../../ui/form/SaveBar.tsx';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useHeadActions } from '../../session/useHeadActions.ts';
import { useHeadForm } from '../../session/useHeadForm.ts';
import { RIG } from '../../text/rigWords.ts';
import { HANGS } from './rig/hangs.ts';
import { RigOnDrawing } from './rig/RigOnDrawing.tsx';
import { startersAmong, starterParts } from './starter.ts';
import { SuppliesField } from './SuppliesField.tsx';
import { TrainField } from './TrainField.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';

type RigFields = z.input<typeof rigBodySchema>;

const named = (parts: readonly Part[]): Option[] => parts.map((p) => ({ value: p.id, label: p.name }));

/** Of these kinds; where the box has none, the usual ones of each class. */
const optionsOf = (parts: readonly Part[], kinds: readonly Part['kind'][]): Option[] => {
  const own = parts.filter((p) => kinds.includes(p.kind));
  return [
    { value: '', label: 'choose…' },
    ...named(own.length > 0 ? own : starterParts().filter((p) => kinds.includes(p.kind))),
  ];
};

const PLACES: Option[] = [
  { value: 'tube', label: 'tube' },
  { value: 'bar', label: 'bar' },
  { value: 'head', label: 'head' },
  { value: 'ground', label: 'ground' },
];

function PlacedRow({ index, options, remove }: { index: number; options: Option[]; remove: () => void }) {
  const { format } = useShared();
  const name = (field: string) => `placed.${index}.${field}`;
  return (
    <tr>
      <td>
        <SelectField name={name('partId')} label="Part" hideLabel options={options} />
      </td>
      <td>
        <SelectField name={name('on')} label="Sits on" hideLabel options={PLACES} />
      </td>
      <td>
        <QuantityField
          name={name('fromRaAxisM')}
          label="From the polar axis"
          hideLabel
          kind="barLength"
          system={format.system}
        />
      </td>
      <td>
        <QuantityField
          name={name('alongTubeM')}
          label="Along the tube"
          hideLabel
          kind="barLength"
          system={format.system}
        />
      </td>
      <td>
        <CheckField name={name('movable')} label="Slides on the bar" hideLabel />
      </td>
      <td>
        <Button variant="outline" aria-label={`Take part ${index + 1} off the rig`} onClick={remove}>
          Take off
        </Button>
      </td>
    </tr>
  );
}

function PlacedTable({ control, options }: { control: Control<RigFields, unknown, Body<Rig>>; options: Option[] }) {
  const { writer } = useSession();
  const { fields, append, remove } = useFieldArray({ control, name: 'placed' });
  return (
    <fieldset className="group">
      <legend>What hangs on it</legend>
      <p className="soft">
        Distances from the polar axis: tube’s side plus, bar and weights minus. Along the tube: front plus.
      </p>
      <div className="placed-scroll">
        <table className="placed-table">
          <thead>
            <tr>
              {['Part', 'Sits on', 'From the polar axis', 'Along the tube', 'Slides on the bar'].map((heading) => (
                <th key={heading} scope="col">
                  {heading}
                </th>
              ))}
              <th scope="col">
                <span className="visually-hidden">Take off</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {fields.map((field, index) => (
              <PlacedRow key={field.id} index={index} options={options} remove={() => remove(index)} />
            ))}
          </tbody>
        </table>
      </div>
      <Button
        variant="outline"
        onClick={() =>
          append({
            placedId: writer.newId(),
            partId: '',
            on: 'tube',
            fromRaAxisM: 0.15,
            alongTubeM: 0,
            sidewaysM: 0,
            slides: true,
            movable: false,
          })
        }
      >
        Add a part
      </Button>
    </fieldset>
  );
}

const BLANK: RigFields = {
  name: '',
  mountId: '',
  supportId: '',
  imagingTubeId: '',
  cameraId: '',
  placed: [],
  train: [],
  supplies: [],
  cameraAngleDeg: 0,
  guiding: 'none',
  schools: {},
  note: '',
};

/** Create or edit a rig. */
// What a form edits is the record without its head.
const toFields = (rig: Rig): RigFields => withoutHead(rig) as RigFields;

export function RigForm({ rig }: { rig: Rig | null }) {
  const { stored, format } = useShared();
  const form = useForm<RigFields, unknown, Body<Rig>>({
    resolver: formResolver<RigFields, Body<Rig>>(rigBodySchema),
    defaultValues: rig ? toFields(rig) : BLANK,
  });
  const { copy, toggleArchived } = useHeadActions('rigs');
  const { save, remove, edited } = useHeadForm({
    table: 'rigs',
    record: rig,
    listPath: '/kit/rigs',
    form,
    toFields,
    partsWith: (body) => startersAmong(partIdsOfRig(body), stored.parts),
  });
  // An archived part stays on offer where the rig already uses it.
  const used = new Set(rig ? partIdsOfRig(rig) : []);
  const offered = stored.parts.filter((p) => p.deletedAtUtc === null && (!p.archived || used.has(p.id)));
  const hanging = offered.filter((p) => p.kind !== 'mount' && p.kind !== 'support');
  const all = [
    { value: '', label: 'choose…' },
    ...named(hanging.length > 0 ? hanging : starterParts().filter((p) => HANGS.has(p.kind))),
  ];
  return (
    <FormProvider {...form}>
      <PageTitle>{rig ? rig.name : 'New rig'}</PageTitle>
      {rig && <RigOnDrawing rig={rig} />}
      <form onSubmit={(event) => void form.handleSubmit(save)(event)} noValidate>
        {rig && <h2 className="section">{RIG.numbers}</h2>}
        <div className="fields">
          <TextField name="name" label="Name" />
          <SelectField name="mountId" label="Mount" options={optionsOf(offered, ['mount'])} />
          <SelectField name="supportId" label="Tripod or pier" options={optionsOf(offered, ['support'])} />
          <SelectField name="imagingTubeId" label="Imaging tube or lens" options={optionsOf(offered, ['tube'])} />
          <SelectField
            name="cameraId"
            label="Camera, or the eyepiece"
            options={optionsOf(offered, ['camera', 'eyepiece'])}
          />
          <SelectField
            name="guiding"
            label="Guiding"
            options={[
              { value: 'none', label: 'none' },
              { value: 'guideScope', label: 'guide scope' },
              { value: 'offAxis', label: 'off-axis guider' },
            ]}
          />
          <QuantityField
            name="cameraAngleDeg"
            label="Camera angle"
            kind="angleDeg"
            system={format.system}
            hint="Of the frame’s top, from north through east."
          />
        </div>
        <TrainField parts={offered} />
        <PlacedTable control={form.control} options={all} />
        <SuppliesField parts={offered} />
        <EditConflict edited={edited} />
        <SaveBar
          busy={edited.busy}
          onDelete={rig ? remove : null}
          onCopy={rig && (() => void copy(rig))}
          archive={rig && { archived: rig.archived, toggle: () => toggleArchived(rig) }}
        />
      </form>
    </FormProvider>
  );
}
