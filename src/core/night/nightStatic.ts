/** Everything about a night that does not change while the ribbon is scrubbed. */
import { oncePer, oncePerKey } from '../once.ts';
import { raBalance, type RaBalance } from '../mount/balance.ts';
import type { Load } from '../mount/load.ts';
import { budgetBase, type BudgetBase } from './account/budgetBase.ts';
import type { Span } from '../time/span.ts';
import { darkSpan } from './plan/darkness.ts';
import { learnedOf, type Learned } from './learned/learned.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { loadOfRig } from '../rig/payloadOfRig.ts';
import { legIndexAt, legsOf, type Leg } from './plan/legs.ts';
import { mountFlips, rigNumbers, type RigBalance, type RigNumbers } from '../rig/rigNumbers.ts';
import { runFor, type Run } from './plan/run.ts';
import { siteNight, type SiteNight } from './plan/skyOfNight.ts';

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

/** Derives the night; the same records object gives the same result object. */
export const nightStatic = oncePer((records: NightRecords): NightStatic => {
  const learned = learnedOf(records);
  const sky = siteNight(records.site, records.night.eveningDate);
  const dark = darkSpan(sky.events, records.night.darkness);
  const numbers = rigNumbers(records.rig, records.parts, {
    momentKgM: learned.raMomentKgM,
    spacingMm: learned.spacing.learnedMm,
  });
  const { balance } = numbers;
  const legs = legsOf({ records, sky, dark, numbers, learned });
  return {
    records,
    learned,
    sky,
    dark,
    ...legs[0],
    legs,
    legIndex: 0,
    numbers,
    bar: balance ? { rig: balance, found: raBalance(balance.input) } : null,
    load: loadOfRig(numbers, records.schools.loadShare, learned.goodInertiaKgM2),
    run: runFor(numbers.mount, numbers.eyepiece !== null),
    flips: mountFlips(numbers.mount),
    budget: budgetOf(records, numbers, legs[0]),
  };
});

const onLeg = oncePerKey((records: NightRecords, index: number): NightStatic => {
  const night = nightStatic(records);
  const leg = night.legs[index];
  if (!leg || index === 0) return night;
  return { ...night, ...leg, legIndex: index, budget: budgetOf(records, night.numbers, leg) };
});

/** The night turned to the target of an index, as it is kept. */
export const aimedAt = (night: NightStatic, index: number): NightStatic =>
  index === night.legIndex ? night : onLeg(night.records, index);

/** The night turned to the target that the mount looks at, at a moment. */
export const aimedAtTime = (night: NightStatic, timeMs: number): NightStatic =>
  aimedAt(night, legIndexAt(night.legs, timeMs));
