import { useState, type ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { BRIGHT_STARS } from '../../../core/sky/brightStars.ts';
import { LOWEST_DRIFT_ALT_DEG } from '../../../core/mount/driftMeasure.ts';
import type { DriftStep } from '../../../core/mount/driftStars.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { useNightAt } from '../../../session/useTime.ts';
import { driftReason, driftSentence, northWords } from '../../../text/driftWords.ts';
import { plain } from '../../../text/said.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { SkyDome } from '../../../ui/instruments/SkyDome.tsx';
import { Dials, HandLines, TurnedAsShown } from '../error/Dials.tsx';
import { driftModel, type DriftModel } from './driftModel.ts';
import { DriftChart } from './DriftChart.tsx';
import { DriftTiming } from './DriftTiming.tsx';
import { StartDrift } from './StartDrift.tsx';
import { turnsModel, type TurnsModel } from '../error/turnsModel.ts';

type ChoiceProps = { model: DriftModel; step: DriftStep | null; choose: (step: DriftStep | null) => void };

/** The next star is proposed; who knows better takes another step. */
function StepChoice({ model, step, choose }: ChoiceProps) {
  const next = model.task.code === 'star' ? model.task.step : 'azimuth';
  return (
    <Form.Group controlId="drift-step">
      <Form.Label>The star is for</Form.Label>
      <Form.Select value={step ?? next} onChange={(event) => choose(event.target.value as DriftStep)}>
        <option value="azimuth">azimuth</option>
        <option value="altitude">altitude</option>
      </Form.Select>
    </Form.Group>
  );
}

/** Where the proposed stars stand now. */
function Dome({ model, starHip, label }: { model: DriftModel; starHip: number | null; label: string }) {
  const chosen = model.stars.find((s) => s.hip === starHip) ?? model.stars[0];
  return (
    <SkyDome
      label={label}
      lowestDeg={LOWEST_DRIFT_ALT_DEG}
      stars={model.stars.map((s) => ({ ...s, key: String(s.hip), chosen: s.hip === chosen?.hip }))}
    />
  );
}

/** The chart of the marks, the dials, or where the next star stands. */
function instrumentOf(model: DriftModel, turns: TurnsModel, starHip: number | null, label: string): ReactNode {
  if (model.run) return <DriftChart run={model.run} />;
  if (model.saying.code === 'takeStar') return <Dome model={model} starHip={starHip} label={label} />;
  return model.saying.code === 'noStar' ? undefined : <Dials model={turns} />;
}

/** Two stars, timed: the way to the pole when the pole itself is hidden. */
export function DriftTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const [step, setStep] = useState<DriftStep | null>(null);
  const [starHip, setStarHip] = useState<number | null>(null);
  const model = driftModel(night, BRIGHT_STARS, at.timeMs, step, starHip);
  const turns = turnsModel(night);
  const sentence = driftSentence(model.saying, format);
  const writable = !night.records.fromSnapshot;
  return (
    <BenchLayout
      title="Polar alignment"
      tabs={tabs}
      sentence={sentence}
      reason={driftReason(model.saying, format)}
      instrumentName="The two dials"
      instrument={instrumentOf(model, turns, starHip, plain(sentence))}
    >
      {!model.run && (
        <>
          <HandLines model={turns} />
          <TurnedAsShown model={turns} />
        </>
      )}
      {writable && model.run && <DriftTiming model={model} run={model.run} onDone={() => setStep(null)} />}
      {writable && !model.run && (
        <>
          <StartDrift model={model} starHip={starHip} chooseStar={setStarHip}>
            <StepChoice model={model} step={step} choose={setStep} />
          </StartDrift>
        </>
      )}
      <p className="soft">{northWords(night.records.site.latDeg < 0)}</p>
    </BenchLayout>
  );
}
