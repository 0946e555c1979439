import type { ReactNode } from 'react';
import { handOfNight } from '../../core/night/advice/hands/handOfNight.ts';
import { subAnswer } from '../../core/night/advice/stars/subAnswer.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { HAND, handReason, handSentence, minutesWords, shutterWords } from '../../text/handWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { OneDial } from '../../ui/instruments/TurnDials.tsx';

/** What the hand does where no motor follows. */
export function HandTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { stars } = useNightAt();
  const { format } = useShared();
  const hand = handOfNight(night);
  const { turnMin, view } = hand;
  const sentence = handSentence(hand, format);
  const longestS = stars ? subAnswer(night, stars.sub).longestS : null;
  const figures = [
    ...(view
      ? [
          { name: HAND.stays, value: minutesWords(view.stayMin) },
          { name: HAND.field, value: format.quantity(view.fieldDeg, 'angleDeg', 2) },
        ]
      : []),
    ...(longestS === null ? [] : [{ name: HAND.longest, value: shutterWords(longestS, format) }]),
  ];
  return (
    <BenchLayout
      title="Tracking"
      tabs={tabs}
      sentence={sentence}
      reason={handReason(hand, format)}
      instrumentName="The knob"
      instrument={
        turnMin === null ? undefined : (
          <OneDial
            label={plain(sentence)}
            dial={{
              name: HAND.knob,
              turns: 1 / turnMin,
              clockwise: true,
              amount: `${format.number(360 / turnMin, 0)}°`,
              direction: HAND.westward,
              effect: HAND.eachMinute,
              size: '',
              within: false,
            }}
          />
        )
      }
    >
      {figures.length > 0 && <FigureList figures={figures} />}
    </BenchLayout>
  );
}
