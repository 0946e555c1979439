/** What is said when a device does not tell its place, or tells it late. */
import type { Format } from './format.ts';

export const PLACE = {
  ask: 'Use this device’s place',
  asking: 'Asking this device…',
  take: 'Take it all the same',
} as const;

export const NO_PLACE = {
  refused:
    'The device did not tell its place. Nothing was changed. Allow location for this page, or type the coordinates.',
  silent:
    'The device has not answered yet. Nothing was changed. Type the coordinates, or go near a window and ask again.',
  spoiled: 'The device answered without a place. Nothing was changed. Type the coordinates.',
} as const;

export const latePlace = ({ latDeg, lonDeg }: { latDeg: number; lonDeg: number }, f: Format): string =>
  `The device’s place came after you typed: ${f.latitude(latDeg)}, ${f.longitude(lonDeg)}. What you typed stays.`;
