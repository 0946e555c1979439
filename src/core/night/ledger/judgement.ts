/** What the account lets one say of tonight's stars: never that they are good while something was not looked at. */
import { isLooked } from '../../known.ts';
import { isGoodEnough, stretchesOf, type Budget, type RoundnessVerdict } from '../../verdict/budget.ts';
import { polarSizeArcmin } from '../../verdict/motions.ts';
import type { PlannedSub } from '../../verdict/plannedSub.ts';
import { focusKnown } from '../learned/focusKnown.ts';
import type { NightStatic } from '../nightStatic.ts';
import { goalOfNight } from './goalOfNight.ts';
import { lostOf, type Lost } from './ledger.ts';

/** What can spoil every star and was not looked at. */
export type Unlooked = 'pole' | 'focus' | 'spacing';

export type Judgement = {
  state: RoundnessVerdict | 'cannotTell';
  /** What was not looked at, worst first. */
  unlooked: readonly Unlooked[];
};

export const isGood = ({ state }: Judgement): boolean => state !== 'cannotTell' && isGoodEnough(state);

const HELD_FOR = { pole: 'alignment', focus: 'focus' } as const;

/** Its doubt is drawn with the subs: where these are good with all of it, it decides nothing; else it decides as soon as it
 *  reaches what the pole may be off. */
function poleIsLooked(night: NightStatic, isFine: boolean): boolean {
  const { budget } = night;
  if (!budget) return true;
  const basis = budget.sources.polar?.basis ?? 'notLooked';
  const decides = isFine ? Infinity : goalOfNight(night).goalArcmin;
  return isLooked({ basis, doubt: budget.poleDoubtArcmin }, decides) && lostOf(night, HELD_FOR.pole) === null;
}

const focusIsLooked = (night: NightStatic): boolean =>
  focusKnown(night.records, night.numbers)?.state === 'stands' && lostOf(night, HELD_FOR.focus) === null;

/** What nobody looked at tonight, or not well enough, or some later movement lost, worst first: an axis may be degrees off, a
 *  focus blurs every star, a distance the corners.
 *  @param isFine the stars are good with all that is known and assumed. */
export function unlookedOf(night: NightStatic, isFine = true): readonly Unlooked[] {
  const missing: [Unlooked, boolean][] = [
    ['pole', !poleIsLooked(night, isFine)],
    ['focus', !focusIsLooked(night)],
    ['spacing', night.budget?.corners.source.basis === 'notLooked'],
  ];
  return missing.flatMap(([what, is]) => (is ? [what] : []));
}

/** The movement after which it is to be looked at again; null when nobody looked tonight. */
export const lostBefore = (night: NightStatic, unlooked: Unlooked): Lost | null =>
  unlooked === 'spacing' ? null : lostOf(night, HELD_FOR[unlooked]);

/** A pole as near as its doubt allows at best. */
const DOUBTS_AT_BEST = 2;

function bestPole(sub: PlannedSub, doubtArcmin: number): PlannedSub['polar'] {
  const size = polarSizeArcmin(sub.polar);
  const meanArcmin = Math.sqrt(Math.max(0, size ** 2 - doubtArcmin ** 2));
  return { known: 'size', errorArcmin: Math.max(0, meanArcmin - DOUBTS_AT_BEST * doubtArcmin) };
}

/** Stars that are long even with the best of what is not known are long; else nothing can be told until it was looked at. */
export function judgeStars(night: NightStatic, sub: PlannedSub, budget: Budget): Judgement {
  const { limits } = night.records;
  const isFine = isGoodEnough(budget.verdict);
  const unlooked = unlookedOf(night, isFine);
  if (unlooked.length === 0) return { state: budget.verdict, unlooked };
  if (isFine) return { state: 'cannotTell', unlooked };
  const best = unlooked.includes('pole')
    ? stretchesOf({ ...sub, polar: bestPole(sub, night.budget?.poleDoubtArcmin ?? 0) }, limits).stretch90
    : budget.stretch90;
  return { state: best > limits.acceptable ? budget.verdict : 'cannotTell', unlooked };
}
