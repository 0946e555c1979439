import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { FlipSteps, StepAction } from '../../../session/flip/FlipSteps.tsx';
import { useFlipWalk } from '../../../session/flip/useFlipWalk.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { useWatch } from '../../../session/useTime.ts';
import { automaticLines, firstFlipWords, FLIP } from '../../../text/flipWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { automaticOf, saidOf } from '../model.ts';

/** The flip walked through, before it, in it and after it. */
export function FlipTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const here = useFlipWalk();
  const { walk } = here;
  const said = saidOf(night, useWatch(), format);
  const step = walk.at === null ? null : here.words(walk.at);
  const { fromSnapshot } = night.records;
  return (
    <BenchLayout
      title="Meridian"
      tabs={tabs}
      sentence={step ? step.do : said.sentence}
      reason={step ? step.why : said.reason}
      instrumentName="The flip"
      instrument={
        <>
          {here.first && <p className="caution-line">{firstFlipWords(here.by)}</p>}
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
      {here.by === 'motors' && !night.numbers.eyepiece && (
        <div className="section">
          <h2>{FLIP.automatic}</h2>
          <ul className="advice">
            {automaticLines(automaticOf(night), format, night.records.rig.guiding !== 'none').map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
    </BenchLayout>
  );
}
