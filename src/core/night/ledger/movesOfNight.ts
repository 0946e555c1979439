/** What the hands did tonight, in order, as readings and ticks tell it. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { oncePer } from '../../once.ts';
import type { Reading, ReadingOf } from '../../records/reading.ts';
import { ASSEMBLY_LIST, HAND_STEPS, type HandStep } from '../../rig/assembly.ts';
import type { BalanceAxis } from '../../rig/axisLevers.ts';
import { balancedBy, otherAxes } from './balancedTonight.ts';
import type { NightStatic } from '../nightStatic.ts';
import { FIRST_SUB_LIST } from '../plan/checklists.ts';
import { totalMeasured } from '../../pole/measuredErrors.ts';
import { poleSteps } from '../../pole/poleOfNight.ts';
import { isMeasured, type PoleStep } from '../../pole/poleWalk.ts';
import { goalOfNight } from './goalOfNight.ts';
import type { Held, Movement } from './movements.ts';

/** `short`: what the movement would have won, and did not: a base that still leans, a pole beyond the goal. */
export type Moved = { movement: Movement; atUtc: string; short?: readonly Held[] };
type Done = Omit<Moved, 'atUtc'>;

/** Slopes beyond this are levelled by drawing a leg out, which moves what stood before. */
const LEVELLED_DEG = 0.5;

const isHandStep = (id: string): id is HandStep => (HAND_STEPS as readonly string[]).includes(id);

/** Ticks of the list before the first sub that say that something stands. */
const CHECKED: Readonly<Record<string, Movement>> = { clutches: 'clutchTight', cables: 'cablesChecked' };

/** Readings that are a movement whatever they say. */
const BY_KIND: Partial<Record<Reading['kind'], Movement>> = {
  feet: 'bearing',
  compass: 'bearing',
  shadow: 'bearing',
  scaleReading: 'latitude',
  balance: 'tipTest',
  focus: 'focus',
  flip: 'slew',
  subs: 'firstSub',
};

function byEvent({ values }: ReadingOf<'event'>, tracker: boolean): Movement | null {
  switch (values.what) {
    case 'setByEye':
      // A tracker's finder is looked through before the camera is on: what it shows then is a rough pole.
      return tracker ? 'roughPole' : 'pole';
    case 'lastPoleCheck':
      return tracker ? 'poleCheck' : 'pole';
    case 'scaleSet':
      return 'latitude';
    case 'flipBegun':
    case 'targetTaken':
      return 'slew';
    case 'started':
      return 'firstSub';
    case 'axesOpened':
    case 'legsMoved':
      return values.what;
    case 'plateMoved':
    case 'driftGivenUp':
    case 'paused':
    case 'resumed':
    case 'stopped':
    case 'skipped':
    case 'platformReset':
      return null;
  }
}

/** Steps around balancing once had a list of their own. */
const WORK_LISTS: readonly string[] = [ASSEMBLY_LIST, 'balance'];

/** Of a tick that was taken back nothing is left; of one that was set again the last counts. */
function lastTicks(readings: readonly Reading[]): ReadonlySet<Reading> {
  const last = new Map<string, Reading>();
  for (const r of readings) {
    if (r.kind !== 'check') continue;
    const { listId, itemId } = r.values;
    last.set(`${WORK_LISTS.includes(listId) ? ASSEMBLY_LIST : listId} ${itemId}`, r);
  }
  return new Set([...last.values()].filter((r) => r.kind === 'check' && r.values.done));
}

function byTick({ values }: ReadingOf<'check'>): Movement | null {
  if (values.listId === FIRST_SUB_LIST) return CHECKED[values.itemId] ?? null;
  return WORK_LISTS.includes(values.listId) && isHandStep(values.itemId) ? values.itemId : null;
}

/** A base read level after it was read to lean had a leg moved in between, and so had one that leans since it was level. */
function byLevel(reading: ReadingOf<'level'>, before: ReadingOf<'level'> | undefined): Done[] {
  const { tiltDeg } = reading.values;
  const was = before?.values.tiltDeg ?? tiltDeg;
  const moved = (was > LEVELLED_DEG && tiltDeg < was) || tiltDeg - was > LEVELLED_DEG;
  const read: Done = { movement: 'level', short: tiltDeg > LEVELLED_DEG ? ['level'] : [] };
  return moved ? [{ movement: 'legsMoved' }, read] : [read];
}

/** Beyond this a fitting on the tube, a knob or a foot, sweeps along another way than it did, m. */
const FAR_SLIDE_M = 0.02;

/** Both axes stayed where they were put, each at its last trial: near enough to open both clutches. */
function holdsRoughly(night: NightStatic, reading: ReadingOf<'balance'>): boolean {
  const trials = night.records.tonight.of('balance');
  const until = trials.slice(0, trials.indexOf(reading) + 1);
  const stays = (axis: BalanceAxis): boolean => until.findLast((r) => r.values.axis === axis)?.values.drops === 'none';
  return stays('ra') && (!otherAxes(night).includes('dec') || stays('dec'));
}

/** The tube stands elsewhere in its clamp than at the trial before. */
function bySlide(reading: ReadingOf<'balance'>, before: ReadingOf<'balance'> | undefined): Done[] {
  const [atM, wasM] = [reading.values.positionM, before?.values.positionM ?? null];
  return atM !== null && wasM !== null && Math.abs(atM - wasM) > FAR_SLIDE_M ? done('clampMoved') : [];
}

const byTrial = (night: NightStatic, r: ReadingOf<'balance'>, before: ReadingOf<'balance'> | undefined): Done[] => [
  ...bySlide(r, before),
  ...done(holdsRoughly(night, r) ? 'roughBalance' : null),
];

/** A pole that is measured is won within what tonight's stars bear, also where a star stands on its mark. */
function shortOfPole(night: NightStatic, step: PoleStep | undefined): Held[] {
  if (!step || !isMeasured(step.after)) return [];
  const { goalArcmin, reference } = goalOfNight(night);
  return totalMeasured(step, night.records.site.latDeg, reference) <= goalArcmin ? [] : ['alignment'];
}

function byEventOfPole(night: NightStatic, movement: Movement | null, step: PoleStep | undefined): Done[] {
  return movement === 'pole' || movement === 'poleCheck'
    ? [{ movement, short: shortOfPole(night, step) }]
    : done(movement);
}

/** One star alone tells of one part. */
const byMeasuring = (night: NightStatic, step: PoleStep | undefined): Done[] =>
  step && isMeasured(step.after) ? byEventOfPole(night, 'pole', step) : [];

const done = (movement: Movement | null): Done[] => (movement === null ? [] : [{ movement }]);

export const movesOfNight = oncePer((night: NightStatic): readonly Moved[] => {
  const { records, numbers } = night;
  const ticks = lastTicks(records.readings);
  const tracker = mountTraits(numbers.mount).isTracker;
  const balanced = balancedBy(night);
  const stepOf = new Map(poleSteps(records).map((step) => [step.reading, step]));
  const levels = records.tonight.of('level');
  const slides = records.tonight.of('balance').filter((r) => r.values.axis === 'dec');
  const doneBy = (r: Reading): readonly Done[] => {
    if (r.kind === 'check') return ticks.has(r) ? done(byTick(r)) : [];
    if (r.kind === 'event') return byEventOfPole(night, byEvent(r, tracker), stepOf.get(r));
    if (r.kind === 'level') return byLevel(r, levels[levels.indexOf(r) - 1]);
    if (r.kind === 'drift' || r.kind === 'polarError') return byMeasuring(night, stepOf.get(r));
    const tried = r.kind === 'balance' ? byTrial(night, r, slides[slides.indexOf(r) - 1]) : [];
    return [...done(BY_KIND[r.kind] ?? null), ...tried, ...done(r === balanced ? 'balance' : null)];
  };
  return records.readings.flatMap((r) => doneBy(r).map((one) => ({ ...one, atUtc: r.takenAtUtc })));
});
