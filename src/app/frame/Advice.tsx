/** Good enough? What to look at first, what would mend most, and which mending pays. */
import { lostBefore, type Unlooked } from '../../core/night/ledger/judgement.ts';
import { focusNow } from '../../core/night/learned/focusNow.ts';
import { repairsOf } from '../../core/night/advice/stars/repairs.ts';
import type { StarsAt } from '../../core/night/nightAt.ts';
import type { Step } from '../../core/records/reading.ts';
import type { Budget, RoundnessVerdict } from '../../core/verdict/budget.ts';
import type { PlannedSub } from '../../core/verdict/plannedSub.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import {
  goneWords,
  itemAdvice,
  itemName,
  LOOK_AT,
  MENDED_BY,
  repairWords,
  VERDICT_QUESTION,
} from '../../text/budgetWords.ts';
import { lostWords } from '../../text/ledgerWords.ts';
import { stationOf } from '../../text/stations.ts';

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

/** Stars that are told: with dials that still want a turn it is said whether mending pays, not that nothing is left. */
function Told({ stars: { sub, budget }, state }: { stars: StarsAt; state: RoundnessVerdict }) {
  const night = useNight();
  const { timeMs } = useNightAt();
  const { format } = useShared();
  const repairs = repairsOf(night, sub, timeMs).slice(0, MOST_PRICED);
  return (
    <>
      {!(state === 'round' && repairs.length > 0) && <p className="mb-1">{VERDICT_QUESTION[state]}</p>}
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
function LookFirst({ unlooked, sub }: { unlooked: Unlooked; sub: PlannedSub }) {
  const night = useNight();
  const { timeMs } = useNightAt();
  const { format } = useShared();
  const lost = lostBefore(night, unlooked);
  const isGone = unlooked === 'focus' && focusNow(night.records, night.numbers)?.stands === false;
  const price = isGone ? repairsOf(night, sub, timeMs).find((r) => r.code === 'focus') : undefined;
  const { words, step } = LOOK_AT[unlooked];
  return (
    <p className="mb-1">
      {lost ? lostWords(lost, format) : isGone ? goneWords(price, format) : words}
      {stationWords(step)}
    </p>
  );
}

export function Advice({ stars }: { stars: StarsAt }) {
  const { state, unlooked } = stars.judgement;
  return (
    <div className="section">
      <h2>Good enough?</h2>
      {state === 'cannotTell' ? (
        unlooked[0] && <LookFirst unlooked={unlooked[0]} sub={stars.sub} />
      ) : (
        <Told stars={stars} state={state} />
      )}
    </div>
  );
}
