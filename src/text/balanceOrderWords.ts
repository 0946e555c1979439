/** The order of balancing and of taking a rig down, in hand movements. */
import type { Hands } from '../core/rig/assembly.ts';
import type { RearEnd } from '../core/rig/lookerPlace.ts';
import { TUBE_ENDS } from './tubeEnds.ts';
import { isTrial, type OrderStep, type TrialStep, type UnloadStep } from '../core/night/advice/hands/balanceOrder.ts';
import type { Motors } from '../core/mount/motors.ts';
import { assemblyWords } from './assemblyWords.ts';
import type { Said } from './said.ts';

const TRIAL_WORDS: Record<TrialStep, { do: string; why: string }> = {
  ra: {
    do: 'Right ascension, bar level',
    why: 'The heavier axis first, or the tube swings while you work on the other.',
  },
  dec: { do: 'Declination, tube level', why: 'Its clutch opens only when right ascension holds by itself.' },
  sideways: { do: 'Tube straight up', why: 'Shows what sits beside the tube’s middle line; a level tube hides it.' },
  raAgain: { do: 'Right ascension once more', why: 'Sliding the tube or a side piece moved it a little.' },
};

export const orderWords = (step: OrderStep, hands: Hands): { do: string; why: string } =>
  isTrial(step) ? TRIAL_WORDS[step] : assemblyWords(step, hands);

const UNLOAD: Record<Exclude<UnloadStep, 'cameraOff'>, string> = {
  park: 'Weights straight down, tube to the pole, both clutches tight',
  parkBare: 'Tube to the pole, axes locked',
  powerOff: 'Power off',
  cablesOff: 'Cables off, thick ones first',
  tubeOff: 'Tube out of the saddle, held before the clamp opens',
  weightsOff: 'Weights off last of the load, the end stop after them',
  barOff: 'Bar out or drawn in',
  headOff: 'Head off; two people above {20 kg}',
  legsLast: 'Legs in last. Look round the ground with a light',
};

/** @param rear a reflector's camera hangs at its open end. */
export function unloadWords(step: UnloadStep, rear: RearEnd): string {
  if (step !== 'cameraOff') return UNLOAD[step];
  return `Camera off with one hand on the tube: without it the ${rear === 'mirror' ? TUBE_ENDS.mirror.rear : 'front'} drops`;
}

/** Why weights come off after the tube. */
export const UNLOAD_REASON =
  'Weights on the bar alone only hang down. A tube without weights swings the whole axis round, over your hands.';

/** What comes next, for the hand. */
export function orderSentence(next: OrderStep | null, any: boolean, motors: Motors, hands: Hands): Said {
  if (!any) return 'Nothing to balance on a bar with this mount.';
  if (next === null) return motors === 'none' ? 'All done: **look for the pole**.' : 'All done: **power may come on**.';
  return `Next: **${orderWords(next, hands).do}**.`;
}

export function orderReason(next: OrderStep | null, hands: Hands): string {
  return next === null ? 'Weights down, tube to the pole, both clutches tight.' : orderWords(next, hands).why;
}
