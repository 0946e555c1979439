import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import type { RunGroup, Stop } from '../../core/night/plan/run.ts';
import { mountTraits } from '../../core/mount/mountKinds.ts';
import { isShown, stopPath } from '../../session/paths.ts';
import { useNight, useShared } from '../../session/session.ts';
import { orderNote, STATION_STATE_WORDS, stopName, TONIGHT_NAME } from '../../text/stations.ts';
import { StateMark } from '../../ui/StateMark.tsx';
import { keyOf, COMMANDS } from '../commands/commands.ts';
import { useShortcutSetting } from '../commands/CommandProvider.tsx';
import { stopSummary } from './summaries.ts';

const GROUPS: readonly RunGroup[] = ['Indoors', 'Outdoors', 'Overnight', 'After'];

function StopLink({ stop }: { stop: Stop }) {
  const night = useNight();
  const { format } = useShared();
  const { search, pathname } = useLocation();
  const { keys } = useShortcutSetting();
  const summary = stopSummary(stop, night, format);
  const info = COMMANDS.find((c) => c.id === `station-${stop.step}`);
  const { hasPolarAxis } = mountTraits(night.numbers.mount);
  const link = useRef<HTMLAnchorElement>(null);
  const isHere = isShown(stop, pathname, search);
  useEffect(() => {
    if (isHere) link.current?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [isHere]);
  const stateWords = STATION_STATE_WORDS[summary.state];
  return (
    <li>
      <Link
        ref={link}
        to={stopPath(night.records.night.id, stop, new URLSearchParams(search).get('at'))}
        aria-current={isHere ? 'page' : undefined}
      >
        <StateMark state={summary.state} />
        <span>
          {stopName(stop.step, stop.visit, hasPolarAxis)}
          {stateWords !== '' && <span className="visually-hidden">, {stateWords}</span>}
        </span>
        <span className="reading figures">{summary.reading}</span>
        <span className="key figures" aria-hidden="true">
          {info && stop.visit !== 'final' ? keyOf(info, keys) : ''}
        </span>
      </Link>
    </li>
  );
}

/** Why this order, and what the mount does not need. */
function OrderNote() {
  const { run } = useNight();
  return <p className="order-note">{orderNote(run)}</p>;
}

/** The first answers stand before every run. */
function TonightLink() {
  const { records } = useNight();
  const { pathname, search } = useLocation();
  const at = new URLSearchParams(search).get('at');
  return (
    <div>
      <ol>
        <li>
          <Link
            to={stopPath(records.night.id, { step: 'tonight', visit: null }, at)}
            aria-current={pathname.endsWith('/tonight') ? 'page' : undefined}
          >
            <StateMark state="none" />
            <span>{TONIGHT_NAME}</span>
          </Link>
        </li>
      </ol>
    </div>
  );
}

/** The stops of the night in the order of this mount, grouped. */
export function Run() {
  const { run } = useNight();
  return (
    <nav className="run" aria-label="The run">
      <div>
        <TonightLink />
        {GROUPS.filter((group) => run.stops.some((stop) => stop.group === group)).map((group) => (
          <div key={group}>
            <h2>{group}</h2>
            <ol>
              {run.stops
                .filter((stop) => stop.group === group)
                .map((stop) => (
                  <StopLink key={`${stop.step}-${stop.visit ?? ''}`} stop={stop} />
                ))}
            </ol>
          </div>
        ))}
        <OrderNote />
      </div>
    </nav>
  );
}
