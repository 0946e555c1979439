/** What the hands did tonight, in order, as readings and ticks tell it. */
import { oncePer } from '../../once.ts';
import type { Reading, ReadingOf } from '../../records/reading.ts';
import { ASSEMBLY_LIST, HAND_STEPS, type HandStep } from '../../rig/assembly.ts';
import { isTracker } from '../../rig/rigNumbers.ts';
import { balancedBy } from './balancedTonight.ts';
import type { NightStatic } from '../nightStatic.ts';
import { FIRST_SUB_LIST } from '../plan/checklists.ts';
import { poleOfNight } from '../../pole/poleOfNight.ts';
import type { Movement } from './movements.ts';

export type Moved = { movement: Movement; atUtc: string };

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
  polarError: 'pole',
  focus: 'focus',
  flip: 'slew',
  pointingMiss: 'slew',
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

/** A base read level after it was read to lean had a leg moved in between. */
function byLevel(reading: ReadingOf<'level'>, before: ReadingOf<'level'> | undefined): Movement[] {
  const moved =
    before !== undefined && before.values.tiltDeg > LEVELLED_DEG && reading.values.tiltDeg < before.values.tiltDeg;
  return moved ? ['legsMoved', 'level'] : ['level'];
}

export const movesOfNight = oncePer((night: NightStatic): readonly Moved[] => {
  const { records, numbers } = night;
  const ticks = lastTicks(records.readings);
  const tracker = isTracker(numbers.mount);
  const balanced = balancedBy(night);
  const aligned = poleOfNight(records).basis === 'measured';
  const levels = records.tonight.of('level');
  const movementsOf = (r: Reading): readonly (Movement | null)[] => {
    if (r.kind === 'check') return ticks.has(r) ? [byTick(r)] : [];
    if (r.kind === 'event') return [byEvent(r, tracker)];
    if (r.kind === 'level') return byLevel(r, levels[levels.indexOf(r) - 1]);
    if (r.kind === 'drift') return aligned ? ['pole'] : [];
    return [BY_KIND[r.kind] ?? null, r === balanced ? 'balance' : null];
  };
  return records.readings.flatMap((r) =>
    movementsOf(r).flatMap((movement) => (movement === null ? [] : [{ movement, atUtc: r.takenAtUtc }])),
  );
});
