/** Words of the packing list and the inventory. */
import type { AssemblyStep, Hands } from '../core/rig/assembly.ts';
import type { Case, PackItem, Tool, UsualCase } from '../core/rig/packing.ts';
import type { Said } from './said.ts';
import { assemblyWords } from './assemblyWords.ts';

const USUAL_NAMES: Record<UsualCase, string> = {
  mount: 'Mount case',
  tube: 'Tube case',
  weights: 'Weights, in the footwell',
  small: 'Small-parts case',
  power: 'Power box',
  loose: 'Loose',
};

export function caseName({ named, usual }: Pick<Case, 'named' | 'usual'>): string {
  return named ?? USUAL_NAMES[usual];
}

/** `2 × Weight 3.4 kg`, and what is missing of it. */
export function itemWords({ name, count, have }: PackItem): string {
  const times = count > 1 ? `${count} × ${name}` : name;
  return have < count ? `${times} (you have ${have})` : times;
}

export const TOOL_NAMES: Record<Tool, string> = {
  redLight: 'Red light, spare batteries',
  chart: 'Star chart, to find by',
  compass: 'Compass',
  level: 'Spirit level',
  tape: 'Tape measure, tape for marks',
  hexKeys: 'Hex keys for rings, saddle and head',
  screwdriver: 'Small screwdriver for the finder’s screws',
  strapWrench: 'Strap wrenches for stuck threads',
  meter: 'Voltage meter',
  gloves: 'Thin gloves',
  spareFuses: 'Spare fuses',
};

/** Once per mount. */
export const HOME_MARKS = {
  words:
    'Make two marks for home, once for this mount: weights down, tube to the pole, one strip of tape across each axis, cut at the joint. Whenever both halves meet, it is home.',
  made: 'Both marks are made',
  said: 'Marks for home remembered.',
};

export type PackingSaying =
  | { code: 'pack'; open: number; pieces: number; cases: number }
  | { code: 'inventory'; open: number }
  | { code: 'assembly'; next: AssemblyStep | null; hands: Hands }
  | { code: 'empty' };

export function packingSentence(s: PackingSaying): Said {
  switch (s.code) {
    case 'empty':
      return 'Choose a **mount and parts** for this rig in Kit: the list follows from them.';
    case 'pack':
      return s.open === 0
        ? 'Everything is **packed**. Close the cases.'
        : `Pack **${s.open} more** of ${s.pieces} pieces.`;
    case 'inventory':
      return s.open === 0
        ? 'Everything that belongs to this rig **is there**.'
        : `Lay it all out and tick what is there: **${s.open}** still to find.`;
    case 'assembly':
      return s.next === null
        ? 'It is **together and aligned**. On to the first sub.'
        : `${assemblyWords(s.next, s.hands).do}.`;
  }
}

export function packingReason(s: PackingSaying, totalKg: string): string {
  switch (s.code) {
    case 'empty':
      return 'Counts, cases, tools and the order of assembly are derived from the rig.';
    case 'pack':
      return `${s.cases} cases, ${totalKg} in all. Ticks are kept with tonight.`;
    case 'inventory':
      return 'For a first unpacking: nothing is put together before everything was seen once.';
    case 'assembly':
      return s.next === null
        ? 'Unload in the reverse order: camera and tube first, weights last.'
        : assemblyWords(s.next, s.hands).why;
  }
}
