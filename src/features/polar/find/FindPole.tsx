import { starIsEnough } from '../../../core/night/ledger/goalOfNight.ts';
import { poleStarsShow } from '../../../core/night/plan/darkness.ts';
import type { ReactNode } from 'react';
import { useNight, useShared } from '../../../session/session.ts';
import { useHas } from '../../../session/useHas.ts';
import { useNightAt } from '../../../session/useTime.ts';
import { lowPoleWords } from '../../../text/dialWords.ts';
import {
  findReason,
  findSentence,
  fistWords,
  GROUP_NAMES,
  hopWords,
  NO_GROUP_WORDS,
  sweepSteps,
} from '../../../text/findWords.ts';
import { withStarEnough } from '../../../text/goalWords.ts';
import { plain } from '../../../text/said.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { NakedEyeView } from '../../../ui/instruments/NakedEyeView.tsx';
import { LOW_POLE_DEG } from '../dial/dialModel.ts';
import { findModel, type FindModel } from './findModel.ts';

/** From bright groups that are up now to the pole, in fists and as on a clock. */
function Hops({ model }: { model: FindModel }) {
  return (
    <div className="section">
      <h2>From bright stars</h2>
      {model.hops.length === 0 ? (
        <p>{NO_GROUP_WORDS}</p>
      ) : (
        <ul className="plain-list">
          {model.hops.map((hop) => (
            <li key={hop.group}>{hopWords(hop)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

function Sweep() {
  const { records, sky } = useNight();
  const { format } = useShared();
  const { latDeg } = records.site;
  const showMs = poleStarsShow(sky.events, latDeg)?.fromMs ?? null;
  const steps = sweepSteps({ latDeg, has: useHas(), showMs }, format);
  if (steps.length === 0) return null;
  return (
    <div className="section">
      <h2>Sweep for it</h2>
      <ol className="steps">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
    </div>
  );
}

export function FindPole({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const model = findModel(night, at);
  const sentence = findSentence(model.saying, format);
  const { latDeg } = night.records.site;
  const has = useHas();
  const lowPole = Math.abs(latDeg) < LOW_POLE_DEG ? lowPoleWords(has) : null;
  const shown = model.saying.code === 'look';
  return (
    <BenchLayout
      title="Polar alignment"
      tabs={tabs}
      sentence={sentence}
      reason={withStarEnough(findReason(model.saying, format), starIsEnough(night, at.poleStar))}
      instrumentName="The sky toward the pole"
      instrument={
        shown ? (
          <NakedEyeView
            label={plain(sentence)}
            hops={model.hops.map((hop) => ({ name: GROUP_NAMES[hop.group], lines: hop.lines, from: hop.from }))}
            poleStar={model.poleStar}
            poleStarName={at.poleStar.name}
            horizon={model.horizon}
            points={latDeg < 0 ? ['east', 'south', 'west'] : ['west', 'north', 'east']}
            poleAltDeg={Math.abs(latDeg)}
            heightText={fistWords(Math.abs(latDeg))}
          />
        ) : undefined
      }
    >
      {shown && <Hops model={model} />}
      {shown && <Sweep />}
      {lowPole !== null && <p className="soft">{lowPole}</p>}
    </BenchLayout>
  );
}
