/** Looks at the corners of a frame, as readings of a corrector. */
import type { Reading } from '../../src/core/records/reading.ts';
import { at } from './polar.ts';
import { reading } from './records.ts';

const round = { stick: 'round', strong: false } as const;
export const ROUND = { topLeft: round, topRight: round, bottomLeft: round, bottomRight: round, centre: round };
export const stick = (way: 'rising' | 'falling', strong: boolean) => ({ stick: way, strong });
/** Sticks that point at the middle, and that circle it. */
export const toward = (strong: boolean) => ({
  ...ROUND,
  topLeft: stick('falling', strong),
  topRight: stick('rising', strong),
  bottomLeft: stick('rising', strong),
  bottomRight: stick('falling', strong),
});
export const around = (strong: boolean) => ({
  ...ROUND,
  topLeft: stick('rising', strong),
  topRight: stick('falling', strong),
  bottomLeft: stick('falling', strong),
  bottomRight: stick('rising', strong),
});

/** @param values what is said beside the places, the distance and its glass among it. */
export const lookAt = (correctorId: string, minute: number, places: object, values: object): Reading =>
  reading(
    'cornersSeen',
    { places, centreFocused: true, highTarget: true, exposureS: 8, pastFocus: 'notTried', ...values },
    { ...at(minute), id: `look${minute}`, subject: { type: 'part', id: correctorId } },
  );
