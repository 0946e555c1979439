/** The tip test on simulated rigs: stated masses off by up to 30 %, friction, and now and then a wrong "it stays". */
import { raBalance, type RaBalanceInput } from '../../src/core/mount/balance.ts';
import { GOOD_M } from '../../src/core/mount/tipEstimate.ts';
import { tipOfNight, type Drops, type TipOfNight } from '../../src/core/night/learned/tipOfNight.ts';
import type { Part } from '../../src/core/records/part.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import type { Placed } from '../../src/core/records/rig.ts';
import { own, trialNight, trialReading } from './demoWorld.ts';
import { tubeSideMomentKgM } from './hung.ts';
import { seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const LARGEST_MASS_ERROR = 0.3;
const FRICTION_KG_M: readonly [number, number] = [0.02, 0.1];
const MOST_ANSWERS = 6;
const SHARE_WANTED = 0.95;
const WEIGHT_THICK_M = 0.03;

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

const stated = { ...own, massBasis: 'stated' as const, count: 1 };
const hung = (partId: string, fromRaAxisM: number, on: Placed['on'], movable = false): Placed => ({
  placedId: `at-${partId}`,
  partId,
  on,
  fromRaAxisM,
  alongTubeM: 0,
  sidewaysM: 0,
  slides: false,
  movable,
});

type Dressed = { parts: Part[]; placed: Placed[]; barRangeM: [number, number] };

/** What its owner has in the parts box and on the rig. */
function dressed({ parts, bar, movableWeights, barRangeM }: RaBalanceInput): Dressed {
  const small = parts.map((p): Part => ({ ...stated, id: p.id, name: p.id, kind: 'small', massKg: p.massKg }));
  const shape = { lengthM: 0.6, centreM: bar.centreM, radiusM: 0.01 };
  const barPart: Part = { ...stated, id: 'rod', name: 'Bar', kind: 'bar', massKg: bar.massKg, ...shape };
  const weights = movableWeights.map((w): Part => ({
    ...stated,
    id: w.id,
    name: w.id,
    kind: 'weight',
    massKg: w.massKg,
    thicknessM: WEIGHT_THICK_M,
  }));
  const placed = [
    ...parts.map((p) => hung(p.id, p.fromRaAxisM, 'tube')),
    hung('rod', -bar.centreM, 'bar'),
    ...movableWeights.map((w) => hung(w.id, -barRangeM[0], 'bar', true)),
  ];
  return { parts: [...small, barPart, ...weights], placed, barRangeM: [barRangeM[0], barRangeM[1]] };
}

function tipNow({ barRangeM, ...rest }: Dressed, readings: readonly Reading[]): TipOfNight {
  const tip = tipOfNight(trialNight({ ...rest, readings, mount: (m) => ({ ...m, barRangeM }) }), 'ra');
  if (!tip) throw new Error('the rig has nothing to move');
  return tip;
}

/** Which side drops, seen by someone who now and then says "stays" although it moved. */
function answer(rig: RaBalanceInput, positionM: number, frictionKgM: number, wrong: boolean): Drops {
  const momentKgM = tubeSideMomentKgM(rig, positionM);
  if (wrong || Math.abs(momentKgM) <= frictionKgM) return 'none';
  return momentKgM > 0 ? 'tube' : 'weight';
}

/** One rig balanced: did it end within 3 mm or inside the band? */
function isBalanced(random: Random, wrongStays: number): boolean {
  const rig = trueRig(random);
  const believed = dressed(statedRig(rig, random));
  const frictionKgM = within(random, ...FRICTION_KG_M);
  const readings: Reading[] = [];
  let { estimate } = tipNow(believed, readings);
  while (estimate.balancedM === null && readings.length < MOST_ANSWERS) {
    const positionM = estimate.nextM;
    const drops = answer(rig, positionM, frictionKgM, random() < wrongStays);
    const subject = { type: 'rig', id: 'demo-heron' } as const;
    readings.push(trialReading('balance', { axis: 'ra', positionM, drops }, readings.length, { subject }));
    ({ estimate } = tipNow(believed, readings));
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
