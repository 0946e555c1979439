import { Button } from 'react-bootstrap';
import { ADJUSTERS } from '../../../core/pole/poleWalk.ts';
import { useNight, useSession, useShared } from '../../../session/session.ts';
import { recordLabel, useRecord } from '../../../session/useRecord.ts';
import { useIsLive } from '../../../session/useTime.ts';
import { handWords, TURN_LOGGED } from '../../../text/knobWords.ts';
import { TurnDials, type TurnDial } from '../../../ui/instruments/TurnDials.tsx';
import { turnsAsShown } from './turnReadings.ts';
import { dialOf, type TurnsModel } from './turnsModel.ts';

const spoken = (dial: TurnDial): string => `${dial.name}: ${dial.amount} ${dial.direction}`;

export function Dials({ model }: { model: TurnsModel }) {
  const { format } = useShared();
  const [altitude, azimuth] = [dialOf(model, 'altitude', format), dialOf(model, 'azimuth', format)];
  return <TurnDials label={`${spoken(altitude)}; ${spoken(azimuth)}`} altitude={altitude} azimuth={azimuth} />;
}

/** How the hand goes about it. */
export function HandLines({ model }: { model: TurnsModel }) {
  const { format } = useShared();
  const lines = ADJUSTERS.flatMap((a) => handWords(model.turns[a], model.paired[a], format));
  if (lines.length === 0) return null;
  return (
    <ul className="plain-list">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}

/** The first of two taps: what the dials show was turned; the next measured error completes the record. */
export function TurnedAsShown({ model }: { model: TurnsModel }) {
  const { records } = useNight();
  const { clock } = useSession();
  const { format } = useShared();
  const isLive = useIsLive();
  const record = useRecord();
  const readings = turnsAsShown(model, records);
  if (model.saying !== 'turn' || readings.length === 0 || records.fromSnapshot) return null;
  return (
    <div className="actions">
      <Button variant="primary" onClick={() => void record(readings, TURN_LOGGED)}>
        {recordLabel('Turned as shown', isLive, format.clock(clock.nowMs()))}
      </Button>
    </div>
  );
}
