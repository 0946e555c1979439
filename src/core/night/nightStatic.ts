/** Everything about a night that does not change while the ribbon is scrubbed. */
import { oncePer } from '../once.ts';
import type { PlanEntry } from '../records/night.ts';
import type { Target } from '../records/site.ts';
import { raBalance, type RaBalance } from '../mount/balance.ts';
import type { Load } from '../mount/load.ts';
import { judgeSteadiness } from '../mount/steadiness.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import { budgetBase, type BudgetBase } from './account/budgetSources.ts';
import type { Span } from '../time/span.ts';
import { darkSpan, intersect, longest, lowestImagingAltDeg, upSpans } from './plan/darkness.ts';
import { learnedOf, type Learned } from './learned.ts';
import type { NightRecords } from './nightRecords.ts';
import { loadOfRig } from '../rig/payloadOfRig.ts';
import { planSubs, type Plan } from './plan/plan.ts';
import {
  clearFromMs,
  meridianLimit,
  secondLimitMs,
  tubeClearance,
  type MeridianLimit,
} from './meridian/meridianLimit.ts';
import { mountFlips, rigNumbers, type RigBalance, type RigNumbers } from '../rig/rigNumbers.ts';
import { runFor, type Run } from './plan/run.ts';
import { siteNight, targetNight, type SiteNight, type TargetNight } from './skyOfNight.ts';

export type BarOfNight = { rig: RigBalance; found: RaBalance };

export type NightStatic = {
  records: NightRecords;
  learned: Learned;
  sky: SiteNight;
  dark: Span | null;
  entry: PlanEntry | null;
  target: Target | null;
  targetSky: TargetNight | null;
  /** Dark and target above the horizon line and the lowest altitude for imaging: the longest such span of the night. */
  usable: Span | null;
  /** The target is above the horizon line in these spans of the 24 hours. */
  up: Span[];
  numbers: RigNumbers;
  /** Weights and bar with their balance; null for mounts without a bar and incomplete rigs. */
  bar: BarOfNight | null;
  /** What hangs on the mount against its rating; null without a mount. */
  load: Load | null;
  run: Run;
  flips: boolean;
  /** How far past the meridian the tube may run, and what says so. */
  limit: MeridianLimit;
  plan: Plan | null;
  budget: BudgetBase | null;
};

function planOf(
  entry: PlanEntry,
  usable: Span | null,
  transitMs: number | null,
  numbers: RigNumbers,
  { limit: { limitH, tube }, flipMinutes }: { limit: MeridianLimit; flipMinutes: number },
): Plan | null {
  // The eye takes no subs.
  if (!usable || numbers.eyepiece) return null;
  const startMs = entry.startUtc === null ? usable.fromMs : Math.max(usable.fromMs, Date.parse(entry.startUtc));
  return planSubs({
    startMs,
    // What comes after a second limit is not this side's any more.
    endMs: Math.min(usable.toMs, secondLimitMs(tube, transitMs) ?? usable.toMs),
    subS: entry.subS,
    gapS: entry.gapS,
    count: entry.count,
    transitMs: mountFlips(numbers.mount) ? transitMs : null,
    limitH,
    earliestFlipH: numbers.mount?.earliestFlipH ?? 0,
    flipMinutes,
    clearFromMs: clearFromMs(tube, transitMs),
    strategy: entry.strategy,
  });
}

/** The target of the night's first plan, its sky and when it can be used. */
function targetPart(records: NightRecords, sky: SiteNight, dark: Span | null) {
  const { night, site } = records;
  const entry = night.plan[0] ?? null;
  const target = records.targets.find((t) => t.id === entry?.targetId) ?? null;
  const targetSky = target ? targetNight(site, target, sky) : null;
  const { startMs, endMs } = sky.events;
  const above = (lowestDeg?: number): Span[] =>
    targetSky ? upSpans(site, targetSky.ofDate, startMs, endMs, lowestDeg) : [];
  const usable = dark ? longest(intersect(above(lowestImagingAltDeg(site)), dark)) : null;
  return { entry, target, targetSky, up: above(), usable };
}

/** What a flip of this rig has taken, the middle of all; before the first one assumed, with this rig's wait until the
 *  image stands still after the slew. */
function flipMinutesOf({ flipMinutes, steadiness }: Learned, { train }: RigNumbers): number {
  const settleS = steadiness?.values.settleS ?? null;
  const waitS = settleS !== null && train ? judgeSteadiness(settleS, train.focalEffectiveMm).waitAfterSlewS : 0;
  return flipMinutes ?? ASSUMED.flipMinutes + waitS / 60;
}

/** Without a plan, subs of this length are judged. */
const SUB_WITHOUT_PLAN_S = 60;

/** Derives the night; the same records object gives the same result object. */
export const nightStatic = oncePer((records: NightRecords): NightStatic => {
  const learned = learnedOf(records);
  const sky = siteNight(records.site, records.night.eveningDate);
  const dark = darkSpan(sky.events, records.night.darkness);
  const aim = targetPart(records, sky, dark);
  const numbers = rigNumbers(records.rig, records.parts, learned.raMomentKgM);
  const { balance } = numbers;
  return {
    records,
    learned,
    sky,
    dark,
    ...aim,
    numbers,
    bar: balance ? { rig: balance, found: raBalance(balance.input) } : null,
    load: loadOfRig(numbers, records.schools.loadShare, learned.goodInertiaKgM2),
    run: runFor(numbers.mount, numbers.eyepiece !== null),
    flips: mountFlips(numbers.mount),
    ...planPart(records, aim, numbers, learned),
    budget: budgetBase(records, numbers, aim.targetSky?.ofDate.decDeg ?? 0, aim.entry?.subS ?? SUB_WITHOUT_PLAN_S),
  };
});

/** The night's limit before the mount's own, and the subs laid around it. */
function planPart(
  { site }: NightRecords,
  { entry, usable, targetSky }: ReturnType<typeof targetPart>,
  numbers: RigNumbers,
  learned: Learned,
) {
  const flipMinutes = flipMinutesOf(learned, numbers);
  const tube = tubeClearance(numbers, site.latDeg, targetSky?.ofDate.decDeg ?? null, learned.gapShift);
  const limit = meridianLimit(entry, numbers.mount?.pastMeridianLimitH ?? null, tube);
  const transitMs = targetSky?.transit.transitMs ?? null;
  return {
    limit,
    plan: entry ? planOf(entry, usable, transitMs, numbers, { limit, flipMinutes }) : null,
  };
}
