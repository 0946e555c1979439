/** The order of balancing and of taking a rig down, in hand movements. */
import type { OrderStep, UnloadStep } from '../core/night/balance/balanceOrder.ts';
import type { Said } from './said.ts';

export const ORDER_WORDS: Record<OrderStep, { do: string; why: string }> = {
  roughPole: {
    do: 'Rough pole through the finder, before the camera goes on',
    why: 'Camera and bracket will block its view.',
  },
  dress: {
    do: 'Final dress: everything mounted, cables tied, dew shield out, rough focus, caps off',
    why: 'What comes on later moves the balance; a cap or the focuser’s travel is enough.',
  },
  ra: {
    do: 'Right ascension, bar level',
    why: 'The heavier axis first, or the tube swings while you work on the other.',
  },
  dec: { do: 'Declination, tube level', why: 'Its clutch opens only when right ascension holds by itself.' },
  sideways: { do: 'Tube straight up', why: 'Shows what sits beside the tube’s middle line; a level tube hides it.' },
  raAgain: { do: 'Right ascension once more', why: 'Sliding the tube or a side piece moved it a little.' },
  home: {
    do: 'Home position: weights straight down, tube to the pole, both clutches tight',
    why: 'Only then power: the controller counts from there.',
  },
  poleCheck: {
    do: 'Look at the pole once more, clutch tight',
    why: 'Camera and weights bent the mount a little after the rough pole.',
  },
};

export const UNLOAD_WORDS: Record<UnloadStep, string> = {
  park: 'Weights straight down, tube to the pole, both clutches tight',
  parkBare: 'Tube to the pole, axes locked',
  powerOff: 'Power off',
  cablesOff: 'Cables off, thick ones first',
  cameraOff: 'Camera off with one hand on the tube: without it the front drops',
  tubeOff: 'Tube out of the saddle, held before the clamp opens',
  weightsOff: 'Weights off last of the load, the end stop after them',
  barOff: 'Bar out or drawn in',
  headOff: 'Head off; two people above 20 kg',
  legsLast: 'Legs in last. Look round the ground with a light',
};

/** Why weights come off after the tube. */
export const UNLOAD_REASON =
  'Weights on the bar alone only hang down. A tube without weights swings the whole axis round, over your hands.';

/** What comes next, for the hand. */
export function orderSentence(next: OrderStep | null, any: boolean): Said {
  if (!any) return 'Nothing to balance on a bar with this mount.';
  return next === null ? 'All done: **power may come on**.' : `Next: **${ORDER_WORDS[next].do}**.`;
}

export function orderReason(next: OrderStep | null): string {
  return next === null ? 'Weights down, tube to the pole, both clutches tight.' : ORDER_WORDS[next].why;
}
