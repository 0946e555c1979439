/** What the two ends of a tube are called, by what stands at them. */
import type { RearEnd } from '../core/rig/lookerPlace.ts';

export type TubeEnds = { front: string; rear: string };

export const TUBE_ENDS: Record<RearEnd, TubeEnds> = {
  camera: { front: 'front', rear: 'camera end' },
  eyepiece: { front: 'front', rear: 'eyepiece end' },
  mirror: { front: 'open end', rear: 'mirror end' },
};
/** Of a tube that is not known. */
export const ANY_ENDS: TubeEnds = { front: 'front', rear: 'rear end' };

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
