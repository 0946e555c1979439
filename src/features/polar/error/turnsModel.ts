/** What the two dials show and say. */
import type { Adjuster } from '../../../core/pole/poleWalk.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import {
  turnsTonight,
  type AdjusterTonight,
  type TurnsTonight,
} from '../../../core/night/advice/hands/turnsTonight.ts';
import { shortKnobName } from '../../../text/dialWords.ts';
import type { Format } from '../../../text/format.ts';
import {
  changeOf,
  effectWords,
  isOther,
  turnsClockwise,
  type Paired,
  type TurnsSaying,
} from '../../../text/knobWords.ts';
import { turnWords } from '../../../text/polarWords.ts';
import type { TurnDial } from '../../../ui/instruments/TurnDials.tsx';

export type TurnsModel = { turns: TurnsTonight; saying: TurnsSaying; paired: Paired; south: boolean };

function sayingOf({ altitude, azimuth, goal, locked, pole }: TurnsTonight): TurnsSaying {
  const both = [altitude, azimuth];
  if (both.every((a) => !a.measured && !a.turnedSince)) {
    return pole.basis === 'byEye' && goal.byEyeIsEnough ? 'byEyeIsEnough' : 'measure';
  }
  if (both.some((a) => a.turnedSince)) return 'measureAgain';
  if (both.some((a) => a.measured && !a.within)) return 'turn';
  if (both.some((a) => !a.measured)) return 'measure';
  return locked ? 'done' : 'tighten';
}

export function turnsModel(night: NightStatic): TurnsModel {
  const turns = turnsTonight(night);
  const { adjusters = null } = night.numbers.mount ?? {};
  return {
    turns,
    saying: sayingOf(turns),
    paired: { altitude: adjusters?.altitude.paired ?? false, azimuth: adjusters?.azimuth.paired ?? true },
    south: night.records.site.latDeg < 0,
  };
}

/** One eye of the two dials. */
export function dialOf(model: TurnsModel, adjuster: Adjuster, f: Format): TurnDial {
  const a: AdjusterTonight = model.turns[adjuster];
  const paired = model.paired[adjuster];
  const common = {
    name: shortKnobName(adjuster, paired, isOther(a, paired)),
    effect: effectWords(a, model.south),
    size: f.quantity(Math.abs(changeOf(a)), 'arcmin'),
    clockwise: turnsClockwise(a, paired),
    // A pupil lights on what was measured, not on what a turn should have done.
    within: a.within && !a.turnedSince,
  };
  if (!a.measured) return { ...common, turns: 0, amount: '?', direction: 'not measured', effect: '', size: '' };
  if (common.within) return { ...common, turns: 0, amount: 'there', direction: 'leave it', effect: 'off by' };
  if (a.turnedSince) return { ...common, turns: 0, amount: 'turned', direction: 'measure again', effect: 'about' };
  if (!a.advice) return { ...common, turns: null, amount: common.size, direction: 'turn not known', size: '' };
  const direction = common.clockwise ? 'clockwise' : 'counter-clockwise';
  return { ...common, turns: a.advice.turns, amount: turnWords(a.advice.turns, f), direction };
}
