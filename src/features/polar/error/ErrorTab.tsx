import { useRef, type ReactNode } from 'react';
import { fromUtcText } from '../../../core/time/utc.ts';
import { errorsBefore, errorsTonight } from '../../../core/pole/errorHistory.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { RecordScale } from '../../../session/RecordScale.tsx';
import { goalName, goalWords, referenceWords } from '../../../text/goalWords.ts';
import { gainWords, lockWords, turnsSentence } from '../../../text/knobWords.ts';
import { errorWords, reckonedWords } from '../../../text/polarWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { ErrorFall } from '../../../ui/instruments/ErrorFall.tsx';
import { AskSides } from './AskSides.tsx';
import { Dials, HandLines, TurnedAsShown } from './Dials.tsx';
import { ErrorForm } from './ErrorForm.tsx';
import { OtherTurn } from './OtherTurn.tsx';
import { turnsModel, type TurnsModel } from './turnsModel.ts';

function Fall({ model }: { model: TurnsModel }) {
  const { records } = useNight();
  const { format } = useShared();
  const errors = errorsTonight(records);
  const { goalArcmin } = model.turns.goal;
  if (errors.length < 2) return null;
  const points = errors.map((e) => ({
    key: e.id,
    arcmin: e.totalArcmin,
    text: format.quantity(e.totalArcmin, 'arcmin'),
    under: format.clock(fromUtcText(e.takenAtUtc)),
  }));
  return (
    <ErrorFall
      label={`Tonight: ${points.map((p) => `${p.text} at ${p.under}`).join(', ')}`}
      points={points}
      goalArcmin={goalArcmin}
      goalText={`goal ${format.quantity(goalArcmin, 'arcmin')}`}
    />
  );
}

function Earlier() {
  const { records } = useNight();
  const { format } = useShared();
  const nights = errorsBefore(records);
  if (nights.length === 0) return null;
  return (
    <div className="section">
      <h2>Earlier nights here</h2>
      <table className="table table-sm plain-table">
        <thead>
          <tr>
            <th scope="col">Night</th>
            <th scope="col">Found</th>
            <th scope="col">Left</th>
          </tr>
        </thead>
        <tbody>
          {nights.map((n) => (
            <tr key={n.nightId}>
              <th scope="row">{format.evening(fromUtcText(n.takenAtUtc))}</th>
              <td className="figures">{format.quantity(n.firstArcmin, 'arcmin')}</td>
              <td className="figures">{format.quantity(n.lastArcmin, 'arcmin')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What this mount's own screws have taught. */
function Learned({ model }: { model: TurnsModel }) {
  const { format } = useShared();
  const { altitude, azimuth, lock } = model.turns;
  return (
    <div className="section">
      <h2>Your bolts and knobs</h2>
      <ul className="plain-list">
        <li>{gainWords(altitude, format)}</li>
        <li>{gainWords(azimuth, format)}</li>
        <li>{lockWords(lock, model.south, format)}</li>
      </ul>
    </div>
  );
}

function reasonOf(model: TurnsModel, format: ReturnType<typeof useShared>['format']): string {
  const { pole, goal, altitude, azimuth } = model.turns;
  const goalText = `Goal: ${goalName(goal, format)}.`;
  if (!altitude.measured || !azimuth.measured || pole.takenAtUtc === null) return goalText;
  const error = errorWords(
    { altErrorArcmin: altitude.errorArcmin, azErrorArcmin: azimuth.errorArcmin },
    model.south,
    format,
  );
  const isReckoned = altitude.turnedSince || azimuth.turnedSince;
  const told = isReckoned ? reckonedWords(error, altitude.sigmaArcmin, azimuth.sigmaArcmin, format) : error;
  return `${told}, at ${format.clock(fromUtcText(pole.takenAtUtc))}. ${goalText}`;
}

export function ErrorTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const model = turnsModel(night);
  const { saying, turns } = model;
  // The form stands below the fold; what it changes stands above.
  const top = useRef<HTMLDivElement>(null);
  const started = turns.altitude.measured || turns.azimuth.measured;
  return (
    <BenchLayout
      title="Polar alignment"
      tabs={tabs}
      sentence={turnsSentence(saying, turns, model, format)}
      reason={reasonOf(model, format)}
      instrumentName="The two dials"
      instrument={<div ref={top}>{started && <Dials model={model} />}</div>}
    >
      <HandLines model={model} />
      <TurnedAsShown model={model} />
      <AskSides />
      <Fall model={model} />
      <ErrorForm model={model} onRecorded={() => top.current?.scrollIntoView({ block: 'center' })} />
      {!night.records.fromSnapshot && <OtherTurn model={model} />}
      {started && <RecordScale />}
      <Learned model={model} />
      <div className="section">
        <h2>Good enough?</h2>
        <p className="mb-1">{goalWords(turns.goal, format)}</p>
        <p className="mb-0">{referenceWords(turns.goal)}</p>
      </div>
      <Earlier />
    </BenchLayout>
  );
}
