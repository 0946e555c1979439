import { useState, type ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import {
  afterStep,
  missingWays,
  playByHand,
  REVERSAL_READY,
  type Reversal,
  verdictOfPlay,
  type ReversalStep,
  type ReversalTest,
  type Way,
} from '../../core/mount/reversalTest.ts';
import { learnedOf } from '../../core/night/learned/learned.ts';
import { SIDEREAL_ARCSEC_PER_S } from '../../core/sky/fieldRotation.ts';
import { RecordForm } from '../../session/RecordForm.tsx';
import { useNight, useSession, useShared } from '../../session/session.ts';
import {
  PLAY,
  playAdvice,
  playBefore,
  playReason,
  playRecorded,
  playSentence,
  playValue,
  pressedLabel,
  rateHint,
} from '../../text/playWords.ts';
import { plain } from '../../text/said.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import { FigureList } from '../../ui/FigureList.tsx';
import { QuantityField } from '../../ui/form/Fields.tsx';

const schema = z.object({ rateArcsecPerS: z.number().min(0.5).max(1000) });
type Fields = { rateArcsecPerS: number | null };
const HALF_RATE = Number((SIDEREAL_ARCSEC_PER_S / 2).toFixed(2));

/** The keys of a hand box: the one to hold is filled. */
function Keys({ test, label }: { test: ReversalTest; label: string }) {
  const held = test.at === 'ready' ? 'north' : test.way;
  const key = (way: Way, y: number, points: string) => (
    <g transform={`translate(60 ${y})`}>
      <rect
        x={-34}
        y={-34}
        width={68}
        height={68}
        rx={10}
        fill={held === way ? 'var(--amber)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path d={points} fill="none" stroke={held === way ? 'var(--sheet)' : 'var(--ink)'} strokeWidth="4" />
      <text x={46} y={5} fontSize="15" fill="var(--ink)">
        {way === held ? `hold ${way}` : way}
      </text>
    </g>
  );
  return (
    <svg className="instrument" viewBox="0 0 220 176" style={{ maxWidth: 260 }} role="img" aria-label={label}>
      {key('north', 44, 'M-12 6L0 -8L12 6')}
      {key('south', 132, 'M-12 -6L0 8L12 -6')}
    </svg>
  );
}

function Taps({ test, tap }: { test: ReversalTest; tap: (does: ReversalStep['does']) => void }) {
  const isWaiting = test.at === 'waiting';
  const label = isWaiting ? PLAY.seen : test.at === 'ready' ? PLAY.begin : pressedLabel(test.way);
  return (
    <div className="actions">
      <Button variant="primary" size="lg" onClick={() => tap(isWaiting ? 'seen' : 'press')}>
        {label}
      </Button>
      {(isWaiting || test.reversals.length > 0) && (
        <Button variant="outline" onClick={() => tap('dropLast')}>
          {PLAY.dropLast}
        </Button>
      )}
    </div>
  );
}

/** At the rate that stands in the field. */
function PlayNow({ reversals }: { reversals: readonly Reversal[] }) {
  const { format } = useShared();
  const typed = useWatch<Fields, 'rateArcsecPerS'>({ name: 'rateArcsecPerS' });
  const rate = schema.safeParse({ rateArcsecPerS: typed });
  const play = rate.success ? playByHand(reversals, rate.data.rateArcsecPerS) : null;
  if (!play) return null;
  return (
    <div className="wide">
      <FigureList figures={[{ name: PLAY.play, value: playValue(play, format) }]} />
      <p className="mb-0">{playAdvice(verdictOfPlay(play.arcsec))}</p>
    </div>
  );
}

/** What the reversals tell at the rate of the controller, to be recorded for the mount. */
function RecordPlay({ reversals }: { reversals: readonly Reversal[] }) {
  const { records } = useNight();
  const { format } = useShared();
  return (
    <RecordForm<Fields, z.infer<typeof schema>>
      title={PLAY.record}
      button={PLAY.record}
      schema={schema}
      defaults={{ rateArcsecPerS: HALF_RATE }}
      keep
      toReading={({ rateArcsecPerS }) => {
        const arcsec = playByHand(reversals, rateArcsecPerS)?.arcsec ?? 0;
        return {
          reading: {
            step: 'tracking',
            subject: { type: 'mount', id: records.rig.mountId },
            kind: 'backlash',
            values: { arcsec, axis: 'dec' },
          },
          said: playRecorded(arcsec, format),
        };
      }}
    >
      <QuantityField
        name="rateArcsecPerS"
        label={PLAY.rate}
        kind="guideRate"
        system={format.system}
        hint={rateHint(HALF_RATE, format)}
      />
      <PlayNow reversals={reversals} />
    </RecordForm>
  );
}

/** The reversal test, tap by tap. */
export function PlayTab({ tabs }: { tabs: ReactNode }) {
  const { records } = useNight();
  const { clock } = useSession();
  const { format } = useShared();
  const [test, setTest] = useState<ReversalTest>(REVERSAL_READY);
  const tap = (does: ReversalStep['does']): void => {
    const atMs = clock.elapsedMs();
    setTest((now) => afterStep(now, does === 'dropLast' ? { does } : { does, atMs }));
  };
  const { reversals } = test;
  const last = learnedOf(records).decPlay;
  return (
    <BenchLayout
      title="Tracking"
      tabs={tabs}
      sentence={playSentence(test)}
      reason={playReason(test)}
      instrumentName="The reversal test"
      instrument={
        <>
          <Keys test={test} label={plain(playSentence(test))} />
          <Taps test={test} tap={tap} />
        </>
      }
    >
      {reversals.length > 0 && (
        <FigureList
          figures={[
            { name: PLAY.steps, value: String(reversals.length) },
            { name: PLAY.last, value: format.quantity(reversals.at(-1)?.deadS ?? 0, 'seconds', 1) },
          ]}
        />
      )}
      {missingWays(reversals).length === 0 && <RecordPlay reversals={reversals} />}
      <p className="soft">
        {last && `${playBefore(last.values.arcsec, last.takenAtUtc, format)} `}
        {PLAY.log}
      </p>
    </BenchLayout>
  );
}
