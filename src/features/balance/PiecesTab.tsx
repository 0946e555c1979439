import { isBuiltIn } from '../../core/rig/packing.ts';
import { rearEndOf } from '../../core/rig/lookerPlace.ts';
import { useTubeEnds } from '../../session/useTubeEnds.ts';
import { useState, type ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import type { Part } from '../../core/records/part.ts';
import { settingOf } from '../../core/records/setting.ts';
import { useNight, useShared } from '../../session/session.ts';
import { AXIS_TABS } from '../../text/balanceWords.ts';
import { piecesReason, piecesSentence, smallThingsWords } from '../../text/pieceWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import { CABLE_KG, FOCUS_TRAVEL_M, piecesModel, smallThings, type Choice } from './piecesModel.ts';

type Fields = { massKg: number | null; fromRaAxisM: number | null; alongTubeM: number | null };
const pieceSchema = z.object({
  massKg: z.number().positive().max(50),
  fromRaAxisM: z.number().min(-2).max(2),
  alongTubeM: z.number().min(-3).max(3),
});

/** Kinds that never come onto a tube. */
const ELSEWHERE: ReadonlySet<Part['kind']> = new Set([
  'mount',
  'support',
  'weight',
  'bar',
  'barExtension',
  'battery',
  'converter',
]);

/** Mass and place of a piece that is not on the rig yet. */
function ComingForm({ part, onReckon }: { part: Part | null; onReckon: (choice: Choice) => void }) {
  const ends = useTubeEnds();
  const { numbers } = useNight();
  const { format } = useShared();
  const tube = numbers.masses.tubeSide.find((p) => p.partId === numbers.tube?.id);
  const form = useForm<Fields, unknown, z.infer<typeof pieceSchema>>({
    resolver: formResolver<Fields, z.infer<typeof pieceSchema>>(pieceSchema),
    defaultValues: { massKg: part?.massKg ?? null, fromRaAxisM: tube?.fromRaAxisM ?? null, alongTubeM: null },
  });
  const reckon = form.handleSubmit((piece) =>
    onReckon({ type: 'on', name: part?.name ?? 'The piece', piece: { ...piece, slides: true } }),
  );
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(event) => void reckon(event)}>
        <div className="fields compact">
          <QuantityField name="massKg" label="Its mass" kind="mass" system={format.system} />
          <QuantityField name="fromRaAxisM" label="From the polar axis" kind="barLength" system={format.system} />
          <QuantityField
            name="alongTubeM"
            label="Along the tube"
            kind="barLength"
            system={format.system}
            hint={`From the saddle: ${ends.front} +, ${ends.rear} −.`}
          />
        </div>
        <div className="actions">
          <Button variant="primary" type="submit">
            Reckon with it
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

const NEW_PIECE = 'new';

/** Chooses a piece from the box or a new one to come on, or one of the rig's own to go off. */
function PieceChoice({ onChoice }: { onChoice: (choice: Choice | null) => void }) {
  const { numbers, records } = useNight();
  const { stored } = useShared();
  const [chosen, setChosen] = useState('');
  const placed = numbers.masses.tubeSide.filter((p) => p.partId !== numbers.tube?.id);
  const onRig = new Set(records.rig.placed.map((p) => p.partId));
  const loose = stored.parts.filter(
    (p) => p.deletedAtUtc === null && !p.archived && !isBuiltIn(p) && !ELSEWHERE.has(p.kind) && !onRig.has(p.id),
  );
  const choose = (value: string): void => {
    setChosen(value);
    const off = placed.find((p) => `off-${p.id}` === value);
    onChoice(off ? { type: 'off', name: off.name, placedId: off.id } : null);
  };
  const part = loose.find((p) => `on-${p.id}` === chosen) ?? null;
  return (
    <div className="section">
      <Form.Group controlId="piece" className="short-field">
        <Form.Label>The piece</Form.Label>
        <Form.Select value={chosen} onChange={(event) => choose(event.target.value)}>
          <option value="">Choose…</option>
          <option value={NEW_PIECE}>A new piece comes on</option>
          <optgroup label="From your box, comes on">
            {loose.map((p) => (
              <option key={p.id} value={`on-${p.id}`}>
                {p.name}
              </option>
            ))}
          </optgroup>
          <optgroup label="On the rig, goes off">
            {placed.map((p) => (
              <option key={p.id} value={`off-${p.id}`}>
                {p.name}
              </option>
            ))}
          </optgroup>
        </Form.Select>
      </Form.Group>
      {(part !== null || chosen === NEW_PIECE) && <ComingForm key={chosen} part={part} onReckon={onChoice} />}
    </div>
  );
}

/** Before a piece comes on or goes off: the new places of weight and tube. */
export function PiecesTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const ends = useTubeEnds();
  const { format, stored } = useShared();
  const [choice, setChoice] = useState<Choice | null>(null);
  const { saying, shifts } = piecesModel(night, choice, settingOf(stored.settings, 'balance'));
  const small = smallThings(night);
  return (
    <BenchLayout
      title="Balance"
      tabs={tabs}
      sentence={piecesSentence(saying, format, ends)}
      reason={piecesReason(saying)}
      instrumentName="The piece"
    >
      {night.bar && <PieceChoice onChoice={setChoice} />}
      {shifts.length > 0 && (
        <FigureList
          figures={shifts.map(({ axis, fromM, toM }) => ({
            name: AXIS_TABS[axis],
            value: `${format.quantity(fromM, 'barLength')} → ${format.quantity(toM, 'barLength')}`,
          }))}
        />
      )}
      {small && (
        <div className="section">
          <h2>Cables and focuser</h2>
          {smallThingsWords(small, CABLE_KG, FOCUS_TRAVEL_M, format, rearEndOf(night.numbers)).map((words) => (
            <p key={words}>{words}</p>
          ))}
        </div>
      )}
    </BenchLayout>
  );
}
