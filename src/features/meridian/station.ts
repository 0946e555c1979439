/** The plan's state in the run. It is made at the desk, not measured: done when subs fit, in need of attention when
 *  none do. */
import { isLookedAt } from '../../core/night/plan/plainPlan.ts';
import type { Summary } from '../../session/stationState.ts';

export const meridianSummary: Summary = ({ target, targetSky, legs, numbers, entry, flips: mayFlip }, format) => {
  if (!target) return { state: 'open', reading: '' };
  const highest = targetSky ? format.clock(targetSky.transit.transitMs) : '';
  if (numbers.eyepiece || isLookedAt({ entry })) return { state: 'done', reading: highest };
  if (legs.some(({ state }) => state === 'paused')) return { state: 'attention', reading: 'paused' };
  const plans = legs.flatMap(({ plan }) => plan ?? []);
  if (plans.every(({ subs }) => subs.length === 0)) return { state: 'attention', reading: 'no subs' };
  const flips = plans.flatMap((plan) => plan.flips);
  const flip = flips.find((f) => !f.done) ?? flips.at(-1);
  return { state: 'done', reading: flip ? `flip ${format.clock(flip.startMs)}` : mayFlip ? 'no flip' : highest };
};
