import { useTubeEnds } from '../../session/useTubeEnds.ts';
import { TurnedRings } from './TurnedRings.tsx';
import { useState, type ReactNode } from 'react';
import type { BalanceAxis } from '../../core/rig/axisLevers.ts';
import { settingOf } from '../../core/records/setting.ts';
import { usePartName } from '../../session/usePartName.ts';
import { useNight, useShared } from '../../session/session.ts';
import { balanceReason, balanceSentence } from '../../text/balanceWords.ts';
import { gapWords } from '../../text/errorWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { Problem } from '../../ui/Problem.tsx';
import { Awaited, later } from '../../ui/later.tsx';
import { useDrawn } from '../../ui/useDrawn.ts';
import { AxisDrawing } from './AxisDrawing.tsx';
import { BalanceFigures } from './BalanceFigures.tsx';
import { axisModel } from './model.ts';

/** The forms come after the sentence and the drawing: the first bench of a first visit is this one. */
const TipParts = later(async () => (await import('./TipParts.tsx')).TipParts);

/** The tip test of one axis: where the piece goes, what dropped, what it teaches. */
export function TipTab({ tabs, axis }: { tabs: ReactNode; axis: BalanceAxis }) {
  const night = useNight();
  const ends = useTubeEnds();
  const { format, stored } = useShared();
  const [moverId, setMoverId] = useState<string | null>(null);
  const isDrawn = useDrawn();
  const settings = settingOf(stored.settings, 'balance');
  const model = axisModel(night, axis, settings, moverId);
  const { saying, gaps, tip } = model;
  const sentence = balanceSentence(saying, format, ends, usePartName());
  return (
    <BenchLayout
      title="Balance"
      tabs={tabs}
      sentence={sentence}
      reason={balanceReason(saying, format, ends)}
      instrumentName="The drawing"
      instrument={tip ? <AxisDrawing model={model} label={plain(sentence)} settings={settings} /> : undefined}
    >
      {gaps.map((gap) => (
        <Problem key={JSON.stringify(gap)}>{gapWords(gap)}</Problem>
      ))}
      {isDrawn ? (
        <>
          {saying.code === 'turnRings' && saying.byDeg !== null && <TurnedRings byDeg={saying.byDeg} />}
          <TipParts model={model} axis={axis} chooseMover={setMoverId} />
          <BalanceFigures model={model} />
        </>
      ) : (
        <Awaited />
      )}
    </BenchLayout>
  );
}
