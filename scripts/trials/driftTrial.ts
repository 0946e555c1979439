/** Drift alignment on simulated mounts, with the air in it: the star's refracted place against the mount's pointing,
 *  turned about a wrong axis, all by vectors in the horizon frame (x north, y east, z up). */
import { ARCSEC_PER_RAD, RAD_PER_DEG } from '../../src/core/math/angles.ts';
import { median } from '../../src/core/math/statistics.ts';
import { dot, fromSpherical, normalize, rotateAbout, toSpherical, type Vec3 } from '../../src/core/math/vectors.ts';
import { LOWEST_DRIFT_ALT_DEG, type DriftMark } from '../../src/core/mount/driftMeasure.ts';
import { altSigmaArcmin, azSigmaArcmin } from '../../src/core/mount/poleEstimate.ts';
import { SIDEREAL_RAD_PER_S } from '../../src/core/mount/polarDrift.ts';
import { driftRun } from '../../src/core/pole/driftRun.ts';
import { poleOfNight } from '../../src/core/pole/poleOfNight.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { localSiderealHours } from '../../src/core/sky/ephemeris.ts';
import { toHorizontal } from '../../src/core/sky/horizontal.ts';
import { apparentAltDeg } from '../../src/core/sky/refraction.ts';
import { driftReading } from '../../src/features/polar/drift/driftReadings.ts';
import { trialNight, trialReading, TRIAL_NOW } from './demoWorld.ts';
import { normal, seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const MINUTES = 6;
const MARK_EVERY_S = 30;
const STATED_SIGMA_ARCSEC = 1.5;
const LON_DEG = -7.6;

/** Errors against the true pole; how much shakier than stated the hand is. */
type Mount = { latDeg: number; altErrorArcmin: number; azErrorArcmin: number; shakiness: number };

const horizon = (altDeg: number, azDeg: number): Vec3 => fromSpherical(azDeg * RAD_PER_DEG, altDeg * RAD_PER_DEG);

function axisOf({ latDeg, altErrorArcmin, azErrorArcmin }: Mount): Vec3 {
  const azDeg = latDeg < 0 ? 180 - azErrorArcmin / 60 : azErrorArcmin / 60;
  return horizon(Math.abs(latDeg) + altErrorArcmin / 60, azDeg);
}

/** Where the eye sees a star of this place. */
function seen(haH: number, decDeg: number, latDeg: number): Vec3 {
  const { altDeg, azDeg } = toHorizontal(haH, decDeg, latDeg);
  return horizon(apparentAltDeg(altDeg), azDeg);
}

/** Marks of one star: how far north of the mount's pointing it stands as time goes by, read with a shaky hand. */
function marksOf(random: Random, mount: Mount, haH: number, decDeg: number, sigmaArcsec: number): DriftMark[] {
  const axis = axisOf(mount);
  const start = seen(haH, decDeg, mount.latDeg);
  const pole = horizon(Math.abs(mount.latDeg), mount.latDeg < 0 ? 180 : 0);
  // Seen from the tip of the elevated pole in this left-handed frame the sky turns one way in the north, the other in
  // the south; the star itself, moved in hour angle, tells which.
  const later = horizonAt(haH + 0.1, decDeg, mount.latDeg);
  const turned = rotateAbout(horizonAt(haH, decDeg, mount.latDeg), pole, 0.1 * 15 * RAD_PER_DEG);
  const sense = dot(turned, later) > 1 - 1e-6 ? 1 : -1;
  return Array.from({ length: (MINUTES * 60) / MARK_EVERY_S + 1 }, (_, i) => {
    const timeS = i * MARK_EVERY_S;
    const angle = SIDEREAL_RAD_PER_S * timeS;
    const star = seen(haH + angle / RAD_PER_DEG / 15, decDeg, mount.latDeg);
    const pointing = rotateAbout(start, axis, sense * angle);
    const north =
      (toSpherical(equatorial(star, pole))[1] - toSpherical(equatorial(pointing, pole))[1]) * ARCSEC_PER_RAD;
    return { timeS, northArcsec: (mount.latDeg < 0 ? -north : north) + normal(random) * sigmaArcsec };
  });
}

const horizonAt = (haH: number, decDeg: number, latDeg: number): Vec3 => {
  const { altDeg, azDeg } = toHorizontal(haH, decDeg, latDeg);
  return horizon(altDeg, azDeg);
};

/** A frame whose z is the elevated pole: only its latitude is used. */
function equatorial(v: Vec3, pole: Vec3): Vec3 {
  const z = dot(v, pole);
  const rest = Math.sqrt(Math.max(0, 1 - z * z));
  return normalize([rest, 0, z]);
}

function starFor(random: Random, step: 'azimuth' | 'altitude', latDeg: number): { haH: number; decDeg: number } {
  for (;;) {
    const size = step === 'azimuth' ? within(random, 0, 1) : within(random, 3, 4.5);
    const haH = random() < 0.5 ? size : -size;
    const decDeg = within(random, -20, 20) + (Math.abs(latDeg) > 45 ? Math.sign(latDeg) * 20 : 0);
    if (toHorizontal(haH, decDeg, latDeg).altDeg >= LOWEST_DRIFT_ALT_DEG) return { haH, decDeg };
  }
}

/** A star timed at the bench: its marks, and the reading that ends it. */
function timed(random: Random, mount: Mount, step: 'azimuth' | 'altitude', minutes: number, known: Reading[]): void {
  const { haH, decDeg } = starFor(random, step, mount.latDeg);
  const raDeg = (15 * (localSiderealHours(TRIAL_NOW + minutes * 60_000, LON_DEG) - haH) + 720) % 360;
  const marks = marksOf(random, mount, haH, decDeg, STATED_SIGMA_ARCSEC * mount.shakiness);
  for (const { timeS, northArcsec } of marks) {
    const values = { starName: step, raDeg, decDeg, northArcsec, sigmaArcsec: STATED_SIGMA_ARCSEC };
    known.push(trialReading('driftMark', { ...values, starts: timeS === 0 }, minutes + timeS / 60));
  }
  const records = nightOf(mount, known);
  const run = driftRun(records);
  const ended = run && driftReading(run, records);
  if (ended?.kind === 'drift') {
    const { values, sigma = {} } = ended;
    known.push(trialReading('drift', values, minutes + MINUTES + 1, { sigma }));
  }
}

const nightOf = ({ latDeg }: Mount, readings: readonly Reading[]) =>
  trialNight({ readings, site: { latDeg, lonDeg: LON_DEG } });

type Case = { missShare: number; sigmas: number[] };

function oneCase(random: Random): Case {
  const latDeg = within(random, 15, 60) * (random() < 0.5 ? 1 : -1);
  const errors = { altErrorArcmin: within(random, -50, 50), azErrorArcmin: within(random, -60, 60) };
  const mount = { latDeg, ...errors, shakiness: within(random, 0.7, 1.3) };
  const readings: Reading[] = [];
  for (const [i, step] of (['azimuth', 'altitude', 'azimuth'] as const).entries())
    timed(random, mount, step, 20 * i, readings);
  const found = poleOfNight(nightOf(mount, readings), 'true').estimate;
  const [dAlt, dAz] = [found.altArcmin - mount.altErrorArcmin, found.azArcmin - mount.azErrorArcmin];
  const cosLat = Math.cos(latDeg * RAD_PER_DEG);
  return {
    missShare: Math.hypot(dAlt, dAz * cosLat) / Math.hypot(mount.altErrorArcmin, mount.azErrorArcmin * cosLat),
    sigmas: [Math.abs(dAlt) / altSigmaArcmin(found), Math.abs(dAz) / azSigmaArcmin(found)],
  };
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

export const driftTrial: Trial = {
  name: 'drift',
  what: 'median miss under 10 % of the error; truth within 1 sigma in 58 to 78 %, within 3 sigma in 98 %',
  cases: 200,
  leastCases: 200,
  run: (seed, cases) => {
    const random = seeded(seed);
    const all = Array.from({ length: cases }, () => oneCase(random));
    const miss = median(all.map((c) => c.missShare)) ?? Infinity;
    const sigmas = all.flatMap((c) => c.sigmas);
    const share = (limit: number): number => sigmas.filter((s) => s <= limit).length / sigmas.length;
    const figure = `median miss ${percent(miss)}, within 1 sigma ${percent(share(1))}, within 3 sigma ${percent(share(3))}`;
    const holds = miss < 0.1 && share(1) >= 0.58 && share(1) <= 0.78 && share(3) >= 0.98;
    return Promise.resolve({ failure: holds ? null : figure, figure });
  },
};
