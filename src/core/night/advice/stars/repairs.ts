/** Worth the minutes? What could be mended tonight, each priced in usable subs of what is left of the plan. Only what was
 *  measured is priced: an assumption has nothing to mend. */
import type { Step } from '../../../records/reading.ts';
import type { PlannedSub } from '../../../verdict/plannedSub.ts';
import { isKnown } from '../../account/sources.ts';
import { stretchesOf } from '../../../verdict/budget.ts';
import { focusKnown } from '../../learned/focusKnown.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { goalOfNight } from '../../ledger/goalOfNight.ts';
import { poleOfNight } from '../../../pole/poleOfNight.ts';
import { minutesOf } from './minutesOf.ts';
import { betterGuided, GOOD_GUIDING_ARCSEC, worstRmsArcsec } from './whatIf.ts';

/** What is mended and where: the pole in arcmin, guiding in arcsec of its worse axis, the focus in um. */
type Mending = { code: 'pole' | 'guiding' | 'focus'; step: Step; from: number; to: number };

export type Repair = Mending & {
  minutes: number;
  /** The minutes are this user's own; false: a guess. */
  own: boolean;
  /** Subs that the minutes cost, and usable ones that it brings among the rest. */
  lost: number;
  won: number;
  worth: boolean;
};

type Price = Pick<Repair, 'lost' | 'won' | 'worth'>;
type Shares = { now: number; then: number };

/** Subs of which one share is usable now and another after minutes of work. A shorter night never makes it dearer, and never
 *  worth it. */
export function countWorth(left: number, subMinutes: number, minutes: number, shares: Shares): Price {
  const lost = Math.min(left, Math.ceil(minutes / subMinutes));
  const rest = left - lost;
  return {
    lost,
    won: Math.max(0, Math.round(rest * (shares.then - shares.now))),
    worth: gainOf(left, lost, shares) > 0,
  };
}

/** `spoils`: as it is no sub is of use, whatever its stretch. */
type Mended = { mending: Mending; sub: PlannedSub; spoils?: boolean };

function poleMended(night: NightStatic, sub: PlannedSub): Mended[] {
  const { goalArcmin: to, reference } = goalOfNight(night);
  const from = poleOfNight(night.records, reference).totalArcmin;
  if (from === null || from <= to) return [];
  return [
    { mending: { code: 'pole', step: 'polar', from, to }, sub: { ...sub, polar: { known: 'size', errorArcmin: to } } },
  ];
}

function guidingMended({ budget, numbers }: NightStatic, sub: PlannedSub): Mended[] {
  const { tracking } = sub;
  if (!tracking.guided || !isKnown(budget?.sources.guiding)) return [];
  const from = worstRmsArcsec(tracking);
  if (from <= GOOD_GUIDING_ARCSEC) return [];
  const mending: Mending = { code: 'guiding', step: 'tracking', from, to: GOOD_GUIDING_ARCSEC };
  return [{ mending, sub: { ...sub, tracking: betterGuided(tracking, numbers.mount) } }];
}

/** Out of focus every star is a disc: wider, though not longer. */
function focusMended({ records, numbers }: NightStatic, sub: PlannedSub): Mended[] {
  const focus = focusKnown(records, numbers);
  if (focus?.state !== 'gone') return [];
  const mending: Mending = { code: 'focus', step: 'pointing', from: Math.abs(focus.value), to: 0 };
  return [{ mending, sub, spoils: true }];
}

/** Usable subs more than without it, for the ranking: of those that the minutes cost only some had been usable. */
const gainOf = (left: number, lost: number, { now, then }: Shares): number => (left - lost) * then - left * now;

/** What pays first. Empty when nothing measured wants mending, or nothing is left to take.
 *  @param sub the planned one at the hour that is asked about. */
export function repairsOf(night: NightStatic, sub: PlannedSub, timeMs: number): Repair[] {
  const { records, plan, entry } = night;
  const left = plan?.subs.filter((s) => s.startMs >= timeMs).length ?? 0;
  if (!entry || left === 0) return [];
  const mended = [poleMended, guidingMended, focusMended].flatMap((one) => one(night, sub));
  if (mended.length === 0) return [];
  const shareOf = (one: PlannedSub): number => stretchesOf(one, records.limits).shareAcceptable;
  const now = shareOf(sub);
  const subMinutes = (entry.subS + entry.gapS) / 60;
  return mended
    .map(({ mending, sub: then, spoils = false }) => {
      const shares = { now: spoils ? 0 : now, then: shareOf(then) };
      const { minutes, own } = minutesOf(records, mending.step);
      const price = countWorth(left, subMinutes, minutes, shares);
      return { gain: gainOf(left, price.lost, shares), repair: { ...mending, minutes, own, ...price } };
    })
    .sort((a, b) => b.gain - a.gain)
    .map(({ repair }) => repair);
}
