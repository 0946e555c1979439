import { handsTonight } from '../core/night/hasTonight.ts';
import { inUnits } from '../text/inUnits.ts';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Missing } from '../core/night/ledger/ledger.ts';
import { HAND_STEPS, type AssemblyStep, type BenchStep } from '../core/rig/assembly.ts';
import { missingWords } from '../text/ledgerWords.ts';
import { assemblyWords } from '../text/assemblyWords.ts';
import { CheckRow } from '../ui/CheckRow.tsx';
import { StateMark } from '../ui/StateMark.tsx';
import { useNight, useShared } from './session.ts';
import { useWorkTick } from './useWorkTick.ts';

/** Where a step is done that is recorded on a bench. */
const PLACES: Record<BenchStep, string> = {
  level: '../level?tab=level',
  bearing: '../level',
  latitude: '../level?tab=latitude',
  roughPole: '../polar?visit=rough',
  balance: '../balance',
  pole: '../polar',
  focus: '../pointing',
  poleCheck: '../polar?visit=final',
};

const isHand = (step: AssemblyStep): boolean => (HAND_STEPS as readonly string[]).includes(step);

/** A line that leads to the bench where it is done. */
export function StepLink({ to, done, children }: { to: string; done: boolean; children: ReactNode }) {
  return (
    <li>
      <Link className="check-row step-link" to={to}>
        <StateMark state={done ? 'done' : 'open'} />
        <span>{children}</span>
      </Link>
    </li>
  );
}

/** What a step needs and does not have is said first; nothing is refused. */
function Words({ step, missing }: { step: AssemblyStep; missing: readonly Missing[] }) {
  const { format } = useShared();
  const { do: what, why, caution } = assemblyWords(step, handsTonight(useNight()));
  return (
    <>
      <strong>{what}</strong>
      <br />
      <span className="soft">{why}</span>
      {[missingWords(missing), caution ?? ''].map(
        (line) => line !== '' && <CautionLine key={line} words={inUnits(line, format)} />,
      )}
    </>
  );
}

function CautionLine({ words }: { words: string }) {
  return (
    <>
      <br />
      <span className="caution-line">{words}</span>
    </>
  );
}

type Props = { step: AssemblyStep; done: boolean; missing: readonly Missing[] };

/** One step of the night's work: ticked by hand, or done on its bench. */
export function WorkStep({ step, done, missing }: Props) {
  const { records } = useNight();
  const tick = useWorkTick();
  const words = <Words step={step} missing={missing} />;
  if (!isHand(step)) {
    return (
      <StepLink to={PLACES[step as BenchStep]} done={done}>
        {words}
      </StepLink>
    );
  }
  return (
    <CheckRow done={done} disabled={records.fromSnapshot} onToggle={() => tick(step, !done)}>
      {words}
    </CheckRow>
  );
}
