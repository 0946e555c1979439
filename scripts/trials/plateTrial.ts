/** The half-turn test on simulated finders: the cross stands up to 60' off, marks are read with a shaky eye, the plate lies
 *  between the tips of its screws, which do more or less than usual, the hand misses a little. Three tests. */
import { plus, times, toPlate, turnedBy, type PlatePoint } from '../../src/core/mount/finderPlate.ts';
import { USUAL_ARCMIN_PER_TURN } from '../../src/core/mount/plateScrews.ts';
import { plateOfFinder } from '../../src/core/pole/plateOfFinder.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { trialNight, trialReading } from './demoWorld.ts';
import { plateAfter } from './contactPlate.ts';
import { normal, seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const MARK_SIGMA_ARCMIN = 1.5;
const ROUNDS = 3;
const GOOD_ARCMIN = 3;
const SHARE_WANTED = 0.95;
const HAND_MISS = 0.08;
const QUARTER = 0.25 + 1e-9;

const shaky = (random: Random, p: PlatePoint, sigma: number): PlatePoint => ({
  xArcmin: p.xArcmin + sigma * normal(random),
  yArcmin: p.yArcmin + sigma * normal(random),
});

/** What the eye marks: a point anywhere near, the cross carried round the axis by half a turn. */
function seenNow(random: Random, cross: PlatePoint, minutes: number): Reading {
  const point = toPlate({ angleDeg: within(random, 0, 360), distanceArcmin: within(random, 0, 30) });
  const see = (c: PlatePoint) => shaky(random, plus(point, times(c, -1)), MARK_SIGMA_ARCMIN);
  const [before, after] = [see(cross), see(turnedBy(cross, 180))];
  return trialReading(
    'halfTurn',
    {
      beforeXArcmin: before.xArcmin,
      beforeYArcmin: before.yArcmin,
      afterXArcmin: after.xArcmin,
      afterYArcmin: after.yArcmin,
    },
    minutes,
  );
}

/** How far the cross stands from the axis after three rounds of the bench, arcmin. */
function leftOver(random: Random): number {
  let cross = toPlate({ angleDeg: within(random, 0, 360), distanceArcmin: within(random, 0, 60) });
  const truePerTurn = USUAL_ARCMIN_PER_TURN * within(random, 0.6, 1.6);
  const first = within(random, 0, 120);
  const screwAnglesDeg = (random() < 0.7 ? [0, 120, 240] : [0, 90, 180, 270]).map((s) => s + first);
  const readings: Reading[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    readings.push(seenNow(random, cross, 10 * round));
    const { screws } = plateOfFinder(
      trialNight({ readings, mount: (m) => ({ ...m, finder: m.finder && { ...m.finder, screwAnglesDeg } }) }),
    );
    if (!screws) break;
    if (screws.round.some((t) => Math.abs(t.turns) > QUARTER)) return Infinity;
    const hand = Array.from({ length: screws.rounds }, () =>
      screws.round.map((t) => ({ ...t, turns: t.turns * (1 + HAND_MISS * normal(random)) })),
    );
    // After the half turn the plate hangs upside down in the view.
    cross = times(plateAfter(times(cross, -1), hand, truePerTurn), -1);
    readings.push(trialReading('event', { what: 'plateMoved' }, 10 * round + 5));
  }
  return Math.hypot(cross.xArcmin, cross.yArcmin);
}

export const plateTrial: Trial = {
  name: 'half-turn',
  what: "cross within 3' of the axis after three tests, in 95 % of the plates, no screw turned by more than a quarter",
  cases: 200,
  leastCases: 200,
  run: (seed, cases) => {
    const random = seeded(seed);
    const good = Array.from({ length: cases }, () => leftOver(random)).filter((left) => left < GOOD_ARCMIN).length;
    const figure = `true in ${good} of ${cases} plates`;
    return Promise.resolve({ failure: good >= SHARE_WANTED * cases ? null : figure, figure });
  },
};
