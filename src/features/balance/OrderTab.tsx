import { handsTonight } from '../../core/night/hasTonight.ts';
import type { ReactNode } from 'react';
import {
  balanceOrder,
  isTrial,
  nextStep,
  unloadOrder,
  type OrderRow,
  type TrialStep,
} from '../../core/night/advice/hands/balanceOrder.ts';
import { motorsOf } from '../../core/mount/motors.ts';
import { useNight, useShared } from '../../session/session.ts';
import { StepLink, WorkStep } from '../../session/WorkStep.tsx';
import { inUnits } from '../../text/inUnits.ts';
import { orderReason, orderSentence, orderWords, UNLOAD_REASON, unloadWords } from '../../text/balanceOrderWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';

/** Where an axis is tried. */
const TAB_OF: Record<TrialStep, string> = { ra: 'ra', dec: 'dec', sideways: 'sideways', raAgain: 'ra' };

/** Trials are opened; the steps around them are those of the night's work. */
function Step({ row: { step, done, missing } }: { row: OrderRow }) {
  const hands = handsTonight(useNight());
  if (!isTrial(step)) return <WorkStep step={step} done={done} missing={missing} />;
  const words = orderWords(step, hands);
  return (
    <StepLink to={`?tab=${TAB_OF[step]}`} done={done}>
      <strong>{words.do}</strong>
      <br />
      <span className="soft">{words.why}</span>
    </StepLink>
  );
}

/** The order of balancing with what is done, and how the rig is taken down. */
export function OrderTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const rows = balanceOrder(night);
  const next = nextStep(rows);
  const hands = handsTonight(night);
  const { format } = useShared();
  return (
    <BenchLayout
      title="Balance"
      tabs={tabs}
      sentence={orderSentence(next, rows.length > 0, motorsOf(night.numbers.mount), hands)}
      reason={orderReason(next, hands)}
      instrumentName="The order"
      instrument={
        <ol className="check-list">
          {rows.map((row) => (
            <Step key={row.step} row={row} />
          ))}
        </ol>
      }
    >
      <div className="section">
        <h2>Taking it down</h2>
        <p className="soft">{UNLOAD_REASON}</p>
        <ol>
          {unloadOrder(night).map((step) => (
            <li key={step}>{inUnits(unloadWords(step, hands.rear), format)}.</li>
          ))}
        </ol>
      </div>
    </BenchLayout>
  );
}
