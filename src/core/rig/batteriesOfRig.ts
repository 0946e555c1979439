/** Batteries whose reading may be told on a night: those that feed this rig, else those of the box. */
import type { Part, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';

export function batteriesOfRig({ supplies }: Pick<Rig, 'supplies'>, parts: readonly Part[]): PartOf<'battery'>[] {
  const there = parts.filter((p): p is PartOf<'battery'> => p.kind === 'battery' && p.deletedAtUtc === null);
  const feeding = there.filter((p) => supplies.some((s) => s.batteryId === p.id));
  return feeding.length > 0 ? feeding : there.filter((p) => !p.archived);
}
