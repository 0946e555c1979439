/** Good enough? What to look at first, what would mend most, and which mending pays. */
import { lostBefore, type Unlooked } from '../../core/night/ledger/judgement.ts';
import { focusKnown } from '../../core/night/learned/focusKnown.ts';
import { minutesOf } from '../../core/night/advice/stars/minutesOf.ts';
import { subAnswer } from '../../core/night/advice/stars/subAnswer.ts';
import { repairsOf } from '../../core/night/advice/stars/repairs.ts';
import type { StarsAt } from '../../core/night/nightAt.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Step } from '../../core/records/reading.ts';
import { isGoodEnough, type Budget, type RoundnessVerdict } from '../../core/verdict/budget.ts';
import type { PlannedSub } from '../../core/verdict/plannedSub.ts';
import { useAtRest } from '../../session/useAtRest.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import {
  cornersLine,
  goneWords,
  itemAdvice,
  itemName,
  LOOK_AT,
  MENDED_BY,
  repairWords,
  VERDICT_QUESTION,
} from '../../text/budgetWords.ts';
import { subSentence } from '../../text/subWords.ts';
import type { Format } from '../../text/format.ts';
import { lostWords } from '../../text/ledgerWords.ts';
import { stationOf } from '../../text/stations.ts';
import { Said } from '../../ui/Said.tsx';

/** More are read on the tracking bench. */
const MOST_PRICED = 2;
/** A smaller fall is not worth a hand. */
const LEAST_FALL = 0.005;

const stationWords = (step: Step | undefined): string => {
  const station = step === undefined ? undefined : stationOf(step);
  return station ? ` Station: ${station.name}.` : '';
};

function MendFirst({ budget }: { budget: Budget }) {
  const [first] = budget.stretches;
  const basis = useNight().budget?.sources[first?.item ?? 'polar']?.basis;
  if (!first || first.fall <= LEAST_FALL) return null;
  return (
    <p className="mb-1">
      First: <strong>{itemName(first.item, basis).toLowerCase()}</strong>. {itemAdvice(first.item, basis)}
      {stationWords(MENDED_BY[first.item])}
    </p>
  );
}

/** The best free movement, and only then a shorter sub. */
function HowLong({ sub }: { sub: PlannedSub }) {
  const night = useNight();
  const { format } = useShared();
  return (
    <p className="mb-1">
      <Said said={subSentence(subAnswer(night, sub), format)} />
    </p>
  );
}

/** Stars that are told: with dials that still want a turn it is said whether mending pays, not that nothing is left. */
function Told({ stars: { sub, budget }, state }: { stars: StarsAt; state: RoundnessVerdict }) {
  const night = useNight();
  const { timeMs } = useNightAt();
  const { format } = useShared();
  const repairs = repairsOf(night, sub, timeMs).slice(0, MOST_PRICED);
  return (
    <>
      {!(state === 'round' && repairs.length > 0) && <p className="mb-1">{VERDICT_QUESTION[state]}</p>}
      {!isGoodEnough(state) && <HowLong sub={sub} />}
      {repairs.map((repair) => (
        <p key={repair.code} className="mb-1">
          {repairWords(repair, format)}
        </p>
      ))}
      {state !== 'round' && <MendFirst budget={budget} />}
    </>
  );
}

/** What to look at first: never seen tonight, lost by some later movement, or gone with the air, at its price. */
function lookWords(night: NightStatic, { unlooked, sub }: LookProps, timeMs: number, format: Format): string {
  const lost = lostBefore(night, unlooked);
  if (lost) return lostWords(lost, format);
  const isGone = unlooked === 'focus' && focusKnown(night.records, night.numbers)?.state === 'gone';
  if (!isGone) return LOOK_AT[unlooked].words;
  return goneWords(
    repairsOf(night, sub, timeMs).find((r) => r.code === 'focus'),
    format,
  );
}
type LookProps = { unlooked: Unlooked; sub: PlannedSub };

/** A pole that nobody looked for is said with what it brings. */
function LookFirst({ unlooked, sub }: LookProps) {
  const night = useNight();
  const { timeMs } = useNightAt();
  const { format } = useShared();
  const answer = unlooked === 'pole' && !lostBefore(night, unlooked) ? subAnswer(night, sub) : null;
  return (
    <p className="mb-1">
      {answer?.lever?.code === 'lookPole' ? (
        <Said said={subSentence(answer, format)} />
      ) : (
        lookWords(night, { unlooked, sub }, timeMs, format)
      )}
      {stationWords(LOOK_AT[unlooked].step)}
    </p>
  );
}

/** No sub length mends what the corrector does to the corners. */
function Corners() {
  const { budget, records } = useNight();
  const { format } = useShared();
  const stretch = budget?.corners.stretch ?? 1;
  if (stretch <= records.limits.round) return null;
  return (
    <p className="mb-1">
      {cornersLine(stretch, minutesOf(records, 'light-path'), format)}
      {stationWords('light-path')}
    </p>
  );
}

export function Advice({ stars: shown }: { stars: StarsAt }) {
  const stars = useAtRest(shown, useNight());
  const { state, unlooked } = stars.judgement;
  return (
    <div className="section">
      <h2>Good enough?</h2>
      {state === 'cannotTell' ? (
        unlooked[0] && <LookFirst unlooked={unlooked[0]} sub={stars.sub} />
      ) : (
        <Told stars={stars} state={state} />
      )}
      <Corners />
    </div>
  );
}
