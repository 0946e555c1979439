/** One line above every bench: what the tube needs now; else what was won and is lost, by which movement, and the way back;
 *  else what is to be won before this bench's own movement. */
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useLocation, useSearchParams } from 'react-router';
import { rigHas } from '../../core/rig/rigHas.ts';
import { isOfTube } from '../../core/night/advice/watch.ts';
import { missingAt } from '../../core/night/ledger/benchNeeds.ts';
import { mostPressing, orderOfNight } from '../../core/night/ledger/ledger.ts';
import type { Held } from '../../core/night/ledger/movements.ts';
import { STEPS } from '../../core/records/reading.ts';
import type { HandStep } from '../../core/rig/assembly.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useIsAhead, useWatch } from '../../session/useTime.ts';
import { useWorkTick } from '../../session/useWorkTick.ts';
import type { Said } from '../../text/said.ts';
import { watchSentence } from '../../text/watchWords.ts';
import { Said as Words } from '../../ui/Said.tsx';
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

/** Benches that say it themselves. */
const OF_TUBE: readonly string[] = ['watch', 'meridian'];

/** Whatever the hands are at: a tube that is due to go over or past its limit. Null = it is neither. */
function useTubeWords(): Said | null {
  const { numbers } = useNight();
  const { pathname } = useLocation();
  const { format } = useShared();
  const watch = useWatch();
  const ahead = useIsAhead();
  const told = !ahead && isOfTube(watch) && !OF_TUBE.includes(pathname.split('/').at(-1) ?? '');
  return told ? watchSentence(watch, format, rigHas(numbers)) : null;
}

export function LedgerLine() {
  const tube = useTubeWords();
  const { records } = useNight();
  if (tube === null) return <OfLedger />;
  return (
    <Line>
      <span>
        <Words said={tube} /> <Link to={`/n/${records.night.id}/watch`}>Watch</Link>
      </span>
    </Line>
  );
}

function OfLedger() {
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
