/** The choice for somebody who has no rig, site or night yet. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { pixelsOf, SENSORS, type SensorFormat } from '../../core/rig/dressing/looks.ts';
import { settingOf } from '../../core/records/setting.ts';
import { useShared } from '../../session/session.ts';
import { CHOOSE } from '../../text/choiceWords.ts';
import { sensorWords } from '../../text/startWords.ts';
import { Choice } from './Choice.tsx';
import { tubesOf, USUAL_LATITUDE_DEG, USUAL_SENSOR, USUAL_WISH } from './usualChoice.ts';

const FORMATS = Object.keys(SENSORS) as SensorFormat[];
const USUAL_MEGAPIXELS = 24;
const LATITUDES_DEG = [0, 15, 30, 45, 60] as const;

export function ChoosePage() {
  const { stored, format } = useShared();
  const [sensor, setSensor] = useState<SensorFormat>('reduced');
  const own = stored.sites.find((s) => s.deletedAtUtc === null && s.origin !== 'demo');
  const [latDeg, setLatDeg] = useState<number>(own ? Math.abs(own.latDeg) : USUAL_LATITUDE_DEG);
  const latitudes = [...new Set<number>([...LATITUDES_DEG, latDeg])].sort((a, b) => a - b);
  const camera = { ...pixelsOf({ format: sensor, megapixels: USUAL_MEGAPIXELS }), massKg: USUAL_SENSOR.massKg };
  return (
    <Choice
      title={CHOOSE.title}
      first={USUAL_WISH}
      tubes={tubesOf(stored.parts).filter((t) => t.origin !== 'demo')}
      given={{
        camera,
        latDeg,
        shareUsed: settingOf(stored.settings, 'schools').loadShare,
        limits: settingOf(stored.settings, 'limits'),
      }}
    >
      <div className="choices">
        <Form.Group controlId="choose-sensor" className="short-field">
          <Form.Label>{CHOOSE.sensor}</Form.Label>
          <Form.Select
            value={sensor}
            onChange={(event) => setSensor(FORMATS.find((f) => f === event.target.value) ?? sensor)}
          >
            {FORMATS.map((one) => (
              <option key={one} value={one}>
                {sensorWords(one)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="choose-latitude" className="short-field">
          <Form.Label>{CHOOSE.latitude}</Form.Label>
          <Form.Select value={latDeg} onChange={(event) => setLatDeg(Number(event.target.value))}>
            {latitudes.map((one) => (
              <option key={one} value={one}>
                {format.quantity(one, 'angleDeg', 0)}
              </option>
            ))}
          </Form.Select>
        </Form.Group>
      </div>
    </Choice>
  );
}
