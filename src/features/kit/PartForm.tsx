import { Button } from 'react-bootstrap';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import type { z } from 'zod';
import { partBodySchema, type Part, type PartKind, type PartOf } from '../../core/records/part.ts';
import { isDepthGuessed, isThreadGuessed } from '../../core/rig/lightBasis.ts';
import { withoutHead, type Body } from '../../storage/heads.ts';
import { useShared } from '../../session/session.ts';
import { CheckField, QuantityField, SelectField, TextField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { ThreadField } from '../../ui/form/ThreadField.tsx';
import { SaveBar } from '../../ui/form/SaveBar.tsx';
import { BLANK_PART } from './blankParts.ts';
import { EngravingPreview, NumberListField, PatternStarsField, RingsField } from './EngravingFields.tsx';
import { PART_FIELDS, PART_KIND_NAMES } from './partFields.ts';
import type { FieldGroup, FieldSpec } from './fieldSpecs.ts';
import { EditConflict } from '../../session/EditConflict.tsx';
import { useHeadActions } from '../../session/useHeadActions.ts';
import { useHeadForm } from '../../session/useHeadForm.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';

function Field({ spec }: { spec: FieldSpec }) {
  const { format } = useShared();
  const common = {
    name: spec.path,
    label: spec.label,
    hint: 'hint' in spec ? spec.hint : undefined,
  };
  switch (spec.type) {
    case 'quantity':
      return <QuantityField {...common} kind={spec.kind} system={format.system} />;
    case 'select':
      return <SelectField {...common} options={spec.options} noneLabel={spec.noneLabel} />;
    case 'check':
      return <CheckField {...common} />;
    case 'text':
      return <TextField {...common} />;
    case 'thread':
      return <ThreadField {...common} />;
    case 'numbers':
      return <NumberListField {...spec} />;
    case 'rings':
      return <RingsField {...spec} />;
    case 'patternStars':
      return <PatternStarsField {...spec} />;
    case 'engraving':
      return <EngravingPreview path={spec.path} />;
  }
}

function Group({ group, setValue }: { group: FieldGroup; setValue: (path: string, value: unknown) => void }) {
  const present: unknown = useWatch({ name: group.optional?.path ?? 'name' });
  const absent = group.optional !== undefined && (present === null || present === undefined);
  const fields = (
    <div className="fields">
      {group.fields.map((spec) => (
        <Field key={spec.path} spec={spec} />
      ))}
    </div>
  );
  if (group.title === null) return fields;
  return (
    <fieldset className="group">
      <legend>{group.title}</legend>
      {!absent && fields}
      {group.optional && (
        <Button
          variant="link"
          className="px-0"
          onClick={() => setValue(group.optional?.path ?? '', absent ? structuredClone(group.optional?.value) : null)}
        >
          {absent ? group.optional.addLabel : group.optional.removeLabel}
        </Button>
      )}
    </fieldset>
  );
}

type Values = Record<string, unknown>;
const BLANK_HEAD: Values = { name: '', count: 1, massKg: null, massBasis: 'weighed', packIn: '', note: '' };

/** Kinds whose lengths decide how near the tube comes to its tripod. */
const WITH_LENGTHS: ReadonlySet<PartKind> = new Set(['mount', 'support', 'tube', 'camera', 'bar']);

const toFields = (part: Part): Values => ({
  ...withoutHead(part),
  ...(WITH_LENGTHS.has(part.kind) ? { sizeBasis: part.sizeBasis ?? 'stated' } : {}),
  ...(part.kind === 'camera' ? cameraBases(part) : {}),
});

/** Whether depth and thread are known does not hang on its outer lengths any more, once they stand in a form. */
const cameraBases = (camera: PartOf<'camera'>): Values => ({
  depthBasis: isDepthGuessed(camera) ? 'assumed' : (camera.depthBasis ?? 'stated'),
  front: {
    ...camera.front,
    basis: isThreadGuessed(camera, camera.front) ? 'assumed' : (camera.front.basis ?? 'stated'),
  },
});

/** Create or edit one part. `part` null = a new one of the kind. */
export function PartForm({ part, kind }: { part: Part | null; kind: PartKind }) {
  const schema = partBodySchema(kind) as unknown as z.ZodType<Body<Part> & Values>;
  const { format } = useShared();
  const blank: Values = {
    ...BLANK_HEAD,
    ...(WITH_LENGTHS.has(kind) ? { sizeBasis: 'measured' } : {}),
    kind,
    ...BLANK_PART[kind],
  };
  const form = useForm<Values, unknown, Body<Part> & Values>({
    resolver: formResolver(schema),
    defaultValues: part ? toFields(part) : blank,
  });
  const { copy, toggleArchived } = useHeadActions('parts');
  const { save, remove, edited } = useHeadForm({
    table: 'parts',
    record: part,
    listPath: '/kit/parts',
    form,
    toFields,
  });
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void form.handleSubmit(save)(event)} noValidate>
        <PageTitle>{part ? part.name : `New: ${PART_KIND_NAMES[kind].toLowerCase()}`}</PageTitle>
        <div className="fields">
          <TextField name="name" label="Name" />
          <MassField />
          <SelectField
            name="massBasis"
            label="The mass is"
            options={[
              { value: 'weighed', label: 'weighed' },
              { value: 'stated', label: 'as stated by the maker' },
              { value: 'assumed', label: 'a guess' },
            ]}
          />
          {WITH_LENGTHS.has(kind) && (
            <SelectField
              name="sizeBasis"
              label="Its lengths are"
              options={[
                { value: 'measured', label: 'measured with a tape' },
                { value: 'stated', label: 'from a data sheet' },
                { value: 'assumed', label: 'a guess' },
              ]}
            />
          )}
          <QuantityField name="count" label="How many you have" kind="count" system={format.system} />
          <TextField name="packIn" label="Packed in" hint="A case or bag; empty = the usual one." />
        </div>
        {PART_FIELDS[kind].map((group) => (
          <Group
            key={group.title ?? 'own'}
            group={group}
            setValue={(path, value) => form.setValue(path, value, { shouldDirty: true })}
          />
        ))}
        <div className="mt-3">
          <TextField name="note" label="Note" multiline />
        </div>
        <EditConflict edited={edited} />
        <SaveBar
          busy={edited.busy}
          onDelete={part ? remove : null}
          onCopy={part && (() => void copy(part))}
          archive={part && { archived: part.archived, toggle: () => toggleArchived(part) }}
        />
      </form>
    </FormProvider>
  );
}

function MassField() {
  const { format } = useShared();
  return <QuantityField name="massKg" label="Mass" kind="mass" system={format.system} hint="Empty = not known yet." />;
}
