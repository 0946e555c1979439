import { useContext, useState } from 'react';
import { Button } from 'react-bootstrap';
import { motorsOf } from '../../core/mount/motors.ts';
import { fromUtcText, MS_PER_MINUTE, toUtcText } from '../../core/time/utc.ts';
import { watchAt, type Watch } from '../../core/night/plan/watch.ts';
import { lastReading } from '../../core/night/nightRecords.ts';
import { settingOf } from '../../core/records/setting.ts';
import { useNight, useSession, useShared } from '../../session/session.ts';
import { useRecord } from '../../session/useRecord.ts';
import { useNightAt } from '../../session/useTime.ts';
import { useWakeLock } from '../../session/useWakeLock.ts';
import { judgementName } from '../../text/budgetWords.ts';
import { biasAtFlipWords, countdown, countdownWords, watchReason, watchSentence } from '../../text/watchWords.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import { HoldButton } from '../../ui/HoldButton.tsx';
import { BenchNote } from '../../ui/benchNote.ts';
import { Said } from '../../ui/Said.tsx';
import { LogReading } from './LogReading.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';

/** The moment to which the big figure counts; null = nothing to count. */
function countsTo(watch: Watch): number | null {
  if (watch.code === 'waiting' || watch.code === 'running') return watch.untilMs;
  if (watch.code === 'flipDue' || watch.code === 'flipLate') return watch.latestMs;
  return watch.code === 'flipping' ? watch.sinceMs : null;
}

function Figures() {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const battery = lastReading(night.records.readings, 'battery');
  const figures = [
    ...(night.plan?.limitMs ? [{ name: 'Latest flip', value: format.clock(night.plan.limitMs) }] : []),
    ...(at.target ? [{ name: 'Altitude', value: format.quantity(at.target.altDeg, 'angleDeg', 0) }] : []),
    ...(at.stars
      ? [
          { name: 'Stars', value: judgementName(at.stars.judgement) },
          { name: 'Usable subs', value: format.quantity(at.stars.budget.shareAcceptable, 'percent') },
        ]
      : []),
    ...(battery
      ? [
          {
            name: `Battery at ${format.clock(fromUtcText(battery.takenAtUtc))}`,
            value: format.quantity(battery.values.fraction, 'percent'),
          },
        ]
      : []),
    ...(night.dark ? [{ name: 'Dawn', value: format.clock(night.dark.toMs) }] : []),
  ];
  return <FigureList figures={figures} />;
}

/** The button that fits the moment: log, start the flip, then hold to say that it is done. */
function Action({ watch, log }: { watch: Watch; log: () => void }) {
  const night = useNight();
  const { clock } = useSession();
  const record = useRecord();
  if (night.records.fromSnapshot) return null;
  const rig = { type: 'rig', id: night.records.rig.id } as const;
  const begin = (): void => {
    const values = { what: 'flipBegun' } as const;
    void record({ step: 'watch', subject: rig, kind: 'event', values }, 'Flip begun.');
  };
  const finish = (sinceMs: number): void => {
    const minutes = Math.max(0, (clock.nowMs() - sinceMs) / MS_PER_MINUTE);
    const values = { atUtc: toUtcText(sinceMs), minutes, missEastArcmin: null, missNorthArcmin: null };
    void record({ step: 'watch', subject: rig, kind: 'flip', values }, 'Flip done.');
  };
  if (watch.code === 'flipping') return <HoldButton onConfirm={() => finish(watch.sinceMs)}>Flip done</HoldButton>;
  if (watch.code === 'flipDue' || watch.code === 'flipLate') {
    return (
      <Button variant="primary" onClick={begin}>
        Start flip
      </Button>
    );
  }
  return (
    <Button variant="primary" onClick={log}>
      Log a reading
    </Button>
  );
}

/** What the weight has to do at the flip for those who keep the east a little heavy. */
function BiasAtFlip({ watch }: { watch: Watch }) {
  const { records } = useNight();
  const { format, stored } = useShared();
  const atFlip = watch.code === 'flipDue' || watch.code === 'flipLate' || watch.code === 'flipping';
  if (!atFlip || records.schools.balance !== 'eastHeavy') return null;
  const { biasMm } = settingOf(stored.settings, 'balance');
  return <p className="reason">{biasAtFlipWords((2 * biasMm) / 1000, format)}</p>;
}

export function WatchBench() {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const awake = useWakeLock();
  const [logging, setLogging] = useState(false);
  const watch = watchAt(night, at.timeMs);
  const motors = motorsOf(night.numbers.mount);
  const toMs = countsTo(watch);
  return (
    <div className="watch">
      <PageTitle className="visually-hidden">Watch</PageTitle>
      {toMs !== null && (
        <>
          <p className="count-words">{countdownWords(watch)}</p>
          <p className="countdown figures" role="timer" aria-live="off">
            {countdown(toMs - at.timeMs)}
          </p>
        </>
      )}
      {useContext(BenchNote)}
      <p className="sentence" aria-live="polite">
        <Said said={watchSentence(watch, format, motors)} />
      </p>
      <p className="reason">{watchReason(watch, night.records.site.latDeg < 0, motors)}</p>
      <BiasAtFlip watch={watch} />
      <Figures />
      <div className="actions">
        <Action watch={watch} log={() => setLogging(true)} />
        {(watch.code === 'flipDue' || watch.code === 'flipLate' || watch.code === 'flipping') && (
          <Button variant="outline" onClick={() => setLogging(true)}>
            Log a reading
          </Button>
        )}
      </div>
      <p className="soft">
        {awake === 'maySleep' ? 'This browser lets the screen sleep.' : 'The screen stays on while this page is shown.'}
      </p>
      {logging && <LogReading close={() => setLogging(false)} />}
    </div>
  );
}
