/** Words of the light path's numbers that nobody told yet. */
import type { PartOf } from '../core/records/part.ts';
import type { Assumed } from '../core/rig/lightPathOfRig.ts';

export const ASSUMED = {
  title: 'Guessed so far',
  save: 'Take this',
  backFocusHint:
    'On its box or data sheet, from the flange behind its thread. As long as nobody knows, the corners find it.',
  depthHint: 'On its data sheet. The pale number is a guess.',
  thread: 'Thread at the camera’s front',
  threadHint: 'What stands here is a guess until you take it.',
  side: 'Its side',
} as const;

/** A body with a lens mount is counted with the adapter that makes it a camera for the telescope. */
export const depthLabel = ({ name, bodyKind }: Pick<PartOf<'camera'>, 'name' | 'bodyKind'>): string =>
  bodyKind === 'lensMount'
    ? `${name}: from its adapter’s thread to the sensor`
    : `${name}: from its thread to the sensor`;

const SAID: Record<Assumed, string> = {
  backFocus: 'The corrector’s distance is told now.',
  depth: 'The camera’s depth is told now.',
  thread: 'The camera’s thread is told now.',
};
export const assumedSaid = (what: Assumed): string => SAID[what];
