import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import type { ColumnRole } from '../../../formats/logs/columnRoles.ts';
import type { LogMapping } from '../../../formats/logs/readLog.ts';
import { timeKindOf, type TimeKind } from '../../../formats/logs/timeCells.ts';
import { useShared } from '../../../session/session.ts';
import { ROLE_NAMES, SIGN_NAMES, TIME_KIND_NAMES, UNIT_NAMES } from '../../../text/logReadingWords.ts';
import { LOG } from '../../../text/logWords.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';
import { WindowedTable, type RowRef } from '../../../ui/WindowedTable.tsx';
import type { LogTold } from '../../../workers/log.worker.ts';

const ROLES = Object.keys(ROLE_NAMES) as ColumnRole['is'][];
const ERROR_UNITS = ['arcsec', 'px', 'arcmin', 'deg', 'mas'] as const;
const SENT_UNITS = [...ERROR_UNITS, 'ms', 's'] as const;
const TIME_KINDS = Object.keys(TIME_KIND_NAMES) as TimeKind[];
const SHOWN_ROWS = 3;
/** More of long cells would push the choices out of sight. */
const ROOM_CHARACTERS = 14;

/** What a column becomes when it is called something else. */
function roleOf(is: ColumnRole['is'], cell: string): ColumnRole {
  if (is === 'time') {
    const seen = timeKindOf(cell);
    return { is, kind: seen === null || seen === 'date' ? 's' : seen };
  }
  if (is === 'date' || is === 'other' || is === 'towardRa' || is === 'towardDec') return { is };
  return { is, unit: null, sign: 1 };
}

type Choice = {
  value: string;
  options: readonly string[];
  names: Record<string, string>;
  put: (value: string) => ColumnRole;
};

/** What may be said of a column's numbers; null when nothing. @param unit of errors that name none. */
function unitChoice(role: ColumnRole, unit: LogMapping['unit']): Choice | null {
  if (role.is === 'time')
    return {
      value: role.kind,
      options: TIME_KINDS,
      names: TIME_KIND_NAMES,
      put: (kind) => ({ ...role, kind: kind as TimeKind }),
    };
  if (!('unit' in role)) return null;
  const options = role.is === 'sentRa' || role.is === 'sentDec' ? SENT_UNITS : ERROR_UNITS;
  const put = (chosen: string): ColumnRole => ({ ...role, unit: chosen }) as ColumnRole;
  return { value: role.unit ?? unit, options, names: UNIT_NAMES, put };
}

const AXIS_OF: Partial<Record<ColumnRole['is'], 'ra' | 'dec'>> = {
  ra: 'ra',
  sentRa: 'ra',
  aimRa: 'ra',
  dec: 'dec',
  sentDec: 'dec',
  aimDec: 'dec',
};

/** Which way the star moved where a column's number grew. */
function signChoice(role: ColumnRole): Choice | null {
  const axis = AXIS_OF[role.is];
  if (!axis || !('sign' in role)) return null;
  const put = (sign: string): ColumnRole => ({ ...role, sign: sign === '-1' ? -1 : 1 });
  return { value: String(role.sign), options: ['1', '-1'], names: SIGN_NAMES[axis], put };
}

type ChoiceProps = { label: string; choice: Choice; change: (role: ColumnRole) => void };

function ChoiceSelect({ label, choice, change }: ChoiceProps) {
  return (
    <Form.Select
      className="as-wide-as-needed"
      aria-label={label}
      value={choice.value}
      onChange={(event) => change(choice.put(event.target.value))}
    >
      {choice.options.map((value) => (
        <option key={value} value={value}>
          {choice.names[value]}
        </option>
      ))}
    </Form.Select>
  );
}

/** As many of the first cells as there is room for; of a long one its end. */
function firstCells([first = '', ...rest]: readonly string[]): string {
  const shown = first.length > ROOM_CHARACTERS ? `…${first.slice(-ROOM_CHARACTERS)}` : first;
  return rest.reduce((told, cell) => (told.length + cell.length > ROOM_CHARACTERS ? told : `${told}, ${cell}`), shown);
}

type RowProps = {
  at: number;
  rowRef: RowRef;
  name: string;
  cells: readonly string[];
  role: ColumnRole;
  unit: LogMapping['unit'];
  change: (role: ColumnRole) => void;
};

function ColumnRow({ at, rowRef, name, cells, role, unit, change }: RowProps) {
  const [ofUnit, ofSign] = [unitChoice(role, unit), signChoice(role)];
  return (
    <tr ref={rowRef} data-index={at}>
      <th scope="row">{name}</th>
      <td className="figures">{firstCells(cells)}</td>
      <td>
        <Form.Select
          className="as-wide-as-needed"
          aria-label={`${name} is`}
          value={role.is}
          onChange={(event) => change(roleOf(event.target.value as ColumnRole['is'], cells[0] ?? ''))}
        >
          {ROLES.map((is) => (
            <option key={is} value={is}>
              {ROLE_NAMES[is]}
            </option>
          ))}
        </Form.Select>
      </td>
      <td>
        {ofUnit && <ChoiceSelect label={`Unit of ${name}`} choice={ofUnit} change={change} />}
        {ofSign && <ChoiceSelect label={`${name}: plus is`} choice={ofSign} change={change} />}
      </td>
    </tr>
  );
}

const positive = z.number().min(1e-4).max(10_000).nullable();
const numbersSchema = z.object({
  scaleArcsecPerPx: positive,
  rateArcsecPerS: positive,
  raFromXDeg: z.number().min(-360).max(360).nullable(),
});
type Numbers = z.infer<typeof numbersSchema>;

/** The first column that tells anything is in view. */
const isTold = ({ is }: ColumnRole): boolean => is !== 'other';

type Props = { told: LogTold; readAs: (mapping: LogMapping) => void };

/** Each column with its first values, what it is taken for, and the way to say otherwise. */
export function LogMappingForm({ told, readAs }: Props) {
  const { layout, mapping } = told;
  const { format } = useShared();
  const [roles, setRoles] = useState(mapping.roles);
  const { scaleArcsecPerPx, rateArcsecPerS, raFromXDeg } = mapping;
  const form = useForm<Numbers, unknown, Numbers>({
    resolver: formResolver<Numbers, Numbers>(numbersSchema),
    defaultValues: { scaleArcsecPerPx, rateArcsecPerS, raFromXDeg },
  });
  const read = form.handleSubmit((numbers) => readAs({ ...mapping, ...numbers, roles }));
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void read(event)} noValidate>
        <WindowedTable
          label={LOG.layout}
          headings={LOG.columns}
          count={roles.length}
          startAt={Math.max(0, mapping.roles.findIndex(isTold))}
          row={(i, ref) => (
            <ColumnRow
              key={i}
              at={i}
              rowRef={ref}
              name={layout.header[i] || `${LOG.column} ${i + 1}`}
              cells={layout.sample.slice(0, SHOWN_ROWS).map((row) => row[i] ?? '')}
              role={roles[i] ?? { is: 'other' }}
              unit={mapping.unit}
              change={(changed) => setRoles(roles.with(i, changed))}
            />
          )}
        />
        <div className="fields">
          <QuantityField name="scaleArcsecPerPx" label={LOG.scale} kind="imageScale" system={format.system} />
          <QuantityField name="rateArcsecPerS" label={LOG.rate} kind="guideRate" system={format.system} />
          <QuantityField
            name="raFromXDeg"
            label={LOG.angle}
            kind="angleDeg"
            system={format.system}
            hint={LOG.angleHint}
          />
        </div>
        <div className="actions">
          <Button variant="outline" type="submit">
            {LOG.again}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
