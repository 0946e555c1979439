/** Parts as rows of the table. */
import { partIdsOfRig } from '../../core/rig/rigState.ts';
import type { Part } from '../../core/records/part.ts';
import type { Rig } from '../../core/records/rig.ts';
import { PART_KIND_NAMES } from './partFields.ts';

export type PartRow = {
  part: Part;
  name: string;
  kindName: string;
  /** Undefined = not known, so that it sorts last. */
  massKg: number | undefined;
  count: number;
  /** Rigs that name it. */
  usedIn: string;
  packIn: string;
};

export function partRows(parts: readonly Part[], rigs: readonly Rig[], archived: boolean): PartRow[] {
  const living = rigs
    .filter((r) => r.deletedAtUtc === null)
    .map((r) => ({ name: r.name, ids: new Set(partIdsOfRig(r)) }));
  return parts
    .filter((p) => p.deletedAtUtc === null && (archived || !p.archived))
    .map((part) => ({
      part,
      name: part.name,
      kindName: PART_KIND_NAMES[part.kind],
      massKg: part.massKg ?? undefined,
      count: part.count,
      usedIn: living
        .filter((r) => r.ids.has(part.id))
        .map((r) => r.name)
        .join(', '),
      packIn: part.packIn ?? '',
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}
