import type { Part, PartOf } from '../../core/records/part.ts';

/** What somebody who is still choosing is taken to want, until they say it. */
export const USUAL_SENSOR = { pixelUm: 4, widthPx: 6000, heightPx: 4000, massKg: 0.6 };
export const USUAL_WISH = { targetSizeArcmin: 180, apertureMm: 130, focalRatio: 4, exposureS: 30, guided: false };
/** Where most people look up from. */
export const USUAL_LATITUDE_DEG = 45;

export const tubesOf = (parts: readonly Part[]): PartOf<'tube'>[] =>
  parts.filter((p): p is PartOf<'tube'> => p.kind === 'tube' && p.deletedAtUtc === null && !p.archived);
