/** The tip test on simulated rigs: stated masses off by up to 30 %, friction, and now and then a wrong "it stays". */
import { raBalance, type RaBalanceInput } from '../../src/core/mount/balance.ts';
import { sum } from '../../src/core/mount/levers.ts';
import { momentsDoubtKgM, PLACE_DOUBT_M, type DoubtfulMass } from '../../src/core/mount/massDoubt.ts';
import { GOOD_M, tipEstimate, type TipProblem } from '../../src/core/mount/tipEstimate.ts';
import type { TipTrial } from '../../src/core/mount/tipTest.ts';
import { tubeSideMomentKgM } from './hung.ts';
import { seeded, within, type Random } from './random.ts';
import type { Trial } from './trials.ts';

const LARGEST_MASS_ERROR = 0.3;
const FRICTION_KG_M: readonly [number, number] = [0.02, 0.1];
const MOST_ANSWERS = 6;
const SHARE_WANTED = 0.95;

/** A rig that balances somewhere on its bar. */
function trueRig(random: Random): RaBalanceInput {
  for (;;) {
    const rig: RaBalanceInput = {
      parts: Array.from({ length: 2 + Math.floor(random() * 5) }, (_, i) => ({
        id: `p${i}`,
        massKg: within(random, 0.1, 4),
        fromRaAxisM: within(random, 0.06, 0.36),
      })),
      bar: { massKg: within(random, 0, 1.2), centreM: within(random, 0.05, 0.25) },
      movableWeights: [{ id: 'w', massKg: within(random, 0.8, 7) }],
      fixedWeights: [],
      barRangeM: [within(random, 0.05, 0.15), within(random, 0.25, 0.55)],
    };
    if (raBalance(rig).inRange) return rig;
  }
}

/** The same rig as its owner believes it to be. */
function statedRig(rig: RaBalanceInput, random: Random): RaBalanceInput {
  const off = <T extends { massKg: number }>(one: T): T => ({
    ...one,
    massKg: one.massKg * within(random, 1 - LARGEST_MASS_ERROR, 1 + LARGEST_MASS_ERROR),
  });
  return { ...rig, parts: rig.parts.map(off), bar: off(rig.bar), movableWeights: rig.movableWeights.map(off) };
}

function problemOf(stated: RaBalanceInput): TipProblem {
  const predictedM = raBalance(stated).positionM ?? 0;
  const movingKg = sum(stated.movableWeights, (w) => w.massKg);
  const doubtful = (massKg: number, armM: number): DoubtfulMass => ({
    massKg,
    massBasis: 'stated',
    armM,
    placeDoubtM: PLACE_DOUBT_M.across,
  });
  const doubtKgM = momentsDoubtKgM([
    ...stated.parts.map((p) => doubtful(p.massKg, p.fromRaAxisM)),
    doubtful(stated.bar.massKg, stated.bar.centreM),
    ...stated.movableWeights.map((w) => doubtful(w.massKg, predictedM)),
  ]);
  return { predictedM, sigmaM: doubtKgM / movingKg, movingKg, rangeM: stated.barRangeM };
}

/** Which side drops, seen by someone who now and then says "stays" although it moved. */
function answer(rig: RaBalanceInput, positionM: number, frictionKgM: number, wrong: boolean): TipTrial['wants'] {
  const momentKgM = tubeSideMomentKgM(rig, positionM);
  if (wrong || Math.abs(momentKgM) <= frictionKgM) return 'none';
  return momentKgM > 0 ? 'more' : 'less';
}

/** One rig balanced: did it end within 3 mm or inside the band? */
function isBalanced(random: Random, wrongStays: number): boolean {
  const rig = trueRig(random);
  const problem = problemOf(statedRig(rig, random));
  const frictionKgM = within(random, ...FRICTION_KG_M);
  const trials: TipTrial[] = [];
  let estimate = tipEstimate(trials, problem);
  while (estimate.balancedM === null && trials.length < MOST_ANSWERS) {
    const positionM = estimate.nextM;
    trials.push({ positionM, wants: answer(rig, positionM, frictionKgM, random() < wrongStays) });
    estimate = tipEstimate(trials, problem);
  }
  const leftM = estimate.balancedM ?? estimate.nextM;
  const trueM = raBalance(rig).positionM ?? NaN;
  return Math.abs(leftM - trueM) <= GOOD_M || Math.abs(tubeSideMomentKgM(rig, leftM)) <= frictionKgM;
}

/** @param wrongStays how often "stays" is said although something dropped. */
export function tipTrialWith({ wrongStays }: { wrongStays: number }): Trial {
  return {
    name: 'tip-test',
    what: 'balanced within 3 mm or inside the friction in at most six answers, in 95 % of the rigs',
    cases: 500,
    leastCases: 500,
    run: (seed, cases) => {
      const random = seeded(seed);
      const good = Array.from({ length: cases }, () => isBalanced(random, wrongStays)).filter(Boolean).length;
      const figure = `balanced in ${good} of ${cases} rigs`;
      return Promise.resolve({ failure: good >= SHARE_WANTED * cases ? null : figure, figure });
    },
  };
}

export const tipTrial = tipTrialWith({ wrongStays: 0.05 });
