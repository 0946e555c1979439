/** What a rig takes along: every part with how many, in which case, and the tools that these parts need. */
import type { Part, PartKind } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { RigHas } from './rigHas.ts';
import { partIdsOfRig } from './rigState.ts';

export const PACKING_LIST = 'packing';
export const INVENTORY_LIST = 'inventory';

/** Where a part goes when it names no case of its own. */
export type UsualCase = 'mount' | 'tube' | 'weights' | 'small' | 'power' | 'loose';
export type PackItem = { partId: string; name: string; kind: PartKind; count: number; have: number };
/** `named`: a case that the user named; else one of the usual ones. */
export type Case = { named: string | null; usual: UsualCase; items: PackItem[]; massKg: number; unweighed: number };

export type Tool =
  | 'redLight'
  | 'chart'
  | 'compass'
  | 'level'
  | 'tape'
  | 'hexKeys'
  | 'screwdriver'
  | 'strapWrench'
  | 'meter'
  | 'gloves'
  | 'spareFuses';

export type Packing = { cases: Case[]; tools: Tool[]; totalKg: number };

const USUAL: Partial<Record<PartKind, UsualCase>> = {
  mount: 'mount',
  bar: 'mount',
  barExtension: 'mount',
  support: 'loose',
  tube: 'tube',
  rings: 'tube',
  plate: 'tube',
  weight: 'weights',
  battery: 'power',
  load: 'power',
  cable: 'power',
  converter: 'power',
};

/** How often the rig needs each part: copies that are placed, or that stand in the train; cables as often as supplies
 *  name them. */
function countsOf(rig: Rig): Map<string, number> {
  const counts = new Map<string, number>();
  const many = (ids: readonly string[]): Map<string, number> => {
    const found = new Map<string, number>();
    for (const id of ids) found.set(id, (found.get(id) ?? 0) + 1);
    return found;
  };
  const lists = [rig.placed.map((p) => p.partId), rig.train, rig.supplies.flatMap((s) => s.cableIds)].map(many);
  for (const id of new Set(partIdsOfRig(rig))) {
    counts.set(id, Math.max(1, ...lists.map((list) => list.get(id) ?? 0)));
  }
  return counts;
}

const TOOLS: readonly { tool: Tool; when: (kinds: ReadonlySet<PartKind>, has: RigHas) => boolean }[] = [
  { tool: 'redLight', when: () => true },
  { tool: 'chart', when: (_, has) => !has.has('slew') },
  { tool: 'compass', when: (_, has) => has.has('polarAxis') },
  { tool: 'level', when: () => true },
  { tool: 'gloves', when: () => true },
  { tool: 'tape', when: (kinds) => kinds.has('weight') },
  { tool: 'hexKeys', when: (kinds, has) => kinds.has('rings') || kinds.has('plate') || has.has('legs') },
  { tool: 'screwdriver', when: (kinds) => kinds.has('guideScope') || kinds.has('small') },
  { tool: 'strapWrench', when: (kinds) => kinds.has('spacer') || kinds.has('corrector') },
  { tool: 'meter', when: (kinds) => kinds.has('battery') },
  { tool: 'spareFuses', when: (kinds) => kinds.has('battery') },
];

/** What has no mass of its own is built into another piece: the mount's motors, a camera's cooler, a phone's camera. */
export const isBuiltIn = (part: Part): boolean =>
  part.massKg === 0 && (part.kind === 'load' || (part.kind === 'camera' && part.bodyKind === 'phone'));

/** Everything the rig names, sorted into cases; the usual order of cases, parts by name. */
export function packingOf(rig: Rig, all: readonly Part[], has: RigHas): Packing {
  const counts = countsOf(rig);
  const parts = all
    .filter((p) => counts.has(p.id) && p.deletedAtUtc === null && !isBuiltIn(p))
    .sort((a, b) => a.name.localeCompare(b.name));
  const cases = new Map<string, Case>();
  for (const part of parts) {
    const named = part.packIn?.trim() || null;
    const usual = USUAL[part.kind] ?? 'small';
    const key = named ?? `usual:${usual}`;
    const count = counts.get(part.id) ?? 1;
    const before = cases.get(key) ?? { named, usual, items: [], massKg: 0, unweighed: 0 };
    cases.set(key, {
      ...before,
      items: [...before.items, { partId: part.id, name: part.name, kind: part.kind, count, have: part.count }],
      massKg: before.massKg + count * (part.massKg ?? 0),
      unweighed: before.unweighed + (part.massKg === null ? 1 : 0),
    });
  }
  const order: readonly UsualCase[] = ['loose', 'mount', 'weights', 'tube', 'small', 'power'];
  const sorted = [...cases.values()].sort((a, b) => order.indexOf(a.usual) - order.indexOf(b.usual));
  const kinds = new Set(parts.map((p) => p.kind));
  return {
    cases: sorted,
    tools: TOOLS.filter((t) => t.when(kinds, has)).map((t) => t.tool),
    totalKg: sorted.reduce((total, c) => total + c.massKg, 0),
  };
}
