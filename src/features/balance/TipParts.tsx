import { fromUtcText } from '../../core/time/utc.ts';
import { Form } from 'react-bootstrap';
import type { BalanceAxis } from '../../core/rig/axisLevers.ts';
import { settingOf } from '../../core/records/setting.ts';
import { GuessAsk } from '../../session/GuessAsk.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { BiasSchool } from './BiasSchool.tsx';
import { guessedPlace } from './guessedPlace.ts';
import { Implied } from './Implied.tsx';
import type { AxisModel } from './model.ts';
import { RecordTrial } from './RecordTrial.tsx';
import { Remedies } from './Remedies.tsx';
import { TapeChoice } from './TapeChoice.tsx';

/** Which piece beside the tube is shifted. */
function MoverChoice({ model, choose }: { model: AxisModel; choose: (placedId: string) => void }) {
  const { numbers } = useNight();
  const beside = numbers.masses.tubeSide.filter((p) => p.on === 'tube' && p.slides && p.partId !== numbers.tube?.id);
  return (
    <Form.Group controlId="mover" className="section short-field">
      <Form.Label>The piece that is shifted</Form.Label>
      <Form.Select value={model.tip?.levers.moving[0]?.id ?? ''} onChange={(event) => choose(event.target.value)}>
        {beside.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

function LastMark({ taught }: { taught: NonNullable<AxisModel['tip']>['taught'] }) {
  const { format } = useShared();
  if (!taught) return null;
  return (
    <p className="soft mt-3 mb-0">The last tape mark is from {format.evening(fromUtcText(taught.mark.takenAtUtc))}.</p>
  );
}

/** Asked before the first answer of the arm: once it has been tried, the arm knows better than any guess. */
function PlaceGuesses({ tip }: { tip: NonNullable<AxisModel['tip']> }) {
  const night = useNight();
  if (tip.trials.length > 0 || tip.taught !== null) return null;
  return <GuessAsk step="balance" guesses={guessedPlace(night)} unit="place" />;
}

type PartsProps = { model: AxisModel; axis: BalanceAxis; chooseMover: (placedId: string) => void };

/** What belongs to the tip test: the answers, the ways out, what it teaches, and how this user measures. */
export function TipParts({ model, axis, chooseMover }: PartsProps) {
  const { records } = useNight();
  const { stored } = useShared();
  const settings = settingOf(stored.settings, 'balance');
  const { tip, remedies, implied } = model;
  if (!tip) return null;
  // Answers that led off the bar can still be corrected by further ones.
  const canTry = (remedies === null || tip.trials.length > 0) && !records.fromSnapshot;
  return (
    <>
      {canTry && <RecordTrial model={model} tip={tip} axis={axis} />}
      {axis === 'ra' && canTry && <PlaceGuesses tip={tip} />}
      {remedies && <Remedies remedies={remedies} />}
      {implied && <Implied implied={implied} />}
      <LastMark taught={tip.taught} />
      {axis === 'sideways' ? (
        <MoverChoice model={model} choose={chooseMover} />
      ) : (
        <TapeChoice axis={axis} settings={settings} />
      )}
      {axis === 'ra' && canTry && <BiasSchool model={model} settings={settings} />}
    </>
  );
}
