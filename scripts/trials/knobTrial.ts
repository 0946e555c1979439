/** Knob gains learned from six logged turns: errors measured to 0.3', every turn losing the dead band, now and then one
 *  that was logged wrong. */
import { learnKnob, type LoggedTurn } from '../../src/core/mount/knobs.ts';
import { normal, seeded, within, type Random } from './random.ts';
import type { Trial } from './trials.ts';

const TURNS = 6;
const ERROR_SIGMA_ARCMIN = 0.3;
const WRONG_SHARE = 0.04;
const GOOD_SHARE = 0.08;
const SHARE_WANTED = 0.95;

function logOf(random: Random, gain: number, dead: number): LoggedTurn[] {
  return Array.from({ length: TURNS }, (): LoggedTurn => {
    const size = within(random, 0.1, 1);
    const turns = random() < 0.5 ? size : -size;
    const afterLockOrReversal = random() < 0.7;
    const effective = Math.max(0, size - (afterLockOrReversal ? dead : 0));
    const beforeArcmin = within(random, -30, 30);
    const wrong = random() < WRONG_SHARE ? 2 : 1;
    const change = gain * Math.sign(turns) * effective * wrong;
    const seen = (error: number): number => error + ERROR_SIGMA_ARCMIN * normal(random);
    return { turns, afterLockOrReversal, beforeArcmin: seen(beforeArcmin), afterArcmin: seen(beforeArcmin + change) };
  });
}

function isGood(random: Random): boolean {
  const gain = within(random, 25, 80) * (random() < 0.5 ? 1 : -1);
  const learned = learnKnob(logOf(random, gain, within(random, 0, 0.12)));
  return learned !== null && Math.abs(learned.gainArcminPerTurn / gain - 1) <= GOOD_SHARE;
}

export const knobTrial: Trial = {
  name: 'knobs',
  what: 'gain within 8 % from six logged turns, in 95 % of the knobs',
  cases: 1000,
  leastCases: 1000,
  run: (seed, cases) => {
    const random = seeded(seed);
    const good = Array.from({ length: cases }, () => isGood(random)).filter(Boolean).length;
    const figure = `learned in ${good} of ${cases} knobs`;
    return Promise.resolve({ failure: good >= SHARE_WANTED * cases ? null : figure, figure });
  },
};
