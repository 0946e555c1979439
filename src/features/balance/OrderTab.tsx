import type { ReactNode } from 'react';
import { Link } from 'react-router';
import {
  BALANCE_LIST,
  balanceOrder,
  nextStep,
  unloadOrder,
  type OrderRow,
} from '../../core/night/balance/balanceOrder.ts';
import { useNight } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { ORDER_WORDS, orderReason, orderSentence, UNLOAD_REASON, UNLOAD_WORDS } from '../../text/balanceOrderWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { CheckRow } from '../../ui/CheckRow.tsx';
import { StateMark } from '../../ui/StateMark.tsx';

/** Where the work of a step is done. */
const PLACE_OF: Partial<Record<OrderRow['step'], string>> = {
  roughPole: '../polar',
  ra: '?tab=ra',
  dec: '?tab=dec',
  sideways: '?tab=sideways',
  raAgain: '?tab=ra',
  poleCheck: '../polar',
};

function Words({ step }: { step: OrderRow['step'] }) {
  return (
    <>
      <strong>{ORDER_WORDS[step].do}</strong>
      <br />
      <span className="soft">{ORDER_WORDS[step].why}</span>
    </>
  );
}

/** A step that is done by hand is ticked here; one that is measured is opened. */
function Step({ row }: { row: OrderRow }) {
  const { records } = useNight();
  const record = useRecord();
  const { step, done, by } = row;
  const place = PLACE_OF[step];
  if (by === 'tick' || place === undefined) {
    const tick = (): void => {
      const values = { listId: BALANCE_LIST, itemId: step, done: !done };
      void record({ step: 'balance', subject: { type: 'night', id: records.night.id }, kind: 'check', values }, null);
    };
    return (
      <CheckRow done={done} disabled={records.fromSnapshot} onToggle={tick}>
        <Words step={step} />
      </CheckRow>
    );
  }
  return (
    <li>
      <Link className="check-row step-link" to={place}>
        <StateMark state={done ? 'done' : 'open'} />
        <span>
          <Words step={step} />
        </span>
      </Link>
    </li>
  );
}

/** The order of balancing with what is done, and how the rig is taken down. */
export function OrderTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const rows = balanceOrder(night);
  const next = nextStep(rows);
  return (
    <BenchLayout
      title="Balance"
      tabs={tabs}
      sentence={orderSentence(next, rows.length > 0)}
      reason={orderReason(next)}
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
            <li key={step}>{UNLOAD_WORDS[step]}.</li>
          ))}
        </ol>
      </div>
    </BenchLayout>
  );
}
