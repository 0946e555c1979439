import { Button } from 'react-bootstrap';
import { FormProvider, useForm } from 'react-hook-form';
import { z } from 'zod';
import { FULL_TURN, viewAngleOf, type Engraving } from '../../../core/mount/dial.ts';
import { toPlate, type PlatePoint } from '../../../core/mount/finderPlate.ts';
import type { Dial } from '../../../core/records/part.ts';
import { useShared } from '../../../session/session.ts';
import { QuantityField } from '../../../ui/form/Fields.tsx';
import { formResolver } from '../../../ui/form/formResolver.ts';

/** A plate without numbers is read like the face of a clock. */
const CLOCK_FACE: Pick<Engraving, 'numbering' | 'topMark' | 'direction'> = {
  numbering: '12h',
  topMark: 0,
  direction: 'clockwise',
};

type Fields = { mark: number | null; distanceArcmin: number | null };

function schemaFor(full: number, fieldDeg: number) {
  return z.object({
    mark: z.number().min(0).max(full),
    distanceArcmin: z
      .number()
      .min(0)
      .max(fieldDeg * 30),
  });
}

type Props = {
  finder: Dial;
  /** How far the plate is turned in the view, clockwise. */
  turnDeg: number;
  button: string;
  onPlace: (place: PlatePoint) => void;
};

/** A place in the finder's view typed in the dial's own units, for those who do not tap. */
export function PlaceOnPlate({ finder, turnDeg, button, onPlace }: Props) {
  const { format } = useShared();
  const numbered = finder.numbering !== 'pattern';
  const dial =
    finder.numbering === 'pattern'
      ? CLOCK_FACE
      : { numbering: finder.numbering, topMark: finder.topMark, direction: finder.direction };
  const schema = schemaFor(FULL_TURN[dial.numbering], finder.fieldDeg);
  const form = useForm<Fields, unknown, z.infer<typeof schema>>({
    resolver: formResolver<Fields, z.infer<typeof schema>>(schema),
    defaultValues: { mark: null, distanceArcmin: null },
  });
  const place = form.handleSubmit(({ mark, distanceArcmin }) => {
    onPlace(toPlate({ angleDeg: viewAngleOf(mark, dial) + (numbered ? turnDeg : 0), distanceArcmin }));
  });
  const ring = finder.rings[0];
  const hint = ring ? `The ring is ${format.quantity(ring.arcmin, 'arcmin', 0)} from the cross.` : 'From the cross.';
  return (
    <FormProvider {...form}>
      <form onSubmit={(event) => void place(event)} noValidate>
        <div className="fields">
          <QuantityField
            name="mark"
            label={numbered ? 'It stands at, on your dial' : 'It stands at, as on a clock'}
            kind={dial.numbering === 'deg' ? 'angleDeg' : 'ratio'}
            system={format.system}
            hint={dial.numbering === 'deg' ? undefined : 'In hours, with decimals.'}
          />
          <QuantityField name="distanceArcmin" label="How far out" kind="arcmin" system={format.system} hint={hint} />
        </div>
        <div className="actions">
          <Button variant="outline" type="submit">
            {button}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
