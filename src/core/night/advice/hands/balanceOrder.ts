/** The order in which a rig is balanced, what of it is done tonight, and the order in which it is taken down. */
import { motorsOf } from '../../../mount/motors.ts';
import type { AssemblyStep } from '../../../rig/assembly.ts';
import { mountHasBar } from '../../../rig/rigNumbers.ts';
import { workRows, type Missing } from '../../ledger/ledger.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { isBalanced, otherAxes, raAfterOthers } from '../../ledger/balancedTonight.ts';

/** Tip tests; what is done around them stands in the night's work. */
export type TrialStep = 'ra' | 'dec' | 'sideways' | 'raAgain';
export type OrderStep = TrialStep | (typeof BEFORE)[number] | (typeof AFTER)[number];
export type OrderRow = { step: OrderStep; done: boolean; missing: readonly Missing[] };

/** Steps of the night's work that belong to balancing, before the trials and after them. */
const BEFORE = ['roughPole', 'dress', 'roughBalance', 'cablesLast'] as const;
const AFTER = ['home', 'clutchTight', 'poleCheck'] as const;

export const isTrial = (step: OrderStep): step is TrialStep => ['ra', 'dec', 'sideways', 'raAgain'].includes(step);

/** Steps in order for a rig with a bar; empty for others. A tracker's finder is blocked by the camera, so its pole comes
 *  first, and loading moves it, so it is looked at again. */
export function balanceOrder(night: NightStatic): OrderRow[] {
  if (!mountHasBar(night.numbers.mount)) return [];
  const rowsOf = (steps: readonly AssemblyStep[]): OrderRow[] =>
    workRows(night).flatMap((row) => (steps.includes(row.step) ? [row as OrderRow] : []));
  const trial = (step: TrialStep, done: boolean): OrderRow => ({ step, done, missing: [] });
  const axes = otherAxes(night).map((axis) => trial(axis, isBalanced(night, axis)));
  return [
    ...rowsOf(BEFORE),
    trial('ra', isBalanced(night, 'ra')),
    ...axes,
    ...(axes.length > 0 ? [trial('raAgain', raAfterOthers(night))] : []),
    ...rowsOf(AFTER),
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
  const { mount, masses, support, eyepiece } = numbers;
  const motors = motorsOf(mount);
  if (!mount) return [];
  const bar = masses.bar.massKg > 0 || masses.weights.length > 0;
  return [
    bar ? 'park' : 'parkBare',
    ...(motors === 'none' ? [] : (['powerOff', 'cablesOff'] as const)),
    ...(eyepiece ? [] : (['cameraOff'] as const)),
    'tubeOff',
    ...(bar ? (['weightsOff', 'barOff'] as const) : []),
    'headOff',
    ...(support?.supportKind === 'tripod' ? (['legsLast'] as const) : []),
  ];
}
