import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { distanceMSchema } from '../../core/records/common.ts';
import type { Placed, Rig } from '../../core/records/rig.ts';
import { useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { axisWords } from '../../text/rigWords.ts';
import { QuantityField } from '../../ui/form/Fields.tsx';
import { formResolver } from '../../ui/form/formResolver.ts';
import type { PlaceKey } from '../../session/useDraggedRig.ts';

const schema = z.object({ fromRaAxisM: distanceMSchema, alongTubeM: distanceMSchema, sidewaysM: distanceMSchema });
type Place = z.infer<typeof schema>;

type Props = {
  rig: Rig;
  nameOf: (partId: string) => string;
  place: (placedId: string, at: Pick<Placed, PlaceKey>) => void;
};

function Fields({ placed, place }: { placed: Placed; place: Props['place'] }) {
  const has = useHas();
  const { format } = useShared();
  const { fromRaAxisM, alongTubeM, sidewaysM } = placed;
  const form = useForm<Place, unknown, Place>({
    resolver: formResolver<Place, Place>(schema),
    defaultValues: { fromRaAxisM, alongTubeM, sidewaysM },
  });
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(event) => void form.handleSubmit((at) => place(placed.placedId, at))(event)}>
        <div className="fields">
          <QuantityField
            name="fromRaAxisM"
            label={axisWords(has).from}
            kind="barLength"
            system={format.system}
            hint={axisWords(has).sides}
          />
          <QuantityField
            name="alongTubeM"
            label="Along the tube"
            kind="barLength"
            system={format.system}
            hint="From the saddle’s middle, front plus."
          />
          <QuantityField
            name="sidewaysM"
            label="Sideways"
            kind="barLength"
            system={format.system}
            hint="Across the tube, upper side plus."
          />
        </div>
        <div className="actions">
          <Button variant="outline" type="submit">
            Place it there
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}

/** Typing instead of dragging: one piece and its three distances. */
export function PlaceForm({ rig, nameOf, place }: Props) {
  const [chosen, setChosen] = useState<string | null>(null);
  const placed = rig.placed.find((p) => p.placedId === chosen) ?? rig.placed[0];
  if (!placed) return null;
  return (
    <div className="section">
      <h2>Place a piece by numbers</h2>
      <Form.Group controlId="placed-piece" className="short-field mb-3">
        <Form.Label>Piece</Form.Label>
        <Form.Select value={placed.placedId} onChange={(event) => setChosen(event.target.value)}>
          {rig.placed.map((p) => (
            <option key={p.placedId} value={p.placedId}>
              {nameOf(p.partId)}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Fields key={`${placed.placedId} ${JSON.stringify(placed)}`} placed={placed} place={place} />
    </div>
  );
}
