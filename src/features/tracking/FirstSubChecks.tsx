import type { ReactNode } from 'react';
import { FIRST_SUB_LIST } from '../../core/night/plan/checklists.ts';
import type { FirstSubCheck } from '../../core/records/checks.ts';
import { useNight } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { CHECK_WORDS, CHECKS_REASON, checksSentence } from '../../text/trackingWords.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { CheckRow } from '../../ui/CheckRow.tsx';
import { checksModel } from './model.ts';

/** What beginners miss before the first sub, to be ticked off. */
export function FirstSubChecks({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const record = useRecord();
  const checks = checksModel(night);
  const tick = (id: FirstSubCheck, done: boolean): void => {
    void record(
      {
        step: 'tracking',
        subject: { type: 'night', id: night.records.night.id },
        kind: 'check',
        values: { listId: FIRST_SUB_LIST, itemId: id, done },
      },
      `${CHECK_WORDS[id].do}: ${done ? 'done' : 'open again'}.`,
    );
  };
  return (
    <BenchLayout
      title="Tracking"
      tabs={tabs}
      sentence={checksSentence(checks.filter((c) => !c.done).length)}
      reason={CHECKS_REASON}
      instrumentName="The list"
      instrument={
        <ul className="check-list">
          {checks.map(({ id, done }) => (
            <CheckRow key={id} done={done} disabled={night.records.fromSnapshot} onToggle={() => tick(id, !done)}>
              <strong>{CHECK_WORDS[id].do}</strong>
              <br />
              <span className="soft">{CHECK_WORDS[id].why}</span>
            </CheckRow>
          ))}
        </ul>
      }
    />
  );
}
