import { Button } from 'react-bootstrap';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import type { Part, PartKind } from '../../core/records/part.ts';
import { SelectField, TextField, type Option } from '../../ui/form/Fields.tsx';

type Supply = { loadId: string; batteryId: string; cableIds: string[]; port: string };
type Fields = { supplies: Supply[] };

const optionsOf = (parts: readonly Part[], kinds: readonly PartKind[], first: string): Option[] => [
  { value: '', label: first },
  ...parts
    .filter((p) => kinds.includes(p.kind) && p.deletedAtUtc === null && !p.archived)
    .map((p) => ({ value: p.id, label: p.name })),
];

/** Cables and converters of one supply, from the battery to the device. */
function Chain({ index, parts }: { index: number; parts: readonly Part[] }) {
  const { control, setValue } = useFormContext<Fields>();
  const path = `supplies.${index}.cableIds` as const;
  const ids = useWatch({ control, name: path });
  const change = (next: string[]): void => setValue(path, next, { shouldDirty: true });
  const nameOf = (id: string): string => parts.find((p) => p.id === id)?.name ?? id;
  return (
    <div className="wide chain">
      {ids.map((id, i) => (
        <Button
          key={`${id}-${i}`}
          variant="outline"
          aria-label={`Take ${nameOf(id)} out`}
          onClick={() => change(ids.filter((_, at) => at !== i))}
        >
          {nameOf(id)} ×
        </Button>
      ))}
      <select
        className="form-select"
        aria-label="Cable or converter to add"
        value=""
        onChange={(event) => change([...ids, event.target.value])}
      >
        {optionsOf(parts, ['cable', 'converter'], 'add a cable or converter…').map((o) => (
          <option key={o.value} value={o.value} disabled={o.value === ''}>
            {o.label}
          </option>
        ))}
      </select>
    </div>
  );
}

/** Which device hangs on which battery and port, through which cables. */
export function SuppliesField({ parts }: { parts: readonly Part[] }) {
  const { control } = useFormContext<Fields>();
  const { fields, append, remove } = useFieldArray({ control, name: 'supplies' });
  return (
    <fieldset className="group">
      <legend>Power: which device on which battery</legend>
      {fields.map((field, index) => (
        <div key={field.id} className="supply">
          <div className="fields compact">
            <SelectField
              name={`supplies.${index}.loadId`}
              label="Device"
              options={optionsOf(parts, ['load'], 'choose…')}
            />
            <SelectField
              name={`supplies.${index}.batteryId`}
              label="Battery"
              options={optionsOf(parts, ['battery'], 'choose…')}
            />
            <TextField name={`supplies.${index}.port`} label="Port" />
            <Chain index={index} parts={parts} />
          </div>
          <Button variant="outline" aria-label={`Take supply ${index + 1} out`} onClick={() => remove(index)}>
            Take out
          </Button>
        </div>
      ))}
      <Button variant="outline" onClick={() => append({ loadId: '', batteryId: '', cableIds: [], port: '' })}>
        Add a device
      </Button>
    </fieldset>
  );
}
