import { lazy, Suspense, useState } from 'react';
import { useLocation } from 'react-router';
import { fromUtcText } from '../../core/time/utc.ts';
import type { Budget } from '../../core/verdict/budget.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { ITEM_ADVICE, ITEM_NAMES, MENDED_BY, VERDICT_NAMES, VERDICT_QUESTION } from '../../text/budgetWords.ts';
import { CAUTIONS } from '../../text/cautions.ts';
import { stationOf } from '../../text/stations.ts';
import { BudgetTable } from '../../ui/BudgetTable.tsx';
import { StarShape } from '../../ui/StarShape.tsx';

/** Fetched when it is first pulled up. */
const PullUpSheet = lazy(async () => ({ default: (await import('../../ui/PullUpSheet.tsx')).PullUpSheet }));
const GoalInMargin = lazy(async () => ({
  default: (await import('../../features/polar/GoalInMargin.tsx')).GoalInMargin,
}));

function useStep(): string {
  return useLocation().pathname.split('/')[3] ?? '';
}

function Verdict({ budget }: { budget: Budget }) {
  const { format } = useShared();
  return (
    <>
      <div className="verdict">
        <StarShape ratio={budget.worstRatio} />
        <strong>{VERDICT_NAMES[budget.verdict]}</strong>
        <span className="figures">{format.number(budget.worstRatio, 2)}</span>
      </div>
      <p className="soft mb-1">
        length over width in the worst corner;{' '}
        {budget.centreVerdict === budget.verdict
          ? 'the centre is the same'
          : `the centre is ${VERDICT_NAMES[budget.centreVerdict].toLowerCase()}`}
        , {format.quantity(budget.fwhmMajorArcsec, 'arcsec', 1)} wide
      </p>
    </>
  );
}

/** What would mend most, and where. */
function Advice({ budget }: { budget: Budget }) {
  const first = budget.items.find((i) => i.group === 'stretches');
  const station = first ? MENDED_BY[first.item] : undefined;
  const mends = budget.verdict !== 'round' && first && first.fall > 0.005;
  return (
    <div className="section">
      <h2>Good enough?</h2>
      <p className="mb-1">{VERDICT_QUESTION[budget.verdict]}</p>
      {mends && (
        <p className="mb-1">
          First: <strong>{ITEM_NAMES[first.item].toLowerCase()}</strong>. {ITEM_ADVICE[first.item]}
          {station !== undefined && ` Station: ${stationOf(station)?.name ?? ''}.`}
        </p>
      )}
    </div>
  );
}

/** Where tonight's assumed polar error comes from, or when it was measured. */
function Confidence() {
  const night = useNight();
  const { format } = useShared();
  const sources = Object.values(night.budget?.sources ?? {});
  const measured = sources.filter((s) => s.basis === 'measured');
  const latest = measured
    .map((s) => s.atUtc)
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
  const station = stationOf(step);
  const { train } = night.numbers;
  if (!at.budget || !night.budget || !train) {
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
          {format.quantity(night.entry?.subS ?? 60, 'seconds')} at{' '}
          {format.quantity(train.focalEffectiveMm, 'opticsMm', 0)}
        </strong>
      </p>
      <Verdict budget={at.budget} />
      <BudgetTable budget={at.budget} sources={night.budget.sources} format={format} here={step} />
      <Advice budget={at.budget} />
      {step === 'polar' && (
        <Suspense>
          <GoalInMargin />
        </Suspense>
      )}
      <Confidence />
      {station && <p className="caution">{CAUTIONS[station.step]}</p>}
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
  const { budget } = at;
  return (
    <>
      <button type="button" className="sheet-button" onClick={pull}>
        {budget ? <StarShape ratio={budget.worstRatio} /> : null}
        <strong>{budget ? VERDICT_NAMES[budget.verdict] : 'No verdict yet'}</strong>
        <span className="figures">{budget ? format.number(budget.worstRatio, 2) : ''}</span>
        <span className="soft">why</span>
      </button>
      {opened && (
        <Suspense fallback={null}>
          <PullUpSheet title="Verdict" show={open} close={() => setOpen(false)}>
            <div className="margin">
              <MarginContent />
            </div>
          </PullUpSheet>
        </Suspense>
      )}
    </>
  );
}
