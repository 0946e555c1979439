/** Words of fitting a stack from the parts box. */
import type { JointEnd } from '../core/optics/stack/joints.ts';
import type { Stack } from '../core/optics/stack/fitStack.ts';
import type { Failing } from '../core/optics/stack/whereItFails.ts';
import type { Purchase } from '../core/optics/stack/purchase.ts';
import type { ToBuy } from '../core/optics/stack/whatToBuy.ts';
import type { Format } from './format.ts';
import { threadWords } from './trainWords.ts';

export const FIT = {
  title: 'Fit from my box',
  hint: 'Every spacer and adapter you own between corrector and camera; wheel, guider, rotator and tilt plate of this rig stay in it.',
  start: 'Fit from my box',
  found: 'Stacks found, the nearest first',
  take: 'Take this stack',
  taken: 'The stack is this rig’s train now.',
  unproven: 'Your box has more ways than were tried: these are the best found, not proven to be the best.',
  cancelled: 'Cancelled. The train is as it was.',
  died: 'The fitting stopped on this device. Nothing was changed. Press again.',
} as const;

/** `Spacer 20 mm, Adapter M48 to M42`, or that the camera screws on directly. */
export function stackWords(names: readonly string[], shimsMm: readonly number[], f: Format): string {
  const shims = shimsMm.map((mm) => `shim ${f.quantity(mm, 'opticsMm')}`);
  const all = [...names, ...shims];
  return all.length === 0 ? 'nothing: the camera screws on directly' : all.join(', ');
}

/** `0.03 mm short`; a hundredth counts as fitting. */
export function offWords({ errorMm }: Pick<Stack, 'errorMm'>, f: Format): string {
  if (Math.abs(errorMm) < 0.005) return 'fits';
  return `${f.quantity(Math.abs(errorMm), 'opticsMm', 2)} ${errorMm < 0 ? 'short' : 'long'}`;
}

/** An open end as the solver names it, gender first. */
const openWords = (end: string): string => end.replace(/^(\w+) (.*)$/, '$2 $1');
const listed = (ends: readonly string[]): string => ends.map(openWords).join(', ');

/** The joint at which every way ends. */
export function nothingWords(failing: Failing, name: (id: string) => string): string {
  switch (failing.code) {
    case 'noWay':
      return `No set of your pieces screws together. From the corrector they lead to ${listed(failing.reached)}; the camera is reached only from ${listed(failing.wanted)}. An adapter from one of the first to one of the second is missing.`;
    case 'required':
      return `${name(failing.id)} must stay in the train, but no way of your pieces leads through it. Take it out of the train, or enter an adapter.`;
    case 'copies':
      return 'No set of your pieces screws together: there are not enough copies, or a way back is missing.';
  }
}

/** What the search does not do. */
export const triedWords = (mostShimsMm: number, f: Format): string =>
  `Every piece is tried as it is drawn in the box, not turned round; at most ${f.quantity(mostShimsMm, 'opticsMm', 0)} of shims.`;

/** `Left out, since this rig does not carry them: Filter wheel B.` */
export const notTriedWords = (names: readonly string[]): string =>
  `Left out, since this rig does not carry ${names.length === 1 ? 'it' : 'them'}: ${names.join(', ')}. Put ${names.length === 1 ? 'it' : 'one'} into the train first to have it counted.`;

/** The camera's thread was never told: what is found here holds only with it. */
export const fittedToWords = (front: JointEnd): string =>
  `Fitted to ${threadWords(front)} at the camera, which is a guess.`;

/** What to buy: shims, or the one piece. */
export function toBuyWords(toBuy: ToBuy, name: (id: string) => string, f: Format): string {
  if (toBuy.kind === 'piece') return purchaseWords(toBuy.purchase, name, f);
  const { thicknessMm, on } = toBuy;
  return `${f.quantity(thicknessMm, 'opticsMm', 2)} of shims would close the gap, with ${stackWords(on.ids.map(name), on.shimsMm, f)}.`;
}

/** The one piece that would close the gap. */
function purchaseWords(
  { lengthMm, front, rear, before, after }: Purchase,
  name: (id: string) => string,
  f: Format,
): string {
  const place = [
    ...(before.length > 0 ? [`behind ${before.map(name).join(', ')}`] : []),
    ...(after.length > 0 ? [`before ${after.map(name).join(', ')}`] : []),
  ].join(' and ');
  return `One piece would close the gap: ${f.quantity(lengthMm, 'opticsMm', 2)} long, ${threadWords(front)} toward the corrector, ${threadWords(rear)} toward the camera${place === '' ? '' : `, ${place}`}.`;
}
