/** What the account lets one say of tonight's stars: never that they are good while something was not looked at. */
import { isGoodEnough, type Budget, type RoundnessVerdict } from '../../verdict/budget.ts';
import type { StretchLimits } from '../../verdict/assumptions.ts';
import type { NightRecords } from '../nightRecords.ts';
import { poleOfNight } from '../pole/poleOfNight.ts';
import type { BudgetSources } from './budgetSources.ts';

/** What can spoil every star and was not looked at. */
export type Unlooked = 'pole' | 'focus' | 'spacing';

export type Judgement = {
  state: RoundnessVerdict | 'cannotTell';
  /** What was not looked at, worst first. */
  unlooked: Unlooked[];
};

/** A pole of which a part was neither measured nor set on a star's mark counts as not looked at. */
function poleWasSeen(records: NightRecords): boolean {
  const { basis, byEye, totalArcmin } = poleOfNight(records, 'true');
  return totalArcmin !== null || byEye || basis === 'measured';
}

/** What nobody looked at tonight, worst first: an axis may be degrees off, a focus blurs every star, a distance the
 *  corners. */
export function unlookedOf(records: NightRecords, sources: BudgetSources): Unlooked[] {
  const missing: Unlooked[] = sources.polar?.basis === 'given' || poleWasSeen(records) ? [] : ['pole'];
  if (sources.defocus?.basis === 'notChecked') missing.push('focus');
  if (sources.spacing?.basis === 'notChecked') missing.push('spacing');
  return missing;
}

/** Stars that are long even with the best of what is not known are long; else nothing can be told until it was looked at. */
export function judgeStars(budget: Budget, unlooked: Unlooked[], limits: StretchLimits): Judgement {
  if (unlooked.length === 0 || isGoodEnough(budget.verdict)) {
    return { state: unlooked.length === 0 ? budget.verdict : 'cannotTell', unlooked };
  }
  const pole = budget.stretches.find((entry) => entry.item === 'polar');
  const best = budget.stretch90 - (unlooked.includes('pole') ? Math.max(0, pole?.fall ?? 0) : 0);
  return { state: best > limits.acceptable ? budget.verdict : 'cannotTell', unlooked };
}
