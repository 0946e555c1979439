/** Bright stars of the whole sky to magnitude 4, for proposals and star hops; J2000, no proper motion. */
import rows from './data/bright-stars.json' with { type: 'json' };
import type { CatalogueStar } from './ephemeris.ts';

export type BrightStar = CatalogueStar & { hip: number; name: string; magnitude: number };

/** Brightest first. */
export const BRIGHT_STARS: readonly BrightStar[] = (rows as [number, string, number, number, number][]).map(
  ([hip, name, raJ2000Deg, decJ2000Deg, magnitude]) => ({ hip, name, raJ2000Deg, decJ2000Deg, magnitude }),
);
