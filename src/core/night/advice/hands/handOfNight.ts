/** What the hand does where no motor follows: how fast its knob is turned, and how long things stay in view. */
import { mountTraits } from '../../../mount/mountKinds.ts';
import { crossingMin, knobTurnMin } from '../../../mount/handTurning.ts';
import { motorsOf } from '../../../mount/motors.ts';
import { trueFieldDeg } from '../../../optics/lightPath.ts';
import { ASSUMED } from '../../../verdict/assumptions.ts';
import type { NightStatic } from '../../nightStatic.ts';

export type HandOfNight = {
  /** Minutes for one turn of the right-ascension knob; null for a mount that a motor follows with, or without a worm. */
  turnMin: number | null;
  /** Of its worm wheel; `teethAssumed`: nobody counted them. */
  teeth: number | null;
  teethAssumed: boolean;
  /** Across what the view shows, from edge to edge; null when the rig has neither eyepiece nor camera. */
  view: { by: 'eyepiece' | 'sensor'; fieldDeg: number; stayMin: number } | null;
  /** A motor keeps it in view. */
  follows: boolean;
  /** Of the target, or the equator when none is chosen. */
  decDeg: number;
};

/** An eyepiece's own true field; of a frame the shorter side, whichever way it is turned. */
function viewOf({ eyeOptics, train }: NightStatic['numbers'], decDeg: number): HandOfNight['view'] {
  const seen = (by: 'eyepiece' | 'sensor', fieldDeg: number): HandOfNight['view'] => ({
    by,
    fieldDeg,
    stayMin: crossingMin(fieldDeg, decDeg),
  });
  if (eyeOptics) return seen('eyepiece', trueFieldDeg(eyeOptics));
  return train && seen('sensor', Math.min(train.fieldWidthDeg, train.fieldHeightDeg));
}

export function handOfNight({ numbers, targetSky }: NightStatic): HandOfNight {
  const { mount } = numbers;
  const decDeg = targetSky?.ofDate.decDeg ?? 0;
  const hasKnob = motorsOf(mount) === 'none' && mountTraits(mount).hasPolarAxis;
  const counted = mount?.wormTeeth ?? null;
  const teeth = hasKnob ? (counted ?? ASSUMED.wormTeeth) : null;
  return {
    turnMin: teeth === null ? null : knobTurnMin(teeth),
    teeth,
    teethAssumed: counted === null,
    view: viewOf(numbers, decDeg),
    follows: motorsOf(mount) !== 'none',
    decDeg,
  };
}
