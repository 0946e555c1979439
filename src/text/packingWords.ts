/** Words of the packing list, the inventory and the order of assembly. */
import type { AssemblyStep } from '../core/rig/assembly.ts';
import type { Case, PackItem, Tool, UsualCase } from '../core/rig/packing.ts';
import type { Said } from './said.ts';

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
  compass: 'Compass',
  level: 'Spirit level',
  tape: 'Tape measure, tape for marks',
  hexKeys: 'Hex keys for rings, saddle and head',
  screwdriver: 'Small screwdriver for finder and guide scope',
  strapWrench: 'Strap wrenches for stuck threads',
  meter: 'Voltage meter',
  gloves: 'Thin gloves',
  spareFuses: 'Spare fuses',
};

type StepWords = { do: string; why: string; caution: string | null };

export const ASSEMBLY_WORDS: Record<AssemblyStep, StepWords> = {
  spreadLegs: {
    do: 'Spread the legs fully and lock them',
    why: 'A wide stance is what keeps it from tipping.',
    caution: 'Push each leg into soft ground before anything goes on.',
  },
  poleLeg: {
    do: 'Turn one leg toward the pole',
    why: 'The tube’s weight hangs over that side.',
    caution: 'Compass readings before the iron comes near: motors and magnets pull the needle.',
  },
  headOn: {
    do: 'Set the head on and tighten its bolt',
    why: 'Everything else hangs on this one bolt.',
    caution: 'Two people above 20 kg. Both axes locked before you lift.',
  },
  wedgeOn: {
    do: 'Set the wedge on, at your latitude',
    why: 'The axis then points near the pole by itself.',
    caution: null,
  },
  trackerOn: {
    do: 'Set the tracker on the wedge',
    why: 'Its finder must see the sky before anything blocks it.',
    caution: 'Keep the compass and the phone away from its motor and magnets.',
  },
  roughPole: {
    do: 'Point the axis at the pole through the finder',
    why: 'Camera and ball head will block the finder later.',
    caution: 'Never look for the sun through the finder.',
  },
  barIn: { do: 'Screw the counterweight bar in, to the stop', why: 'It carries the weights.', caution: null },
  weightsOn: {
    do: 'Put the weights on, bar straight down',
    why: 'Before the tube: an axis that is heavy on the tube’s side swings round by itself.',
    caution: 'Tighten each weight before you let go of it.',
  },
  endStop: {
    do: 'Screw the end stop back onto the bar',
    why: 'It is what saves a foot when a weight slips.',
    caution: 'Never leave it off, not for a moment.',
  },
  ballHeadOn: {
    do: 'Screw the ball head on',
    why: 'It aims the camera.',
    caution: 'It is not touched after the pole is set.',
  },
  bracketOn: { do: 'Mount the declination bracket', why: 'Camera and bar hang on it.', caution: null },
  tubeOn: {
    do: 'Lay the tube into the saddle and close the clamp',
    why: 'Slide it to last time’s mark.',
    caution: 'Hold the tube until both clamp screws are tight; tug at it before you let go.',
  },
  ringScrews: {
    do: 'Close the rings, screws started by hand',
    why: 'A crossed thread ruins the ring.',
    caution: 'Two turns by hand before a key touches them.',
  },
  cameraOn: {
    do: 'Put the camera on, caps off, rough focus',
    why: 'Balance counts only in the final dress.',
    caution: 'Start threads by hand. Hold the tube: it is front-light until now.',
  },
  guideOn: { do: 'Put the guide scope and finder on', why: 'They shift the balance too.', caution: null },
  balance: {
    do: 'Balance, then both clutches tight',
    why: 'The motors then only turn it, they do not lift it.',
    caution: 'Never push an axis while its clutch is tight.',
  },
  home: {
    do: 'Bring it home: weights down, tube to the pole',
    why: 'The controller counts from there.',
    caution: null,
  },
  homeBare: {
    do: 'Bring it home: tube to the pole',
    why: 'The controller counts from there.',
    caution: null,
  },
  cablesLast: {
    do: 'Cables last, tied off, free over the whole sweep',
    why: 'A cable that pulls is a star that wanders.',
    caution: 'Swing both axes once by hand, clutches open, and watch every cable.',
  },
  cablesLastDriven: {
    do: 'Cables last, tied off, free over the whole sweep',
    why: 'A cable that pulls is a star that wanders.',
    caution:
      'Never push an axis of this drive: with the power on, slew slowly once over the whole sweep and watch them.',
  },
  powerOn: {
    do: 'Power on, fused at the battery',
    why: 'Only now: the motors start from home.',
    caution: 'Plugs sealed against dew.',
  },
};

export type PackingSaying =
  | { code: 'pack'; open: number; pieces: number; cases: number }
  | { code: 'inventory'; open: number }
  | { code: 'assembly'; next: AssemblyStep | null }
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
      return s.next === null ? 'It is **together**. On to level and bearing.' : `${ASSEMBLY_WORDS[s.next].do}.`;
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
        : ASSEMBLY_WORDS[s.next].why;
  }
}
