/** The six first answers about a night: each is what its bench says, asked of the same function. */
import type { Engraving } from '../mount/dial.ts';
import { poleBearingDeg } from '../sky/bearing.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import { engravingOf, dialPlace } from './pole/dialOfNight.ts';
import { magneticOfNight, poleByCompassDeg } from './magneticOfNight.ts';
import { poleOfNight } from './pole/poleOfNight.ts';
import { scaleToSet } from './pole/scaleToSet.ts';
import { usableOfNight } from './account/usableOfNight.ts';
import type { NightAt } from './nightAt.ts';
import type { NightStatic } from './nightStatic.ts';

export type Tonight = {
  /** What a compass reads along the axis; null where none can be trusted. */
  bearing: { compassDeg: number | null; declinationDeg: number; south: boolean };
  /** Null for a mount that has no polar axis. */
  latitude: { scaleDeg: number; biasKnown: boolean } | null;
  dial: {
    star: string;
    viewAngleDeg: number;
    reading: number | null;
    engraving: Engraving | null;
    /** `usual`: nobody said what is engraved on it. */
    finder: 'none' | 'usual' | 'own';
  } | null;
  /** The longest sub of which nine in ten stay usable; `byEye`: once the star stands at its mark, for nobody looked yet. */
  /** `orMore`: nothing longer was asked for. */
  sub: {
    longestS: number | null;
    shortestS: number;
    byEye: boolean;
    orMore: boolean;
    motion: 'guided' | 'usualDrive' | 'ownDrive';
  } | null;
  /** `guessed`: a mass or a place that moves it was never measured. */
  weight: { positionM: number; inRange: boolean; guessed: boolean } | null;
  meridian: { target: string; flipMs: number | null; transitMs: number; flips: boolean } | null;
};

function subOf(night: NightStatic, { stars }: NightAt): Tonight['sub'] {
  if (!stars) return null;
  const byEye = night.numbers.mount?.mountKind !== 'altAzimuth' && poleOfNight(night.records).basis === 'untouched';
  const polar = byEye ? ({ known: 'size', errorArcmin: ASSUMED.polarErrorByEyeArcmin } as const) : stars.sub.polar;
  const { longestS, shortestS, curve } = usableOfNight(night, { ...stars.sub, polar });
  const { tracking } = stars.sub;
  const measured = night.budget?.sources.periodicError?.basis === 'measured';
  return {
    longestS,
    shortestS,
    byEye,
    orMore: longestS === curve.at(-1)?.exposureS,
    motion: tracking.guided ? 'guided' : measured ? 'ownDrive' : 'usualDrive',
  };
}

function dialOf({ records, numbers }: NightStatic, { poleStar }: NightAt): Tonight['dial'] {
  const { belongs, reading } = dialPlace(records, poleStar);
  const finder = numbers.mount?.finder ?? null;
  return {
    star: poleStar.name,
    viewAngleDeg: belongs.angleDeg,
    reading,
    engraving: engravingOf(finder),
    finder: finder === null ? 'none' : numbers.mount?.massBasis === 'assumed' ? 'usual' : 'own',
  };
}

/** Does anything that hangs on the axis stand or weigh as a guess? */
function isGuessed({ records, numbers: { masses } }: NightStatic): boolean {
  const pieces = [...masses.tubeSide, ...masses.weights];
  return (
    masses.barBasis === 'assumed' ||
    pieces.some((p) => p.massBasis === 'assumed') ||
    records.rig.placed.some((p) => p.placeBasis === 'assumed' && p.on !== 'ground')
  );
}

export function tonight(night: NightStatic, at: NightAt): Tonight {
  const { records, numbers, bar, target, targetSky, plan, flips } = night;
  const magnetic = magneticOfNight(night);
  const equatorial = numbers.mount?.mountKind !== 'altAzimuth';
  const scale = scaleToSet(records);
  return {
    bearing: {
      compassDeg: magnetic.compass === 'unusable' ? null : poleByCompassDeg(night),
      declinationDeg: magnetic.declinationDeg,
      south: poleBearingDeg(records.site.latDeg) === 180,
    },
    latitude: equatorial ? { scaleDeg: scale.scaleDeg, biasKnown: scale.bias !== null } : null,
    dial: equatorial ? dialOf(night, at) : null,
    sub: subOf(night, at),
    weight:
      bar && bar.found.positionM !== null
        ? { positionM: bar.found.positionM, inRange: bar.found.inRange, guessed: isGuessed(night) }
        : null,
    meridian:
      target && targetSky
        ? { target: target.name, flipMs: plan?.flip?.startMs ?? null, transitMs: targetSky.transit.transitMs, flips }
        : null,
  };
}
