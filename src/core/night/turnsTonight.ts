/** What to turn now: the error of each adjuster against the goal, with the lead for what tightening does. */
import type { LearnedLockShift } from '../mount/knobs.ts';
import { goalOfNight, type GoalOfNight } from './goalOfNight.ts';
import {
  knobOfMount,
  lockShiftOfMount,
  turnAdvice,
  type Adjuster,
  type Knob,
  type TurnAdvice,
} from './knobsOfMount.ts';
import type { NightStatic } from './nightStatic.ts';
import { poleOfNight, type PoleOfNight } from './poleOfNight.ts';

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

/** Tightened since the last turn of a knob. */
function isLocked({ records }: NightStatic): boolean {
  const last = records.readings.findLast((r) => r.kind === 'knobTurn' || r.kind === 'lockShift');
  return last?.kind === 'lockShift';
}

function adjusterOf(
  night: NightStatic,
  adjuster: Adjuster,
  { goal, pole, lock, locked }: Omit<TurnsTonight, 'altitude' | 'azimuth'>,
): AdjusterTonight {
  const component = pole[adjuster];
  const knob = knobOfMount(night.records, night.numbers.mount, adjuster);
  const shift = adjuster === 'altitude' ? lock?.altArcmin : lock?.azArcmin;
  const aimArcmin = lock?.learned && !locked && shift !== undefined ? -shift : 0;
  const change = aimArcmin - component.errorArcmin;
  const onSky = adjuster === 'azimuth' ? Math.cos((night.records.site.latDeg * Math.PI) / 180) : 1;
  return {
    adjuster,
    ...component,
    aimArcmin,
    within: component.measured && Math.abs(change) * onSky <= goal.goalArcmin * SHARE_OF_GOAL,
    knob,
    advice: knob && component.measured ? turnAdvice(night.records, knob, adjuster, change) : null,
  };
}

export function turnsTonight(night: NightStatic): TurnsTonight {
  const goal = goalOfNight(night);
  const pole = poleOfNight(night.records, night.numbers.mount, goal.reference);
  const common = { goal, pole, lock: lockShiftOfMount(night.records), locked: isLocked(night) };
  return {
    ...common,
    altitude: adjusterOf(night, 'altitude', common),
    azimuth: adjusterOf(night, 'azimuth', common),
  };
}
