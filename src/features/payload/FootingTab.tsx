import type { ReactNode } from 'react';
import { mountTraits } from '../../core/mount/mountKinds.ts';
import { GuessAsk } from '../../session/GuessAsk.tsx';
import { useNight, useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import {
  footingReason,
  footingSentence,
  pivotAssumedWords,
  swingName,
  unweighedWords,
  WIND_MODEL_WORDS,
} from '../../text/footingWords.ts';
import { plain } from '../../text/said.ts';
import type { RigFooting } from '../../core/rig/footingOfRig.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { FootprintDrawing } from '../../ui/instruments/FootprintDrawing.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { guessedFooting } from './guessedFooting.ts';
import { EyeHeights } from './EyeHeights.tsx';
import { footingSaying, payloadOfNight } from './model.ts';
import { Steadiness } from './Steadiness.tsx';

function Footprint({ footing, label }: { footing: RigFooting; label: string }) {
  const { mount } = useNight().numbers;
  const hasBar = useHas().has('bar');
  const { format } = useShared();
  const { worst } = footing;
  const { edgeDistancesM, centreOfMassM } = worst.footing;
  const edgeDistanceM = Math.min(...edgeDistancesM);
  return (
    <div className="dial-row">
      <FootprintDrawing
        label={label}
        feet={footing.feet}
        centres={footing.all.map(({ swing, footing: found }) => ({
          at: [found.centreOfMassM[0], found.centreOfMassM[1]],
          name: swingName(swing, hasBar),
          worst: swing === worst.swing,
        }))}
        weakestEdge={edgeDistancesM.indexOf(edgeDistanceM)}
        edgeDistanceM={edgeDistanceM}
        format={format}
      />
      <div>
        <FigureList
          figures={[
            { name: 'Stands on the feet', value: format.quantity(worst.footing.totalKg, 'mass', 1) },
            { name: 'Mass centre, height', value: format.quantity(centreOfMassM[2], 'length', 2) },
            ...footing.all.map(({ swing, footing: found }) => ({
              name: `Leans, ${swingName(swing, hasBar)}`,
              value: format.quantity(found.tippingDeg, 'angleDeg'),
            })),
          ]}
        />
        <p className="soft">{WIND_MODEL_WORDS}</p>
        {footing.pivotAssumed && (
          <p className="soft">{pivotAssumedWords(mountTraits(mount).usualAxes.aboveHubM, format)}</p>
        )}
      </div>
    </div>
  );
}

/** Does it stand: the tripod's footprint, the wind, and the tap test. */
export function FootingTab({ tabs }: { tabs: ReactNode }) {
  const hasBar = useHas().has('bar');
  const night = useNight();
  const { records } = night;
  const { format } = useShared();
  const payload = payloadOfNight(records);
  const saying = footingSaying(payload);
  const sentence = footingSentence(saying, format);
  const { footing } = payload;
  return (
    <BenchLayout
      title="Payload"
      tabs={tabs}
      sentence={sentence}
      reason={footingReason(saying, format, hasBar)}
      instrumentName="The footprint"
      instrument={footing ? <Footprint footing={footing} label={plain(sentence)} /> : undefined}
    >
      {footing && footing.unweighed.length > 0 && <Problem>{unweighedWords(footing.unweighed)}</Problem>}
      <GuessAsk step="payload" guesses={guessedFooting(night)} unit="wind" />
      <EyeHeights />
      <Steadiness />
    </BenchLayout>
  );
}
