/** Rigs as the first screens dress them, of every carrier, tube and camera, in both hemispheres: held, or told to be not. */
import fc from 'fast-check';
import { sum } from '../../src/core/mount/levers.ts';
import type { NightStatic } from '../../src/core/night/nightStatic.ts';
import type { OwnAnswers } from '../../src/core/night/advice/ownNight.ts';
import { HALF_TURN_H } from '../../src/core/night/plan/tubeClearance.ts';
import { loadOfRig } from '../../src/core/rig/payloadOfRig.ts';
import { CARRIERS, SIZES } from '../../src/core/rig/dressing/carriers.ts';
import { SENSORS, type Looker, type SensorFormat } from '../../src/core/rig/dressing/looks.ts';
import { axisModel } from '../../src/features/balance/model.ts';
import { settingOf } from '../../src/core/records/setting.ts';
import { derived, NORTH, SOUTH } from './ownWorld.ts';
import { everyCase } from './trial.ts';

type Optics = OwnAnswers['rig']['optics'];
const whole = (min: number, max: number): fc.Arbitrary<number> => fc.integer({ min, max });

/** As they are sold: a focal ratio that its kind is made in. */
const optics: fc.Arbitrary<Optics> = fc.oneof(
  fc.record({ kind: fc.constant('lens' as const), focalMm: whole(14, 400), apertureMm: fc.constant(null) }),
  tube('refractor', 50, 130, 4.5, 9),
  tube('newtonian', 114, 250, 4, 8),
  tube('mirrorLens', 90, 235, 10, 14),
);

function tube(kind: Optics['kind'], leastMm: number, mostMm: number, from: number, to: number): fc.Arbitrary<Optics> {
  return fc
    .tuple(whole(leastMm, mostMm), fc.double({ min: from, max: to, noNaN: true }))
    .map(([apertureMm, ratio]) => ({ kind, apertureMm, focalMm: Math.round(apertureMm * ratio) }));
}

const sensor: fc.Arbitrary<Looker> = fc.oneof(
  fc.record({
    format: fc.constantFrom(...(Object.keys(SENSORS) as SensorFormat[])),
    megapixels: whole(2, 60),
    body: fc.constantFrom('lensMount' as const, 'telescope' as const),
  }),
  fc.constantFrom<Looker>('phone', 'eye'),
);

export const ownAnswers: fc.Arbitrary<OwnAnswers> = fc
  .record({
    where: fc.constantFrom(NORTH, SOUTH),
    rigName: fc.constant('Own'),
    rig: fc.record({
      carrier: fc.constantFrom(...CARRIERS),
      size: fc.constantFrom(...SIZES),
      raMotor: fc.boolean(),
      finder: fc.constantFrom('twelveHour' as const, 'none' as const),
      optics,
      sensor,
      guided: fc.boolean(),
    }),
  })
  // An eye needs a tube.
  .filter(({ rig }) => rig.optics.kind !== 'lens' || rig.sensor !== 'eye');

const SAME_M = 0.002;

/** Stands balanced, or the bench says at which end of the bar it does not. */
function isHeldOrTold(night: NightStatic): void {
  const { bar } = night;
  if (!bar) return;
  const { saying } = axisModel(night, 'ra', settingOf([], 'balance'));
  const setM = bar.rig.movable[0]?.setM;
  if (!bar.found.inRange || bar.found.positionM === null || setM === undefined) {
    if (saying.code !== 'offBar') throw new Error(`unheld, and told ${saying.code}`);
    if (saying.off.code === 'noWeight' && setM !== undefined) throw new Error('a weight hangs that nothing needs');
    return;
  }
  if (Math.abs(setM - bar.found.positionM) > SAME_M) throw new Error(`stands at ${setM}, not ${bar.found.positionM} m`);
  if (saying.code !== 'try') throw new Error(`balanced, and told ${saying.code}`);
}

/** What the dressing adds by itself, weights, never takes a rating that the rest leaves. */
function isRated({ numbers, bar }: NightStatic): void {
  const { mount, masses } = numbers;
  const load = loadOfRig(numbers, 1, null);
  if (!mount || !load || load.massKg.is <= mount.ratedKg) return;
  const tubeSideKg = sum(masses.tubeSide, (p) => p.massKg);
  if (tubeSideKg > mount.ratedKg) return;
  if (!mount.ratingIncludesWeights) throw new Error(`weights count that should not: ${load.massKg.is} kg`);
  // Over by the weights: then no less could hold it, out at the end of the bar.
  const endM = bar?.rig.input.barRangeM[1] ?? 0;
  const neededKg =
    (sum(masses.tubeSide, (p) => p.massKg * p.fromRaAxisM) - masses.bar.massKg * masses.bar.centreM) / endM;
  const leastKg = tubeSideKg + masses.bar.massKg + neededKg;
  if (leastKg <= mount.ratedKg - 0.5) throw new Error(`${load.massKg.is} kg where ${leastKg} kg would do`);
}

/** Nothing but guesses is known of its lengths: they forbid no side and take no hour away before the meridian. */
function hitsNothing({ limit: { limitH, tube }, flips }: NightStatic): void {
  if (!flips) return;
  if (limitH < 0) throw new Error(`the tube must leave ${-limitH} h before the meridian, by guesses`);
  if (!tube) return;
  const { before, after } = tube;
  if (before === null || after === null) throw new Error('a side is forbidden by guesses');
  const [lateH, earlyH] = [before.fromH ?? -HALF_TURN_H, after.toH ?? HALF_TURN_H];
  if (lateH > -HALF_TURN_H || earlyH < HALF_TURN_H)
    throw new Error(`${lateH} to ${earlyH} h is all that guesses leave`);
}

export function check(answers: OwnAnswers): void {
  const night = derived(answers);
  if (night.numbers.gaps.length > 0) throw new Error(`lacks ${JSON.stringify(night.numbers.gaps)}`);
  isHeldOrTold(night);
  isRated(night);
  hitsNothing(night);
}

export const dressedTrial = everyCase(
  'dressed-rigs',
  'rigs of the first screens: balanced within their bar or told so, no rating exceeded by a guess, nothing hits by a guess alone',
  400,
  () => fc.property(ownAnswers, check),
);
