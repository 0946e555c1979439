import type { ReactNode } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { DriftStar } from '../../../core/mount/driftStars.ts';
import { useNight, useSession, useShared } from '../../../session/session.ts';
import { recordLabel, useRecord } from '../../../session/useRecord.ts';
import { useIsLive } from '../../../session/useTime.ts';
import type { DriftModel } from './driftModel.ts';
import { brightnessWords, starName } from '../../../text/starWords.ts';
import { DriftUnitChoice } from './DriftUnitChoice.tsx';
import { useDriftUnit } from './useDriftUnit.ts';

type Props = { model: DriftModel; starHip: number | null; chooseStar: (hip: number) => void; children: ReactNode };

const place = (star: DriftStar, format: ReturnType<typeof useShared>['format']): string =>
  `${starName(star.name)}, ${brightnessWords(star.magnitude)}, ${format.quantity(star.altDeg, 'angleDeg', 0)} up at ${format.quantity(star.azDeg, 'angleDeg', 0)}`;

/** The star, how its drift is read, and the button that starts the clock. */
export function StartDrift({ model, starHip, chooseStar, children }: Props) {
  const { records } = useNight();
  const { clock } = useSession();
  const { format } = useShared();
  const isLive = useIsLive();
  const record = useRecord();
  const unit = useDriftUnit();
  const star = model.stars.find((s) => s.hip === starHip) ?? model.stars[0];
  if (!star) return <div className="fields">{children}</div>;
  const start = (): void => {
    const { scale } = unit;
    if (!scale) return;
    const values = {
      starName: star.name,
      raDeg: star.raDeg,
      decDeg: star.decDeg,
      northArcsec: 0,
      sigmaArcsec: scale.sigmaArcsec,
      starts: true,
    };
    void record(
      { step: 'polar', subject: { type: 'night', id: records.night.id }, kind: 'driftMark', values },
      `${starName(star.name)}: the clock runs.`,
    );
  };
  return (
    <>
      <div className="fields section">
        <Form.Group controlId="drift-star">
          <Form.Label>Star</Form.Label>
          <Form.Select value={star.hip} onChange={(event) => chooseStar(Number(event.target.value))}>
            {model.stars.map((s) => (
              <option key={s.hip} value={s.hip}>
                {place(s, format)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <DriftUnitChoice unit={unit} />
        {children}
      </div>
      <div className="actions">
        <Button variant="primary" onClick={start} disabled={unit.scale === null}>
          {recordLabel('It is centred: start the clock', isLive, format.clock(clock.nowMs()))}
        </Button>
      </div>
    </>
  );
}
