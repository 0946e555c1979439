/** Balancing a tube between a fork's arms, or in a box's bearings, front to back. */
import type { TubeAlone } from '../core/rig/assembly.ts';
import type { ForkBalance } from '../core/rig/forkBalance.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';
import type { TubeEnds } from './tubeEnds.ts';

type End = 'front' | 'rear';
export type ForkSaying =
  | { code: 'noMasses' }
  | { code: 'try' | 'balanced'; found: ForkBalance }
  /** An end dropped; `hang`: where the pieces agree with the hand. */
  | { code: 'drops'; end: End; hang: ForkBalance['hang']; found: ForkBalance };

export const FORK = {
  title: 'Which end dropped?',
  instrument: 'The pieces on the tube',
  axis: { fork: 'declination axis', box: 'bearings' },
  howItWas: { fork: 'Tube level, declination clutch open', box: 'Tube low, nothing holds it' },
} as const satisfies Record<string, string | Record<TubeAlone, string>>;

const TRY: Record<TubeAlone, Said> = {
  fork: 'Tube level: hold it, open the **declination clutch** and see which end drops.',
  box: 'Push the tube low, **let go** and see which end drops; then try it high.',
};
const WHY: Record<TubeAlone, string> = {
  fork: 'A fork carries its tube on its own axis: only front to back is balanced.',
  box: 'Its bearings carry the tube: only front to back is balanced.',
};

const other = (end: End): End => (end === 'front' ? 'rear' : 'front');

function weightWords(hang: NonNullable<ForkBalance['hang']>, f: Format, ends: TubeEnds): string {
  return `${f.quantity(hang.massKg, 'mass')} ${forkPlace(hang.atM, f, ends)}`;
}

/** `248 mm from the axis toward the front`. */
export function forkPlace(alongTubeM: number, f: Format, ends: TubeEnds): string {
  if (alongTubeM === 0) return 'on the axis';
  const end = ends[alongTubeM > 0 ? 'front' : 'rear'];
  return `${f.quantity(Math.abs(alongTubeM), 'barLength')} from the axis toward the ${end}`;
}

export function forkSentence(s: ForkSaying, f: Format, ends: TubeEnds, on: TubeAlone): Said {
  switch (s.code) {
    case 'noMasses':
      return 'Enter **masses and distances** in Kit: they say which end is heavy.';
    case 'try':
      return TRY[on];
    case 'balanced':
      return 'It stays level: **leave it**, and put a mark where the weight sits.';
    case 'drops':
      return s.hang
        ? `Strap **${weightWords(s.hang, f, ends)}**, then try again. Hold the tube.`
        : `Strap a weight **toward the ${ends[other(s.end)]}**, or take something off the other end, then try again.`;
  }
}

export function forkReason(s: ForkSaying, f: Format, ends: TubeEnds, on: TubeAlone): string {
  if (s.code === 'noMasses') return WHY[on];
  const { momentKgM, doubtKgM, isEven, hang } = s.found;
  if (isEven) return `By your pieces it is even, ${f.doubt(doubtKgM, 'moment')}. ${WHY[on]}`;
  const heavy = ends[momentKgM > 0 ? 'front' : 'rear'];
  const pulls = `By your pieces the ${heavy} pulls by ${f.quantity(Math.abs(momentKgM), 'moment')}, ${f.doubt(doubtKgM, 'moment')}`;
  if (s.code !== 'try' || !hang) return `${pulls}.`;
  return `${pulls}: ${weightWords(hang, f, ends)} would hold it.`;
}
