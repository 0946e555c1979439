/** Knob gains learned as the benches learn them, from six logged turns: errors measured to 0.3', every turn losing the dead
 *  band, now and then one that was logged wrong. */
import { knobsOf } from '../../src/core/pole/knobsOfMount.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { trialNight, trialReading } from './demoWorld.ts';
import { normal, seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const TURNS = 6;
const ERROR_SIGMA_ARCMIN = 0.3;
const WRONG_SHARE = 0.04;
const GOOD_SHARE = 0.08;
const SHARE_WANTED = 0.95;

/** Measured, turned, measured; several times over. */
function logOf(random: Random, gain: number, dead: number): Reading[] {
  const seen = (minutes: number, altErrorArcmin: number): Reading => {
    const measured = altErrorArcmin + ERROR_SIGMA_ARCMIN * normal(random);
    const values = { altErrorArcmin: measured, azErrorArcmin: 0, method: 'camera', reference: 'true' } as const;
    return trialReading('polarError', values, minutes);
  };
  return Array.from({ length: TURNS }, (_, i): Reading[] => {
    const size = within(random, 0.1, 1);
    const turns = random() < 0.5 ? size : -size;
    const afterLockOrReversal = random() < 0.7;
    const effective = Math.max(0, size - (afterLockOrReversal ? dead : 0));
    const before = within(random, -30, 30);
    const wrong = random() < WRONG_SHARE ? 2 : 1;
    const change = gain * Math.sign(turns) * effective * wrong;
    const turn = { adjuster: 'altitude', turns, afterLockOrReversal, beforeArcmin: null, afterArcmin: null } as const;
    const minutes = 10 * i;
    return [seen(minutes, before), trialReading('knobTurn', turn, minutes + 1), seen(minutes + 2, before + change)];
  }).flat();
}

function isGood(random: Random): boolean {
  const gain = within(random, 25, 80) * (random() < 0.5 ? 1 : -1);
  const readings = logOf(random, gain, within(random, 0, 0.12));
  const learned = knobsOf(trialNight({ readings })).altitude?.learned ?? null;
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
