/** Words of the flexure between guide scope and camera. */
import { fromUtcText } from '../core/time/utc.ts';
import type { Flexure } from '../core/mount/flexure.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const FLEXURE = {
  record: 'Record this flexure',
  shift: 'The star moved by',
  shiftHint: 'One in the middle of the frame: at the edge the turn of the field adds to it.',
  apart: 'Time between the subs',
  along: 'Along',
  unknown: 'not looked at',
  axes: { ra: 'right ascension', dec: 'declination' },
  found: 'Flexure',
} as const;

export const FLEXURE_SENTENCE: Said = 'Lay **two guided subs** over each other, **20 to 60 min apart**, not dithered.';
export const FLEXURE_REASON =
  'The guider holds its own star: what still moves in the camera is the guide scope bending against it.';

export const flexureValue = ({ arcsecPerMin, sigmaArcsecPerMin }: Flexure, f: Format): string =>
  `${f.quantity(arcsecPerMin, 'driftRate')} ${f.doubt(sigmaArcsecPerMin, 'driftRate')}`;

export const flexureRecorded = (arcsecPerMin: number, f: Format): string =>
  `Flexure recorded: ${f.quantity(arcsecPerMin, 'driftRate')}.`;

/** What was recorded before. */
export const flexureBefore = (arcsecPerMin: number, takenAtUtc: string, f: Format): string =>
  `Recorded on ${f.evening(fromUtcText(takenAtUtc))}: ${f.quantity(arcsecPerMin, 'driftRate')}.`;
