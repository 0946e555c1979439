/** Less known is never judged better, and never lets the tube run on longer: through the night that the benches show. */
import fc from 'fast-check';
import { nightAt } from '../../src/core/night/nightAt.ts';
import { isGood } from '../../src/core/night/ledger/judgement.ts';
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { trialNight, trialReading } from './demoWorld.ts';
import { evenly as finite } from './evenly.ts';
import { everyCase } from './trial.ts';

function check(condition: boolean, what: string): void {
  if (!condition) throw new Error(what);
}

/** The sequence of drawn subs tells a stretch to so much. */
const DRAWN = 0.015;

export const doubtfulEvenings = fc.record({
  altArcmin: finite(-15, 15),
  azArcmin: finite(-15, 15),
  sigmaArcmin: finite(0.3, 8),
  times: finite(1.2, 5),
  subS: fc.constantFrom(30, 60, 120, 300),
  guideRmsArcsec: fc.option(finite(0.4, 2)),
  coolsDegC: finite(0, 8),
  latDeg: finite(20, 65),
});
export type DoubtfulEvening = typeof doubtfulEvenings extends fc.Arbitrary<infer T> ? T : never;

const heron = { type: 'rig', id: 'demo-heron' } as const;
const tonight = { type: 'night', id: 'n1' } as const;

function eveningOf(e: DoubtfulEvening, pole: readonly Reading[], focused = true): NightStatic {
  const { guideRmsArcsec, coolsDegC, subS } = e;
  const focus = { positionUm: 12_000, temperatureC: 10, fwhmPx: null };
  const readings: Reading[] = [...pole];
  if (focused)
    readings.push(
      trialReading('focus', focus, 20, { subject: heron }),
      trialReading('air', { temperatureC: 10 - coolsDegC }, 40, { subject: tonight }),
    );
  if (guideRmsArcsec !== null) {
    const values = { rmsRaArcsec: guideRmsArcsec, rmsDecArcsec: guideRmsArcsec };
    readings.push(trialReading('guiding', values, 30, { subject: tonight }));
  }
  return nightStatic(trialNight({ readings, site: { latDeg: e.latDeg }, plan: { subS } }));
}

const poleRead = (e: DoubtfulEvening, sigmaArcmin: number): Reading =>
  trialReading(
    'polarError',
    { altErrorArcmin: e.altArcmin, azErrorArcmin: e.azArcmin, method: 'camera', reference: 'true' },
    5,
    { sigma: { altErrorArcmin: sigmaArcmin, azErrorArcmin: sigmaArcmin } },
  );
const byEye = trialReading('event', { what: 'setByEye' }, 5, { subject: tonight });
const BY_EYE_ARCMIN = 8;

type Told = { stretch90: number; isGood: boolean; limit: number };

function told(night: NightStatic): Told {
  const transitMs = night.targetSky?.transit.transitMs;
  const stars = transitMs === undefined ? null : nightAt(night, transitMs).stars;
  if (!stars) throw new Error('no stars are judged');
  const limit = night.records.limits.acceptable;
  return { stretch90: stars.budget.stretch90, isGood: isGood(stars.judgement), limit };
}

function notBetter(less: Told, more: Told, what: string): void {
  check(less.stretch90 >= (1 - DRAWN) * more.stretch90, `${what}: ${more.stretch90} became ${less.stretch90}`);
  const atLimit = Math.abs(more.stretch90 / more.limit - 1) < DRAWN;
  check(more.isGood || !less.isGood || atLimit, `${what}: stars that were not good are`);
}

/** A pole known worse, a focus that nobody set, a pole measured worse than by eye. */
export function verdictHolds(e: DoubtfulEvening): void {
  const known = told(eveningOf(e, [poleRead(e, e.sigmaArcmin)]));
  const doubtful = told(eveningOf(e, [poleRead(e, e.times * e.sigmaArcmin)]));
  notBetter(doubtful, known, 'the pole known worse');
  const unfocused = told(eveningOf(e, [poleRead(e, e.sigmaArcmin)], false));
  check(!unfocused.isGood, 'nobody set the focus, and the stars are good');
  check(!told(eveningOf(e, [])).isGood, 'nobody looked for the pole, and the stars are good');
  const cosLat = Math.cos((e.latDeg * Math.PI) / 180);
  const worseThanEye = (e.times * BY_EYE_ARCMIN) / Math.hypot(1, cosLat);
  notBetter(told(eveningOf(e, [poleRead(e, worseThanEye)])), told(eveningOf(e, [byEye])), 'measured worse than by eye');
}

export const doubtVerdictTrial = everyCase(
  'doubt-verdict',
  'a pole known worse, a focus nobody set, a pole measured worse than by eye: never better stars',
  1000,
  () => fc.property(doubtfulEvenings, verdictHolds) as fc.IRawProperty<unknown>,
  0.02,
);
