/** Which share of tonight's subs the drive leaves usable without guiding, against their length. */
import { addCovariance, NO_SPREAD, type Covariance2 } from '../../math/covariance2.ts';
import { RAD_PER_DEG } from '../../math/angles.ts';
import { contributions, polarDriftArcsec, type BudgetInput, type BudgetItemName } from '../../verdict/contributions.ts';
import { longestUsableS, usableCurve, type Motion, type UsablePoint } from '../../tracking/usableSubs.ts';
import { SOLAR_PER_SIDEREAL, MS_PER_HOUR } from '../../time/utc.ts';
import { toHorizontal } from '../../sky/horizontal.ts';
import { budgetBase, budgetInputAt, type Source } from '../budgetSources.ts';
import type { NightStatic } from '../nightStatic.ts';

/** The share of usable subs that a length must keep to be called good. */
export const WANTED_SHARE = 0.9;

export type UsableNight = {
  curve: UsablePoint[];
  /** The longest sub of which nine in ten stay usable; null = not even the shortest. */
  longestS: number | null;
  shortestS: number;
  /** For which hour angle: that of the middle of the time in which the target can be taken. */
  haH: number;
  /** Where the periodic error comes from. */
  source: Source;
};

/** What moves the star here is followed along its path; all else widens it the same in every sub. */
const FOLLOWED: ReadonlySet<BudgetItemName> = new Set(['periodicError', 'raRate', 'polarDrift']);
const POINTS = 48;
const SHORTEST_S = 2;
/** The curve goes on past the planned sub, so that both sides of it can be seen. */
const LEAST_END_S = 60;
const BEYOND_PLAN = 3;

function backgroundOf(input: BudgetInput): Covariance2[] {
  const rest = Object.entries(contributions(input)).filter(([item]) => !FOLLOWED.has(item as BudgetItemName));
  const points = rest[0]?.[1].length ?? 0;
  return Array.from({ length: points }, (_, i) =>
    rest.reduce((sum, [, at]) => addCovariance(sum, at[i] ?? NO_SPREAD), NO_SPREAD),
  );
}

function motionOf(input: BudgetInput): Motion | null {
  if (input.tracking.guided) return null;
  const cosDec = Math.cos(input.declinationDeg * RAD_PER_DEG);
  const [raDrift, decDrift] = polarDriftArcsec(input);
  const minutes = input.exposureS / 60;
  return {
    sinusoids: input.tracking.sinusoids,
    raDriftArcsecPerMin: input.tracking.raRateAxisArcsecPerMin * cosDec + raDrift / minutes,
    decDriftArcsecPerMin: decDrift / minutes,
    cosDec,
  };
}

/** Hour angle in the middle of the usable span, hours; the meridian without one. */
function middleHaH({ usable, targetSky }: NightStatic): number {
  if (!usable || !targetSky) return 0;
  return ((usable.fromMs + usable.toMs) / 2 - targetSky.transit.transitMs) / MS_PER_HOUR / SOLAR_PER_SIDEREAL;
}

const exposures = (longestS: number): number[] =>
  Array.from({ length: POINTS }, (_, i) => SHORTEST_S + ((longestS - SHORTEST_S) * i) / (POINTS - 1));

/** As if unguided, at the middle of the night; null when the light path is incomplete. */
export function usableOfNight(night: NightStatic): UsableNight | null {
  const { records, numbers, targetSky, entry } = night;
  const decDeg = targetSky?.ofDate.decDeg ?? 0;
  const unguided = { ...records, rig: { ...records.rig, guiding: 'none' as const } };
  const base = budgetBase(unguided, numbers, decDeg, SHORTEST_S);
  if (!base) return null;
  const haH = middleHaH(night);
  const { altDeg } = toHorizontal(haH, decDeg, records.site.latDeg);
  const input = budgetInputAt(base, records.site.latDeg, haH, altDeg);
  const settingAt = (exposureS: number) => {
    const motion = motionOf({ ...input, exposureS });
    if (!motion) throw new Error('an unguided budget has no motion');
    return { motion, background: backgroundOf({ ...input, exposureS }) };
  };
  const longestS = Math.max(LEAST_END_S, BEYOND_PLAN * (entry?.subS ?? 0));
  const curve = usableCurve(exposures(longestS), settingAt, records.limits.acceptable);
  return {
    curve,
    longestS: longestUsableS(curve, WANTED_SHARE),
    shortestS: SHORTEST_S,
    haH,
    source: base.sources.periodicError ?? { basis: 'assumed', atUtc: null },
  };
}
