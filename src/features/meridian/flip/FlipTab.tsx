import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { judgeSteadiness } from '../../../core/mount/steadiness.ts';
import { flipMinutesOf } from '../../../core/night/plan/legs.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { FlipSteps, StepAction } from '../../../session/flip/FlipSteps.tsx';
import { useFlipWalk } from '../../../session/flip/useFlipWalk.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { automaticLines, FLIP } from '../../../text/flipWords.ts';
import { meridianReason, meridianSentence } from '../../../text/meridianWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { aboutOf, meridianModel } from '../model.ts';

/** What a program is told. */
function automaticOf(night: NightStatic) {
  const { plan, limit, learned, numbers } = night;
  const settleS = learned.steadiness?.values.settleS ?? null;
  return {
    pastMin: plan && plan.flips.length > 0 ? limit.limitH * 60 : null,
    waitS:
      settleS !== null && numbers.train
        ? judgeSteadiness(settleS, numbers.train.focalEffectiveMm).waitAfterSlewS
        : null,
    pauseMin: flipMinutesOf(learned, numbers),
  };
}

/** The flip walked through, before it, in it and after it. */
export function FlipTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const here = useFlipWalk();
  const { walk } = here;
  const { saying } = meridianModel(night);
  const step = walk.at === null ? null : here.words(walk.at);
  const { fromSnapshot } = night.records;
  return (
    <BenchLayout
      title="Meridian"
      tabs={tabs}
      sentence={step ? step.do : meridianSentence(saying, format)}
      reason={step ? step.why : meridianReason(saying, format, aboutOf(night, format))}
      instrumentName="The flip"
      instrument={
        <>
          {here.first && <p className="caution-line">{FLIP.first}</p>}
          {!fromSnapshot && walk.state === 'waiting' && (
            <div className="actions">
              <Button variant="primary" onClick={here.begin}>
                {FLIP.start}
              </Button>
            </div>
          )}
          {!fromSnapshot && <StepAction here={here} />}
          <FlipSteps here={here} />
        </>
      }
    >
      {here.by === 'motors' && (
        <div className="section">
          <h2>{FLIP.automatic}</h2>
          <ul className="advice">
            {automaticLines(automaticOf(night), format).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
    </BenchLayout>
  );
}
