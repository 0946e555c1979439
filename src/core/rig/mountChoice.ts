/** Is this class of mount enough? From the target, the lens and the exposure wanted, back to tube, total mass and mount. */
import { mountTraits } from '../mount/mountKinds.ts';
import { RAD_PER_DEG } from '../math/angles.ts';
import { loadVerdict, type LoadVerdict } from '../mount/load.ts';
import { MOUNT_CLASSES, type MountClass } from '../mount/mountClasses.ts';
import { assumedBlurUm, blurArcsec } from '../optics/opticsBlur.ts';
import { imageScaleArcsecPerPx } from '../optics/train.ts';
import { guessTube, tubeOfKind, type TubeGuess } from '../optics/tubeClasses.ts';
import { requirePositive } from '../result.ts';
import { altAzExposureS } from '../sky/altAzExposure.ts';
import { fieldRotationRateArcsecPerS } from '../sky/fieldRotation.ts';
import { ASSUMED, type StretchLimits } from '../verdict/assumptions.ts';
import { isGoodEnough, roundnessBudget, type Budget, type RoundnessVerdict } from '../verdict/budget.ts';
import type { PlannedSub, Tracking } from '../verdict/plannedSub.ts';
import type { PartOf } from '../records/part.ts';
import { looksFromSide, tubeKindOf } from './lookerPlace.ts';
import { assumedGuided, assumedUnguided } from './assumedTracking.ts';

/** What a mount is wanted for. */
export const CHOICE_USES = ['longExposures', 'travelling', 'planets', 'looking'] as const;
export type ChoiceUse = (typeof CHOICE_USES)[number];

type Wants = {
  /** Of the rating; null = as its user's school says. */
  shareUsed: number | null;
  /** Long subs: stars have to stay round. */
  judgesStars: boolean;
  mostKg: number;
};
/** Short frames and eyes wait a shaking out. What is carried on a journey goes in one load of a person. */
export const USE_WANTS: Record<ChoiceUse, Wants> = {
  longExposures: { shareUsed: null, judgesStars: true, mostKg: Infinity },
  travelling: { shareUsed: null, judgesStars: true, mostKg: 15 },
  planets: { shareUsed: 0.8, judgesStars: false, mostKg: Infinity },
  looking: { shareUsed: 0.95, judgesStars: false, mostKg: Infinity },
};

export type ChoiceQuestion = {
  use: ChoiceUse;
  /** One's own tube; null = what the target asks for. */
  own: Pick<ChosenOptics, 'focalMm' | 'apertureMm' | 'tube'> | null;
  targetSizeArcmin: number;
  focalRatio: number;
  exposureS: number;
  guided: boolean;
  camera: { pixelUm: number; widthPx: number; heightPx: number; massKg: number };
  latDeg: number;
  shareUsed: number;
  limits: StretchLimits;
};

export type ChosenOptics = { focalMm: number; apertureMm: number; scaleArcsecPerPx: number; tube: TubeGuess };

export type ClassAnswer = {
  mount: MountClass;
  loadShare: number;
  load: LoadVerdict;
  stars: RoundnessVerdict;
  /** What nine in ten subs stay within with this class's assumed drive, and how many stay usable. */
  account: Pick<Budget, 'stretch90' | 'shareAcceptable'>;
  /** Everything that is carried outside, weights too. */
  carriedKg: number;
  pieces: number;
  /** Eyepiece above the ground for someone who also looks, from 20 to 80 degrees of altitude: lowest and highest. */
  eyeHeightM: [number, number];
  enough: boolean;
};

export type MountChoice = {
  optics: ChosenOptics;
  /** On the tube's side: tube, rings and plate, camera, guide scope. */
  tubeSideKg: number;
  /** Longest alt-azimuth exposure half-way up toward the pole's opposite side. */
  altAzLimitS: number;
  classes: ClassAnswer[];
  /** The lightest to carry that is enough; null when none is. */
  lightest: MountClass | null;
  /** What nothing can: carry it, keep its stars round, or be carried; null where one is enough. */
  fails: 'load' | 'stars' | 'carry' | null;
};

/** A target should leave some sky around it. */
export const FILLS_SHARE = 0.7;
const RINGS_SHARE = 0.3;
const GUIDE_KG = 0.6;
const EYEPIECE_KG = 0.15;
/** A weight at twice the tube's distance holds it with a little over half its mass. */
const WEIGHT_SHARE = 0.6;
const LARGEST_WEIGHT_KG = 5;
/** One pixel of turning at the corner is the limit that people accept. */
const CORNER_TRAIL_PX = 1;
const HALF_UP_DEG = 45;
const MIDDLE_DEC_DEG = 40;

/** One's own tube, else the focal length at which the target fills 70 % of the sensor's shorter side; aperture from the focal ratio. */
export function chosenOptics({ targetSizeArcmin, focalRatio, camera, own }: ChoiceQuestion): ChosenOptics {
  if (own) return { ...own, scaleArcsecPerPx: imageScaleArcsecPerPx(camera.pixelUm, own.focalMm) };
  requirePositive('targetSizeArcmin', targetSizeArcmin);
  requirePositive('focalRatio', focalRatio);
  const shorterMm = (Math.min(camera.widthPx, camera.heightPx) * camera.pixelUm) / 1000;
  const fieldDeg = targetSizeArcmin / 60 / FILLS_SHARE;
  const focalMm = shorterMm / 2 / Math.tan((fieldDeg / 2) * RAD_PER_DEG);
  const apertureMm = focalMm / focalRatio;
  return {
    focalMm,
    apertureMm,
    scaleArcsecPerPx: imageScaleArcsecPerPx(camera.pixelUm, focalMm),
    tube: guessTube(apertureMm, focalMm),
  };
}

/** Away from the elevated pole, where the field turns fastest. */
const southwardDeg = (latDeg: number): number => (latDeg < 0 ? 0 : 180);

function trackingOf(mount: MountClass, guided: boolean): Tracking {
  const driven = { ...mount, wormTeeth: null, drivePeriodS: null };
  return guided ? assumedGuided(driven) : assumedUnguided(driven);
}

/** A tube is taken with its corrector. */
function opticsFwhmArcsec({ tube, focalMm, apertureMm }: ChosenOptics): number {
  return blurArcsec(assumedBlurUm({ kind: tube.kind, focalRatio: focalMm / apertureMm, corrected: true }), focalMm);
}

/** The same account as everywhere, with what is assumed of a mount of this class set up by eye. */
function accountOf(mount: MountClass, question: ChoiceQuestion, optics: ChosenOptics): Budget {
  const { camera, exposureS, guided, latDeg, limits } = question;
  const turnsField = !mountTraits(mount).hasPolarAxis;
  const sub: PlannedSub = {
    scaleArcsecPerPx: optics.scaleArcsecPerPx,
    widthPx: camera.widthPx,
    heightPx: camera.heightPx,
    cameraAngleDeg: 0,
    apertureMm: optics.apertureMm,
    declinationDeg: MIDDLE_DEC_DEG,
    exposureS,
    seeingFwhmArcsec: ASSUMED.seeingFwhmArcsec,
    opticsFwhmArcsec: opticsFwhmArcsec(optics),
    defocusDiscArcsec: 0,
    balanceWindArcsec: ASSUMED.balanceWindArcsec,
    polar: { known: 'size', errorArcmin: turnsField ? 0 : ASSUMED.polarErrorByEyeArcmin },
    fieldTurnArcsecPerS: turnsField ? fieldRotationRateArcsecPerS(latDeg, HALF_UP_DEG, southwardDeg(latDeg)) : 0,
    tracking: trackingOf(mount, guided),
    spacing: null,
  };
  return roundnessBudget(sub, limits);
}

/** The eyepiece of a reflector sits near its front end, that of every other tube at its rear. */
function eyeHeightM(mount: MountClass, tube: TubeGuess): [number, number] {
  const pivot = mount.hubHeightM + mountTraits(mount).usualAxes.aboveHubM;
  const reach = (looksFromSide(tube.kind) ? 1 : -1) * (tube.lengthM / 2);
  const heights = [20, 80].map((alt) => pivot + reach * Math.sin(alt * RAD_PER_DEG));
  return [Math.max(0, Math.min(...heights)), Math.max(...heights)];
}

const weightsKgOf = (mount: MountClass, tubeSideKg: number): number => (mount.hasBar ? WEIGHT_SHARE * tubeSideKg : 0);

function carried(mount: MountClass, tubeSideKg: number): { carriedKg: number; pieces: number } {
  const weightsKg = weightsKgOf(mount, tubeSideKg);
  const weights = Math.ceil(weightsKg / LARGEST_WEIGHT_KG);
  return {
    carriedKg: mount.headKg + mount.supportKg + tubeSideKg + weightsKg,
    // Tripod, head, tube, camera; with a bar that and the weights.
    pieces: 4 + (mount.hasBar ? 1 + weights : 0),
  };
}

function answerFor(
  mount: MountClass,
  question: ChoiceQuestion,
  { optics, tubeSideKg }: Pick<MountChoice, 'optics' | 'tubeSideKg'>,
): ClassAnswer {
  const countedKg = tubeSideKg + (mount.ratingCountsWeights ? weightsKgOf(mount, tubeSideKg) : 0);
  const { shareUsed, judgesStars, mostKg } = USE_WANTS[question.use];
  const loadShare = countedKg / (mount.ratedKg * (shareUsed ?? question.shareUsed));
  const toCarry = carried(mount, tubeSideKg);
  const account = accountOf(mount, question, optics);
  const stars = account.verdict;
  const load = loadVerdict(loadShare);
  return {
    mount,
    loadShare,
    load,
    stars,
    account,
    ...toCarry,
    eyeHeightM: eyeHeightM(mount, optics.tube),
    enough: load !== 'over' && (!judgesStars || isGoodEnough(stars)) && toCarry.carriedKg <= mostKg,
  };
}

/** A tracker is pointed by its ball head once for a whole evening's subs: nothing for an eye that goes from one thing to the
 *  next, nor for planets at high power. */
const classesFor = (use: ChoiceUse): MountClass[] =>
  MOUNT_CLASSES.filter((mount) => USE_WANTS[use].judgesStars || !mountTraits(mount).isTracker);

function failOf(classes: readonly ClassAnswer[], { use }: ChoiceQuestion): MountChoice['fails'] {
  const holding = classes.filter((c) => c.load !== 'over');
  if (holding.length === 0) return 'load';
  const { judgesStars, mostKg } = USE_WANTS[use];
  return holding.some((c) => (!judgesStars || isGoodEnough(c.stars)) && c.carriedKg > mostKg) ? 'carry' : 'stars';
}

/** One's own tube as it is recorded; what nobody weighed by rule of thumb. */
export function opticsOfTube(tube: PartOf<'tube'>): NonNullable<ChoiceQuestion['own']> {
  const { apertureMm, focalMm, frontM, backM, massKg } = tube;
  const kind = tubeKindOf(tube);
  const usual = tubeOfKind(kind, apertureMm, focalMm);
  return { apertureMm, focalMm, tube: { kind, massKg: massKg ?? usual.massKg, lengthM: frontM + backM } };
}

/** A tube by rule of thumb, for those who look or take short frames: nobody looks through a lens. */
export function opticsOfAperture(apertureMm: number, focalRatio: number): NonNullable<ChoiceQuestion['own']> {
  const focalMm = apertureMm * focalRatio;
  const { kind } = guessTube(apertureMm, focalMm);
  return { apertureMm, focalMm, tube: tubeOfKind(kind === 'lens' ? 'refractor' : kind, apertureMm, focalMm) };
}

/** Every class judged for one wish. */
export function mountChoice(question: ChoiceQuestion): MountChoice {
  requirePositive('exposureS', question.exposureS);
  const optics = chosenOptics(question);
  const { camera, latDeg } = question;
  const lookerKg = question.use === 'looking' ? EYEPIECE_KG : camera.massKg;
  const dressKg = optics.tube.massKg * (1 + RINGS_SHARE) + lookerKg;
  const guideKg = question.guided && USE_WANTS[question.use].judgesStars ? GUIDE_KG : 0;
  const tubeSideKg = dressKg + guideKg;
  const cornerMm = (Math.hypot(camera.widthPx, camera.heightPx) * camera.pixelUm) / 2000;
  const altAzLimitS = altAzExposureS(
    latDeg,
    HALF_UP_DEG,
    southwardDeg(latDeg),
    cornerMm,
    CORNER_TRAIL_PX * camera.pixelUm,
  );
  const shared = { optics, tubeSideKg, altAzLimitS };
  const classes = classesFor(question.use).map((mount) => answerFor(mount, question, shared));
  const lightest = classes.filter((c) => c.enough).sort((a, b) => a.carriedKg - b.carriedKg)[0];
  return { ...shared, classes, lightest: lightest?.mount ?? null, fails: lightest ? null : failOf(classes, question) };
}
