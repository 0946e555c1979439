/** The order in which a rig is balanced, what of it is done tonight, and the order in which it is taken down. */
import type { NightStatic } from '../nightStatic.ts';
import { isTicked } from '../plan/checklists.ts';
import { poleOfNight } from '../pole/poleOfNight.ts';
import { mountHasBar } from '../../rig/rigNumbers.ts';
import { usualTip } from './tipOfNight.ts';
import type { BalanceAxis } from '../../rig/axisLevers.ts';

/** List of the ticks of this bench. */
export const BALANCE_LIST = 'balance';
export type OrderStep = 'roughPole' | 'dress' | 'ra' | 'dec' | 'sideways' | 'raAgain' | 'home' | 'poleCheck';
/** `tick`: done by hand; `trial`: done by a tip test; `station`: done on another bench. */
export type OrderRow = { step: OrderStep; done: boolean; by: 'tick' | 'trial' | 'station' };

const ticked = ({ records }: NightStatic, itemId: string): boolean => isTicked(records.readings, BALANCE_LIST, itemId);

const balanced = ({ records }: NightStatic, axis: BalanceAxis): boolean =>
  usualTip(records, axis)?.estimate.balancedM != null;

/** Right ascension counts a second time when it was tried after the last other axis, and stayed. */
function raAfterOthers(night: NightStatic): boolean {
  const { readings } = night.records;
  const lastOf = (axis: BalanceAxis): number =>
    readings.findLastIndex((r) => r.kind === 'balance' && r.values.axis === axis);
  const others = (['dec', 'sideways'] as const).filter((axis) => balanced(night, axis));
  return balanced(night, 'ra') && others.length > 0 && others.every((axis) => lastOf(axis) < lastOf('ra'));
}

function poleSeen({ records }: NightStatic): boolean {
  return poleOfNight(records).basis !== 'untouched';
}

/** Steps in order for a rig with a bar; empty for others. A tracker's finder is blocked by the camera, so its pole comes
 *  first, and loading moves it, so it is looked at again. */
export function balanceOrder(night: NightStatic): OrderRow[] {
  const { mount } = night.numbers;
  if (!mountHasBar(mount)) return [];
  const tracker = mount?.mountKind === 'trackerBracket';
  const raDone = balanced(night, 'ra');
  const axes: OrderRow[] = (['dec', 'sideways'] as const).flatMap((axis) =>
    usualTip(night.records, axis) ? [{ step: axis, done: balanced(night, axis), by: 'trial' as const }] : [],
  );
  const rows: OrderRow[] = [
    { step: 'dress', done: ticked(night, 'dress'), by: 'tick' },
    { step: 'ra', done: raDone, by: 'trial' },
    ...axes,
    ...(axes.length > 0 ? [{ step: 'raAgain', done: raAfterOthers(night), by: 'trial' } as const] : []),
    { step: 'home', done: ticked(night, 'home'), by: 'tick' },
  ];
  if (!tracker) return rows;
  const checked = night.records.tonight.of('event').some((r) => r.values.what === 'lastPoleCheck');
  return [
    { step: 'roughPole', done: poleSeen(night), by: 'station' },
    ...rows,
    { step: 'poleCheck', done: checked, by: 'station' },
  ];
}

/** The first step not done; null when all are. */
export function nextStep(rows: readonly OrderRow[]): OrderStep | null {
  return rows.find((r) => !r.done)?.step ?? null;
}

export type UnloadStep =
  | 'park'
  | 'parkBare'
  | 'powerOff'
  | 'cablesOff'
  | 'cameraOff'
  | 'tubeOff'
  | 'weightsOff'
  | 'barOff'
  | 'headOff'
  | 'legsLast';

/** How a loaded rig is taken down safely; empty without a mount. */
export function unloadOrder({ numbers }: NightStatic): UnloadStep[] {
  const { mount, masses, support } = numbers;
  if (!mount) return [];
  const bar = masses.bar.massKg > 0 || masses.weights.length > 0;
  return [
    bar ? 'park' : 'parkBare',
    'powerOff',
    'cablesOff',
    'cameraOff',
    'tubeOff',
    ...(bar ? (['weightsOff', 'barOff'] as const) : []),
    'headOff',
    ...(support?.supportKind === 'tripod' ? (['legsLast'] as const) : []),
  ];
}
