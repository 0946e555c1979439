/** Words of fitting a stack from the parts box. */
import type { JointEnd } from '../core/optics/stack/joints.ts';
import type { Stack } from '../core/optics/stack/fitStack.ts';
import type { Purchase } from '../core/optics/stack/purchase.ts';
import type { Format } from './format.ts';

export const FIT = {
  title: 'Fit from my box',
  hint: 'Every spacer and adapter you own between corrector and camera; wheel, guider, rotator and tilt plate of this rig stay in it.',
  start: 'Fit from my box',
  found: 'Stacks found, the nearest first',
  take: 'Take this stack',
  nothing: 'No set of your pieces screws together between this corrector and this camera.',
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

const endWords = ({ thread, gender }: JointEnd): string => `${thread} ${gender}`;

/** The one piece that would close the gap. */
export function purchaseWords(
  { lengthMm, front, rear, before, after }: Purchase,
  name: (id: string) => string,
  f: Format,
): string {
  const place = [
    ...(before.length > 0 ? [`behind ${before.map(name).join(', ')}`] : []),
    ...(after.length > 0 ? [`before ${after.map(name).join(', ')}`] : []),
  ].join(' and ');
  return `One piece would close the gap: ${f.quantity(lengthMm, 'opticsMm', 2)} long, ${endWords(front)} toward the corrector, ${endWords(rear)} toward the camera${place === '' ? '' : `, ${place}`}.`;
}
