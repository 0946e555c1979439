/** Words of a train's pieces: their ends, joints that do not screw together, threads that reach the ground. */
import { isSameThread, threadOf } from '../core/optics/threads.ts';
import type { Part } from '../core/records/part.ts';
import type { Bottomed, Joint } from '../core/rig/trainJoints.ts';
import type { Format } from './format.ts';

export const threadWords = ({ thread, gender }: Pick<Joint, 'thread' | 'gender'>): string =>
  `${threadOf(thread)} ${gender}`;

/** `M48x0.75 to M42x0.75`, as it stands in the light. */
export function endsWords(part: Part, isTurned: boolean): string {
  if (!('front' in part)) return '';
  const first = threadOf(part.front.thread);
  if (!('rear' in part) || isSameThread(part.front.thread, part.rear.thread)) {
    return isTurned ? `${first}, turned round` : first;
  }
  const [front, rear] = isTurned ? [part.rear, part.front] : [part.front, part.rear];
  return `${threadOf(front.thread)} to ${threadOf(rear.thread)}${isTurned ? ', turned round' : ''}`;
}

/** A gap that nobody sees from outside. */
export function bottomedWords({ beforeName, afterName, gapMm }: Bottomed, f: Format): string {
  return `The thread between ${beforeName} and ${afterName} is ${f.quantity(gapMm, 'opticsMm', 1)} too long: it reaches the ground before the shoulder, and the gap counts as distance.`;
}

/** The two sides of a joint. */
export const GENDERS = { male: 'male (outside thread)', female: 'female (inside thread)' } as const;

export const THREAD_WORDS = {
  choose: 'Choose a thread',
  another: 'Another thread',
  asWritten: 'as it is written on the piece',
} as const;

export const TRAIN = {
  title: 'The pieces, from the flange to the camera',
  turn: (name: string): string => `Turn ${name} round`,
  written: 'The light path is changed.',
} as const;
