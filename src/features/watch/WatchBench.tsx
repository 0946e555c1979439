import { Link } from 'react-router';
import { FirstOpen } from '../../session/firstOpen.ts';
import { stopName } from '../../text/stations.ts';
import { SkyLightNote } from '../../session/SkyLightNote.tsx';
import { lastOfBatteries } from '../../core/rig/batteriesOfRig.ts';
import { useContext, useState } from 'react';
import { Button } from 'react-bootstrap';
import { hasTonight } from '../../core/night/hasTonight.ts';
import { fromUtcText } from '../../core/time/utc.ts';
import { isBeforeAll, type Watch } from '../../core/night/advice/watch.ts';
import { FlipSteps, StepAction } from '../../session/flip/FlipSteps.tsx';
import { useFlipWalk, type WalkHere } from '../../session/flip/useFlipWalk.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useIsLive, useNightAt, useWatch } from '../../session/useTime.ts';
import { useWakeLock } from '../../session/useWakeLock.ts';
import { latestFlipWords } from '../../text/flipWords.ts';
import { waitsUntilMs } from '../../core/night/plan/plan.ts';
import { judgementName } from '../../text/budgetWords.ts';
import { firstFlipWords, FLIP } from '../../text/flipWords.ts';
import {
  countdown,
  countdownWords,
  SET_UP_REASON,
  setUpFirst,
  watchReason,
  watchSentence,
} from '../../text/watchWords.ts';
import { FigureList } from '../../ui/FigureList.tsx';
import { BenchNote } from '../../ui/benchNote.ts';
import { Said } from '../../ui/Said.tsx';
import { Platform } from './Platform.tsx';
import { LogReading } from './LogReading.tsx';
import { SubsRun } from './SubsRun.tsx';
import { PageTitle } from '../../ui/PageTitle.tsx';

/** The moment to which the big figure counts; null = nothing to count. */
function countsTo(watch: Watch): number | null {
  if (watch.code === 'waiting' || watch.code === 'running') return watch.untilMs;
  if (watch.code === 'targetDue') return watch.untilMs;
  if (watch.code === 'flipDue') return watch.latestMs;
  if (watch.code === 'tubeLate' || watch.code === 'paused') return watch.limitMs;
  return watch.code === 'flipping' ? watch.sinceMs : null;
}

function Figures() {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const batteries = lastOfBatteries(night.records.readings, night.records.parts);
  const due = night.plan?.flips.find((f) => !f.done);
  const figures = [
    ...(due ? [{ name: 'Latest flip', value: latestFlipWords(waitsUntilMs(due), format) }] : []),
    ...(at.target ? [{ name: 'Altitude', value: format.quantity(at.target.altDeg, 'angleDeg', 0) }] : []),
    ...(at.stars
      ? [
          { name: 'Stars', value: judgementName(at.stars.judgement) },
          { name: 'Usable subs', value: format.quantity(at.stars.budget.shareAcceptable, 'percent') },
        ]
      : []),
    ...batteries.map(({ name, reading }) => ({
      name: `${batteries.length > 1 && name !== null ? name : 'Battery'} at ${format.clock(fromUtcText(reading.takenAtUtc))}`,
      value: format.quantity(reading.values.fraction, 'percent'),
    })),
    ...(night.dark ? [{ name: 'Dawn', value: format.clock(night.dark.toMs) }] : []),
  ];
  return <FigureList figures={figures} />;
}

/** The flip may be begun, or is. */
const mayFlip = (watch: Watch): boolean =>
  watch.code === 'flipDue' || (watch.code === 'tubeLate' && watch.flips && watch.fromMs === null);
const isFlip = (watch: Watch): boolean => watch.code === 'flipping' || mayFlip(watch);

/** Another button says what to do. */
const WAITS: readonly Watch['code'][] = ['paused', 'targetDue'];

type ActionProps = { watch: Watch; here: WalkHere; log: () => void };

/** The button that fits the moment: start the flip, its next step, go on after a pause, else log. */
function Action({ watch, here, log }: ActionProps) {
  // What is pressed is of now: while another moment is shown nothing is offered.
  const flip = useIsLive() && mayFlip(watch);
  if (watch.code === 'flipping') return <StepAction here={here} />;
  return (
    <div className="actions">
      {flip && (
        <Button variant="primary" onClick={here.begin}>
          {FLIP.start}
        </Button>
      )}
      <SubsRun watch={watch} />
      <Button variant={flip || WAITS.includes(watch.code) ? 'outline' : 'primary'} onClick={log}>
        Log a reading
      </Button>
    </div>
  );
}

/** In the flip the sentence is the step that the hand is at. */
function Sentence({ watch, here }: { watch: Watch; here: WalkHere }) {
  const night = useNight();
  const { format } = useShared();
  const has = hasTonight(night);
  const step = watch.code === 'flipping' && here.walk.at !== null ? here.words(here.walk.at) : null;
  const open = useContext(FirstOpen);
  const { timeMs } = useNightAt();
  const isLive = useIsLive();
  if (open !== null && isLive && watch.code === 'waiting' && isBeforeAll(night, watch, timeMs))
    return (
      <>
        <p className="sentence" aria-live="polite">
          <Said said={setUpFirst(stopName(open.step, open.visit, has.has('polarAxis')), watch, format)} />
        </p>
        <p className="reason">
          {SET_UP_REASON}{' '}
          <Link to={`../${open.step}`} relative="path">
            {stopName(open.step, open.visit, has.has('polarAxis'))}
          </Link>
        </p>
      </>
    );
  return (
    <>
      <p className="sentence" aria-live="polite">
        {step ? step.do : <Said said={watchSentence(watch, format, has)} />}
      </p>
      <p className="reason">{step ? step.why : watchReason(watch, night.records.site.latDeg < 0, has)}</p>
    </>
  );
}

/** Whoever only looks has nothing to watch but what runs out. */
export function WatchBench() {
  const { numbers } = useNight();
  const note = useContext(BenchNote);
  if (!numbers.eyepiece) return <SubsWatch />;
  return (
    <div className="watch">
      <PageTitle className="visually-hidden">Watch</PageTitle>
      {note}
      <SkyLightNote />
      <Platform alone />
    </div>
  );
}

function SubsWatch() {
  const night = useNight();
  const at = useNightAt();
  const awake = useWakeLock();
  const here = useFlipWalk();
  const [logging, setLogging] = useState(false);
  const watch = useWatch();
  const counts = watch.code !== 'flipping' || here.lasted().code === 'known';
  const toMs = counts ? countsTo(watch) : null;
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
      <SkyLightNote />
      <Sentence watch={watch} here={here} />
      {isFlip(watch) && here.first && <p className="caution-line">{firstFlipWords(here.by)}</p>}
      {watch.code !== 'flipping' && watch.code !== 'noDark' && <Figures />}
      {!night.records.fromSnapshot && <Action watch={watch} here={here} log={() => setLogging(true)} />}
      {isFlip(watch) && <FlipSteps here={here} />}
      <Platform alone={false} />
      <p className="soft">
        {awake === 'maySleep' ? 'This browser lets the screen sleep.' : 'The screen stays on while this page is shown.'}
      </p>
      {logging && <LogReading close={() => setLogging(false)} />}
    </div>
  );
}
