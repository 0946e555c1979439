import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { readingValues } from '../../core/records/reading.ts';
import { batteriesOfRig } from '../../core/rig/batteriesOfRig.ts';
import { useNight, useShared, type NewReadingHere } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { READING_NAMES } from '../../text/readingNames.ts';
import { readingLine } from '../../text/readingWords.ts';
import { QuantityField, TextField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';

/** What is worth noting during the night, each with its fields. */
const KINDS = ['seeing', 'guiding', 'air', 'battery', 'subs', 'note'] as const;
type Kind = (typeof KINDS)[number];

function KindFields({ kind }: { kind: Kind }) {
  const { system } = useShared().format;
  switch (kind) {
    case 'seeing':
      return <QuantityField name="fwhmArcsec" label="Star width at half height" kind="arcsec" system={system} />;
    case 'guiding':
      return (
        <>
          <QuantityField name="rmsRaArcsec" label="Spread in right ascension" kind="arcsec" system={system} />
          <QuantityField name="rmsDecArcsec" label="Spread in declination" kind="arcsec" system={system} />
        </>
      );
    case 'air':
      return <QuantityField name="temperatureC" label="Temperature" kind="temperature" system={system} />;
    case 'battery':
      return (
        <>
          <QuantityField name="voltageV" label="Voltage" kind="volts" system={system} />
          <QuantityField name="fraction" label="Left" kind="percent" system={system} />
        </>
      );
    case 'subs':
      return (
        <>
          <QuantityField name="count" label="Subs taken" kind="count" system={system} />
          <QuantityField name="usable" label="Of these usable" kind="count" system={system} />
        </>
      );
    case 'note':
      return <TextField name="text" label="Note" multiline wide />;
  }
}

type Values = Record<string, unknown>;

function KindForm({ kind, close }: { kind: Kind; close: () => void }) {
  const { records } = useNight();
  const { format } = useShared();
  const record = useRecord();
  const batteries = kind === 'battery' ? batteriesOfRig(records.rig, records.parts) : [];
  const [batteryId, setBatteryId] = useState(batteries[0]?.id ?? null);
  const schema = readingValues[kind] as unknown as z.ZodType<Values>;
  const form = useForm<Values, unknown, Values>({ resolver: formResolver(schema) });
  const save = form.handleSubmit(async (values) => {
    const subject =
      batteryId === null
        ? ({ type: 'night', id: records.night.id } as const)
        : ({ type: 'part', id: batteryId } as const);
    const reading = { step: 'watch', subject, kind, values } as unknown as NewReadingHere;
    const line = readingLine(reading as Parameters<typeof readingLine>[0], { format, south: records.site.latDeg < 0 });
    if (await record(reading, `${READING_NAMES[kind]} recorded: ${line}.`)) close();
  });
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void save(event)} noValidate>
        {batteries.length > 1 && (
          <Form.Group controlId="log-battery" className="mt-3">
            <Form.Label>Which battery</Form.Label>
            <Form.Select value={batteryId ?? ''} onChange={(event) => setBatteryId(event.target.value)}>
              {batteries.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </Form.Group>
        )}
        <div className="fields mt-3">
          <KindFields kind={kind} />
        </div>
        <div className="actions">
          <Button variant="primary" type="submit">
            Record
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

/** One small sheet for everything that is noted in passing. */
export function LogReading({ close }: { close: () => void }) {
  const [kind, setKind] = useState<Kind>('seeing');
  return (
    <Modal show onHide={close} animation={false} aria-labelledby="log-title">
      <Modal.Header closeButton>
        <Modal.Title id="log-title">Log a reading</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <Form.Group controlId="log-kind">
          <Form.Label>What</Form.Label>
          <Form.Select
            value={kind}
            onChange={(event) => setKind(KINDS.find((k) => k === event.target.value) ?? 'seeing')}
          >
            {KINDS.map((k) => (
              <option key={k} value={k}>
                {READING_NAMES[k]}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <KindForm key={kind} kind={kind} close={close} />
      </Modal.Body>
    </Modal>
  );
}
