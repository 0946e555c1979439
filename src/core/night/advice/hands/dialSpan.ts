import { polarStarsStand } from '../../../pole/polarStars.ts';
import type { Span } from '../../../time/span.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { poleStarsShow } from '../../plan/darkness.ts';

/** While a dial can be set by the stars about the pole; null where they stand too low, or it never gets dark enough. */
export const dialSpan = ({ records: { site }, sky }: Pick<NightStatic, 'records' | 'sky'>): Span | null =>
  polarStarsStand(site.latDeg) ? poleStarsShow(sky.events, site.latDeg) : null;
