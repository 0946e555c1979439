/** How far the guide scope sags against the camera, from two guided subs without dithering. */

/** Along which axis the star wandered; null = not looked at. */
export type FlexureAlong = 'ra' | 'dec' | null;
export type TwoSubs = { shiftPx: number; minutes: number; along: FlexureAlong };
export type Flexure = { arcsecPerMin: number; sigmaArcsecPerMin: number; directionDeg: number | null };

/** How well the middle of a star is read on a screen, px, in each of the two. */
const READ_PX = 0.5;
/** From north through east. */
const DIRECTION_DEG = { ra: 90, dec: 0 } as const;

/** Of a star in the middle of the frame, where the turn of the field moves nothing.
 *  @param scaleArcsecPerPx of the camera. */
export function flexureOf({ shiftPx, minutes, along }: TwoSubs, scaleArcsecPerPx: number): Flexure {
  const perMin = scaleArcsecPerPx / minutes;
  return {
    arcsecPerMin: shiftPx * perMin,
    sigmaArcsecPerMin: READ_PX * Math.SQRT2 * perMin,
    directionDeg: along === null ? null : DIRECTION_DEG[along],
  };
}
