import { isLookedAt } from '../../core/night/plan/plainPlan.ts';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { fromUtcText } from '../../core/time/utc.ts';
import type { StarsAt } from '../../core/night/nightAt.ts';
import { useAtRest } from '../../session/useAtRest.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useHas } from '../../session/useHas.ts';
import { useNightAt } from '../../session/useTime.ts';
import { subAnswer } from '../../core/night/advice/stars/subAnswer.ts';
import { isGood } from '../../core/night/ledger/judgement.ts';
import { decidesWords, exposureWords, judgementName, stretchWords } from '../../text/budgetWords.ts';
import { longestWords, onceAligned } from '../../text/subWords.ts';
import { Caution } from './Caution.tsx';
import { BY_EYE } from '../../text/stations.ts';
import { BudgetTable } from '../../ui/BudgetTable.tsx';
import { later } from '../../ui/later.tsx';
import { StarShape } from '../../ui/StarShape.tsx';
import { Advice } from './Advice.tsx';

const PullUpSheet = later(async () => (await import('../../ui/PullUpSheet.tsx')).PullUpSheet);
const ByEye = later(async () => (await import('./ByEye.tsx')).ByEye);
const GoalInMargin = later(async () => (await import('../../features/polar/GoalInMargin.tsx')).GoalInMargin);

function useStep(): string {
  return useLocation().pathname.split('/')[3] ?? '';
}

/** Before anything was measured: what decides, and how long a sub may be once it was looked at. */
function Expected({ stars }: { stars: StarsAt }) {
  const night = useNight();
  const { format } = useShared();
  const { sub } = useAtRest(stars, night);
  const has = useHas();
  const answer = subAnswer(night, sub);
  const byEye = answer.pole === 'notLooked';
  return (
    <>
      <div className="verdict">
        <StarShape star={stars.budget.star} evenFwhmArcsec={stars.budget.evenFwhmArcsec} />
        <strong>{decidesWords(stars.judgement, stars.budget)}</strong>
      </div>
      <p className="share unsure">
        <span className="figures">{longestWords(answer.onceLooked, answer, format)}</span>
        keep nine in ten, {byEye ? onceAligned(has.has('polarFinder')) : 'if what is assumed holds'}
      </p>
    </>
  );
}

function Verdict({ stars }: { stars: StarsAt }) {
  const { format } = useShared();
  const { budget, judgement } = stars;
  if (hasNoShare(stars)) return <Expected stars={stars} />;
  return (
    <>
      <div className="verdict">
        <StarShape star={budget.star} evenFwhmArcsec={budget.evenFwhmArcsec} />
        <strong>{judgementName(judgement)}</strong>
      </div>
      <p className={judgement.state === 'cannotTell' ? 'share unsure' : 'share'}>
        <span className="figures">{format.quantity(budget.shareAcceptable, 'percent')}</span>
        of the subs usable{judgement.state === 'cannotTell' && ', if what is assumed holds'}
      </p>
      <p className="soft mb-1">{stretchWords(budget, format)}</p>
    </>
  );
}

/** Where tonight's assumed polar error comes from, or when it was measured. */
function Confidence() {
  const night = useNight();
  const { format } = useShared();
  const sources = Object.values(night.budget?.sources ?? {});
  const measured = sources.filter((s) => s.basis === 'measured');
  const latest = measured
    .map((s) => s.asOf)
    .filter((t): t is string => t !== null)
    .sort()
    .at(-1);
  return (
    <div className="section">
      <h2>Confidence</h2>
      <p className="mb-0">
        {measured.length === 0
          ? 'Nothing measured tonight yet: hatched bars are assumptions.'
          : `${measured.length} of ${sources.length} items measured${latest === undefined ? '' : `, last at ${format.clock(fromUtcText(latest))}`}; hatched bars are assumptions.`}
      </p>
    </div>
  );
}

function MarginContent() {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const step = useStep();
  const { train, eyepiece } = night.numbers;
  if (eyepiece || isLookedAt(night)) return <ByEye step={step} />;
  if (!at.stars || !night.budget || !train) {
    return (
      <p>
        <strong>No verdict yet.</strong> The rig needs a tube, a camera and their numbers. Enter them in Kit.
      </p>
    );
  }
  return (
    <>
      <p className="soft mb-0">
        <strong>
          {exposureWords(night.entry?.subS ?? 60, format)} at {format.quantity(train.focalEffectiveMm, 'opticsMm', 0)}
        </strong>
      </p>
      <Verdict stars={at.stars} />
      <BudgetTable budget={at.stars.budget} sources={night.budget.sources} format={format} here={step} />
      <Advice stars={at.stars} />
      {step === 'polar' && <GoalInMargin />}
      <Confidence />
      <Caution step={step} />
    </>
  );
}

/** The margin at the right: verdict, budget, advice, caution. */
export function Margin() {
  return (
    <aside className="margin" aria-label="Verdict" tabIndex={0}>
      <MarginContent />
    </aside>
  );
}

const hasNoShare = ({ assumedOnly, judgement }: StarsAt): boolean => assumedOnly && !isGood(judgement);
const barName = (stars: StarsAt): string =>
  hasNoShare(stars) ? decidesWords(stars.judgement, stars.budget) : judgementName(stars.judgement);

/** On the phone: the verdict as a bar that pulls the margin up. */
export function MarginSheet() {
  const [open, setOpen] = useState(false);
  const [opened, setOpened] = useState(false);
  const pull = (): void => {
    setOpened(true);
    setOpen(true);
  };
  const at = useNightAt();
  const { format } = useShared();
  const { stars } = at;
  const night = useNight();
  const byEye = night.numbers.eyepiece !== null || isLookedAt(night);
  return (
    <>
      <button type="button" className="sheet-button" onClick={pull}>
        {stars && !byEye ? <StarShape star={stars.budget.star} evenFwhmArcsec={stars.budget.evenFwhmArcsec} /> : null}
        <strong>{byEye ? BY_EYE : stars ? barName(stars) : 'No verdict yet'}</strong>
        <span className="figures">
          {stars && !byEye && !hasNoShare(stars) ? format.quantity(stars.budget.shareAcceptable, 'percent') : ''}
        </span>
        <span className="soft">why</span>
      </button>
      {opened && (
        <PullUpSheet title="Verdict" show={open} close={() => setOpen(false)}>
          <div className="margin">
            <MarginContent />
          </div>
        </PullUpSheet>
      )}
    </>
  );
}
