/** What of tonight's balance is won, by the tip tests. */
import type { ReadingOf } from '../../records/reading.ts';
import type { BalanceAxis } from '../../rig/axisLevers.ts';
import { balancesTubeAlone, mountHasBar } from '../../rig/rigNumbers.ts';
import type { NightStatic } from '../nightStatic.ts';
import { usualTip } from '../learned/tipOfNight.ts';

export const isBalanced = ({ records }: NightStatic, axis: BalanceAxis): boolean =>
  usualTip(records, axis)?.estimate.balancedM != null;

/** The axes beside right ascension that this rig is tried on. */
export const otherAxes = ({ records }: NightStatic): BalanceAxis[] =>
  (['dec', 'sideways'] as const).filter((axis) => usualTip(records, axis));

/** Right ascension counts a second time when it was tried after the last other axis, and stayed. */
export function raAfterOthers(night: NightStatic): boolean {
  const { readings } = night.records;
  const lastOf = (axis: BalanceAxis): number =>
    readings.findLastIndex((r) => r.kind === 'balance' && r.values.axis === axis);
  const others = (['dec', 'sideways'] as const).filter((axis) => isBalanced(night, axis));
  return isBalanced(night, 'ra') && others.length > 0 && others.every((axis) => lastOf(axis) < lastOf('ra'));
}

/** The last trial of a fork's tube tonight, with the rig as it is; null for other mounts. */
export function forkTrial({ numbers, records }: NightStatic): ReadingOf<'balance'> | null {
  if (!balancesTubeAlone(numbers.mount)) return null;
  const last = records.tonight.last('balance');
  return last && (records.fromSnapshot || records.presentSnapshotIds.has(last.snapshotId)) ? last : null;
}

/** The trial with which the whole rig was balanced; null while it is not, and for mounts that balance nothing. */
export function balancedBy(night: NightStatic): ReadingOf<'balance'> | null {
  const ofFork = forkTrial(night);
  if (ofFork) return ofFork.values.drops === 'none' ? ofFork : null;
  if (!mountHasBar(night.numbers.mount) || !isBalanced(night, 'ra')) return null;
  if (otherAxes(night).length > 0 && !raAfterOthers(night)) return null;
  return night.records.tonight.last('balance') ?? null;
}
