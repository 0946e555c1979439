/** Batteries whose reading may be told on a night: those that feed this rig, else those of the box. */
import type { Part, PartOf } from '../records/part.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import type { Rig } from '../records/rig.ts';

export function batteriesOfRig({ supplies }: Pick<Rig, 'supplies'>, parts: readonly Part[]): PartOf<'battery'>[] {
  const there = parts.filter((p): p is PartOf<'battery'> => p.kind === 'battery' && p.deletedAtUtc === null);
  const feeding = there.filter((p) => supplies.some((s) => s.batteryId === p.id));
  return feeding.length > 0 ? feeding : there.filter((p) => !p.archived);
}

/** The last reading of each battery that was read, in the order of the night; `name` null where the box holds none of it. */
export function lastOfBatteries(
  readings: readonly Reading[],
  parts: readonly Part[],
): { reading: ReadingOf<'battery'>; name: string | null }[] {
  const last = new Map(
    readings.filter((r): r is ReadingOf<'battery'> => r.kind === 'battery').map((r) => [r.subject.id, r]),
  );
  return [...last].map(([id, reading]) => ({ reading, name: parts.find((p) => p.id === id)?.name ?? null }));
}
