/** What somebody who is still choosing is taken to want, until they say it. */
export const USUAL_SENSOR = { pixelUm: 4, widthPx: 6000, heightPx: 4000, massKg: 0.6 };
export const USUAL_WISH = { targetSizeArcmin: 60, focalRatio: 6, exposureS: 60, guided: false };
/** Where most people look up from. */
export const USUAL_LATITUDE_DEG = 45;
