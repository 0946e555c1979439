/** What to turn now: the error of each adjuster against the goal, with the lead for what tightening does. */
import { RAD_PER_DEG } from '../../../math/angles.ts';
import { oncePer } from '../../../once.ts';
import type { LearnedLockShift } from '../../../mount/knobs.ts';
import { goalOfNight, type GoalOfNight } from '../../ledger/goalOfNight.ts';
import { knobsOf, lockShiftOfMount, turnAdvice, type Knob, type TurnAdvice } from '../../../pole/knobsOfMount.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { poleOfNight, type PoleOfNight } from '../../../pole/poleOfNight.ts';
import type { Adjuster } from '../../../pole/poleWalk.ts';

export type AdjusterTonight = {
  adjuster: Adjuster;
  /** Signed; azimuth as an angle in azimuth. */
  errorArcmin: number;
  sigmaArcmin: number;
  measured: boolean;
  turnedSince: boolean;
  /** Where it is to be left before tightening, signed; 0 without a learned lock shift. */
  aimArcmin: number;
  within: boolean;
  knob: Knob | null;
  advice: TurnAdvice | null;
};

export type TurnsTonight = {
  goal: GoalOfNight;
  pole: PoleOfNight;
  lock: LearnedLockShift | null;
  /** Bolts and knobs were tightened after the last turn and measured. */
  locked: boolean;
  altitude: AdjusterTonight;
  azimuth: AdjusterTonight;
};

/** Each adjuster may use up this share of the goal, so that both together stay within it. */
const SHARE_OF_GOAL = Math.SQRT1_2;

/** Smaller shifts are not aimed off for: no hand stops so finely. */
const WORTH_AIMING_ARCMIN = 0.2;

/** Tightened since the last turn of a knob. */
function isLocked({ records }: NightStatic): boolean {
  const last = records.readings.findLast((r) => r.kind === 'knobTurn' || r.kind === 'lockShift');
  return last?.kind === 'lockShift';
}

/** Where an adjuster is left before tightening, signed: against what tightening is known to do. */
function aimOf(adjuster: Adjuster, lock: LearnedLockShift | null, locked: boolean): number {
  if (!lock?.learned || locked) return 0;
  const shift = adjuster === 'altitude' ? lock.altArcmin : lock.azArcmin;
  return Math.abs(shift) >= WORTH_AIMING_ARCMIN ? -shift : 0;
}

function adjusterOf(
  { records }: NightStatic,
  adjuster: Adjuster,
  { goal, pole, lock, locked }: Omit<TurnsTonight, 'altitude' | 'azimuth'>,
): AdjusterTonight {
  const component = pole[adjuster];
  const knob = knobsOf(records)[adjuster];
  const aimArcmin = aimOf(adjuster, lock, locked);
  const change = aimArcmin - component.errorArcmin;
  const onSky = adjuster === 'azimuth' ? Math.cos(records.site.latDeg * RAD_PER_DEG) : 1;
  return {
    adjuster,
    ...component,
    aimArcmin,
    within: component.measured && Math.abs(change) * onSky <= goal.goalArcmin * SHARE_OF_GOAL,
    knob,
    advice: knob && component.measured ? turnAdvice(records, knob, adjuster, change) : null,
  };
}

export const turnsTonight = oncePer((night: NightStatic): TurnsTonight => {
  const goal = goalOfNight(night);
  const pole = poleOfNight(night.records, goal.reference);
  const common = { goal, pole, lock: lockShiftOfMount(night.records), locked: isLocked(night) };
  return {
    ...common,
    altitude: adjusterOf(night, 'altitude', common),
    azimuth: adjusterOf(night, 'azimuth', common),
  };
});
