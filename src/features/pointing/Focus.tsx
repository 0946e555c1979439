import { useState, type ReactNode } from 'react';
import { Form, InputGroup } from 'react-bootstrap';
import type { z } from 'zod';
import { readingValues } from '../../core/records/reading.ts';
import { fromDisplay, unitOf } from '../../core/units/quantities.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { focusReason, focusSentence } from '../../text/pointingWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { ChartFrame } from '../../ui/charts/ChartFrame.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { focusModel, type FocusModel } from './model.ts';

type Fields = { positionUm: number | null; temperatureC: number | null; fwhmPx: number | null };
type Values = z.infer<typeof readingValues.focus>;

function RecordFocus() {
  const has = useHas();
  const { records } = useNight();
  const { format } = useShared();
  return (
    <RecordForm<Fields, Values>
      title="Record a sharp position"
      button="Record this focus"
      schema={readingValues.focus}
      defaults={{ positionUm: null, temperatureC: null, fwhmPx: null }}
      toReading={(values) => ({
        reading: { step: 'pointing', subject: { type: 'rig', id: records.rig.id }, kind: 'focus', values },
        said: `Focus recorded: ${format.quantity(values.positionUm, 'focusUm')}.`,
      })}
    >
      <QuantityField name="positionUm" label="Focuser stands at" kind="focusUm" system={format.system} />
      <QuantityField name="temperatureC" label="Temperature" kind="temperature" system={format.system} />
      {has.has('camera') && (
        <QuantityField
          name="fwhmPx"
          label="Star width"
          kind="pixels"
          system={format.system}
          hint="At half height; empty = not measured."
        />
      )}
    </RecordForm>
  );
}

/** The air since it was focused: what the focus does with it. */
function NoteAir() {
  const { records } = useNight();
  const { format } = useShared();
  return (
    <RecordForm<{ temperatureC: number | null }, z.infer<typeof readingValues.air>>
      title="The air since then"
      button="Note the air"
      schema={readingValues.air}
      defaults={{ temperatureC: null }}
      toReading={(values) => ({
        reading: { step: 'pointing', subject: { type: 'night', id: records.night.id }, kind: 'air', values },
        said: `Air noted: ${format.quantity(values.temperatureC, 'temperature')}.`,
      })}
    >
      <QuantityField name="temperatureC" label="Temperature now" kind="temperature" system={format.system} />
    </RecordForm>
  );
}

/** Positions against temperature, with the learned line. */
function FocusChart({ model, label }: { model: FocusModel; label: string }) {
  const { format } = useShared();
  const { points, line } = model;
  const span = (values: number[], least: number): [number, number] => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const pad = Math.max(least, (high - low) * 0.12);
    return [low - pad, high + pad];
  };
  const xs = span(
    points.map((p) => format.shown(p.temperatureC, 'temperature')),
    1,
  );
  const ys = span(
    points.map((p) => p.positionUm),
    10,
  );
  const { system } = format;
  return (
    <ChartFrame
      label={label}
      fileName="focus-and-temperature"
      height={230}
      x={{ domain: xs, label: unitOf('temperature', system).symbol, format: (v) => format.number(v, 0) }}
      y={{ domain: ys, label: unitOf('focusUm', system).symbol, format: (v) => format.number(v, 0) }}
    >
      {({ x, y }) => (
        <g>
          {line && (
            <path
              d={`M${xs.map((t) => `${x(t)} ${y(line.positionUmAt(fromDisplay(t, 'temperature', system)))}`).join('L')}`}
              stroke="var(--action)"
              strokeWidth="2"
              strokeDasharray="6 5"
            />
          )}
          {points.map((p, i) => (
            <circle
              key={i}
              cx={x(format.shown(p.temperatureC, 'temperature'))}
              cy={y(p.positionUm)}
              r={5}
              fill={i === points.length - 1 ? 'var(--amber)' : 'var(--action)'}
            />
          ))}
        </g>
      )}
    </ChartFrame>
  );
}

export function Focus({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const [typed, setTyped] = useState('');
  const number = Number(typed.replace(',', '.'));
  const temperatureC =
    typed.trim() === '' || Number.isNaN(number) ? null : fromDisplay(number, 'temperature', format.system);
  const model = focusModel(night, temperatureC);
  const isFocused = night.records.tonight.last('focus', night.records.rig.id) !== undefined;
  const sentence = focusSentence(model.saying, format);
  return (
    <BenchLayout
      title="Focus and pointing"
      tabs={tabs}
      sentence={sentence}
      reason={focusReason(model.saying, format)}
      instrumentName="The focus chart"
      instrument={model.points.length > 0 ? <FocusChart model={model} label={plain(sentence)} /> : undefined}
    >
      {isFocused && <NoteAir />}
      {model.line && !isFocused && !night.records.fromSnapshot && (
        <Form.Group controlId="temperature-now" className="short-field">
          <Form.Label>Temperature now</Form.Label>
          <InputGroup>
            <Form.Control inputMode="decimal" value={typed} onChange={(event) => setTyped(event.target.value)} />
            <InputGroup.Text>{unitOf('temperature', format.system).symbol}</InputGroup.Text>
          </InputGroup>
        </Form.Group>
      )}
      <RecordFocus />
    </BenchLayout>
  );
}
