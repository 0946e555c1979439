import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { distanceMSchema, massKgSchema, nameSchema } from '../../../core/records/common.ts';
import type { Part } from '../../../core/records/part.ts';
import type { Placed, Rig } from '../../../core/records/rig.ts';
import { useShared } from '../../../session/session.ts';
import { placedByHand } from '../../../session/useDraggedRig.ts';
import { useBusy, useWrite } from '../../../session/useWrite.ts';
import { updateHead } from '../../../storage/heads.ts';
import { writeTogether, type ChangedRecord } from '../../../storage/writeTogether.ts';
import { hungWords, offWords, RIG, savedWords } from '../../../text/rigWords.ts';
import { QuantityField, TextField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';

const schema = z.object({
  pieceName: nameSchema,
  weighsKg: massKgSchema.nullable(),
  fromRaAxisM: distanceMSchema,
  alongTubeM: distanceMSchema,
  sidewaysM: distanceMSchema,
});
type Values = z.infer<typeof schema>;
const PLACE = ['fromRaAxisM', 'alongTubeM', 'sidewaysM'] as const;

/** The rig with another part in a piece's stead, wherever it names the one before. */
function swapped(rig: Rig, from: string, to: string): Pick<Rig, 'imagingTubeId' | 'cameraId' | 'train'> {
  const other = (id: string): string => (id === from ? to : id);
  return {
    imagingTubeId: other(rig.imagingTubeId),
    cameraId: other(rig.cameraId),
    train: rig.train.map(other),
  };
}

/** What was changed of the part and of its place: nothing else is touched, and what was only looked at stays a guess. */
function changesOf(values: Values, { rig, placed, part }: Pick<Props, 'rig' | 'placed' | 'part'>): ChangedRecord[] {
  const at = Object.fromEntries(PLACE.map((key) => [key, values[key]]));
  const moved = PLACE.some((key) => values[key] !== placed[key]);
  const others = rig.placed.map((p) => (p.placedId === placed.placedId ? { ...placedByHand(placed), ...at } : p));
  const ofPart = {
    ...(values.pieceName === part.name ? {} : { name: values.pieceName }),
    ...(values.weighsKg === part.massKg ? {} : { massKg: values.weighsKg, massBasis: 'weighed' }),
  };
  const partChange: ChangedRecord = { table: 'parts', id: part.id, patch: ofPart, baseRev: part.rev };
  const rigChange: ChangedRecord = { table: 'rigs', id: rig.id, patch: { placed: others }, baseRev: rig.rev };
  return [...(Object.keys(ofPart).length > 0 ? [partChange] : []), ...(moved ? [rigChange] : [])];
}

/** Another part of the kind in this one's stead: a step of its own, with that part's own numbers. */
function Swap({ rig, placed, part, offered }: Omit<Props, 'done'>) {
  const write = useWrite();
  const same = offered.filter((p) => p.kind === part.kind);
  if (same.length < 2) return null;
  const swap = (other: Part | undefined): void => {
    if (!other || other.id === part.id) return;
    const others = rig.placed.map((p) => (p.placedId === placed.placedId ? { ...p, partId: other.id } : p));
    const patch = { placed: others, ...swapped(rig, part.id, other.id) };
    void write(
      ['swap', placed.placedId, other.id],
      (w) => updateHead(w, 'rigs', rig.id, patch, { baseRev: rig.rev }),
      hungWords(other.name),
    );
  };
  return (
    <Form.Group controlId="swap-piece" className="short-field mb-3">
      <Form.Label>{RIG.swap}</Form.Label>
      <Form.Select value={part.id} onChange={(event) => swap(same.find((p) => p.id === event.target.value))}>
        {same.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

type Props = { rig: Rig; placed: Placed; part: Part; offered: readonly Part[]; done: () => void };

/** One piece: its name, what it weighs, where it sits; another part in its place, or none. */
export function PiecePanel({ rig, placed, part, offered, done }: Props) {
  const { format } = useShared();
  const write = useWrite();
  const busy = useBusy();
  const { fromRaAxisM, alongTubeM, sidewaysM } = placed;
  const form = useForm<Values, unknown, Values>({
    resolver: formResolver<Values, Values>(schema),
    defaultValues: {
      pieceName: part.name,
      weighsKg: part.massKg,
      fromRaAxisM,
      alongTubeM,
      sidewaysM,
    },
  });
  const save = form.handleSubmit(async (values) => {
    const changes = changesOf(values, { rig, placed, part });
    if (changes.length === 0) {
      done();
      return;
    }
    const written = await write(
      ['piece', placed.placedId, values],
      (w) => writeTogether(w, part.name, changes),
      savedWords(values.pieceName),
    );
    if (written.ok) done();
  });
  const takeOff = async (): Promise<void> => {
    const rest = rig.placed.filter((p) => p.placedId !== placed.placedId);
    const written = await write(
      ['off', placed.placedId],
      (w) => updateHead(w, 'rigs', rig.id, { placed: rest }, { baseRev: rig.rev }),
      offWords(part.name),
    );
    if (written.ok) done();
  };
  return (
    <FormProvider {...form}>
      <form className="section piece-panel" aria-label={RIG.piece} onSubmit={(event) => void save(event)} noValidate>
        <h2>{part.name}</h2>
        <Swap rig={rig} placed={placed} part={part} offered={offered} />
        <div className="fields">
          <TextField name="pieceName" label={RIG.name} />
          <QuantityField name="weighsKg" label={RIG.mass} kind="mass" system={format.system} />
          <QuantityField name="fromRaAxisM" label={RIG.fromAxis} kind="barLength" system={format.system} />
          <QuantityField name="alongTubeM" label={RIG.along} kind="barLength" system={format.system} />
          <QuantityField name="sidewaysM" label={RIG.sideways} kind="barLength" system={format.system} />
        </div>
        <div className="actions">
          <Button variant="primary" type="submit" aria-disabled={busy}>
            {RIG.save}
          </Button>
          <Button variant="outline" aria-disabled={busy} onClick={() => void takeOff()}>
            {RIG.off}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
