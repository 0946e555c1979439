/** The long seeded proofs: each runs any number of cases, `npm run trial` all of them, `npm test` a share. */
import fc from 'fast-check';
import { driftRates } from '../../src/core/mount/polarDrift.ts';
import { raBalance, type RaBalanceInput } from '../../src/core/mount/balance.ts';
import { balancePositionM } from '../../src/core/mount/levers.ts';
import { judgeLoad } from '../../src/core/mount/load.ts';
import { anyRecordProperty } from './anyRecordTrial.ts';
import { clearNightHolds, clearNights } from './clearNightsTrial.ts';
import { commandsProperty } from './commandsTrial.ts';
import { tubeSideMomentKgM } from './hung.ts';
import { cornersTrial } from './cornersTrial.ts';
import { importProperty } from './importTrial.ts';
import { evenly as finite } from './evenly.ts';
import { doubtLimitTrial } from './clearanceDoubtTrial.ts';
import { doubtVerdictTrial } from './doubtTrial.ts';
import { driveTrial } from './driveTrial.ts';
import { driftTrial } from './driftTrial.ts';
import { knobTrial } from './knobTrial.ts';
import { lifeTrial } from './lifeTrial.ts';
import { logProperty } from './logTrial.ts';
import { logTruthProperty } from './logTruthTrial.ts';
import { pastNightsTrial } from './pastNightsTrial.ts';
import { lightNeverFalls, planHolds, plans, replanHolds } from './planTrial.ts';
import { plateTrial } from './plateTrial.ts';
import { tipTrial } from './tipTrial.ts';
import { everyCase, type Trial } from './trial.ts';
import { dressedTrial } from './dressedTrial.ts';
import { wordsTrial } from './wordsTrial.ts';
import { windowsTrial } from './windowsTrial.ts';
import { weightSets } from '../../src/core/mount/balanceProposals.ts';

function check(condition: boolean, what: string): void {
  if (!condition) throw new Error(what);
}

const RAD = Math.PI / 180;

/** Simulated drift against the closed small-angle forms, both hemispheres. */
function driftHolds([alt, az, size, s, dec, haH]: readonly [number, number, number, number, number, number]): void {
  const rates = driftRates({ altErrorArcmin: alt, azErrorArcmin: az }, s * size, dec, haH);
  const [h, onSky] = [haH * 15 * RAD, az * Math.cos(size * RAD)];
  const k = 0.26252;
  check(
    Math.abs(rates.decPerMin + s * k * (alt * Math.sin(h) + onSky * Math.cos(h))) < 0.02,
    'declination drift has the wrong sign or size',
  );
  const ra = s * k * Math.sin(dec * RAD) * (onSky * Math.sin(h) - alt * Math.cos(h));
  check(Math.abs(rates.raPerMin - ra) < 0.03, 'right-ascension drift has the wrong sign or size');
}

const mass = finite(0.05, 8);
const rigs: fc.Arbitrary<RaBalanceInput> = fc.record({
  parts: fc.array(fc.record({ id: fc.constantFrom('a', 'b', 'c'), massKg: mass, fromRaAxisM: finite(0.05, 0.4) }), {
    minLength: 1,
    maxLength: 6,
  }),
  bar: fc.record({ massKg: finite(0, 2), centreM: finite(0, 0.3) }),
  movableWeights: fc.array(fc.record({ id: fc.constantFrom('w1', 'w2'), massKg: mass }), {
    minLength: 1,
    maxLength: 2,
  }),
  fixedWeights: fc.array(fc.record({ massKg: finite(0, 3), positionM: finite(0, 0.4) }), { maxLength: 2 }),
  barRangeM: fc.constant<[number, number]>([0.1, 0.4]),
});

/** The position leaves no moment, and the proposed sets are exactly those that fit. */
function balanceHolds([rig, masses]: readonly [RaBalanceInput, readonly number[]]): void {
  const { positionM } = raBalance(rig);
  check(positionM !== null && Math.abs(tubeSideMomentKgM(rig, positionM)) < 1e-9, 'a moment is left');
  const box = masses.map((massKg, i) => ({ id: `b${i}`, massKg }));
  const needed = raBalance({ ...rig, fixedWeights: [] }).momentNeededFromWeightsKgM;
  let fitting = 0;
  for (let bits = 1; bits < 2 ** box.length; bits += 1) {
    const kg = box.reduce((sum, w, i) => sum + (bits & (1 << i) ? w.massKg : 0), 0);
    if (needed / kg >= rig.barRangeM[0] && needed / kg <= rig.barRangeM[1]) fitting += 1;
  }
  const sets = weightSets(rig, box);
  check(sets.length === fitting, 'the sets are not those of the exhaustive search');
  check(
    sets.every((set, i) => i === 0 || set.ids.length >= (sets[i - 1]?.ids.length ?? 0)),
    'fewest pieces do not come first',
  );
}

/** A piece more never lowers mass, moment, inertia about the declination axis or the charge that a night needs. */
function moreHolds([rig, extraKg, armM, alongM]: readonly [RaBalanceInput, number, number, number]): void {
  const judged = (parts: RaBalanceInput['parts']) =>
    judgeLoad({
      parts: parts.map((p) => ({ ...p, alongTubeM: 0.1, lengthM: 0.2 })),
      counterKg: 1,
      ratedKg: 10,
      ratingIncludesWeights: true,
      referenceArmM: 0.2,
      shareUsed: 2 / 3,
      goodInertiaKgM2: null,
    });
  const [before, after] = [judged(rig.parts), judged([...rig.parts, { id: 'x', massKg: extraKg, fromRaAxisM: armM }])];
  check(after.massKg.is >= before.massKg.is, 'more mass made it lighter');
  check(after.momentKgM.is >= before.momentKgM.is, 'more mass lowered the moment');
  check(after.decInertiaKgM2 >= before.decInertiaKgM2, 'more mass lowered the inertia');
  const slideM = balancePositionM({
    fixed: [{ massKg: 1, armM: 0.1 }],
    moving: [{ massKg: extraKg, armM: alongM }],
    presentM: 0,
    sense: 1,
  });
  const left = extraKg * (alongM + slideM) + 0.1;
  check(Math.abs(left) < 1e-9, 'a moment is left about the declination axis');
}

const asRaw = <T>(arbitrary: fc.Arbitrary<T>, holds: (value: T) => void) =>
  fc.property(arbitrary, holds) as fc.IRawProperty<unknown>;

export const TRIALS: readonly Trial[] = [
  everyCase('plan', 'no sub straddles limit or flip, none overlap', 4000, () => asRaw(plans, planHolds)),
  everyCase('clear-nights', 'no sub where the tube is not clear or a limit is passed, up to three targets', 1000, () =>
    asRaw(clearNights, (w) => clearNightHolds(w, { before: 0, after: 0, second: 0, later: 0 })),
  ),
  lifeTrial,
  pastNightsTrial,
  doubtVerdictTrial,
  doubtLimitTrial,
  everyCase('plan-light', 'a wider limit never costs light, under any way about the meridian', 4000, () =>
    asRaw(fc.tuple(plans, finite(0, 2)), ([plan, byH]) => lightNeverFalls(plan, byH)),
  ),
  everyCase('plan-again', 'laid anew after a pause, what is past stays where it was', 4000, () =>
    asRaw(fc.tuple(plans, finite(0, 14), finite(0, 3)), ([plan, atH, forH]) => replanHolds(plan, atH, forH)),
  ),
  everyCase(
    'polar-drift',
    'simulated drift agrees with the closed forms in sign and size, both hemispheres',
    4000,
    () =>
      asRaw(
        fc.tuple(
          finite(-8, 8),
          finite(-8, 8),
          finite(15, 65),
          fc.constantFrom(1, -1),
          finite(-70, 70),
          finite(-11, 11),
        ),
        driftHolds,
      ),
  ),
  everyCase('balance', 'zero moment at the position found; proposed sets = exhaustive search', 4000, () =>
    asRaw(fc.tuple(rigs, fc.array(mass, { minLength: 1, maxLength: 6 })), balanceHolds),
  ),
  dressedTrial,
  tipTrial,
  cornersTrial,
  driveTrial,
  windowsTrial,
  everyCase('logs', 'mutated logs: refused by name, or read to finite figures', 1000, logProperty),
  everyCase(
    'log-truth',
    'logs of a known drive in many shapes and disorders: the truth within its doubt, or a named refusal',
    1000,
    logTruthProperty,
    0.03,
  ),
  driftTrial,
  plateTrial,
  knobTrial,
  everyCase(
    'payload',
    'adding mass never lowers mass, moment or inertia; declination balanced = zero moment',
    4000,
    () => asRaw(fc.tuple(rigs, mass, finite(0, 0.5), finite(-0.5, 0.5)), moreHolds),
  ),
  everyCase(
    'import',
    'mutated backup files end in named refusals or plannable merges; the database stays as it was',
    1000,
    importProperty,
  ),
  wordsTrial,
  everyCase('any-record', 'every bench draws whatever record the schemas take', 2000, anyRecordProperty),
  everyCase(
    'commands',
    'random commands by two tabs, doubled, undone, merged: nothing twice, undone is as before, replaced is as the file, nothing points to nothing',
    300,
    commandsProperty,
  ),
];
