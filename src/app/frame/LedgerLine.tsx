/** One line above every bench: what was won and is lost, by which movement, and the way back; else what is to be won before
 *  this bench's own movement. */
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { useLocation, useSearchParams } from 'react-router';
import { missingAt } from '../../core/night/ledger/benchNeeds.ts';
import { mostPressing, orderOfNight } from '../../core/night/ledger/ledger.ts';
import type { Held } from '../../core/night/ledger/movements.ts';
import { STEPS } from '../../core/records/reading.ts';
import type { HandStep } from '../../core/rig/assembly.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useWorkTick } from '../../session/useWorkTick.ts';
import { lostWords, missingWords, WON_BACK } from '../../text/ledgerWords.ts';

/** What is won back by hand is said here, where it is missed. */
const BACK_BY: Partial<Record<Held, readonly HandStep[]>> = {
  home: ['home', 'homeBare'],
  clutches: ['clutchTight'],
  cables: ['cablesLast', 'cablesLastDriven'],
  clamp: ['tug'],
};

function Line({ children }: { children: ReactNode }) {
  return (
    <div className="ledger-line" role="status">
      <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
        <path d="M11 2 L20.5 19 H1.5 Z" fill="none" stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />
        <path d="M11 8v5.5M11 15.6v1.2" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
      </svg>
      {children}
    </div>
  );
}

function BeforeThis() {
  const night = useNight();
  const { pathname } = useLocation();
  const [params] = useSearchParams();
  const step = STEPS.find((s) => s === pathname.split('/').at(-1));
  if (!step || night.records.fromSnapshot) return null;
  const visit = params.get('visit') === 'final' ? 'final' : 'rough';
  const words = missingWords(missingAt(night, { step, tab: params.get('tab'), visit }));
  return words === '' ? null : (
    <Line>
      <span>{words}</span>
    </Line>
  );
}

export function LedgerLine() {
  const night = useNight();
  const { format } = useShared();
  const tick = useWorkTick();
  const lost = mostPressing(night);
  if (!lost) return <BeforeThis />;
  const order = orderOfNight(night);
  const step = BACK_BY[lost.held]?.find((s) => order.includes(s) || s === 'clutchTight');
  return (
    <Line>
      <span>{lostWords(lost, format)}</span>
      {step && !night.records.fromSnapshot && (
        <Button variant="outline" size="sm" onClick={() => tick(step, true)}>
          {WON_BACK[lost.held] ?? 'Done'}
        </Button>
      )}
    </Line>
  );
}
