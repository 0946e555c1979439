/** The half-turn test on simulated finders: the cross stands up to 60' off, marks are read with a shaky eye, the screws do
 *  more or less than usual, the hand misses a little. Three rounds. */
import { crossOffset, type HalfTurnMarks } from '../../src/core/mount/halfTurn.ts';
import { plus, times, toPlate, turnedBy, type PlatePoint } from '../../src/core/mount/finderPlate.ts';
import { learnScrewGain, screwTurns, shareAtOnce, USUAL_ARCMIN_PER_TURN } from '../../src/core/mount/plateScrews.ts';
import { crossMoved } from './pushedPlate.ts';
import { normal, seeded, within, type Random } from './random.ts';
import type { Trial } from './trials.ts';

const MARK_SIGMA_ARCMIN = 1.5;
const ROUNDS = 3;
const GOOD_ARCMIN = 3;
const SHARE_WANTED = 0.95;
const HAND_MISS = 0.08;

const shaky = (random: Random, p: PlatePoint, sigma: number): PlatePoint => ({
  xArcmin: p.xArcmin + sigma * normal(random),
  yArcmin: p.yArcmin + sigma * normal(random),
});

/** What the eye marks: a point anywhere near, the cross carried round the axis by half a turn. */
function marksOf(random: Random, cross: PlatePoint): HalfTurnMarks {
  const point = toPlate({ angleDeg: within(random, 0, 360), distanceArcmin: within(random, 0, 30) });
  const see = (c: PlatePoint) => shaky(random, plus(point, times(c, -1)), MARK_SIGMA_ARCMIN);
  return { before: see(cross), after: see(turnedBy(cross, 180)) };
}

/** How far the cross stands from the axis after three rounds, arcmin. */
function leftOver(random: Random): number {
  let cross = toPlate({ angleDeg: within(random, 0, 360), distanceArcmin: within(random, 0, 60) });
  const truePerTurn = USUAL_ARCMIN_PER_TURN * within(random, 0.6, 1.6);
  const first = within(random, 0, 120);
  const screws = random() < 0.7 ? [0, 120, 240] : [0, 90, 180, 270];
  let perTurn = USUAL_ARCMIN_PER_TURN;
  let asked: PlatePoint | null = null;
  let before = cross;
  for (let round = 0; round < ROUNDS; round += 1) {
    const marks = marksOf(random, cross);
    const offset = crossOffset(marks);
    if (asked) perTurn = learnScrewGain(asked, plus(offset, times(before, -1)), perTurn);
    before = offset;
    const move = offset;
    // The plate stands turned with the axis while the screws are reached.
    const turns =
      screwTurns(
        screws.map((s) => s + first + 180),
        move,
        perTurn,
      ) ?? [];
    const steps = Math.ceil(1 / shareAtOnce(turns));
    const hand = turns.map((t) => ({ ...t, turns: t.turns * (1 + HAND_MISS * normal(random)) }));
    // Each step keeps all screws snug; together they make the whole move.
    const moved = times(crossMoved(hand, truePerTurn / steps), steps);
    // In the view before the turn the same move points the other way.
    cross = plus(cross, times(moved, -1));
    asked = times(move, -1);
  }
  return Math.hypot(cross.xArcmin, cross.yArcmin);
}

export const plateTrial: Trial = {
  name: 'half-turn',
  what: "cross within 3' of the axis after three rounds, in 95 % of the plates",
  cases: 200,
  leastCases: 200,
  run: (seed, cases) => {
    const random = seeded(seed);
    const good = Array.from({ length: cases }, () => leftOver(random)).filter((left) => left < GOOD_ARCMIN).length;
    const figure = `true in ${good} of ${cases} plates`;
    return Promise.resolve({ failure: good >= SHARE_WANTED * cases ? null : figure, figure });
  },
};
