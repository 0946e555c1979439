/** Words of where the eye and its seat are. */
import { EYE_ABOVE_SEAT_M, type EyeHeights } from '../core/rig/eyepieceHeight.ts';
import type { Format } from './format.ts';

export const HEIGHTS = {
  eyepieceNow: 'Eyepiece now at',
  seatNow: 'Seat for it',
  overSky: 'Eyepiece over the sky',
  seatOverSky: 'Seat over the sky',
  heights: 'Where the eye is',
  noEyepiece: 'The eyepiece has no place on the tube yet: enter it in Kit.',
} as const;

type Figure = { name: string; value: string };

export function heightFigures({ nowM, lowestM, highestM }: EyeHeights, f: Format): Figure[] {
  const metres = (m: number): string => f.quantity(m, 'length', 2);
  const seat = (m: number): number => Math.max(0, m - EYE_ABOVE_SEAT_M);
  const range = (from: number, to: number): string => `${f.number(f.shown(from, 'length'), 2)} to ${metres(to)}`;
  return [
    ...(nowM === null
      ? []
      : [
          { name: HEIGHTS.eyepieceNow, value: metres(nowM) },
          { name: HEIGHTS.seatNow, value: nowM < EYE_ABOVE_SEAT_M ? 'kneel' : metres(seat(nowM)) },
        ]),
    { name: HEIGHTS.overSky, value: range(lowestM, highestM) },
    { name: HEIGHTS.seatOverSky, value: range(seat(lowestM), seat(highestM)) },
  ];
}

export const heightsReason = (f: Format): string =>
  `From the ground, above 20° of altitude; a diagonal is not counted. The seat is for somebody who sits upright: ${f.quantity(EYE_ABOVE_SEAT_M, 'length', 2)} below the eye.`;
