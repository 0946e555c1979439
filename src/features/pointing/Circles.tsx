import type { ReactNode } from 'react';
import { circleHop } from '../../core/night/advice/hands/circles.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { CIRCLE_NAMES, CIRCLE_STILL, circleFigures, circleReason, circleSentence } from '../../text/circleWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { plain } from '../../text/said.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import { SettingCircles } from '../../ui/instruments/SettingCircles.tsx';

/** Pointing without a computer: a bright star, the two circles, the hand. */
export function Circles({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { timeMs } = useNightAt();
  const { format } = useShared();
  const hop = circleHop(night, timeMs);
  const sentence = circleSentence(hop, night.target?.name ?? null, format);
  return (
    <BenchLayout
      title="Focus and pointing"
      tabs={tabs}
      sentence={sentence}
      reason={circleReason(hop, format)}
      instrumentName="The circles"
      instrument={
        hop ? (
          <SettingCircles
            label={plain(sentence)}
            names={CIRCLE_NAMES}
            star={hop.starOfDate}
            target={hop.targetOfDate}
          />
        ) : undefined
      }
    >
      {hop && <FigureList figures={circleFigures(hop, format)} />}
      {hop && <p className="soft">{CIRCLE_STILL}</p>}
    </BenchLayout>
  );
}
