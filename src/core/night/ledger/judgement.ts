/** What the account lets one say of tonight's stars: never that they are good while something was not looked at. */
import { oncePer } from '../../once.ts';
import { isGoodEnough, type Budget, type RoundnessVerdict } from '../../verdict/budget.ts';
import type { StretchLimits } from '../../verdict/assumptions.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { poleOfNight } from '../../pole/poleOfNight.ts';
import type { NightStatic } from '../nightStatic.ts';
import { lostOf, type Lost } from './ledger.ts';

/** What can spoil every star and was not looked at. */
export type Unlooked = 'pole' | 'focus' | 'spacing';

export type Judgement = {
  state: RoundnessVerdict | 'cannotTell';
  /** What was not looked at, worst first. */
  unlooked: readonly Unlooked[];
};

const HELD_FOR = { pole: 'alignment', focus: 'focus' } as const;

/** A pole of which a part was neither measured nor set on a star's mark counts as not looked at. */
function poleWasSeen(records: NightRecords): boolean {
  const { byEye, totalArcmin } = poleOfNight(records, 'true');
  return totalArcmin !== null || byEye;
}

/** What nobody looked at tonight, or some later movement lost, worst first: an axis may be degrees off, a focus blurs
 *  every star, a distance the corners. */
export const unlookedOf = oncePer((night: NightStatic): readonly Unlooked[] => {
  const { polar, defocus, spacing } = night.budget?.sources ?? {};
  const poleStands = poleWasSeen(night.records) && lostOf(night, HELD_FOR.pole) === null;
  const missing: Unlooked[] = polar?.basis === 'given' || poleStands ? [] : ['pole'];
  if (defocus?.basis === 'notChecked' || lostOf(night, HELD_FOR.focus) !== null) missing.push('focus');
  if (spacing?.basis === 'notChecked') missing.push('spacing');
  return missing;
});

/** The movement after which it is to be looked at again; null when nobody looked tonight. */
export const lostBefore = (night: NightStatic, unlooked: Unlooked): Lost | null =>
  unlooked === 'spacing' ? null : lostOf(night, HELD_FOR[unlooked]);

/** Stars that are long even with the best of what is not known are long; else nothing can be told until it was looked at. */
export function judgeStars(budget: Budget, unlooked: readonly Unlooked[], limits: StretchLimits): Judgement {
  if (unlooked.length === 0 || isGoodEnough(budget.verdict)) {
    return { state: unlooked.length === 0 ? budget.verdict : 'cannotTell', unlooked };
  }
  const pole = budget.stretches.find((entry) => entry.item === 'polar');
  const best = budget.stretch90 - (unlooked.includes('pole') ? Math.max(0, pole?.fall ?? 0) : 0);
  return { state: best > limits.acceptable ? budget.verdict : 'cannotTell', unlooked };
}
