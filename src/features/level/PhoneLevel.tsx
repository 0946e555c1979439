import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { PHONE_SIGMA_DEG, tiltFromTurnedPhone, type PhoneTilt } from '../../core/mount/level.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { phoneWords, type PhoneStep } from '../../text/levelWords.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import { useTiltSensor, type TiltSensor } from '../../ui/useTiltSensor.ts';

function stepOf(sensor: TiltSensor, first: PhoneTilt | null): PhoneStep {
  if (sensor.state === 'none') return 'silent';
  if (sensor.state !== 'live') return sensor.state;
  return first === null ? 'toPole' : 'away';
}

/** The phone as a coarse level: read, turned round, read again. */
export function PhoneLevel() {
  const { records } = useNight();
  const { format } = useShared();
  const record = useRecord();
  const sensor = useTiltSensor();
  const [first, setFirst] = useState<PhoneTilt | null>(null);
  const { latDeg } = records.site;
  const step = stepOf(sensor, first);
  const keep = async (tilt: PhoneTilt): Promise<void> => {
    if (first === null) {
      setFirst(tilt);
      return;
    }
    const values = tiltFromTurnedPhone(first, tilt, latDeg);
    const stored = await record(
      {
        step: 'level',
        subject: { type: 'night', id: records.night.id },
        kind: 'level',
        values,
        source: 'sensor',
        sigma: { tiltDeg: PHONE_SIGMA_DEG },
      },
      `Tilt recorded: ${format.quantity(values.tiltDeg, 'angleDeg')}, by the phone.`,
    );
    if (stored) setFirst(null);
  };
  return (
    <div className="section">
      <h2>The phone as a level</h2>
      <p>{phoneWords(step, latDeg < 0)}</p>
      {sensor.state === 'live' && (
        <FigureList
          figures={[
            { name: 'Top edge up', value: format.quantity(sensor.tilt.frontBackDeg, 'angleDeg') },
            { name: 'Right edge down', value: format.quantity(sensor.tilt.leftRightDeg, 'angleDeg') },
          ]}
        />
      )}
      <div className="actions">
        {sensor.state === 'ask' && (
          <Button variant="primary" onClick={sensor.start}>
            Use this phone
          </Button>
        )}
        {sensor.state === 'live' && (
          <Button variant="primary" onClick={() => void keep(sensor.tilt)}>
            {first === null ? 'Keep this reading' : 'Record this tilt'}
          </Button>
        )}
        {first !== null && (
          <Button variant="outline" onClick={() => setFirst(null)}>
            Start again
          </Button>
        )}
      </div>
    </div>
  );
}
