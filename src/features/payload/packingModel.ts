/** What the packing tab shows: lists with their ticks of tonight. */
import { handsTonight } from '../../core/night/hasTonight.ts';
import { workRows, type WorkRow } from '../../core/night/ledger/ledger.ts';
import { ASSEMBLY_LIST, type Hands } from '../../core/rig/assembly.ts';
import { rigHas } from '../../core/rig/rigHas.ts';
import { isTicked } from '../../core/night/plan/checklists.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { INVENTORY_LIST, PACKING_LIST, packingOf, type Case, type Packing, type Tool } from '../../core/rig/packing.ts';
import { caseName, type PackingSaying } from '../../text/packingWords.ts';

export type PackingView = 'pack' | 'inventory' | 'assembly';
export type TickedItem = Case['items'][number] & { done: boolean };
export type TickedCase = Omit<Case, 'items'> & { items: TickedItem[] };

export type PackingModel = {
  saying: PackingSaying;
  packing: Packing;
  cases: TickedCase[];
  tools: { tool: Tool; done: boolean }[];
  steps: readonly WorkRow[];
};

export const LIST_OF: Record<PackingView, string> = {
  pack: PACKING_LIST,
  inventory: INVENTORY_LIST,
  assembly: ASSEMBLY_LIST,
};

function sayingOf(
  view: PackingView,
  { cases, tools, steps }: Omit<PackingModel, 'saying' | 'packing'>,
  hands: Hands,
): PackingSaying {
  const items = [...cases.flatMap((c) => c.items), ...(view === 'pack' ? tools : [])];
  if (items.length === 0 || steps.length === 0) return { code: 'empty' };
  const open = items.filter((i) => !i.done).length;
  if (view === 'assembly') return { code: 'assembly', next: steps.find((s) => !s.done)?.step ?? null, hands };
  return view === 'pack'
    ? { code: 'pack', open, pieces: items.length, cases: cases.length }
    : { code: 'inventory', open };
}

/** A case that the user called like one of the usual ones is that one. */
function mergedByName(cases: readonly Case[]): Case[] {
  const merged = new Map<string, Case>();
  for (const one of cases) {
    const name = caseName(one);
    const before = merged.get(name);
    merged.set(
      name,
      before
        ? {
            ...before,
            items: [...before.items, ...one.items],
            massKg: before.massKg + one.massKg,
            unweighed: before.unweighed + one.unweighed,
          }
        : one,
    );
  }
  return [...merged.values()];
}

export function packingModel(night: NightStatic, view: PackingView): PackingModel {
  const { records } = night;
  const derived = packingOf(records.rig, records.parts, rigHas(night.numbers));
  const packing = { ...derived, cases: mergedByName(derived.cases) };
  const ticked = (itemId: string): boolean => isTicked(records.readings, LIST_OF[view], itemId);
  const lists = {
    cases: packing.cases.map((c) => ({ ...c, items: c.items.map((i) => ({ ...i, done: ticked(i.partId) })) })),
    tools: packing.tools.map((tool) => ({ tool, done: ticked(`tool-${tool}`) })),
    steps: workRows(night),
  };
  return { saying: sayingOf(view, lists, handsTonight(night)), packing, ...lists };
}
