/** A mount that does not exist, watched through a star: worm with harmonics, a gear, drift, seeing, lost stars, a guider that
 *  corrects too much or too little. Written as a log, with its truth beside it. Knows nothing of how logs are analysed. */
import { normal, seeded, within, type Random } from '../core/math/random.ts';

export type DriveTruth = {
  periodS: number;
  /** From the first row. */
  harmonics: readonly { k: number; amplitudeArcsec: number; phaseDeg: number }[];
  gear: { periodS: number; amplitudeArcsec: number; phaseDeg: number } | null;
  raPerMin: number;
  decPerMin: number;
  seeingArcsec: number;
};

export type LogPlan = {
  durationS: number;
  cadenceS: number;
  /** Share of rows in which the star was lost. */
  lostShare: number;
  /** Part of each error that a guider takes back; null = nothing guides. */
  aggressiveness: number | null;
  /** After so many rows the star is held elsewhere; null = never. */
  ditherEvery: number | null;
  /** What declination's gears lose at each reversal of its corrections, arcsec. */
  backlashArcsec: number;
};

export type LoggedRow = {
  timeS: number;
  /** Null: the star was lost. */
  ra: number | null;
  dec: number | null;
  sentRa: number;
  sentDec: number;
  aimRa: number;
  aimDec: number;
};

const RAD = Math.PI / 180;

/** Where the mount alone would have carried the star. */
export function driveAt(truth: DriveTruth, timeS: number): number {
  const waves = truth.harmonics.map((h) => ({ ...h, periodS: truth.periodS / h.k }));
  const all = truth.gear ? [...waves, truth.gear] : waves;
  return all.reduce(
    (sum, w) => sum + w.amplitudeArcsec * Math.sin((2 * Math.PI * timeS) / w.periodS + w.phaseDeg * RAD),
    (truth.raPerMin * timeS) / 60,
  );
}

/** A drive as one may own it. */
export function anyDrive(random: Random): DriveTruth {
  const first = within(random, 3, 20);
  const phase = (): number => within(random, -180, 180);
  const harmonics = [{ k: 1, amplitudeArcsec: first, phaseDeg: phase() }];
  if (random() < 0.6) harmonics.push({ k: 2, amplitudeArcsec: first * within(random, 0.15, 0.5), phaseDeg: phase() });
  if (random() < 0.3) harmonics.push({ k: 3, amplitudeArcsec: first * within(random, 0.1, 0.25), phaseDeg: phase() });
  return {
    periodS: 86_164.0905 / Math.round(within(random, 100, 240)),
    harmonics,
    gear: null,
    raPerMin: within(random, -3, 3),
    decPerMin: within(random, -4, 4),
    seeingArcsec: within(random, 0.3, 1.2),
  };
}

/** Gears with play: of a push the other way so much is lost first. Between 0 and the whole play it stands loose. */
function gearWithPlay(playArcsec: number): (pushArcsec: number) => number {
  let at = 0;
  return (push) => {
    const wanted = at + push;
    at = Math.max(0, Math.min(playArcsec, wanted));
    return wanted - at;
  };
}

/** The rows in order. A correction acts from the next row on: +1 moves the star by +1. */
export function loggedRows(truth: DriveTruth, plan: LogPlan, seed: number): LoggedRow[] {
  const random = seeded(seed);
  let [sentRa, movedDec, aimRa, aimDec] = [0, 0, 0, 0];
  const decGear = gearWithPlay(plan.backlashArcsec);
  const count = Math.floor(plan.durationS / plan.cadenceS) + 1;
  return Array.from({ length: count }, (_, i): LoggedRow => {
    const timeS = i * plan.cadenceS;
    if (plan.ditherEvery !== null && i > 0 && i % plan.ditherEvery === 0)
      [aimRa, aimDec] = [aimRa + 3 * normal(random), aimDec + 3 * normal(random)];
    const ra = driveAt(truth, timeS) + sentRa - aimRa + truth.seeingArcsec * normal(random);
    const dec = (truth.decPerMin * timeS) / 60 + movedDec - aimDec + truth.seeingArcsec * normal(random);
    const lost = random() < plan.lostShare;
    const part = lost ? 0 : (plan.aggressiveness ?? 0);
    const row = {
      timeS,
      ra: lost ? null : ra,
      dec: lost ? null : dec,
      sentRa: -part * ra,
      sentDec: -part * dec,
      aimRa,
      aimDec,
    };
    sentRa += row.sentRa;
    movedDec += decGear(row.sentDec);
    return row;
  });
}
