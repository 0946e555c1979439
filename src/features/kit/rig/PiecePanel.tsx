import { Button } from 'react-bootstrap';
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
import { offWords, RIG, savedWords } from '../../../text/rigWords.ts';
import { QuantityField, SelectField, TextField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';

const schema = z.object({
  partId: z.string(),
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
  const isSwap = values.partId !== part.id;
  const moved = PLACE.some((key) => values[key] !== placed[key]);
  const weighed = values.weighsKg !== part.massKg;
  const place = moved ? { ...placedByHand(placed), ...Object.fromEntries(PLACE.map((k) => [k, values[k]])) } : placed;
  const after = rig.placed.map((p) => (p.placedId === placed.placedId ? { ...place, partId: values.partId } : p));
  const ofPart = {
    ...(values.pieceName === part.name ? {} : { name: values.pieceName }),
    ...(weighed ? { massKg: values.weighsKg, massBasis: 'weighed' } : {}),
  };
  return [
    ...(!isSwap && Object.keys(ofPart).length > 0
      ? [{ table: 'parts' as const, id: part.id, patch: ofPart, baseRev: part.rev }]
      : []),
    ...(moved || isSwap
      ? [
          {
            table: 'rigs' as const,
            id: rig.id,
            patch: { placed: after, ...(isSwap ? swapped(rig, part.id, values.partId) : {}) },
            baseRev: rig.rev,
          },
        ]
      : []),
  ];
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
      partId: part.id,
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
  const same = offered.filter((p) => p.kind === part.kind);
  return (
    <FormProvider {...form}>
      <form className="section piece-panel" aria-label={RIG.piece} onSubmit={(event) => void save(event)} noValidate>
        <h2>{part.name}</h2>
        <div className="fields">
          {same.length > 1 && (
            <SelectField name="partId" label={RIG.swap} options={same.map((p) => ({ value: p.id, label: p.name }))} />
          )}
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
