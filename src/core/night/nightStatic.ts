/** Everything about a night that does not change while the ribbon is scrubbed. */
import { latestPer, oncePer } from '../once.ts';
import { raBalance, type RaBalance } from '../mount/balance.ts';
import type { Load } from '../mount/load.ts';
import { budgetBase, type BudgetBase } from './account/budgetBase.ts';
import type { Span } from '../time/span.ts';
import { darkSpan } from './plan/darkness.ts';
import { learnedOf, type Learned } from './learned/learned.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { loadOfRig } from '../rig/payloadOfRig.ts';
import { legIndexAt, legsOf, type Leg, type LegsOfMoment, type LegsOfNight } from './life/legs.ts';
import type { Life } from './life/life.ts';
import { mountFlips, rigNumbers, type RigBalance, type RigNumbers } from '../rig/rigNumbers.ts';
import { runFor, type Run } from './plan/run.ts';
import { siteNight, type SiteNight } from './plan/skyOfNight.ts';
import { MS_PER_MINUTE } from '../time/utc.ts';

export type BarOfNight = { rig: RigBalance; found: RaBalance };

/** What belongs to one target stands in it for the leg that it looks at: the first, until `aimedAt` turns it to another. */
export type NightStatic = Leg & {
  records: NightRecords;
  learned: Learned;
  sky: SiteNight;
  dark: Span | null;
  /** The targets in their order; at least one, empty without a plan. */
  legs: readonly Leg[];
  legIndex: number;
  /** What happened so far. */
  life: Life;
  numbers: RigNumbers;
  /** Weights and bar with their balance; null for mounts without a bar and incomplete rigs. */
  bar: BarOfNight | null;
  /** What hangs on the mount against its rating; null without a mount. */
  load: Load | null;
  run: Run;
  flips: boolean;
  budget: BudgetBase | null;
};

/** Without a plan, subs of this length are judged. */
const SUB_WITHOUT_PLAN_S = 60;

const budgetOf = (records: NightRecords, numbers: RigNumbers, { targetSky, entry }: Leg): BudgetBase | null =>
  budgetBase(records, numbers, targetSky?.ofDate ?? null, entry?.subS ?? SUB_WITHOUT_PLAN_S);

type About = LegsOfNight & { moment: LegsOfMoment };

/** What a night's targets are laid from, and they themselves. */
const aboutOf = oncePer((records: NightRecords): About => {
  const learned = learnedOf(records);
  const sky = siteNight(records.site, records.night.eveningDate);
  const dark = darkSpan(sky.events, records.night.darkness);
  const numbers = rigNumbers(records.rig, records.parts, {
    momentKgM: learned.raMomentKgM,
    spacingMm: learned.spacing.learnedMm,
    spacingGuessOf: learned.spacing.guessOf,
  });
  const about = { records, sky, dark, numbers, learned };
  return { ...about, moment: legsOf(about) };
});

/** The night turned to each of its targets, by the targets as they are laid. */
const turned = oncePer((_legs: readonly Leg[]): Map<number, NightStatic> => new Map());

/** Derives the night; the same records object gives the same result object. */
export const nightStatic = oncePer((records: NightRecords): NightStatic => {
  const { learned, sky, dark, numbers, moment } = aboutOf(records);
  const { legs, life } = moment;
  const { balance } = numbers;
  const night: NightStatic = {
    records,
    learned,
    sky,
    dark,
    ...legs[0],
    legs,
    legIndex: 0,
    life,
    numbers,
    bar: balance ? { rig: balance, found: raBalance(balance.input) } : null,
    load: loadOfRig(numbers, records.schools.loadShare, learned.goodInertiaKgM2),
    run: runFor(numbers.mount, numbers.eyepiece !== null),
    flips: mountFlips(numbers.mount),
    budget: budgetOf(records, numbers, legs[0]),
  };
  turned(legs).set(0, night);
  return night;
});

/** The night turned to the target of an index, as it is kept. */
export function aimedAt(night: NightStatic, index: number): NightStatic {
  const leg = night.legs[index];
  if (!leg || index === night.legIndex) return night;
  const known = turned(night.legs).get(index);
  if (known) return known;
  const aimed = { ...night, ...leg, legIndex: index, budget: budgetOf(night.records, night.numbers, leg) };
  turned(night.legs).set(index, aimed);
  return aimed;
}

/** The same minute gives the same night. */
const ofMinute = latestPer((records: NightRecords, minute: number): NightStatic => {
  const legs = aboutOf(records).moment.asOf(minute * MS_PER_MINUTE);
  const night = { ...nightStatic(records), ...legs[0], legs, legIndex: 0 };
  turned(legs).set(0, night);
  return night;
});

/** The night as it stands at a moment, first target first: what was due and that nobody recorded did not happen, and the rest is
 *  laid from then. While nothing is due it is the night itself. A night that is over and of which nobody said anything is told
 *  as it was planned. */
export function nightAsOf({ records, sky, life }: NightStatic, nowMs: number): NightStatic {
  const { endMs } = sky.events;
  if (nowMs >= endMs && life.lastMs === -Infinity) return nightStatic(records);
  const minute = Math.floor(Math.min(nowMs, endMs) / MS_PER_MINUTE);
  return minute * MS_PER_MINUTE > aboutOf(records).moment.dueMs ? ofMinute(records, minute) : nightStatic(records);
}

/** The night turned to the target that the mount looks at, at a moment. */
export const aimedAtTime = (night: NightStatic, timeMs: number): NightStatic =>
  aimedAt(night, legIndexAt(night.legs, timeMs));
