import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { ColumnRole } from '../../../formats/logs/columnRoles.ts';
import type { LogMapping } from '../../../formats/logs/readLog.ts';
import { timeKindOf, type TimeKind } from '../../../formats/logs/timeCells.ts';
import { DOUBT_WORDS, LOG, ROLE_NAMES, TIME_KIND_NAMES, UNIT_NAMES } from '../../../text/logWords.ts';
import { ScrollTable } from '../../../ui/ScrollTable.tsx';
import type { LogTold } from '../../../workers/log.worker.ts';

const ROLES = Object.keys(ROLE_NAMES) as ColumnRole['is'][];
const ERROR_UNITS = ['arcsec', 'px', 'arcmin', 'deg', 'mas'] as const;
const SENT_UNITS = [...ERROR_UNITS, 'ms', 's'] as const;
const NUMBER_TIMES = ['s', 'ms', 'min', 'h', 'days', 'dateTime', 'timeOfDay'] as const;
const SHOWN_ROWS = 3;

/** What a column becomes when it is called something else. */
function roleOf(is: ColumnRole['is'], cell: string): ColumnRole {
  if (is === 'time') {
    const seen = timeKindOf(cell);
    return { is, kind: seen === 'dateTime' || seen === 'timeOfDay' ? seen : 's' };
  }
  if (is === 'date' || is === 'other') return { is };
  return { is, unit: null, sign: 1 };
}

type UnitProps = { role: ColumnRole; name: string; change: (role: ColumnRole) => void };

function UnitChoice({ role, name, change }: UnitProps) {
  if (role.is === 'date' || role.is === 'other') return null;
  if (role.is === 'time')
    return (
      <Form.Select
        aria-label={`Unit of ${name}`}
        value={role.kind}
        onChange={(event) => change({ ...role, kind: event.target.value as TimeKind })}
      >
        {NUMBER_TIMES.map((kind) => (
          <option key={kind} value={kind}>
            {TIME_KIND_NAMES[kind]}
          </option>
        ))}
      </Form.Select>
    );
  const units = role.is === 'sentRa' || role.is === 'sentDec' ? SENT_UNITS : ERROR_UNITS;
  return (
    <Form.Select
      aria-label={`Unit of ${name}`}
      value={role.unit ?? 'arcsec'}
      onChange={(event) => change({ ...role, unit: event.target.value } as ColumnRole)}
    >
      {units.map((unit) => (
        <option key={unit} value={unit}>
          {UNIT_NAMES[unit]}
        </option>
      ))}
    </Form.Select>
  );
}

type NumberProps = { label: string; unit: string; value: number | null; change: (value: number | null) => void };

function NumberChoice({ label, unit, value, change }: NumberProps) {
  const [text, setText] = useState(value === null ? '' : String(value));
  return (
    <div>
      <Form.Label htmlFor={label}>{`${label}, ${unit}`}</Form.Label>
      <Form.Control
        id={label}
        inputMode="decimal"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          const typed = Number(event.target.value.replace(',', '.'));
          change(typed > 0 ? typed : null);
        }}
      />
    </div>
  );
}

type Props = { told: LogTold; readAs: (mapping: LogMapping) => void };

/** Each column with its first values, what it is taken for, and the way to say otherwise. */
export function LogMappingForm({ told, readAs }: Props) {
  const { layout } = told;
  const [mapping, setMapping] = useState(told.mapping);
  const put = (i: number, role: ColumnRole): void => setMapping({ ...mapping, roles: mapping.roles.with(i, role) });
  const nameOf = (i: number): string => layout.header[i] || `column ${i + 1}`;
  return (
    <div>
      {told.doubts.map((doubt) => (
        <p key={doubt} className="mb-1">
          {DOUBT_WORDS[doubt]}
        </p>
      ))}
      <ScrollTable label={LOG.layout} headings={['Column', 'First values', 'It is', 'Unit']}>
        {mapping.roles.map((role, i) => (
          <tr key={i}>
            <th scope="row">{nameOf(i)}</th>
            <td className="figures">
              {layout.sample
                .slice(0, SHOWN_ROWS)
                .map((row) => row[i] ?? '')
                .join(', ')}
            </td>
            <td>
              <Form.Select
                aria-label={`${nameOf(i)} is`}
                value={role.is}
                onChange={(event) =>
                  put(i, roleOf(event.target.value as ColumnRole['is'], layout.sample[0]?.[i] ?? ''))
                }
              >
                {ROLES.map((is) => (
                  <option key={is} value={is}>
                    {ROLE_NAMES[is]}
                  </option>
                ))}
              </Form.Select>
            </td>
            <td>
              <UnitChoice role={role} name={nameOf(i)} change={(changed) => put(i, changed)} />
            </td>
          </tr>
        ))}
      </ScrollTable>
      <div className="fields">
        <NumberChoice
          label={LOG.scale}
          unit="″/px"
          value={mapping.scaleArcsecPerPx}
          change={(scaleArcsecPerPx) => setMapping({ ...mapping, scaleArcsecPerPx })}
        />
        <NumberChoice
          label={LOG.rate}
          unit="″/s"
          value={mapping.rateArcsecPerS}
          change={(rateArcsecPerS) => setMapping({ ...mapping, rateArcsecPerS })}
        />
      </div>
      <div className="actions">
        <Button variant="outline" onClick={() => readAs(mapping)}>
          {LOG.again}
        </Button>
      </div>
    </div>
  );
}
