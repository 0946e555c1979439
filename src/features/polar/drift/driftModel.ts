/** What the drift bench shows, as codes and figures. */
import type { BrightStar } from '../../../core/sky/brightStars.ts';
import {
  driftSensitivity,
  altSigmaArcmin,
  azSigmaArcmin,
  type PoleEstimate,
} from '../../../core/mount/poleEstimate.ts';
import { driftStars, type DriftStar, type DriftStep } from '../../../core/mount/driftStars.ts';
import { horizonAltDeg } from '../../../core/night/plan/darkness.ts';
import { driftRun, estimateAfter, type DriftRun } from '../../../core/pole/driftRun.ts';
import { driftTask, isKnownWell, type DriftTask } from '../../../core/night/advice/hands/driftSteps.ts';
import type { NightStatic } from '../../../core/night/nightStatic.ts';
import { toldAgainst } from '../../../core/pole/poleReference.ts';
import { movedMostBy } from '../../../core/pole/poleWalk.ts';
import { turnsTonight, type TurnsTonight } from '../../../core/night/advice/hands/turnsTonight.ts';
import type { DriftSaying } from '../../../text/driftWords.ts';

export type DriftUnit = 'field' | 'pixel' | 'arcsec';
export type DriftModel = {
  saying: DriftSaying;
  task: DriftTask;
  turns: TurnsTonight;
  run: DriftRun | null;
  /** What the marks so far tell, with everything known before. */
  estimate: PoleEstimate | null;
  /** The part of the error that the air alone would have imitated. */
  imitatedArcmin: number;
  stars: DriftStar[];
};

/** One part of an estimate against the pole that is aimed at. */
export function partOf(
  estimate: PoleEstimate,
  step: DriftStep,
  { goal }: TurnsTonight,
  latDeg: number,
): { errorArcmin: number; sigmaArcmin: number } {
  const { altErrorArcmin, azErrorArcmin } = toldAgainst(estimate, goal.reference, latDeg);
  return step === 'azimuth'
    ? { errorArcmin: azErrorArcmin, sigmaArcmin: azSigmaArcmin(estimate) }
    : { errorArcmin: altErrorArcmin, sigmaArcmin: altSigmaArcmin(estimate) };
}

/** What one arcmin of a part does to the star, arcsec a minute. */
function sensitivityOf({ haH, decDeg }: DriftRun, step: DriftStep, latDeg: number): number {
  const { perAlt, perAz } = driftSensitivity(haH, decDeg, latDeg);
  return step === 'altitude' ? perAlt : perAz;
}

function runSaying(run: DriftRun, estimate: PoleEstimate | null, turns: TurnsTonight, latDeg: number): DriftSaying {
  const step = movedMostBy(run, latDeg);
  if (!estimate || !run.rate) return { code: 'watch', step, star: run.starName };
  const part = partOf(estimate, step, turns, latDeg);
  const timing = run.rate.sigmaArcsecPerMin / Math.abs(sensitivityOf(run, step, latDeg));
  return isKnownWell(part, timing, turns.goal.goalArcmin)
    ? { code: 'enough', step, ...part, south: latDeg < 0 }
    : { code: 'watch', step, star: run.starName };
}

function taskSaying(task: DriftTask, turns: TurnsTonight, star: DriftStar | undefined, south: boolean): DriftSaying {
  switch (task.code) {
    case 'done':
      return { code: 'done', totalArcmin: turns.pole.totalArcmin ?? 0 };
    case 'turn': {
      const { errorArcmin, sigmaArcmin } = turns[task.step];
      return { code: 'turn', step: task.step, errorArcmin, sigmaArcmin, south };
    }
    case 'star':
      if (!star) return { code: 'noStar', step: task.step };
      return {
        code: 'takeStar',
        step: task.step,
        again: task.again,
        star: star.name,
        altDeg: star.altDeg,
        azDeg: star.azDeg,
      };
  }
}

/** @param chosen another step than the next one, for those who know better. @param starHip of the star that was chosen. */
export function driftModel(
  night: NightStatic,
  bright: readonly BrightStar[],
  timeMs: number,
  chosen: DriftStep | null,
  starHip: number | null,
): DriftModel {
  const { site } = night.records;
  const turns = turnsTonight(night);
  const next = driftTask(night, turns);
  const task: DriftTask = chosen ? { code: 'star', step: chosen, again: false } : next;
  const run = driftRun(night.records);
  const estimate = run && estimateAfter(turns.pole.estimate, run, run.marks, site.latDeg);
  const lowest = (azDeg: number): number => horizonAltDeg(site, azDeg);
  const stars = task.code === 'star' ? driftStars(task.step, bright, timeMs, site, lowest) : [];
  const star = stars.find((s) => s.hip === starHip) ?? stars[0];
  return {
    saying: run ? runSaying(run, estimate, turns, site.latDeg) : taskSaying(task, turns, star, site.latDeg < 0),
    task,
    turns,
    run,
    estimate,
    imitatedArcmin: run ? run.airArcsecPerMin / sensitivityOf(run, movedMostBy(run, site.latDeg), site.latDeg) : 0,
    stars,
  };
}

export type DriftScale = { arcsec: number; sigmaArcsec: number };

/** Usual apparent field of an eyepiece. */
export const APPARENT_FIELD_DEG = 50;
const FIELD_SIGMA_SHARE = 0.01;
const PIXEL_SIGMA = 0.7;
const ARCSEC_SIGMA = 1.5;
const SEEING_SIGMA_ARCSEC = 1;

/** What one unit of the user's reading is on the sky, and how well one reading is made. Null when the rig does not tell.
 *  @param eyepieceMm focal length of the eyepiece. */
export function driftScale(night: NightStatic, unit: DriftUnit, eyepieceMm: number | null): DriftScale | null {
  const { train, tube } = night.numbers;
  if (unit === 'arcsec') return { arcsec: 1, sigmaArcsec: ARCSEC_SIGMA };
  if (unit === 'pixel') {
    if (!train) return null;
    const arcsec = train.scaleArcsecPerPx;
    return { arcsec, sigmaArcsec: Math.max(SEEING_SIGMA_ARCSEC, PIXEL_SIGMA * arcsec) };
  }
  if (!tube || eyepieceMm === null) return null;
  const arcsec = (APPARENT_FIELD_DEG * 3600 * eyepieceMm) / tube.focalMm;
  return { arcsec, sigmaArcsec: Math.max(SEEING_SIGMA_ARCSEC, FIELD_SIGMA_SHARE * arcsec) };
}
