/** The six first answers about a night: each is what its bench says, asked of the same function. */
import { mountTraits } from '../../mount/mountKinds.ts';
import type { Engraving } from '../../mount/dial.ts';
import { motorsOf, type Motors } from '../../mount/motors.ts';
import type { MountPart } from '../../records/part.ts';
import { isGuess, type RigMasses } from '../../rig/rigMasses.ts';
import { rigHas } from '../../rig/rigHas.ts';
import { USUAL_FINDER } from '../../rig/dressing/usualParts.ts';
import { poleBearingDeg } from '../../sky/bearing.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import { roundnessBudget, type MiddleStar } from '../../verdict/budget.ts';
import { engravingOf, dialPlace } from '../../pole/dialOfNight.ts';
import { findOfNight, type FindOfNight } from './hands/findOfNight.ts';
import { handOfNight, type HandOfNight } from './hands/handOfNight.ts';
import type { LimitSource } from '../plan/meridianLimit.ts';
import { magneticOfNight, poleByCompassDeg } from './hands/magneticOfNight.ts';
import { scaleToSet } from '../../pole/scaleToSet.ts';
import { isLookedAt } from '../plan/plainPlan.ts';
import type { OffBar } from '../../mount/offBar.ts';
import { offBarOfNight } from './hands/offBarOfNight.ts';
import type { SkyLight } from '../plan/skyLight.ts';
import { dialSpan } from './hands/dialSpan.ts';
import { moonOfNight, type MoonOfNight } from './moonOfNight.ts';
import { lightOfNight } from './lightOfNight.ts';
import { starIsEnough } from '../ledger/goalOfNight.ts';
import { hasTonight } from '../hasTonight.ts';
import { platformRun, type PlatformRun } from './platformRun.ts';
import { subAnswer, type SubAnswer } from './stars/subAnswer.ts';
import type { NightAt } from '../nightAt.ts';
import type { BarOfNight, NightStatic } from '../nightStatic.ts';

export type Tonight = {
  /** What a compass reads along the axis, null where none can be trusted; null for a mount that has no polar axis. */
  bearing: { compassDeg: number | null; declinationDeg: number; south: boolean } | null;
  /** Null for a mount that has no polar axis. */
  latitude: { scaleDeg: number; biasKnown: boolean } | null;
  dial: {
    star: string;
    viewAngleDeg: number;
    reading: number | null;
    engraving: Engraving | null;
    /** `usual`: nobody said what is engraved on it. */
    finder: 'none' | 'usual' | 'own';
    /** The axis at the star itself will do. */
    starIsEnough: boolean;
  } | null;
  /** `byEye`: nobody looked for the pole yet; the star is the middle one of subs once it stands at its mark. */
  sub:
    | (SubAnswer & {
        byEye: boolean;
        looksThrough: boolean;
        isLookedAt: boolean;
        star: MiddleStar;
        evenFwhmArcsec: number;
      })
    | null;
  /** `shareOfBar`: from the nearest place that the bar allows to the farthest; `guessed`: a mass or a place that moves it was
   *  never measured. */
  weight: { positionM: number | null; off: OffBar | null; guessed: boolean; shareOfBar: number } | null;
  meridian: {
    target: string;
    flipMs: number | null;
    transitMs: number;
    flips: boolean;
    motors: Motors;
    limit: LimitSource;
  } | null;
  /** Where nothing follows, or an eye looks: the knob and the time in view; else null. */
  hand: HandOfNight | null;
  /** How long what tilts under the tube follows; null for what follows all night, or not at all. */
  platform: PlatformRun | null;
  light: SkyLight;
  /** As dark as the night asks for, at some time. */
  isDark: boolean;
  /** Where the target stands in the dark, for whom no motor sends there; null without one, or where one does. */
  find: FindOfNight | null;
  /** In the target's hours; null without one. */
  moon: MoonOfNight | null;
  /** Takes subs, so that moonlight has a price in exposure. */
  takesSubs: boolean;
};

function subOf(night: NightStatic, { stars }: NightAt): Tonight['sub'] {
  if (!stars) return null;
  const answer = subAnswer(night, stars.sub);
  const byEye = answer.pole === 'notLooked';
  const polar = byEye ? ({ known: 'size', errorArcmin: ASSUMED.polarErrorByEyeArcmin } as const) : stars.sub.polar;
  const exposureS = answer.onceLooked.longestS ?? answer.shortestS;
  const { star, evenFwhmArcsec } = roundnessBudget({ ...stars.sub, polar, exposureS }, night.records.limits);
  const looksThrough = hasTonight(night).has('polarFinder');
  return { ...answer, byEye, looksThrough, isLookedAt: isLookedAt(night), star, evenFwhmArcsec };
}

function dialOf(night: NightStatic, { poleStar }: NightAt): Tonight['dial'] {
  const { records, numbers } = night;
  const { belongs, reading } = dialPlace(records, poleStar);
  const finder = numbers.mount?.finder ?? null;
  return {
    star: poleStar.name,
    viewAngleDeg: belongs.angleDeg,
    reading,
    engraving: engravingOf(finder),
    finder: finder === null ? 'none' : isUsual(numbers.mount) ? 'usual' : 'own',
    starIsEnough: starIsEnough(night, poleStar),
  };
}

/** Does anything that hangs on the axis stand or weigh as a guess? */
function isGuessed({ tubeSide, weights, barBasis, barPlaceBasis }: RigMasses): boolean {
  const bar = { massBasis: barBasis, placeBasis: barPlaceBasis };
  return [bar, ...tubeSide, ...weights.map(({ massBasis }) => ({ massBasis }))].some(isGuess);
}

/** Dressed from its class, and its engraving never looked at. */
const isUsual = (mount: MountPart | null): boolean =>
  mount?.massBasis === 'assumed' && JSON.stringify(mount.finder) === JSON.stringify(USUAL_FINDER);

function bearingOf(night: NightStatic): Tonight['bearing'] {
  const magnetic = magneticOfNight(night);
  return {
    compassDeg: magnetic.compass === 'unusable' ? null : poleByCompassDeg(night),
    declinationDeg: magnetic.declinationDeg,
    south: poleBearingDeg(night.records.site.latDeg) === 180,
  };
}

function weightOf(night: NightStatic, { found, rig }: BarOfNight): Tonight['weight'] {
  const off = offBarOfNight(night);
  const positionM = off?.code === 'otherSet' ? off.set.positionM : found.positionM;
  if (positionM === null && off === null) return null;
  const [nearestM, farthestM] = rig.input.barRangeM;
  const along = positionM === null || farthestM <= nearestM ? 0 : (positionM - nearestM) / (farthestM - nearestM);
  const shareOfBar = Math.min(1, Math.max(0, along));
  return { positionM, off, guessed: isGuessed(night.numbers.masses), shareOfBar };
}

function meridianOf({ target, targetSky, plan, flips, limit, numbers }: NightStatic): Tonight['meridian'] {
  if (!target || !targetSky) return null;
  const { transitMs } = targetSky.transit;
  const flipMs = plan?.flips[0]?.startMs ?? null;
  return { target: target.name, flipMs, transitMs, flips, motors: motorsOf(numbers.mount), limit: limit.source };
}

export function tonight(night: NightStatic, at: NightAt): Tonight {
  const { records, numbers, bar } = night;
  const equatorial = mountTraits(numbers.mount).hasPolarAxis;
  const scale = scaleToSet(records);
  return {
    bearing: equatorial ? bearingOf(night) : null,
    latitude: rigHas(numbers).has('scale') ? { scaleDeg: scale.scaleDeg, biasKnown: scale.bias !== null } : null,
    dial: equatorial && dialSpan(night) !== null ? dialOf(night, at) : null,
    sub: subOf(night, at),
    weight: bar && weightOf(night, bar),
    meridian: meridianOf(night),
    find: findOfNight(night, at),
    hand: motorsOf(numbers.mount) === 'none' || numbers.eyepiece ? handOfNight(night) : null,
    platform: platformRun(night),
    light: lightOfNight(night),
    isDark: night.dark !== null,
    moon: moonOfNight(night),
    takesSubs: rigHas(numbers).has('camera') && !isLookedAt(night),
  };
}
