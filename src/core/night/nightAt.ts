/** What changes with the ribbon's time: no search and no curves in here, under a millisecond. */
import { wrap12 } from '../math/angles.ts';
import { uprightAngleDeg } from '../mount/dial.ts';
import { localSiderealHours } from '../sky/ephemeris.ts';
import { toHorizontal } from '../sky/horizontal.ts';
import { SUN_LIMIT_DEG } from '../sky/nightEvents.ts';
import { roundnessBudget, type Budget } from '../verdict/budget.ts';
import type { PlannedSub } from '../verdict/plannedSub.ts';
import { isAssumedOnly } from './account/sources.ts';
import { plannedSubAt } from './account/budgetBase.ts';
import { judgeStars, type Judgement } from './ledger/judgement.ts';
import type { NightStatic } from './nightStatic.ts';
import type { Plan } from './plan/plan.ts';
import { altFromTrack } from './plan/skyOfNight.ts';

export type SkyPhase = 'day' | 'civil' | 'nautical' | 'astronomical' | 'night';
export type PolePoint = {
  name: string;
  magnitude: number;
  haH: number;
  uprightAngleDeg: number;
  polarDistanceArcmin: number;
};
export type NightEvent = {
  code:
    | 'sunset'
    | 'dark'
    | 'start'
    | 'refocus'
    | 'reset'
    | 'flip'
    | 'secondFlip'
    | 'limit'
    | 'end'
    | 'dawn'
    | 'sunrise';
  timeMs: number;
  /** Of which target, where the night has several. */
  target: string | null;
};

export type StarsAt = {
  sub: PlannedSub;
  budget: Budget;
  judgement: Judgement;
  /** Nothing of the account was ever measured: it says what decides, not how good the stars are. */
  assumedOnly: boolean;
};

export type NightAt = {
  timeMs: number;
  siderealH: number;
  phase: SkyPhase;
  target: { haH: number; altDeg: number; azDeg: number } | null;
  moonAltDeg: number;
  poleStar: PolePoint;
  polePattern: PolePoint[];
  /** The sub that would be taken now, its account and what that lets one say; null when the light path is incomplete. */
  stars: StarsAt | null;
};

const DARKER: readonly (readonly [SkyPhase, 'sunset' | 'civil' | 'nautical' | 'astronomical'])[] = [
  ['night', 'astronomical'],
  ['astronomical', 'nautical'],
  ['nautical', 'civil'],
  ['civil', 'sunset'],
];

/** Which band of twilight an instant falls into. */
export function phaseAt(sky: NightStatic['sky'], timeMs: number): SkyPhase {
  const { twilight, startMs, endMs, sunHighestDeg } = sky.events;
  for (const [phase, limit] of DARKER) {
    const { duskMs, dawnMs } = twilight[limit];
    if (duskMs === null && dawnMs === null) {
      if (sunHighestDeg < SUN_LIMIT_DEG[limit]) return phase;
      continue;
    }
    if (timeMs >= (duskMs ?? startMs) && timeMs < (dawnMs ?? endMs)) return phase;
  }
  return 'day';
}

/** All dated events of the night in order. */
export function nightEventList(night: NightStatic): NightEvent[] {
  const { sunset } = night.sky.events.twilight;
  const ofSky: Dated[] = [
    { code: 'sunset', timeMs: sunset.duskMs },
    { code: 'dark', timeMs: night.dark?.fromMs },
    { code: 'dawn', timeMs: night.dark?.toMs },
    { code: 'sunrise', timeMs: sunset.dawnMs },
  ];
  const named = night.legs.length > 1;
  const all = [
    ...dated(ofSky, null),
    ...night.legs.flatMap((leg) =>
      leg.plan ? dated(eventsOfPlan(leg.plan), named ? (leg.target?.name ?? null) : null) : [],
    ),
  ];
  return all.sort((a, b) => a.timeMs - b.timeMs);
}

type Dated = { code: NightEvent['code']; timeMs: number | null | undefined };

const dated = (all: readonly Dated[], target: string | null): NightEvent[] =>
  all.flatMap(({ code, timeMs }) => (typeof timeMs === 'number' ? [{ code, timeMs, target }] : []));

function eventsOfPlan({ subs, flips, breaks, stopsAtLimit, limitMs }: Plan): Dated[] {
  return [
    { code: 'start', timeMs: subs[0]?.startMs },
    ...breaks.map(({ why, startMs }): Dated => ({ code: why, timeMs: startMs })),
    ...flips.map(({ startMs }, i): Dated => ({ code: i === 0 ? 'flip' : 'secondFlip', timeMs: startMs })),
    { code: 'limit', timeMs: stopsAtLimit ? limitMs : null },
    { code: 'end', timeMs: subs.at(-1)?.endMs },
  ];
}

/** Where a star is judged when there is no target. */
export const OVERHEAD = { haH: 0, altDeg: 90 };

function starsAt(night: NightStatic, { haH, altDeg }: typeof OVERHEAD): StarsAt | null {
  const { budget: base, records } = night;
  if (!base) return null;
  const { limits, site } = records;
  const sub = plannedSubAt(base, site.latDeg, haH, altDeg);
  const budget = roundnessBudget(sub, limits);
  return { sub, budget, judgement: judgeStars(night, sub, budget), assumedOnly: isAssumedOnly(base.sources) };
}

/** The state of the night at an instant. */
export function nightAt(night: NightStatic, timeMs: number): NightAt {
  const { site } = night.records;
  const siderealH = localSiderealHours(timeMs, site.lonDeg);
  const haOf = (raDeg: number): number => wrap12(siderealH - raDeg / 15);
  const polePoint = (p: NightStatic['sky']['poleStar']): PolePoint => {
    const haH = haOf(p.ofDate.raDeg);
    return {
      name: p.star.name,
      magnitude: p.star.magnitude,
      haH,
      uprightAngleDeg: uprightAngleDeg(haH, site.latDeg),
      polarDistanceArcmin: p.polarDistanceArcmin,
    };
  };
  const place = night.targetSky?.ofDate;
  const target = place
    ? { haH: haOf(place.raDeg), ...toHorizontal(haOf(place.raDeg), place.decDeg, site.latDeg) }
    : null;
  return {
    timeMs,
    siderealH,
    phase: phaseAt(night.sky, timeMs),
    target,
    moonAltDeg: altFromTrack(night.sky.moonTrack, timeMs),
    poleStar: polePoint(night.sky.poleStar),
    polePattern: night.sky.polePattern.map(polePoint),
    stars: starsAt(night, target ?? OVERHEAD),
  };
}
